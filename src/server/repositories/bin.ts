import { DAY_MS } from "@/core";
import type { BinnedKind, Binned } from "@/contract";
import { database, type Transaction } from "../database";
import { inTransaction } from "./transaction";
import { livedThrough } from "./days-seen";
import { dropUnfinished } from "./recordings";

/** How long the bin keeps things. */
export const BIN_MS = 30 * DAY_MS;
const LONGEST_LIST = 300;

/** Everything in the bin of some squads, and the squads somebody owned, newest first. What lay there too long is left out: it goes at the next emptying. */
export async function listBin(
  squadIds: readonly string[],
  now: Date,
  ownerId: string | null = null,
): Promise<Binned[]> {
  const since = new Date(now.getTime() - BIN_MS);
  const [rows] = (await database().raw(
    `select kind, id, pilot_name, what, removed_at from (
      select 'pilot' as kind, id, name as pilot_name, name as what, removed_at, squad_id from pilot
      union all select 'aircraft', aircraft.id, pilot.name, aircraft.name, aircraft.removed_at, squad_id
        from aircraft join pilot on pilot.id = pilot_id where pilot.removed_at is null
      union all select 'note', note.id, pilot.name, left(text, 120), note.removed_at, squad_id
        from note join pilot on pilot.id = pilot_id where pilot.removed_at is null
      union all select 'sign-off', milestone.id, pilot.name, step_id, withdrawn_at, squad_id
        from milestone join pilot on pilot.id = pilot_id where pilot.removed_at is null
      union all select 'attempt', attempt.id, pilot.name, concat(step_id, ' ', direction, ' ', outcome), undone_at, squad_id
        from attempt join pilot on pilot.id = pilot_id where pilot.removed_at is null
      union all select 'target', target.id, pilot.name, step_id, target.removed_at, squad_id
        from target join pilot on pilot.id = pilot_id where pilot.removed_at is null
      union all select 'homework', homework.id, pilot.name, step_id, homework.removed_at, squad_id
        from homework join pilot on pilot.id = pilot_id where pilot.removed_at is null
      union all select 'site', site.id, squad.name, site.name, site.removed_at, squad_id
        from site join squad on squad.id = squad_id
      union all select 'variant', variant.id, squad.name, variant.name, variant.removed_at, squad_id
        from variant join squad on squad.id = squad_id
      union all select 'line', line.id, squad.name, line.name, line.removed_at, squad_id
        from line join squad on squad.id = squad_id
      union all select 'planned', planned_session.id, squad.name, left(note, 120), planned_session.removed_at, squad_id
        from planned_session join squad on squad.id = squad_id
    ) as bin where removed_at > ? and squad_id in (?)
      union all select 'squad', squad.id, squad.name, squad.name, removed_at
        from squad join squad_coach on squad_id = squad.id and coach_id = ? and owner = 1 where removed_at > ? order by removed_at desc, id limit ?`,
    [since, squadIds.length ? [...squadIds] : [""], ownerId, since, LONGEST_LIST] as never[],
  )) as [{ kind: BinnedKind; id: string; pilot_name: string; what: string; removed_at: Date }[]];
  return rows.map((row) => ({
    kind: row.kind,
    id: row.id,
    pilotName: row.pilot_name,
    what: row.what,
    removedAtMs: row.removed_at.getTime(),
  }));
}

/** What is marked as deleted, and where. */
const marks = [
  ["note", "removed_at"],
  ["milestone", "withdrawn_at"],
  ["attempt", "undone_at"],
  ["target", "removed_at"],
  ["homework", "removed_at"],
] as const;

/** Deletes for good what lay in the bin too long, by days that were lived through. An aircraft that attempts were flown with stays: they refer to its setups. */
export async function emptyBin(now: Date): Promise<void> {
  if (!(await livedThrough(BIN_MS, now))) return;
  const before = new Date(now.getTime() - BIN_MS);
  const gone: { id: string }[] = await database()("pilot").select("id").where("removed_at", "<", before);
  for (const { id } of gone) await inTransaction((transaction) => erasePilot(transaction, id));
  const squads: { id: string }[] = await database()("squad").select("id").where("removed_at", "<", before);
  for (const { id } of squads) await inTransaction((transaction) => eraseSquad(transaction, id));
  // Looked for without locks, so that nobody who is tapping waits for it.
  const old = await Promise.all(
    marks.map(async ([table, marked]) => {
      const rows: { id: string }[] = await database()(table).select("id").where(marked, "<", before);
      return { table, marked, ids: rows.map(({ id }) => id) };
    }),
  );
  await dropUnfinished(before);
  await inTransaction(async (transaction) => {
    for (const { table, marked, ids } of old)
      await transaction(table).whereIn("id", ids).where(marked, "<", before).delete();
    await transaction("planned_session").where("removed_at", "<", before).delete();
    for (const table of ["variant", "line"]) await transaction(table).where("removed_at", "<", before).delete();
    // A site where a session was stays in the table: the session refers to it.
    await transaction("site")
      .where("removed_at", "<", before)
      .whereNotExists((used) => void used.from("session").whereRaw("session.site_id = site.id"))
      .whereNotExists((used) => void used.from("planned_session").whereRaw("planned_session.site_id = site.id"))
      .delete();
    const unflown: { id: string }[] = await transaction("aircraft")
      .select("aircraft.id")
      .where("removed_at", "<", before)
      .whereNotExists((used) => {
        void used
          .from("setup")
          .join("attempt", "attempt.setup_id", "setup.id")
          .whereRaw("setup.aircraft_id = aircraft.id");
      });
    await deleteAircraft(
      transaction,
      unflown.map(({ id }) => id),
    );
  });
}

