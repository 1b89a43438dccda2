import type { PlannedSession } from "@/contract";
import { database, type Transaction } from "../database";
import { insertOnce, updateOnce, type Edited } from "./rows";

interface PlannedRow {
  id: string;
  squad_id: string;
  site_id: string | null;
  starts_at: Date;
  minutes: number;
  note: string;
  version: number;
}

/** Planned sessions of some squads from a moment on, in order, without those in the bin. */
export async function listPlanned(squadIds: readonly string[], from: Date): Promise<PlannedSession[]> {
  const rows: PlannedRow[] = await database()("planned_session")
    .whereIn("squad_id", [...squadIds])
    .where("starts_at", ">=", from)
    .whereNull("removed_at")
    .orderBy(["starts_at", "id"]);
  const members: { planned_id: string; pilot_id: string }[] = await database()("planned_pilot").whereIn(
    "planned_id",
    rows.map(({ id }) => id),
  );
  return rows.map((row) => ({
    id: row.id,
    squadId: row.squad_id,
    siteId: row.site_id,
    startsAtMs: row.starts_at.getTime(),
    minutes: row.minutes,
    note: row.note,
    pilotIds: members.filter(({ planned_id }) => planned_id === row.id).map(({ pilot_id }) => pilot_id),
    version: row.version,
  }));
}

/** Keeps a planned session once. */
export async function insertPlanned(
  transaction: Transaction,
  planned: Omit<PlannedSession, "version">,
  now: Date,
): Promise<void> {
  const there = await insertOnce(transaction, "planned_session", {
    id: planned.id,
    squad_id: planned.squadId,
    ...rowOf(planned),
    created_at: now,
  });
  if (!there) await insertMembers(transaction, planned);
}

/** Changes a planned session whose version is still the one that was read. Returns whether it was. */
export async function updatePlanned(
  transaction: Transaction,
  planned: Omit<PlannedSession, "squadId">,
): Promise<Edited> {
  const edited = await updateOnce(transaction, "planned_session", planned, rowOf(planned));
  if (edited !== "changed") return edited;
  await transaction("planned_pilot").where({ planned_id: planned.id }).delete();
  await insertMembers(transaction, planned);
  return edited;
}

/** Puts a planned session into the bin, or brings it back with null. */
export async function setPlannedRemoved(transaction: Transaction, id: string, removedAt: Date | null): Promise<void> {
  await transaction("planned_session").where({ id }).update({ removed_at: removedAt });
}

const rowOf = ({ siteId, startsAtMs, minutes, note }: Omit<PlannedSession, "id" | "squadId" | "version">) => ({
  site_id: siteId,
  starts_at: new Date(startsAtMs),
  minutes,
  note,
});

async function insertMembers(
  transaction: Transaction,
  { id, pilotIds }: Pick<PlannedSession, "id" | "pilotIds">,
): Promise<void> {
  if (pilotIds.length > 0)
    await transaction("planned_pilot").insert(pilotIds.map((pilotId) => ({ planned_id: id, pilot_id: pilotId })));
}
