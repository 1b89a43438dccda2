import "server-only";
import { entryOf, startHeightKey, type StartHeight, type StartHeightInputs } from "@/core";
import { findStartHeights } from "../repositories";

/** The minimum start heights that are kept, by the name under which each was asked for; what was never worked out is left out. */
export async function loadStartHeights(
  asked: readonly (readonly [name: string, inputs: StartHeightInputs | null])[],
): Promise<ReadonlyMap<string, StartHeight>> {
  const keys = asked.flatMap(([name, inputs]) => (inputs ? [[name, startHeightKey(inputs)] as const] : []));
  const kept = await findStartHeights(keys.map(([, key]) => key));
  return new Map(keys.flatMap(([name, key]) => (kept.has(key) ? [[name, entryOf(kept, key)] as const] : [])));
}