/** Deletes a squad for good, once nobody's record refers to it any more: what it had of its own goes in any case. */
async function eraseSquad(transaction: Transaction, id: string): Promise<void> {
  const own = { squad_id: id };
  for (const table of ["planned_session", "variant", "line", "syllabus", "invitation", "trail"])
    await transaction(table).where(own).delete();
  const flown = await transaction("session").where(own).first("id");
  const pilots = await transaction("pilot").where(own).first("id");
  if (flown || pilots) return;
  for (const table of ["site", "squad_coach"]) await transaction(table).where(own).delete();
  await transaction("squad").where({ id }).delete();
}

async function deleteAircraft(transaction: Transaction, aircraftIds: readonly string[]): Promise<void> {
  const setups = transaction("setup")
    .select("id")
    .whereIn("aircraft_id", [...aircraftIds]);
  await transaction("session_pilot").whereIn("setup_id", setups.clone()).update({ setup_id: null });
  const loads = transaction("aircraft_load")
    .select("id")
    .whereIn("aircraft_id", [...aircraftIds]);
  await transaction("session_pilot").whereIn("load_id", loads.clone()).update({ load_id: null });
  await transaction("attempt").whereIn("load_id", loads.clone()).update({ load_id: null });
  for (const table of ["setup", "aircraft_load", "aircraft_check", "aircraft_defect"])
    await transaction(table)
      .whereIn("aircraft_id", [...aircraftIds])
      .delete();
  await transaction("aircraft")
    .whereIn("id", [...aircraftIds])
    .delete();
}

/** Deletes a pilot's whole record for good: everything kept about them, their account, and what the trail says of them. */
export async function erasePilot(transaction: Transaction, pilotId: string): Promise<void> {
  const own = { pilot_id: pilotId };
  const accounts: { id: string }[] = await transaction("account").select("id").where(own);
  const accountIds = accounts.map(({ id }) => id);
  await transaction("invitation").where(own).orWhereIn("account_id", accountIds).delete();
  await transaction("sign_in").whereIn("account_id", accountIds).delete();
  await transaction("account").where(own).delete();
  const sessions: { session_id: string }[] = await transaction("session_pilot").select("session_id").where(own);
  for (const table of [
    "sign_off_request",
    "note",
    "milestone",
    "kept_try",
    "attempt",
    "step_digest",
    "session_pilot",
    "planned_pilot",
    "target",
    "homework",
    "variant_pilot",
    "line_pilot",
    "recording",
    "trail",
  ])
    await transaction(table).where(own).delete();
  const aircraft: { id: string }[] = await transaction("aircraft").select("id").where(own);
  await deleteAircraft(
    transaction,
    aircraft.map(({ id }) => id),
  );
  // Sessions that nobody else flew in say nothing any more.
  await transaction("session")
    .whereIn(
      "id",
      sessions.map(({ session_id }) => session_id),
    )
    .whereNotExists((others) => void others.from("session_pilot").whereRaw("session_pilot.session_id = session.id"))
    .delete();
  await unnameInTrail(transaction, pilotId);
  await transaction("pilot").where({ id: pilotId }).delete();
}

/** Ways to fly a trick stay with the squad; that this pilot was to fly them does not. */
async function unnameInTrail(transaction: Transaction, pilotId: string): Promise<void> {
  const pilot: { name: string; squad_id: string } | undefined = await transaction("pilot")
    .where({ id: pilotId })
    .first("name", "squad_id");
  if (!pilot) return;
  await transaction("trail")
    .where({ squad_id: pilot.squad_id })
    .whereIn("deed", ["added-variant", "changed-variant"])
    .update({
      done: transaction.raw("replace(done, ?, ?)", [JSON.stringify(pilot.name), JSON.stringify("a pilot")]),
      says: transaction.raw("replace(says, ?, ?)", [pilot.name, "a pilot"]),
    });
}
