"use client";

import { useEffect, useState } from "react";
import {
  onPacks,
  START_HEIGHT_RUNS,
  START_HEIGHT_SEED,
  startHeightKey,
  startHeightOf,
  USUAL_FREEZE,
  worseStartHeight,
  type StartHeight,
  type StartHeightInputs,
} from "@/core";
import { send } from "@/ui/actions/send";
import { createPool, type Pool } from "@/ui/scatter/pool";

/** How far the minimum start height of a trick is known. */
export type StartHeightState =
  /** Asked for, or being worked out: so much of it is done. */
  | { readonly kind: "computing"; readonly share: number }
  /** Null for a trick that belongs at its own height or does not go. */
  | { readonly kind: "known"; readonly startHeight: StartHeight | null }
  | { readonly kind: "broken"; readonly why: string };

const SETTLED_MS = 300;
/** Flights a worker flies before it is asked again. */
const AT_A_TIME = 25;

/**
 * The minimum start height of a trick: the one the server keeps, or worked out here on all cores, and then kept if a coach is signed in. `null` asks for
 * nothing.
 */
export function useStartHeight(inputs: StartHeightInputs | null): StartHeightState {
  const [state, setState] = useState<{ key: string; result: StartHeightState } | null>(null);
  const asked = inputs === null ? null : JSON.stringify(inputs);
  const key = inputs === null ? null : startHeightKey(inputs);
  useEffect(() => {
    if (asked === null || key === null) return;
    let gone = false;
    let pool: Pool | null = null;
    const settle = (result: StartHeightState) => !gone && setState({ key, result });
    const find = async () => {
      const kept = await keptStartHeight(key);
      if (gone) return;
      if (kept) return settle({ kind: "known", startHeight: kept });
      // A slider that still moves is waited for.
      await new Promise((resolve) => setTimeout(resolve, SETTLED_MS));
      if (gone) return;
      pool = createPool();
      const onProgress = (share: number) => settle({ kind: "computing", share });
      const startHeight = await workOut(pool, JSON.parse(asked) as StartHeightInputs, onProgress);
      settle({ kind: "known", startHeight });
      // A pilot may look, not keep: the refusal says nothing to anybody.
      if (startHeight && !gone) void send("keep-start-height", { key, startHeight });
    };
    find()
      .catch((error: Error) => settle({ kind: "broken", why: error.message }))
      .finally(() => pool?.close());
    return () => {
      gone = true;
      pool?.close();
    };
  }, [asked, key]);
  return state && state.key === key ? state.result : { kind: "computing", share: 0 };
}

/** What the server keeps; null where it has nothing, or there is no network. */
async function keptStartHeight(key: string): Promise<StartHeight | null> {
  try {
    const answer = await fetch(`/start-heights/${key}`);
    return answer.ok ? ((await answer.json()) as StartHeight | null) : null;
  } catch {
    return null;
  }
}

async function workOut(
  pool: Pool,
  { recipe, airframe, settings, environment, hands }: StartHeightInputs,
  onProgress: (share: number) => void,
): Promise<StartHeight | null> {
  const solved = await pool.run((remote) => remote.solveTrick(recipe, airframe, settings, environment));
  const byFreezes = await pool.run((remote) =>
    remote.startHeightByFreezes(solved, airframe, settings, environment, USUAL_FREEZE),
  );
  if (byFreezes === null) return null;
  const task = { solved, airframe, settings, environment, hands, seed: START_HEIGHT_SEED };
  const packs = onPacks(solved);
  const starts = Array.from({ length: START_HEIGHT_RUNS / AT_A_TIME }, (_, i) => i * AT_A_TIME);
  let flown = 0;
  const byPack = await Promise.all(
    packs.map(async ({ packUsed }) => {
      const parts = await Promise.all(
        starts.map(async (from) => {
          const part = await pool.run((remote) => remote.heightLosses(task, packUsed, from, from + AT_A_TIME));
          flown += AT_A_TIME;
          onProgress(flown / (START_HEIGHT_RUNS * packs.length));
          return part;
        }),
      );
      return startHeightOf(parts.flat(), packUsed, airframe);
    }),
  );
  return byPack.reduce<StartHeight | null>(worseStartHeight, byFreezes);
}
