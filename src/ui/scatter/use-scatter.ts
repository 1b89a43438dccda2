"use client";

import { useCallback, useEffect, useRef, useState } from "react";
import type { ScatterPlan, ScatterRun } from "@/core";
import { inParts } from "./in-parts";
import type { ScatterWorker } from "@/workers/scatter.worker";
import { createPool, type Pool } from "./pool";

/** A long computation that can be stopped. */
export type Computed<T> =
  | { readonly kind: "idle" }
  | { readonly kind: "flying"; readonly share: number }
  | { readonly kind: "done"; readonly result: T; readonly key: string }
  | { readonly kind: "broken"; readonly why: Error };

type Compute<T, Api> = (pool: Pool<Api>, onProgress: (share: number) => void) => Promise<T>;

/** By how much a computation gets on before its progress is shown again. */
const PROGRESS_STEP = 0.1;

/** Runs long computations in a pool of its own that stays warm, one at a time; what was found stays until it is asked again. `makePool` is that of the first time. */
export function useComputed<T, Api = ScatterWorker>(
  makePool: () => Pool<Api> = createPool,
): {
  readonly state: Computed<T>;
  readonly start: (key: string, compute: Compute<T, Api>) => void;
  readonly cancel: () => void;
  /** Gets the pool ready for a computation that is likely to be asked for. */
  readonly warm: (job: Parameters<Pool<Api>["warm"]>[0]) => void;
} {
  const [state, setState] = useState<Computed<T>>({ kind: "idle" });
  const job = useRef(0);
  const running = useRef(false);
  const pool = useRef<Pool<Api> | null>(null);
  const make = useRef(makePool);
  const close = useCallback(() => {
    pool.current?.close();
    pool.current = null;
  }, []);
  const stop = useCallback(() => {
    job.current++;
    if (running.current) close();
    running.current = false;
  }, [close]);
  useEffect(
    () => () => {
      stop();
      close();
    },
    [stop, close],
  );
  const cancel = useCallback(() => {
    stop();
    setState({ kind: "idle" });
  }, [stop]);
  const start = useCallback(
    (key: string, compute: Compute<T, Api>) => {
      stop();
      const own = job.current;
      running.current = true;
      setState({ kind: "flying", share: 0 });
      const settle = (next: Computed<T>) => {
        if (job.current !== own) return;
        if (next.kind !== "flying") running.current = false;
        // A worker that broke is of no more use.
        if (next.kind === "broken") close();
        setState(next);
      };
      pool.current ??= make.current();
      // Drawing it oftener would take from the workers what it tells of.
      let shown = 0;
      const onProgress = (share: number) => {
        if (share - shown < PROGRESS_STEP) return;
        shown = share;
        settle({ kind: "flying", share });
      };
      compute(pool.current, onProgress).then(
        (result) => settle({ kind: "done", result, key }),
        (error: Error) => settle({ kind: "broken", why: error }),
      );
    },
    [stop, close],
  );
  const warm = useCallback((job: Parameters<Pool<Api>["warm"]>[0]) => {
    if (pool.current) return;
    pool.current = make.current();
    pool.current.warm(job);
  }, []);
  return { state, start, cancel, warm };
}

/** Flies plans `runs` times each, all with the same errors. */
export async function flyMany(
  pool: Pool,
  plans: readonly ScatterPlan[],
  runs: number,
  onProgress: (share: number) => void,
): Promise<readonly (readonly ScatterRun[])[]> {
  let flown = 0;
  return Promise.all(
    plans.map(async (plan) => {
      const parts = await inParts(
        runs,
        (from, to) => pool.run((remote) => remote.scatterRuns(plan, from, to)),
        (n) => onProgress((flown += n) / (runs * plans.length)),
      );
      return parts.flat();
    }),
  );
}
