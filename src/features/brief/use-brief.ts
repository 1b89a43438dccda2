"use client";

import { useEffect, useState } from "react";
import {
  environmentOn,
  type Airframe,
  type DayAir,
  type FreezeMargins,
  type Recipe,
  type Settings,
  type StartHeight,
  type TrickBrief,
  type WindAdvice,
} from "@/core";
import { workerClient } from "@/ui/worker/worker-client";
import type { BriefWorker } from "@/workers/brief.worker";

export type BriefState =
  | { readonly kind: "computing" }
  /** Flown facing the wind of the day; what the wind does to it, null in a calm. */
  | { readonly kind: "done"; readonly brief: TrickBrief; readonly wind: WindAdvice | null }
  | { readonly kind: "impossible"; readonly why: Error };

/** What a brief is worked out from. */
export interface Briefed {
  readonly recipe: Recipe;
  readonly airframe: Airframe;
  readonly settings: Settings;
  readonly day: DayAir;
  readonly freeze: FreezeMargins;
}

/**
 * Solves and flies a recipe in a worker; starts afresh when what it is worked out from changes. Start height `startHeight` once that is known, till then at
 * what the freezes ask for.
 */
export function useBrief(briefed: Briefed, startHeight: StartHeight | null = null): BriefState {
  const [state, setState] = useState<{ key: string; trick: string; result: BriefState } | null>(null);
  const trick = JSON.stringify(briefed);
  const key = JSON.stringify([trick, startHeight]);
  useEffect(() => {
    const client = workerClient<BriefWorker>(
      () => new Worker(new URL("../../workers/brief.worker.ts", import.meta.url), { type: "module" }),
    );
    let gone = false;
    const [flownTrick, known] = JSON.parse(key) as [string, StartHeight | null];
    const settle = (result: BriefState) => {
      client.close();
      if (!gone) setState({ key, trick: flownTrick, result });
    };
    const fly = async (): Promise<BriefState> => {
      const { recipe, airframe, settings, day, freeze } = JSON.parse(flownTrick) as Briefed;
      const brief = await client.ask((remote) =>
        remote.draftBrief(recipe, airframe, settings, environmentOn(day), freeze, known),
      );
      const wind =
        brief.problem === null
          ? await client.ask((remote) => remote.windAdvice(brief.recipe, airframe, settings, day))
          : null;
      return { kind: "done", brief, wind };
    };
    fly().then(settle, (error: Error) => settle({ kind: "impossible", why: error }));
    return () => {
      gone = true;
      client.close();
    };
  }, [key]);
  // While only the height changes, what was flown last stays.
  return state?.trick === trick ? state.result : { kind: "computing" };
}
