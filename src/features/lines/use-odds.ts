"use client";

import {
  lineHeightOf,
  oddsOf,
  START_HEIGHT_RUNS,
  USUAL_STOP_DEG,
  worseLineHeight,
  type LineFreezes,
  type LineOdds,
  type LineRun,
  type LineStartHeight,
  type PilotErrors,
} from "@/core";
import type { Pool } from "@/ui/scatter/pool";
import { inParts } from "@/ui/scatter/in-parts";
import { useComputed } from "@/ui/scatter/use-scatter";
import type { LineWorker } from "@/workers/line.worker";
import { linePool, type FlownLine, type FlownWith } from "./line-worker";

/** What many flights with a pilot's errors say of a line. */
export interface LineSafety {
  readonly odds: LineOdds;
  /** Null for a line that ends on the ground. */
  readonly startHeight: LineStartHeight | null;
}

const RUNS = 200;
const SEED = 1;

/** Flies a line many times with the errors of hands, on all cores, when that is asked for. */
export function useOdds() {
  return useComputed<LineSafety, LineWorker>(linePool);
}

/** How likely a line is clean from end to end, where it breaks, and from which height on it is safe. */
export async function flySafety(
  pool: Pool<LineWorker>,
  { line, flight }: FlownLine,
  { airframe, settings, environment }: FlownWith,
  freezes: LineFreezes | null,
  errors: PilotErrors,
  onProgress: (share: number) => void,
): Promise<LineSafety> {
  const planned = flight.items.map(({ recipe }) => recipe);
  const plan = { line, airframe, settings, environment, errors, stopWithinDeg: USUAL_STOP_DEG, seed: SEED, planned };
  const tricks = line.items.filter((item) => item.kind === "trick");
  const packs = freezes?.packs ?? [];
  const all = RUNS * (1 + tricks.length) + START_HEIGHT_RUNS * packs.length;
  let done = 0;
  const flew = (runs: number) => onProgress((done += runs) / all);
  const flights = inParts(
    RUNS,
    async (from, to): Promise<readonly LineRun[]> => pool.run((remote) => remote.lineRuns(plan, from, to)),
    flew,
  );
  const { planned: _, line: __, ...single } = plan;
  const singles = Promise.all(
    line.items.map(async (item) => {
      if (item.kind !== "trick") return null;
      const share = await pool.run((remote) => remote.aloneShare(single, item, RUNS));
      flew(RUNS);
      return share;
    }),
  );
  const heights = Promise.all(
    packs.map(async ({ packUsed, planned: high }) => {
      const task = { line, airframe, settings, environment, hands: errors, seed: SEED, packUsed, planned: high };
      const parts = await inParts(
        START_HEIGHT_RUNS,
        async (from, to): Promise<readonly number[]> => pool.run((remote) => remote.lineLosses(task, from, to)),
        flew,
      );
      return lineHeightOf(parts.flat(), packUsed, airframe);
    }),
  );
  const odds = oddsOf(line, (await flights).flat(), await singles);
  const byHands = await heights;
  return { odds, startHeight: freezes && byHands.reduce(worseLineHeight, freezes.startHeight) };
}
