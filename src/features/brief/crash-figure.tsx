"use client";

import { useEffect } from "react";
import {
  NEARLY_EMPTY,
  START_HEIGHT_RUNS,
  START_HEIGHT_SEED,
  usualErrors,
  type Recipe,
  type StartHeightTask,
} from "@/core";
import { Box } from "@/ui/layout/box";
import { inParts } from "@/ui/scatter/in-parts";
import type { Pool } from "@/ui/scatter/pool";
import { useComputed } from "@/ui/scatter/use-scatter";
import { usePreferences } from "@/ui/theme/preferences";
import { percent, refusedWords } from "@/words";
import { MODEL_LEAVES_OUT } from "@/ui/why/why";
import { Figure } from "@/ui/units/figure";

const LABEL = `Crashes of ${START_HEIGHT_RUNS.toLocaleString("en")}`;
/** Above this share it is said in the colour of warnings. Ours. */
const MANY = 0.02;
/** Counted before, by all that was flown: a second opening is instant. */
const counted = new Map<string, number>();
const MOST_COUNTED = 200;

type Flown = Pick<StartHeightTask, "airframe" | "settings" | "environment">;

/**
 * How many of 1,000 flights with the hands usual at a stage crash, for a trick that belongs at its own height: what stands there for a minimum start height.
 * On a full and on a nearly empty pack, the worse.
 */
export function CrashFigure({ recipe, flown, stage }: { recipe: Recipe; flown: Flown; stage: number }) {
  const { state, start } = useComputed<number>();
  const { units } = usePreferences();
  const asked = JSON.stringify([recipe, flown, stage]);
  useEffect(() => {
    if (counted.has(asked)) return;
    start(asked, async (pool, onProgress) => {
      const [what, on, at] = JSON.parse(asked) as [Recipe, Flown, number];
      const task = { ...on, hands: usualErrors(at), seed: START_HEIGHT_SEED };
      const crashes = await countCrashes(pool, what, task, onProgress);
      if (counted.size >= MOST_COUNTED) counted.clear();
      counted.set(asked, crashes);
      return crashes;
    });
  }, [asked, start]);
  const crashes = counted.get(asked);
  if (crashes === undefined)
    return (
      <Box role="status" sx={{ py: 1 }}>
        <Box sx={{ fontSize: "0.85rem" }}>{LABEL}</Box>
        {state.kind === "broken"
          ? `not counted: ${refusedWords(state.why, units)}`
          : `being counted, ${percent(state.kind === "flying" ? state.share : 0)}`}
      </Box>
    );
  return (
    <Figure
      label={LABEL}
      value={crashes}
      quantity="count"
      warn={crashes > MANY * START_HEIGHT_RUNS}
      why={{
        how: `Flown ${START_HEIGHT_RUNS} times on a full and ${START_HEIGHT_RUNS} times on a nearly empty pack with the errors usual at stage ${stage}; the worse is shown. It belongs at its own height, so no start height makes it safer: a slower, longer approach does.`,
        inputs: [["stage", String(stage)]],
        source: "Flight model; the spread of the hands is common practice, no source.",
        leftOut: MODEL_LEAVES_OUT,
      }}
    />
  );
}

async function countCrashes(
  pool: Pool,
  recipe: Recipe,
  task: Omit<StartHeightTask, "solved">,
  onProgress: (share: number) => void,
): Promise<number> {
  const packs = [0, NEARLY_EMPTY];
  let flown = 0;
  const byPack = await Promise.all(
    packs.map(async (packUsed) => {
      const parts = await inParts(
        START_HEIGHT_RUNS,
        (from, to) => pool.run((remote) => remote.crashesAtOwnHeight(task, recipe, packUsed, from, to)),
        (n) => onProgress((flown += n) / (START_HEIGHT_RUNS * packs.length)),
      );
      return parts.reduce((sum, part) => sum + part, 0);
    }),
  );
  return Math.max(...byPack);
}
