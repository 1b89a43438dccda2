import type { Transaction } from "../../database";
import { Refusal } from "../../actions/errors";
import { refreshDigestsOf } from "../digests";
import { isDuplicate } from "../rows";
import type { PilotRecord } from "./pilot-record";
import {
  aircraftRow,
  attemptRow,
  checkRow,
  defectRow,
  loadRow,
  milestoneRow,
  noteRow,
  pilotRow,
  requestRow,
  sessionRow,
  setupRow,
  targetRow,
} from "./record-rows";

const CHUNK = 500;

/**
 * Adds everything of a checked record that is not here yet to a squad; what is here already stays as it is. Returns how
 * many things are new. Throws a Refusal when an id of the record belongs to something else here.
 */
export async function writeRecord(
  transaction: Transaction,
  record: PilotRecord,
  squadId: string,
  now: Date,
): Promise<number> {
  const pilotId = record.pilot.id;
  let added = 0;
  const add = async (
    table: string,
    rows: readonly { readonly id: string }[],
    /** Columns in which a row that is here already has to agree, lest it be someone else's. */
    same: readonly string[] = ["pilot_id"],
  ) => {
    added += await insertNew(transaction, table, rows, same);
  };

  const here: { squad_id: string } | undefined = await transaction("pilot").where({ id: pilotId }).forUpdate().first();
  await insertNew(transaction, "coach", coachRows(record, now), []);
  if (!here) await add("pilot", [pilotRow(record.pilot, squadId, now)], []);
  await add(
    "aircraft",
    record.aircraft.map((one) => aircraftRow(one, pilotId, now)),
  );
  await add(
    "setup",
    record.aircraft.flatMap(({ id, setups }) => setups.map((one) => setupRow(one, id))),
    ["aircraft_id"],
  );
  await add(
    "aircraft_load",
    record.aircraft.flatMap(({ id, loads = [] }) => loads.map((one) => loadRow(one, id, now))),
    ["aircraft_id"],
  );
  await add(
    "aircraft_check",
    record.aircraft.flatMap(({ id, checks = [] }) => checks.map((one) => checkRow(one, id))),
    ["aircraft_id"],
  );
  await add(
    "aircraft_defect",
    record.aircraft.flatMap(({ id, defects = [] }) => defects.map((one) => defectRow(one, id))),
    ["aircraft_id"],
  );
  const sessions = await newSessions(transaction, record);
  await add(
    "session",
    sessions.map((one) => sessionRow(one, here?.squad_id ?? squadId)),
    ["squad_id"],
  );
  for (const one of sessions) await joinSession(transaction, one, pilotId);
  added += sessions.length;
  await add(
    "attempt",
    record.attempts.map((one) => attemptRow(one, pilotId)),
  );
  await refreshDigestsOf(transaction, pilotId);
  await add(
    "milestone",
    (await withoutStanding(transaction, pilotId, record.milestones)).map((one) => milestoneRow(one, pilotId, now)),
  );
  await add(
    "note",
    record.notes.map((one) => noteRow(one, pilotId)),
  );
  await add(
    "target",
    (record.targets ?? []).map((one) => targetRow(one, pilotId, record.exportedAt)),
  );
  await add(
    "sign_off_request",
    record.requests.map((one) => requestRow(one, pilotId)),
  );
  return added;
}

/** Coaches come as names: a row without an account opens nothing. */
function coachRows({ aircraft, sessions, milestones, notes }: PilotRecord, now: Date) {
  const signing = [
    ...aircraft.flatMap(({ setups, checks = [], defects = [] }) => [...setups, ...checks, ...defects]),
    ...sessions,
    ...milestones,
    ...notes,
  ];
  const byId = new Map(signing.flatMap(({ coach }) => (coach ? [[coach.id, coach] as const] : [])));
  return [...byId.values()].map(({ id, name }) => ({ id, name, created_at: now }));
}

/** Sessions this pilot is in here already stay where they are, also when the pilot changed squads since. */
async function newSessions(transaction: Transaction, { pilot, sessions }: PilotRecord) {
  const flown: { session_id: string }[] = await transaction("session_pilot")
    .select("session_id")
    .where({ pilot_id: pilot.id });
  const joined = new Set(flown.map(({ session_id }) => session_id));
  return sessions.filter(({ id }) => !joined.has(id));
}

/** Puts the pilot behind those who are in a session already. */
async function joinSession(
  transaction: Transaction,
  session: PilotRecord["sessions"][number],
  pilotId: string,
): Promise<void> {
  const last = await transaction("session_pilot")
    .where({ session_id: session.id })
    .max({ position: "position" })
    .first();
  await transaction("session_pilot").insert({
    session_id: session.id,
    pilot_id: pilotId,
    step_id: session.stepId,
    setup_id: session.setupId,
    load_id: session.loadId ?? null,
    position: Math.min(255, (last?.position ?? -1) + 1),
  });
}

/** Of two sign-offs of one step only one can stand: the one that is here. */
async function withoutStanding(
  transaction: Transaction,
  pilotId: string,
  milestones: PilotRecord["milestones"],
): Promise<PilotRecord["milestones"]> {
  const standing: { id: string; step_id: string }[] = await transaction("milestone")
    .select("id", "step_id")
    .where({ pilot_id: pilotId })
    .whereNull("withdrawn_at");
  return milestones.filter((one) => !standing.some(({ id, step_id }) => step_id === one.stepId && id !== one.id));
}

async function insertNew(
  transaction: Transaction,
  table: string,
  rows: readonly { readonly id: string }[],
  same: readonly string[],
): Promise<number> {
  let added = 0;
  for (let from = 0; from < rows.length; from += CHUNK) {
    const chunk = rows.slice(from, from + CHUNK);
    const known: Record<string, unknown>[] = await transaction(table)
      .select(["id", ...same])
      .whereIn(
        "id",
        chunk.map(({ id }) => id),
      );
    const byId = new Map(known.map((row) => [row.id, row]));
    const fresh = chunk.filter((row) => {
      const there = byId.get(row.id);
      const own = row as Readonly<Record<string, unknown>>;
      if (there && same.some((column) => there[column] !== own[column]))
        throw new Refusal(
          409,
          `The file has a ${table.replaceAll("_", " ")} that belongs to someone else here: ${row.id}.`,
        );
      return !there;
    });
    try {
      if (fresh.length) await transaction(table).insert(fresh);
    } catch (error) {
      // Such as a setup of a number that another one has here.
      if (!isDuplicate(error)) throw error;
      throw new Refusal(409, `The file has a ${table.replaceAll("_", " ")} where there is another one here already.`);
    }
    added += fresh.length;
  }
  return added;
}
