"use client";

import { useMemo } from "react";
import type { FlownTrick, TrickRequest } from "@/core";
import { useNewest } from "@/ui/worker/use-newest";
import type { TrickWorker } from "@/workers/trick.worker";

export type Flown =
  | { readonly kind: "flown"; readonly trick: FlownTrick }
  /** It cannot be begun at all. */
  | { readonly kind: "refused"; readonly why: Error };

const start = () => new Worker(new URL("../../workers/trick.worker.ts", import.meta.url), { type: "module" });

/**
 * Flies what is asked in a worker that stays; the newest request wins, and what was flown before stays until then. `pending` is true while the
 * newest is still on its way.
 */
export function useFlown(request: TrickRequest | null): { readonly flown: Flown | null; readonly pending: boolean } {
  const { result, pending } = useNewest<TrickRequest, FlownTrick, TrickWorker>(request, start, (remote, asked) =>
    remote.flyAsSet(asked),
  );
  const flown = useMemo(
    (): Flown | null => (result?.kind === "answer" ? { kind: "flown", trick: result.answer } : result),
    [result],
  );
  return { flown, pending };
}
