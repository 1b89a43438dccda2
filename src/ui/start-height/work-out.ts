import {
  onPacks,
  START_HEIGHT_RUNS,
  START_HEIGHT_SEED,
  startHeightOf,
  worseStartHeight,
  type StartHeight,
  type StartHeightInputs,
} from "@/core";
import { send } from "@/ui/actions/send";
import { inParts } from "@/ui/scatter/in-parts";
import type { Pool } from "@/ui/scatter/pool";

/** Keeps a figure for everybody who asks for the same. */
export const keepOnServer = (key: string, startHeight: StartHeight): Promise<unknown> =>
  send("keep-start-height", { key, startHeight });

/** What the server keeps; null where it has nothing, or there is no network. */
export async function keptStartHeight(key: string): Promise<StartHeight | null> {
  try {
    const answer = await fetch(`/start-heights/${key}`);
    return answer.ok ? ((await answer.json()) as StartHeight | null) : null;
  } catch {
    return null;
  }
}

/** Works a minimum start height out on all cores of a pool. Null for a trick that belongs at its own height or does not go. */
export async function workOut(
  pool: Pool,
  { recipe, airframe, settings, environment, hands, freeze }: StartHeightInputs,
  onProgress: (share: number) => void = () => undefined,
): Promise<StartHeight | null> {
  const solved = await pool.run((remote) => remote.solveTrick(recipe, airframe, settings, environment));
  const byFreezes = await pool.run((remote) =>
    remote.startHeightByFreezes(solved, airframe, settings, environment, freeze),
  );
  if (byFreezes === null) return null;
  const task = { solved, airframe, settings, environment, hands, seed: START_HEIGHT_SEED };
  const packs = onPacks(solved);
  let flown = 0;
  const byPack = await Promise.all(
    packs.map(async ({ packUsed }) => {
      const parts = await inParts(
        START_HEIGHT_RUNS,
        (from, to) => pool.run((remote) => remote.heightLosses(task, packUsed, from, to)),
        (n) => onProgress((flown += n) / (START_HEIGHT_RUNS * packs.length)),
      );
      return startHeightOf(parts.flat(), packUsed, airframe);
    }),
  );
  return byPack.reduce<StartHeight | null>(worseStartHeight, byFreezes);
}
