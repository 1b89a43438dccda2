import type { Deed, DeedDone } from "@/contract";
import { v7 as newId } from "uuid";
import { database, type Transaction } from "../database";
import { fromJson } from "./rows";

/** Writes a deed into the trail, in the same transaction as the deed itself. */
export async function leaveTrail(
  transaction: Transaction,
  deed: {
    readonly who: string;
    readonly done: DeedDone;
    readonly squadId: string | null;
    readonly pilotId?: string;
    readonly pilotName?: string;
  },
  now: Date,
): Promise<void> {
  await transaction("trail").insert({
    id: newId(),
    at: now,
    squad_id: deed.squadId,
    pilot_id: deed.pilotId ?? null,
    pilot_name: deed.pilotName ?? null,
    who: deed.who,
    deed: deed.done.kind,
    done: JSON.stringify(deed.done),
  });
}

/** The same for a deed about one pilot: names the pilot and finds their squad. */
export async function leavePilotTrail(
  transaction: Transaction,
  { who, done, pilotId }: { readonly who: string; readonly done: DeedDone; readonly pilotId: string },
  now: Date,
): Promise<void> {
  const pilot: { name: string; squad_id: string } = await transaction("pilot")
    .where({ id: pilotId })
    .first("name", "squad_id");
  await leaveTrail(transaction, { who, done, squadId: pilot.squad_id, pilotId, pilotName: pilot.name }, now);
}

interface TrailRow {
  readonly id: string;
  readonly at: Date;
  readonly who: string;
  readonly pilot_id: string | null;
  readonly pilot_name: string | null;
  readonly done: unknown;
  readonly says: string | null;
}

/** The newest deeds in some squads, newest first; before a time, for reading on. */
export async function listTrail(
  squadIds: readonly string[],
  { limit, beforeMs }: { readonly limit: number; readonly beforeMs?: number },
): Promise<Deed[]> {
  const query = database()("trail")
    .select("id", "at", "who", "pilot_id", "pilot_name", "done", "says")
    .whereIn("squad_id", [...squadIds])
    .orderBy([
      { column: "at", order: "desc" },
      { column: "id", order: "desc" },
    ])
    .limit(limit);
  const rows: TrailRow[] = await (beforeMs === undefined ? query : query.where("at", "<", new Date(beforeMs)));
  return rows.map((row) => ({
    id: row.id,
    atMs: row.at.getTime(),
    who: row.who,
    pilotId: row.pilot_id,
    pilotName: row.pilot_name,
    done: row.done === null ? { kind: "said", says: row.says ?? "" } : fromJson<DeedDone>(row.done),
  }));
}
