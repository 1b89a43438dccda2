import type { DeedKind, Deed } from "@/contract";
import { v7 as newId } from "uuid";
import { database, type Transaction } from "../database";

/** Writes a deed into the trail, in the same transaction as the deed itself. */
export async function leaveTrail(
  transaction: Transaction,
  deed: {
    readonly who: string;
    readonly kind: DeedKind;
    readonly says: string;
    readonly squadId: string | null;
    readonly pilotId?: string | null;
  },
  now: Date,
): Promise<void> {
  await transaction("trail").insert({
    id: newId(),
    at: now,
    squad_id: deed.squadId,
    pilot_id: deed.pilotId ?? null,
    who: deed.who,
    deed: deed.kind,
    says: deed.says.slice(0, 400),
  });
}

/** The same for a deed about one pilot: names the pilot and finds their squad. */
export async function leavePilotTrail(
  transaction: Transaction,
  deed: { readonly who: string; readonly kind: DeedKind; readonly does: string; readonly pilotId: string },
  now: Date,
): Promise<void> {
  const pilot: { name: string; squad_id: string } = await transaction("pilot")
    .where({ id: deed.pilotId })
    .first("name", "squad_id");
  await leaveTrail(
    transaction,
    { ...deed, says: `${deed.does} for ${pilot.name}`, squadId: pilot.squad_id, pilotId: deed.pilotId },
    now,
  );
}

/** The newest deeds in some squads, newest first; before a time, for reading on. */
export async function listTrail(
  squadIds: readonly string[],
  { limit, beforeMs }: { readonly limit: number; readonly beforeMs?: number },
): Promise<Deed[]> {
  const query = database()("trail")
    .whereIn("squad_id", [...squadIds])
    .orderBy([
      { column: "at", order: "desc" },
      { column: "id", order: "desc" },
    ])
    .limit(limit);
  const rows: { id: string; at: Date; who: string; deed: DeedKind; says: string; pilot_id: string | null }[] =
    await (beforeMs === undefined ? query : query.where("at", "<", new Date(beforeMs)));
  return rows.map((row) => ({
    id: row.id,
    atMs: row.at.getTime(),
    who: row.who,
    kind: row.deed,
    says: row.says,
    pilotId: row.pilot_id,
  }));
}
