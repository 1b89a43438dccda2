import Papa from "papaparse";
import {
  airframePresets,
  CALM_AIR,
  checkTape,
  findTricks,
  firstSettings,
  fly,
  recipes,
  TapeReader,
  trickKinds,
} from "@/core";
import { flownTape } from "@/core/tape/testing/flown-tape";
import { madeUpPack, type AskedTrick } from "@/core/tape/testing/made-up-pack";

/** `npm run bench -- tape`: reading, checking and searching ten minutes at 1 kHz against a CSV library that only parses it, and what is taken for what. */
const LIMIT = 1;
const ROWS = 600_000;
const flownBy = { rates: firstSettings.rates, tiltDeg: firstSettings.tiltDeg };
const kinds = ["flip", "roll", "spin", "hang", "split"] as const;
const asked = (count: number): AskedTrick[] =>
  Array.from({ length: count }, (_, i) => ({ kind: kinds[i % 5], side: Math.floor(i / 5) % 2 ? 1 : -1, turns: 1 }));

const [names, ...flown] = madeUpPack(asked(95), { hz: 1000, seed: 1 }).text.trimEnd().split("\n");
if (flown.length < ROWS) throw new Error(`only ${flown.length} rows were flown`);
const text = [names, ...flown.slice(0, ROWS)].join("\n");
const bytes = new TextEncoder().encode(text);
const timed = (run: () => void) => {
  const began = performance.now();
  run();
  return performance.now() - began;
};
const ours = () => {
  const reader = new TapeReader();
  for (let at = 0; at < bytes.length; at += 1 << 20) reader.push(bytes.subarray(at, at + (1 << 20)));
  const tape = reader.end();
  checkTape(tape, firstSettings);
  return findTricks(tape, flownBy).length;
};
const theirs = () => Papa.parse(text).data.length;
const rounds = Array.from({ length: 5 }, () => [timed(ours), timed(theirs)] as const);
const ratios = rounds.map(([a, b]) => a / b).sort((a, b) => a - b);
const ratio = ratios[2];
console.log(
  `${ROWS} rows, ${(bytes.length / 1e6).toFixed(0)} MB: read, checked and searched in ${ratio.toFixed(2)} of the time of parsing alone ${ratio > LIMIT ? `OVER ${LIMIT}` : ""}`,
);
console.log(`memory ${(process.memoryUsage().rss / 1e6).toFixed(0)} MB with the text held twice`);

/** Rows are what was flown, columns what it was called. */
function confusion(title: string, flownAs: readonly (readonly [string, string])[]): void {
  console.log(`\n${title}`);
  for (const kind of [...new Set(flownAs.map(([truth]) => truth))]) {
    const called = flownAs.filter(([truth]) => truth === kind).map(([, found]) => found);
    const counts = [...trickKinds, "nothing", "more than one"].flatMap((name) => {
      const count = called.filter((one) => one === name).length;
      return count ? [`${name} ${count}`] : [];
    });
    console.log(`  ${kind.padEnd(26)} ${counts.join(", ")}`);
  }
}
const callOf = (found: readonly { kind: string }[]) =>
  found.length === 0 ? "nothing" : found.length > 1 ? "more than one" : found[0].kind;
const read = (csv: string) => {
  const reader = new TapeReader();
  reader.push(new TextEncoder().encode(csv));
  return findTricks(reader.end(), flownBy);
};

for (const hz of [50, 100, 500, 1000]) {
  const { text: csv, truth } = madeUpPack(asked(60), { hz, seed: hz + 1, biasDps: 1 });
  const found = read(csv);
  const called = truth.map(
    (one) => [one.kind, callOf(found.filter(({ fromS, toS }) => fromS < one.toS && toS > one.fromS))] as const,
  );
  const extra = found.filter(({ fromS, toS }) => !truth.some((one) => fromS < one.toS && toS > one.fromS)).length;
  confusion(
    `another maker's pack at ${hz} Hz; ${extra} that nobody flew in ${(truth.at(-1)!.toS / 60).toFixed(1)} min`,
    called,
  );
}

const { airframe } = airframePresets["five-inch-freestyle"];
const dirty = { biasDps: 1, scale: 0.003, noiseDps: 0.5, jitter: 0.2, dropped: 0.01, stickSteps: 256, stickHz: 50 };
const all = Object.entries(recipes).flatMap(([id, recipe]) => {
  const flight = fly(recipe, airframe, firstSettings, { ...CALM_AIR, entryHeightM: 60 });
  return [100, 500].map(
    (hz) => [id.replace(/-(left|right|back|front)$/, ""), callOf(read(flownTape(flight, { hz, ...dirty })))] as const,
  );
});
confusion("every recipe at 100 and 500 Hz with dirt", all);
if (ratio > LIMIT) process.exitCode = 1;
