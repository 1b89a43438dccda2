"use client";

import { startTransition, useEffect, useRef, useState } from "react";
import { startHeightKey, type StartHeight, type StartHeightInputs } from "@/core";
import { createPool, type Pool } from "@/ui/scatter/pool";
import { keepOnServer, keptStartHeight, workOut } from "./work-out";

/** How far the minimum start height of a trick is known. */
export type StartHeightState =
  /** Asked for, or being worked out: so much of it is done. */
  | { readonly kind: "computing"; readonly share: number }
  /** Null for a trick that belongs at its own height or does not go. */
  | { readonly kind: "known"; readonly startHeight: StartHeight | null }
  /** Never worked out, and not to be worked out here: a coach's browser does that. */
  | { readonly kind: "absent" }
  | { readonly kind: "broken"; readonly why: Error };

/** What is asked after something else may be a slider that moves: it is waited for until it rests. */
const SETTLED_MS = 400;
/** Progress is told in steps. */
const TOLD_EVERY = 0.05;

/**
 * The minimum start height of a trick: the one that came along, else the one the server keeps, else worked out here on all cores and then kept, where
 * that is done. `null` asks for nothing.
 */
export function useStartHeight(
  inputs: StartHeightInputs | null,
  { kept = null, worksOut = true }: { readonly kept?: StartHeight | null; readonly worksOut?: boolean } = {},
): StartHeightState {
  const [state, setState] = useState<{ key: string; result: StartHeightState } | null>(null);
  const asked = inputs === null ? null : JSON.stringify(inputs);
  const key = inputs === null ? null : startHeightKey(inputs);
  const askedBefore = useRef(false);
  useEffect(() => {
    if (asked === null || key === null || kept) return;
    let gone = false;
    let pool: Pool | null = null;
    // Much hangs on it, and drawing it holds up nobody's hand.
    const settle = (result: StartHeightState) => startTransition(() => (gone ? undefined : setState({ key, result })));
    const mayMove = askedBefore.current;
    askedBefore.current = true;
    const find = async () => {
      if (mayMove) await new Promise((resolve) => setTimeout(resolve, SETTLED_MS));
      if (gone) return;
      const found = await keptStartHeight(key);
      if (gone) return;
      if (found) return settle({ kind: "known", startHeight: found });
      if (!worksOut) return settle({ kind: "absent" });
      pool = createPool();
      let toldShare = 0;
      const onProgress = (share: number) => {
        if (share - toldShare < TOLD_EVERY) return;
        toldShare = share;
        settle({ kind: "computing", share });
      };
      const startHeight = await workOut(pool, JSON.parse(asked) as StartHeightInputs, onProgress);
      settle({ kind: "known", startHeight });
      if (startHeight && !gone) void keepOnServer(key, startHeight);
    };
    find()
      .catch((error: Error) => settle({ kind: "broken", why: error }))
      .finally(() => pool?.close());
    return () => {
      gone = true;
      pool?.close();
    };
  }, [asked, key, kept, worksOut]);
  if (kept) return { kind: "known", startHeight: kept };
  return state && state.key === key ? state.result : { kind: "computing", share: 0 };
}
