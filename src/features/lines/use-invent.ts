"use client";

import { useCallback, useEffect, useRef, useState } from "react";
import {
  BEST_LINES,
  bestFirst,
  lineCandidates,
  requireWish,
  type InventedLine,
  type Joint,
  type Line,
  type LineProposal,
  type Wish,
} from "@/core";
import type { Pool } from "@/ui/scatter/pool";
import type { LineWorker } from "@/workers/line.worker";
import { linePool, type FlownWith } from "./line-worker";

/** How far inventing is. What was found so far is there at any moment. */
export type Inventing =
  | { readonly kind: "idle" }
  | {
      readonly kind: "inventing";
      readonly stage: "pairs" | "lines" | "odds";
      readonly share: number;
      readonly soFar: readonly (LineProposal | InventedLine)[];
    }
  | { readonly kind: "done"; readonly lines: readonly InventedLine[] }
  | { readonly kind: "stopped"; readonly soFar: readonly (LineProposal | InventedLine)[] }
  | { readonly kind: "refused"; readonly why: Error };

/** Invents lines in a pool of workers; can be stopped, and then shows what there is. */
export function useInvent() {
  const [state, setState] = useState<Inventing>({ kind: "idle" });
  const pool = useRef<Pool<LineWorker> | null>(null);
  const close = useCallback(() => {
    pool.current?.close();
    pool.current = null;
  }, []);
  useEffect(() => close, [close]);
  const start = useCallback(
    (wish: Wish, flown: FlownWith) => {
      close();
      const own = (pool.current = linePool());
      const show = (next: Inventing) => pool.current === own && setState(next);
      show({ kind: "inventing", stage: "pairs", share: 0, soFar: [] });
      invent(own, wish, flown, show)
        .then((lines) => show({ kind: "done", lines }))
        .catch((error: Error) => show({ kind: "refused", why: error }))
        .finally(() => pool.current === own && close());
    },
    [close],
  );
  const stop = useCallback(() => {
    close();
    setState((now) => (now.kind === "inventing" ? { kind: "stopped", soFar: now.soFar } : now));
  }, [close]);
  return { state, start, stop };
}

/** As `inventLines` does it, with the work shared out: the same lines for the same seed. @public */
export async function invent(
  pool: Pool<LineWorker>,
  wish: Wish,
  { airframe, settings, environment }: FlownWith,
  show: (state: Inventing) => void,
): Promise<readonly InventedLine[]> {
  const allowed = requireWish(wish);
  const table: Joint[][] = allowed.map(() => []);
  let pairs = 0;
  if (!wish.from)
    await Promise.all(
      allowed.flatMap((from, i) =>
        allowed.map(async (to, k) => {
          table[i][k] = await pool.run(async (remote): Promise<Joint> =>
            remote.joins(from, to, airframe, settings, environment),
          );
          show({ kind: "inventing", stage: "pairs", share: ++pairs / allowed.length ** 2, soFar: [] });
        }),
      ),
    );
  const proposals = await firstThatHold(
    lineCandidates(wish, table),
    (candidate) => pool.run((remote) => remote.proposedLine(candidate, wish, airframe, settings, environment)),
    (soFar) => show({ kind: "inventing", stage: "lines", share: soFar.length / BEST_LINES, soFar }),
  );
  const done: (LineProposal | InventedLine)[] = [...proposals];
  let counted = 0;
  const lines = await Promise.all(
    proposals.map(async (proposal, i) => {
      const line = await pool.run((remote) => remote.withOdds(proposal, wish, airframe, settings, environment));
      done[i] = line;
      show({ kind: "inventing", stage: "odds", share: ++counted / proposals.length, soFar: [...done] });
      return line;
    }),
  );
  return bestFirst(lines);
}

/** Candidates flown at once, more than there are cores. */
const AT_ONCE = 8;

/** The first ten that hold, in the order of the candidates whoever is done first. */
async function firstThatHold(
  candidates: readonly Line[],
  fly: (candidate: Line) => Promise<LineProposal | null>,
  onFound: (soFar: readonly LineProposal[]) => void,
): Promise<readonly LineProposal[]> {
  const held: LineProposal[] = [];
  for (let from = 0; from < candidates.length && held.length < BEST_LINES; from += AT_ONCE) {
    const flown = await Promise.all(candidates.slice(from, from + AT_ONCE).map(fly));
    held.push(...flown.flatMap((proposal) => proposal ?? []));
    onFound(held.slice(0, BEST_LINES));
  }
  return held.slice(0, BEST_LINES);
}
