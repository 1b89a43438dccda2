"use client";

import { proxy } from "comlink";
import { useCallback, useEffect, useRef, useState } from "react";
import type { Pack, Settings, TapeProblem } from "@/core";
import { workerClient, type WorkerClient } from "@/ui/worker/worker-client";
import type { TapeWorker } from "@/workers/tape.worker";

/** What became of a file. */
export type Recording =
  | { readonly kind: "none" }
  | { readonly kind: "reading"; readonly name: string; readonly share: number }
  | { readonly kind: "read"; readonly name: string; readonly pack: Pack }
  | { readonly kind: "refused"; readonly name: string; readonly problem: TapeProblem }
  | { readonly kind: "failed"; readonly name: string };

const start = () => new Worker(new URL("../../workers/tape.worker.ts", import.meta.url), { type: "module" });

/** Reads one recording at a time in a worker; cancelling ends the worker with whatever it is at. */
export function useRecording(settings: Settings) {
  const [recording, setRecording] = useState<Recording>({ kind: "none" });
  const client = useRef<WorkerClient<TapeWorker> | null>(null);
  const stop = useCallback(() => {
    client.current?.close();
    client.current = null;
  }, []);
  useEffect(() => stop, [stop]);
  const open = async (file: File) => {
    stop();
    const own = workerClient<TapeWorker>(start);
    client.current = own;
    const { name } = file;
    const set = (next: Recording) => client.current === own && setRecording(next);
    set({ kind: "reading", name, share: 0 });
    const onProgress = proxy((share: number) => set({ kind: "reading", name, share }));
    try {
      const { pack, problem } = await own.ask((remote) => remote.readPack(file, settings, onProgress));
      if (pack) set({ kind: "read", name, pack });
      else if (problem) set({ kind: "refused", name, problem });
    } catch {
      // The worker broke, or the file went away while it was read.
      set({ kind: "failed", name });
    }
    if (client.current === own) stop();
  };
  const cancel = () => {
    stop();
    setRecording({ kind: "none" });
  };
  return { recording, open, cancel };
}
