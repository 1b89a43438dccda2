"use client";

import { proxy } from "comlink";
import { useEffect, useState } from "react";
import type { Recording, Setup } from "@/contract";
import type { Pack } from "@/core";
import { workerClient } from "@/ui/worker/worker-client";
import type { TapeWorker } from "@/workers/tape.worker";
import { startTapeWorker } from "./use-recording";

/** A second recording that was read to be laid over the first. */
export type Other =
  | { readonly kind: "none" | "failed" }
  | { readonly kind: "reading"; readonly share: number }
  | { readonly kind: "read"; readonly pack: Pack };

/** Reads a kept recording beside the one that is open; nothing for null. */
export function useOther(recording: Recording | null, setup: Setup): Other {
  const [state, setState] = useState<{ readonly id: string; readonly other: Other } | null>(null);
  useEffect(() => {
    if (!recording) return;
    const { id, bytes, mapping } = recording;
    const client = workerClient<TapeWorker>(startTapeWorker);
    let current = true;
    const set = (other: Other) => current && setState({ id, other });
    const onProgress = proxy((share: number) => set({ kind: "reading", share }));
    client
      .ask((remote) => remote.readPack({ kind: "kept", id, bytes }, setup.settings, mapping, onProgress))
      .then(({ pack }) => set(pack ? { kind: "read", pack } : { kind: "failed" }))
      .catch(() => set({ kind: "failed" }))
      .finally(client.close);
    return () => {
      current = false;
      client.close();
    };
  }, [recording, setup]);
  if (!recording) return { kind: "none" };
  return state?.id === recording.id ? state.other : { kind: "reading", share: 0 };
}
