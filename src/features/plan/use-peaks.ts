"use client";
import { entryOf } from "@/core";

import { useEffect, useMemo, useRef, useState } from "react";
import type { Airframe, Environment, Recipe, Settings } from "@/core";
import { createPool, type Pool } from "@/ui/scatter/pool";

/** A trick to be flown in the model for its highest point. */
export interface PeakTask {
  readonly key: string;
  readonly recipe: Recipe;
  readonly airframe: Airframe;
  readonly settings: Settings;
  /** Air of the day. */
  readonly environment: Environment;
}

/** Highest points flown before, by all that was flown: a plan is looked at again and again with the same pilots. */
const known = new Map<string, number | null>();
const MOST_KNOWN = 500;
const textOf = ({ recipe, airframe, settings, environment }: PeakTask) =>
  JSON.stringify([recipe, airframe, settings, environment]);

/** The highest point of each trick above the ground, m, by its key, as the flight model flies it; null where it cannot. What is not there yet is being flown. */
export function usePeaks(tasks: readonly PeakTask[]): ReadonlyMap<string, number | null> {
  const [peaks, setPeaks] = useState<ReadonlyMap<string, number | null>>(() => new Map(known));
  const pool = useRef<Pool | null>(null);
  const asked = useRef(new Set<string>());
  useEffect(() => {
    const waiting = asked.current;
    return () => {
      pool.current?.close();
      pool.current = null;
      waiting.clear();
    };
  }, []);
  const texts = useMemo(() => tasks.map((task) => [task.key, textOf(task)] as const), [tasks]);
  useEffect(() => {
    for (const [i, [, text]] of texts.entries()) {
      if (known.has(text) || asked.current.has(text)) continue;
      asked.current.add(text);
      const { recipe, airframe, settings, environment } = tasks[i];
      pool.current ??= createPool();
      void pool.current
        .run((remote) => remote.highestPointM(recipe, airframe, settings, environment))
        .then((peakM) => {
          if (known.size >= MOST_KNOWN) known.clear();
          known.set(text, peakM);
          return peakM;
        })
        // A worker that broke says nothing of the trick: it is asked again when the plan is opened again.
        .catch(() => null)
        .then((peakM) => setPeaks((now) => new Map(now).set(text, peakM)));
    }
  }, [tasks, texts]);
  return useMemo(
    () => new Map(texts.flatMap(([key, text]) => (peaks.has(text) ? [[key, entryOf(peaks, text)] as const] : []))),
    [texts, peaks],
  );
}
