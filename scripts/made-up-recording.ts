import { writeFileSync } from "node:fs";
import { madeUpPack } from "@/core/tape/testing/made-up-pack";

/** A made-up pack of ten tricks as a recording: scripts/made-up-recording.ts <file>. */
const kinds = ["flip", "flip", "roll", "roll", "hang", "split", "flip", "spin", "roll", "flip"] as const;
const tricks = kinds.map((kind, i) => ({ kind, side: i % 3 ? (1 as const) : (-1 as const), turns: 1 }));
writeFileSync(process.argv[2], madeUpPack(tricks, { hz: 500, seed: 4, biasDps: 0.5 }).text);
