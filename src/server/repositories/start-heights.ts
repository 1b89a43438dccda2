import { MODEL_VERSION, type StartHeight } from "@/core";
import { database, type Transaction } from "../database";
import { fromJson, isDuplicate } from "./rows";

/** A minimum start height that was worked out before, by the key of all that it depends on. */
export async function findStartHeight(key: string): Promise<StartHeight | null> {
  return (await findStartHeights([key])).get(key) ?? null;
}

/** The same for many keys at once; what was never worked out is left out. */
export async function findStartHeights(keys: readonly string[]): Promise<ReadonlyMap<string, StartHeight>> {
  if (keys.length === 0) return new Map();
  const rows: { key: string; height_m: number; reason: unknown }[] = await database()("start_height").whereIn("key", [
    ...new Set(keys),
  ]);
  return new Map(rows.map((row) => [row.key, { heightM: Number(row.height_m), reason: fromJson(row.reason) }]));
}

/** When the newest was worked out, ms; null where none was. */
export async function newestStartHeight(): Promise<number | null> {
  const row = await database()("start_height").max("created_at as newest").first<{ newest: Date | null }>();
  return row?.newest?.getTime() ?? null;
}

/** Keeps a minimum start height once: what is there already stands. Figures of older flight models go. */
export async function keepStartHeight(
  transaction: Transaction,
  { key, startHeight, coachId }: { readonly key: string; readonly startHeight: StartHeight; readonly coachId: string },
  now: Date,
): Promise<void> {
  await transaction("start_height").where("model_version", "<", MODEL_VERSION).delete();
  try {
    await transaction("start_height").insert({
      key,
      height_m: startHeight.heightM,
      reason: JSON.stringify(startHeight.reason),
      model_version: MODEL_VERSION,
      coach_id: coachId,
      created_at: now,
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
  }
}
