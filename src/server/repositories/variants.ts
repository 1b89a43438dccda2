import type { SquadVariant } from "@/contract";
import type { OwnVariant } from "@/syllabus";
import { database, type Transaction } from "../database";
import { fromJson, insertOnce, updateOnce, type Edited } from "./rows";

interface VariantRow {
  id: string;
  squad_id: string;
  name: string;
  trick: string;
  instead: string;
  direction: string;
  both_ways: number;
  recipe: unknown;
  version: number;
}

const ownFrom = (row: VariantRow): OwnVariant => ({
  id: row.id,
  name: row.name,
  trick: row.trick,
  instead: row.instead,
  direction: row.direction,
  bothWays: Boolean(row.both_ways),
  recipe: fromJson(row.recipe),
});

const rowOf = (variant: Omit<OwnVariant, "id">) => ({
  name: variant.name,
  trick: variant.trick,
  instead: variant.instead,
  direction: variant.direction,
  both_ways: variant.bothWays,
  recipe: JSON.stringify(variant.recipe),
});

/** The own ways of a squad to fly a trick by name, without those in the bin. */
export async function listVariants(squadId: string, trick: string): Promise<SquadVariant[]> {
  const rows: VariantRow[] = await database()("variant")
    .where({ squad_id: squadId, trick })
    .whereNull("removed_at")
    .orderBy(["name", "id"]);
  return withPilots(rows);
}

/** All own ways of a squad by trick and name, without those in the bin. */
export async function listSquadVariants(squadId: string): Promise<SquadVariant[]> {
  const rows: VariantRow[] = await database()("variant")
    .where({ squad_id: squadId })
    .whereNull("removed_at")
    .orderBy(["trick", "name", "id"]);
  return withPilots(rows);
}

/** An own way, in the bin or not. */
export async function findVariant(id: string): Promise<SquadVariant | undefined> {
  const [variant] = await withPilots(await database()("variant").where({ id }));
  return variant;
}

async function withPilots(rows: readonly VariantRow[]): Promise<SquadVariant[]> {
  const chosen: { variant_id: string; pilot_id: string }[] = await database()("variant_pilot").whereIn(
    "variant_id",
    rows.map(({ id }) => id),
  );
  return rows.map((row) => ({
    ...ownFrom(row),
    squadId: row.squad_id,
    pilotIds: chosen.filter(({ variant_id }) => variant_id === row.id).map(({ pilot_id }) => pilot_id),
    version: row.version,
  }));
}

/** What was chosen for some pilots in the squad they are in, the last chosen first, by pilot id. */
export async function variantsOf(pilotIds: readonly string[]): Promise<ReadonlyMap<string, readonly OwnVariant[]>> {
  const rows: (VariantRow & { pilot_id: string })[] = await database()("variant_pilot")
    .join("variant", "variant.id", "variant_id")
    .join("pilot", "pilot.id", "pilot_id")
    .whereIn("pilot_id", [...pilotIds])
    .whereRaw("variant.squad_id = pilot.squad_id")
    .whereNull("variant.removed_at")
    .orderBy([{ column: "chosen_at", order: "desc" }, "variant.id"])
    .select("variant.*", "pilot_id");
  return new Map(pilotIds.map((id) => [id, rows.filter(({ pilot_id }) => pilot_id === id).map(ownFrom)] as const));
}

/** Keeps an own way once. Returns false when it was there. */
export async function insertVariant(
  transaction: Transaction,
  variant: Omit<SquadVariant, "version">,
  now: Date,
): Promise<boolean> {
  const { id, squadId, pilotIds } = variant;
  const there = await insertOnce(transaction, "variant", {
    id,
    squad_id: squadId,
    ...rowOf(variant),
    created_at: now,
  });
  if (there) return false;
  await choosePilots(transaction, id, pilotIds, now);
  return true;
}

/** Changes an own way whose version is still the one that was read. */
export async function updateVariant(
  transaction: Transaction,
  variant: Omit<SquadVariant, "squadId">,
  now: Date,
): Promise<Edited> {
  const { id, version, pilotIds } = variant;
  const edited = await updateOnce(transaction, "variant", { id, version }, rowOf(variant));
  if (edited === "changed") await choosePilots(transaction, id, pilotIds, now);
  if (edited !== "same") return edited;
  const chosen: { pilot_id: string }[] = await transaction("variant_pilot").where({ variant_id: id });
  const forTheSame = chosen.length === new Set(pilotIds).size && chosen.every((row) => pilotIds.includes(row.pilot_id));
  return forTheSame ? "same" : "other";
}

/** Puts an own way into the bin, or brings it back with null. */
export async function setVariantRemoved(transaction: Transaction, id: string, removedAt: Date | null): Promise<void> {
  await transaction("variant").where({ id }).update({ removed_at: removedAt });
}

/** Those for whom it was chosen already keep the time at which it was. */
async function choosePilots(
  transaction: Transaction,
  variantId: string,
  pilotIds: readonly string[],
  now: Date,
): Promise<void> {
  const own = { variant_id: variantId };
  await transaction("variant_pilot")
    .where(own)
    .whereNotIn("pilot_id", [...pilotIds])
    .delete();
  const kept: { pilot_id: string }[] = await transaction("variant_pilot").where(own).select("pilot_id");
  const fresh = pilotIds.filter((id) => !kept.some(({ pilot_id }) => pilot_id === id));
  if (fresh.length > 0)
    await transaction("variant_pilot").insert(fresh.map((pilotId) => ({ ...own, pilot_id: pilotId, chosen_at: now })));
}
