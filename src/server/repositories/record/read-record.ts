import { database } from "../../database";
import type { AttemptRow } from "../attempt-row";
import type { CheckRow, DefectRow } from "../checks";
import type { LoadRow } from "../loads";
import type { Named, PilotRecord } from "./pilot-record";
import {
  aircraftOf,
  attemptOf,
  checkOf,
  defectOf,
  loadOf,
  milestoneOf,
  noteOf,
  pilotOf,
  requestOf,
  sessionOf,
  setupOf,
  targetOf,
  type AircraftRow,
  type MilestoneRow,
  type NoteRow,
  type PilotRow,
  type RequestRow,
  type SessionRow,
  type SetupRow,
  type TargetRow,
} from "./record-rows";

/** The whole record of a pilot. What lies in the bin is left out, but for aircraft: attempts were flown with their setups. */
export async function readRecord(pilotId: string, now: Date): Promise<PilotRecord | undefined> {
  const pilot: PilotRow | undefined = await database()("pilot").where({ id: pilotId }).first();
  if (!pilot) return undefined;
  const coaches: Named[] = await database()("coach").select("id", "name");
  const byId = new Map(coaches.map((coach) => [coach.id, coach]));
  const nameOf = (id: string) => byId.get(id) ?? { id, name: "unknown" };
  const rows = await rowsOf(pilotId);
  return {
    format: "bathygon-pilot-record",
    version: 1,
    exportedAt: now.toISOString(),
    pilot: pilotOf(pilot),
    aircraft: rows.aircraft.map((row) =>
      aircraftOf(
        row,
        rows.setups.filter((setup) => setup.aircraft_id === row.id).map((setup) => setupOf(setup, nameOf)),
        rows.loads.filter((load) => load.aircraft_id === row.id).map(loadOf),
        rows.checks.filter((check) => check.aircraft_id === row.id).map((check) => checkOf(check, nameOf)),
        rows.defects.filter((defect) => defect.aircraft_id === row.id).map((defect) => defectOf(defect, nameOf)),
      ),
    ),
    sessions: rows.sessions.map((row) => sessionOf(row, nameOf)),
    attempts: rows.attempts.map(attemptOf),
    milestones: rows.milestones.map((row) => milestoneOf(row, nameOf)),
    notes: rows.notes.map((row) => noteOf(row, nameOf)),
    ...(rows.targets.length > 0 && { targets: rows.targets.map(targetOf) }),
    requests: rows.requests.map(requestOf),
  };
}

/** Everything of a pilot as it is kept, oldest first. */
async function rowsOf(pilotId: string) {
  const db = database();
  const own = { pilot_id: pilotId };
  const ofAircraft = (table: string) =>
    db(table).select(`${table}.*`).join("aircraft", "aircraft.id", "aircraft_id").where(own);
  const [aircraft, setups, loads, checks, defects, sessions, attempts, milestones, notes, requests, targets] =
    await Promise.all([
      db("aircraft").where(own).orderBy(["created_at", "id"]) as Promise<AircraftRow[]>,
      ofAircraft("setup").orderBy(["setup.number", "setup.id"]) as Promise<SetupRow[]>,
      ofAircraft("aircraft_load").orderBy(["aircraft_load.created_at", "aircraft_load.id"]) as Promise<LoadRow[]>,
      ofAircraft("aircraft_check").orderBy(["checked_at", "aircraft_check.id"]) as Promise<CheckRow[]>,
      ofAircraft("aircraft_defect").orderBy(["found_at", "aircraft_defect.id"]) as Promise<DefectRow[]>,
      db("session")
        .whereNotNull("begun_at")
        .join("session_pilot", "session_id", "session.id")
        .where(own)
        .select("session.*", "step_id", "setup_id", "load_id")
        .orderBy(["started_at", "session.id"]) as Promise<SessionRow[]>,
      db("attempt").where(own).whereNull("undone_at").orderBy(["flown_at", "id"]) as Promise<AttemptRow[]>,
      db("milestone").where(own).whereNull("withdrawn_at").orderBy(["signed_at", "id"]) as Promise<MilestoneRow[]>,
      db("note").where(own).whereNull("removed_at").orderBy(["written_at", "id"]) as Promise<NoteRow[]>,
      db("sign_off_request").where(own).orderBy(["asked_at", "id"]) as Promise<RequestRow[]>,
      db("target").where(own).whereNull("removed_at").orderBy(["due_at", "id"]) as Promise<TargetRow[]>,
    ]);
  return { aircraft, setups, loads, checks, defects, sessions, attempts, milestones, notes, requests, targets };
}
