"use client";

import { wrap } from "comlink";
import { useEffect, useState } from "react";
import { CALM_AIR, type Airframe, type Recipe, type Settings, type TrickBrief } from "@/core";
import type { BriefWorker } from "@/workers/brief.worker";

export type BriefState =
  | { readonly kind: "computing" }
  | { readonly kind: "done"; readonly brief: TrickBrief }
  | { readonly kind: "impossible"; readonly why: string };

/** Solves and flies a recipe in a worker; starts afresh when the recipe, the aircraft or the settings change. */
export function useBrief(recipe: Recipe, airframe: Airframe, settings: Settings): BriefState {
  const [state, setState] = useState<{ key: string; result: BriefState } | null>(null);
  const key = JSON.stringify([recipe, airframe, settings]);
  useEffect(() => {
    const worker = new Worker(new URL("../../workers/brief.worker.ts", import.meta.url), { type: "module" });
    let gone = false;
    const settle = (result: BriefState) => {
      worker.terminate();
      if (!gone) setState({ key, result });
    };
    const [flown, frame, set] = JSON.parse(key) as [Recipe, Airframe, Settings];
    worker.onerror = (event) =>
      settle({ kind: "impossible", why: event.message || "The computation could not be started." });
    wrap<BriefWorker>(worker)
      .briefTrick(flown, frame, set, CALM_AIR)
      .then(
        (brief) => settle({ kind: "done", brief }),
        (error: Error) => settle({ kind: "impossible", why: error.message }),
      );
    return () => {
      gone = true;
      worker.terminate();
    };
  }, [key]);
  return state?.key === key ? state.result : { kind: "computing" };
}
