"use client";

import { proxy } from "comlink";
import { useCallback, useEffect, useRef, useState } from "react";
import type { Pack, Settings, TapeMapping, TapeProblem } from "@/core";
import { workerClient, type WorkerClient } from "@/ui/worker/worker-client";
import type { TapeSource, TapeWorker } from "@/workers/tape.worker";

/** A recording as it is asked for. */
export interface Asked {
  readonly name: string;
  readonly source: TapeSource;
  readonly settings: Settings;
  readonly mapping: TapeMapping | null;
}

/** What became of it. */
export type Reading =
  | { readonly kind: "none" }
  | { readonly kind: "reading"; readonly asked: Asked; readonly share: number }
  /** `ask` goes on asking of it. */
  | { readonly kind: "read"; readonly asked: Asked; readonly pack: Pack; readonly ask: WorkerClient<TapeWorker>["ask"] }
  | { readonly kind: "refused"; readonly asked: Asked; readonly problem: TapeProblem }
  | { readonly kind: "failed"; readonly asked: Asked; readonly why: string };

export const startTapeWorker = () =>
  new Worker(new URL("../../workers/tape.worker.ts", import.meta.url), { type: "module" });

/** Reads one recording at a time in a worker, and goes on asking of it; cancelling ends the worker with whatever it is at. */
export function useRecording() {
  const [reading, setReading] = useState<Reading>({ kind: "none" });
  const client = useRef<WorkerClient<TapeWorker> | null>(null);
  const stop = useCallback(() => {
    client.current?.close();
    client.current = null;
  }, []);
  useEffect(() => stop, [stop]);
  const open = useCallback(
    async (asked: Asked) => {
      stop();
      const own = workerClient<TapeWorker>(startTapeWorker);
      client.current = own;
      const set = (next: Reading) => client.current === own && setReading(next);
      set({ kind: "reading", asked, share: 0 });
      const onProgress = proxy((share: number) => set({ kind: "reading", asked, share }));
      const { source, settings, mapping } = asked;
      try {
        const { pack, problem } = await own.ask((remote) => remote.readPack(source, settings, mapping, onProgress));
        if (pack) return set({ kind: "read", asked, pack, ask: own.ask });
        if (problem) set({ kind: "refused", asked, problem });
      } catch (error) {
        // The worker broke, the file went away while it was read, or the server does not answer.
        set({ kind: "failed", asked, why: error instanceof Error ? error.message : "" });
      }
      if (client.current === own) stop();
    },
    [stop],
  );
  const cancel = useCallback(() => {
    stop();
    setReading({ kind: "none" });
  }, [stop]);
  return { reading, open, cancel };
}
