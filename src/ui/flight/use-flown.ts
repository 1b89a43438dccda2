"use client";

import { useEffect, useRef, useState } from "react";
import type { FlownTrick, TrickRequest } from "@/core";
import { workerClient, type WorkerClient } from "@/ui/worker/worker-client";
import type { TrickWorker } from "@/workers/trick.worker";

export type Flown =
  | { readonly kind: "flown"; readonly trick: FlownTrick }
  /** It cannot be begun at all. */
  | { readonly kind: "refused"; readonly why: Error };

interface Asked {
  readonly key: string;
  readonly result: Flown;
}

/**
 * Flies what is asked in a worker that stays; the newest request wins, and what was flown before stays until then. `pending` is true while the
 * newest is still on its way.
 */
export function useFlown(request: TrickRequest | null): { readonly flown: Flown | null; readonly pending: boolean } {
  const [answer, setAnswer] = useState<Asked | null>(null);
  const client = useRef<WorkerClient<TrickWorker> | null>(null);
  const busy = useRef(false);
  const wanted = useRef<{ key: string; request: TrickRequest } | null>(null);
  const key = request === null ? "" : JSON.stringify(request);

  useEffect(() => {
    const made = workerClient<TrickWorker>(
      () => new Worker(new URL("../../workers/trick.worker.ts", import.meta.url), { type: "module" }),
    );
    client.current = made;
    return () => {
      client.current = null;
      made.close();
    };
  }, []);

  useEffect(() => {
    if (key === "") return;
    wanted.current = { key, request: JSON.parse(key) as TrickRequest };
    const next = async () => {
      // One at a time: what was asked meanwhile replaces what waits.
      while (wanted.current && client.current) {
        const { key: asked, request: now } = wanted.current;
        wanted.current = null;
        const result = await client.current
          .ask((remote) => remote.flyAsSet(now))
          .then((trick): Flown => ({ kind: "flown", trick }))
          .catch((error: Error): Flown => ({ kind: "refused", why: error }));
        setAnswer({ key: asked, result });
      }
      busy.current = false;
    };
    if (busy.current) return;
    busy.current = true;
    void next();
  }, [key]);

  return { flown: key === "" ? null : (answer?.result ?? null), pending: key !== "" && answer?.key !== key };
}
