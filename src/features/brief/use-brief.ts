"use client";

import { wrap } from "comlink";
import { useEffect, useState } from "react";
import {
  CALM_AIR,
  USUAL_FREEZE,
  type Airframe,
  type Recipe,
  type Settings,
  type StartHeight,
  type TrickBrief,
} from "@/core";
import type { BriefWorker } from "@/workers/brief.worker";

export type BriefState =
  | { readonly kind: "computing" }
  | { readonly kind: "done"; readonly brief: TrickBrief }
  | { readonly kind: "impossible"; readonly why: string };

/**
 * Solves and flies a recipe in a worker; starts afresh when the recipe, the aircraft or the settings change. Begun at `startHeight` once that is known, till
 * then at what the freezes ask for.
 */
export function useBrief(
  recipe: Recipe,
  airframe: Airframe,
  settings: Settings,
  startHeight: StartHeight | null = null,
): BriefState {
  const [state, setState] = useState<{ key: string; trick: string; result: BriefState } | null>(null);
  const trick = JSON.stringify([recipe, airframe, settings]);
  const key = JSON.stringify([trick, startHeight]);
  useEffect(() => {
    const worker = new Worker(new URL("../../workers/brief.worker.ts", import.meta.url), { type: "module" });
    let gone = false;
    const settle = (result: BriefState) => {
      worker.terminate();
      if (!gone) setState({ key, trick: JSON.parse(key)[0] as string, result });
    };
    const [flownTrick, known] = JSON.parse(key) as [string, StartHeight | null];
    const [flown, frame, set] = JSON.parse(flownTrick) as [Recipe, Airframe, Settings];
    worker.onerror = (event) =>
      settle({ kind: "impossible", why: event.message || "The computation could not be started." });
    wrap<BriefWorker>(worker)
      .draftBrief(flown, frame, set, CALM_AIR, USUAL_FREEZE, known)
      .then(
        (brief) => settle({ kind: "done", brief }),
        (error: Error) => settle({ kind: "impossible", why: error.message }),
      );
    return () => {
      gone = true;
      worker.terminate();
    };
  }, [key]);
  // While only the height changes, what was flown last stays.
  return state?.trick === trick ? state.result : { kind: "computing" };
}
