"use client";

import { wrap } from "comlink";
import { useEffect, useState } from "react";
import { CALM_AIR, type Airframe, type Recipe, type Settings } from "@/core";
import type { BriefWorker } from "@/workers/brief.worker";

/** A trick to be flown in the model for its highest point. */
export interface PeakTask {
  readonly key: string;
  readonly recipe: Recipe;
  readonly airframe: Airframe;
  readonly settings: Settings;
}

/** The highest point of each trick above the ground, m, as the flight model flies it; null where it cannot. What is not there yet is being flown. */
export function usePeaks(tasks: readonly PeakTask[]): ReadonlyMap<string, number | null> {
  const [peaks, setPeaks] = useState<ReadonlyMap<string, number | null>>(new Map());
  const next = tasks.find(({ key }) => !peaks.has(key));
  const text = next ? JSON.stringify(next) : null;
  useEffect(() => {
    if (text === null) return;
    const { key, recipe, airframe, settings } = JSON.parse(text) as PeakTask;
    const worker = new Worker(new URL("../../workers/brief.worker.ts", import.meta.url), { type: "module" });
    let gone = false;
    const settle = (peakM: number | null) => {
      worker.terminate();
      if (!gone) setPeaks((known) => new Map(known).set(key, peakM));
    };
    worker.onerror = () => settle(null);
    wrap<BriefWorker>(worker)
      .briefTrick(recipe, airframe, settings, CALM_AIR)
      .then(
        ({ flight, problem }) => settle(problem === null ? flight.measures.peakM : null),
        () => settle(null),
      );
    return () => {
      gone = true;
      worker.terminate();
    };
  }, [text]);
  return peaks;
}
