"use client";

import Box from "@mui/material/Box";
import { useEffect, useState } from "react";
import {
  NEARLY_EMPTY,
  START_HEIGHT_SEED,
  usualErrors,
  type Airframe,
  type Environment,
  type Recipe,
  type Settings,
} from "@/core";
import { createPool, type Pool } from "@/ui/scatter/pool";
import { Figure } from "@/ui/units/figure";

const RUNS = 1000;
const AT_A_TIME = 25;
/** Above this it is said in the colour of warnings. Ours. */
const MANY = 0.02;
/** Counted before, by all that was flown: a second opening is instant. */
const counted = new Map<string, number>();
const MOST_COUNTED = 200;

type Count = { readonly kind: "counting"; readonly share: number } | { readonly kind: "broken"; readonly why: string };

/**
 * How many of 1,000 flights with the hands usual at a stage crash, for a trick that belongs at its own height: what stands there for a minimum start height.
 * On a full and on a nearly empty pack, the worse.
 */
export function CrashFigure({
  recipe,
  flown,
  stage,
}: {
  recipe: Recipe;
  flown: { readonly airframe: Airframe; readonly settings: Settings; readonly environment: Environment };
  stage: number;
}) {
  const asked = JSON.stringify([recipe, flown, stage]);
  const [state, setState] = useState<{ asked: string; count: Count } | null>(null);
  const [, setDone] = useState("");
  useEffect(() => {
    if (counted.has(asked)) return;
    let gone = false;
    const pool = createPool();
    const [what, on, at] = JSON.parse(asked) as [Recipe, typeof flown, number];
    count(pool, what, { ...on, hands: usualErrors(at), seed: START_HEIGHT_SEED }, (share) => {
      if (!gone) setState({ asked, count: { kind: "counting", share } });
    })
      .then((crashes) => {
        if (counted.size >= MOST_COUNTED) counted.clear();
        counted.set(asked, crashes);
        if (!gone) setDone(asked);
      })
      .catch((error: Error) => !gone && setState({ asked, count: { kind: "broken", why: error.message } }))
      .finally(() => pool.close());
    return () => {
      gone = true;
      pool.close();
    };
  }, [asked]);
  const crashes = counted.get(asked);
  if (crashes === undefined) {
    const now = state?.asked === asked ? state.count : null;
    return (
      <Box role="status" sx={{ py: 1 }}>
        <Box sx={{ fontSize: "0.85rem" }}>Crashes of {RUNS.toLocaleString("en")}</Box>
        {now?.kind === "broken" ? `not counted: ${now.why}` : `being counted, ${Math.round(100 * (now?.share ?? 0))} %`}
      </Box>
    );
  }
  return (
    <Figure
      label={`Crashes of ${RUNS.toLocaleString("en")}`}
      value={crashes}
      quantity="count"
      warn={crashes > MANY * RUNS}
      why={{
        how: `Flown ${RUNS} times on a full and ${RUNS} times on a nearly empty pack with the errors usual at stage ${stage}; the worse is shown. It belongs at its own height, so no start height makes it safer: a slower, longer approach does.`,
        inputs: [["stage", String(stage)]],
        source: "Flight model; the spread of the hands is common practice, no source.",
      }}
    />
  );
}

async function count(
  pool: Pool,
  recipe: Recipe,
  task: Parameters<Parameters<Parameters<Pool["run"]>[0]>[0]["crashesAtOwnHeight"]>[0],
  onProgress: (share: number) => void,
): Promise<number> {
  let flown = 0;
  const onPack = async (packUsed: number) => {
    const starts = Array.from({ length: RUNS / AT_A_TIME }, (_, i) => i * AT_A_TIME);
    const parts = await Promise.all(
      starts.map(async (from) => {
        const part = await pool.run((remote) =>
          remote.crashesAtOwnHeight(task, recipe, packUsed, from, from + AT_A_TIME),
        );
        flown += AT_A_TIME;
        onProgress(flown / (2 * RUNS));
        return part;
      }),
    );
    return parts.reduce((sum, part) => sum + part, 0);
  };
  return Math.max(...(await Promise.all([onPack(0), onPack(NEARLY_EMPTY)])));
}
