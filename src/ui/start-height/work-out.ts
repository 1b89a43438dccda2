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
import type { Pool } from "@/ui/scatter/pool";

/** Flights a worker flies before it is asked again. */
const AT_A_TIME = 25;

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
