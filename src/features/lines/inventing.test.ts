import type { Remote } from "comlink";
import {
  airframePresets,
  CALM_AIR,
  firstSettings,
  inventLines,
  joins,
  proposedLine,
  withOdds,
  type Wish,
} from "@/core";
import type { Pool } from "@/ui/scatter/pool";
import type { LineWorker } from "@/workers/line.worker";
import { invent, type Inventing } from "./use-invent";

const { airframe } = airframePresets["five-inch-freestyle"];
const environment = { ...CALM_AIR, entryHeightM: 25 };
const remote = { joins, proposedLine, withOdds } as unknown as Remote<LineWorker>;
/** Workers that answer in any order but the one in which they were asked. */
const pool: Pool<LineWorker> = {
  run: async (job) => {
    await new Promise((resolve) => setTimeout(resolve, Math.random() * 5));
    return job(remote);
  },
  warm: () => undefined,
  close: () => undefined,
};

it("shared out among workers invents the lines that one worker invents, and shows how far it is and what there is", async () => {
  const wish: Wish = {
    allowed: ["roll-pure-right", "flip-one-move-back", "hang-left"],
    length: 2,
    seed: 3,
    budget: 40,
    errors: {},
    flown: [["roll-pure-right", "hang-left"]],
  };
  const shown: Extract<Inventing, { kind: "inventing" }>[] = [];
  const lines = await invent(pool, wish, { airframe, settings: firstSettings, environment }, (state) => {
    if (state.kind === "inventing") shown.push(state);
  });
  expect(lines.length).toBeGreaterThan(2);
  expect(lines).toEqual(inventLines(wish, airframe, firstSettings, environment).lines);
  expect([...new Set(shown.map(({ stage }) => stage))]).toEqual(["pairs", "lines", "odds"]);
  for (const stage of ["pairs", "odds"]) {
    const shares = shown.filter((one) => one.stage === stage).map(({ share }) => share);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    expect(shares.at(-1)).toBe(1);
  }
  // The first proposals are there before any is counted.
  expect(shown.find(({ soFar }) => soFar.length > 0)?.stage).toBe("lines");
}, 120_000);
