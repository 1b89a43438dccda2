import type { Remote } from "comlink";
import { workerClient, type WorkerClient } from "../worker/worker-client";
import type { ScatterWorker } from "@/workers/scatter.worker";

const MOST_WORKERS = 8;

/** Workers that fly in turn whatever they are given. */
export interface Pool<Api = ScatterWorker> {
  /** Runs a job on the next worker that is free. Rejects when the worker breaks; never settles once the pool is closed. */
  readonly run: <T>(job: (remote: Remote<Api>) => Promise<T>) => Promise<T>;
  /** Loads every worker and lets it come up to speed with a small job; what it gives is not wanted. */
  readonly warm: (job: (remote: Remote<Api>) => Promise<unknown>) => void;
  /** Ends all of it at once. */
  readonly close: () => void;
}

const scatterWorker = () => new Worker(new URL("../../workers/scatter.worker.ts", import.meta.url), { type: "module" });

/** As many workers as there are cores, started when first needed. */
export function createPool<Api = ScatterWorker>({
  start = scatterWorker,
  count = Math.max(1, Math.min(MOST_WORKERS, navigator.hardwareConcurrency || 2)),
}: { readonly start?: () => Worker; readonly count?: number } = {}): Pool<Api> {
  const hands: WorkerClient<Api>[] = [];
  const free: WorkerClient<Api>[] = [];
  const waiting: ((hand: WorkerClient<Api>) => void)[] = [];
  let closed = false;
  const hire = () => {
    const hand = workerClient<Api>(start);
    hands.push(hand);
    return hand;
  };
  const take = async (): Promise<WorkerClient<Api>> =>
    free.pop() ?? (hands.length < count ? hire() : new Promise((resolve) => waiting.push(resolve)));
  const give = (hand: WorkerClient<Api>) => {
    if (closed) return;
    const next = waiting.shift();
    if (next) next(hand);
    else free.push(hand);
  };
  const run: Pool<Api>["run"] = async (job) => {
    const hand = await take();
    if (closed) return new Promise(() => undefined);
    try {
      return await hand.ask(job);
    } finally {
      give(hand);
    }
  };
  return {
    run,
    // A worker that is broken says so when it is really asked.
    warm: (job) => void Promise.allSettled(Array.from({ length: count }, () => run(job))),
    close: () => {
      closed = true;
      waiting.length = 0;
      for (const hand of hands) hand.close();
    },
  };
}
