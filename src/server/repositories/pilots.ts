import { cache } from "react";
import type { Grip, Pilot } from "@/contract";
import { database, type Transaction } from "../database";
import { fromJson, insertOnce, updateOnce, type Edited } from "./rows";

export interface PilotRow {
  id: string;
  squad_id: string;
  name: string;
  stick_mode: number;
  grip: Grip;
  settings_frozen: number;
  reaction_s: number | null;
  cruise_mps: number | null;
  reach_share: number | null;
  stick_length_mm: number | null;
  reference_aircraft_id: string | null;
  school: unknown;
  version: number;
}

/** Whose records somebody may see: those of the squads a coach coaches, or a pilot's own. */
export interface Reach {
  readonly coachId: string | null;
  readonly pilotId: string | null;
}

const fromRow = (row: PilotRow): Pilot => ({
  id: row.id,
  squadId: row.squad_id,
  name: row.name,
  stickMode: row.stick_mode,
  grip: row.grip,
  settingsFrozen: Boolean(row.settings_frozen),
  reactionS: row.reaction_s,
  cruiseMps: row.cruise_mps,
  reachShare: row.reach_share,
  stickLengthMm: row.stick_length_mm,
  referenceAircraftId: row.reference_aircraft_id,
  school: row.school === null ? {} : fromJson(row.school),
  version: row.version,
});

/** The pilots somebody may see, by name, without those in the bin. Frame and page ask for the same: looked up once a request. */
export const listPilots = cache(async ({ coachId, pilotId }: Reach): Promise<readonly Pilot[]> => {
  const query = database()("pilot").select("pilot.*").whereNull("removed_at").orderBy(["name", "id"]);
  const rows: PilotRow[] =
    coachId === null
      ? await query.where({ id: pilotId })
      : await query
          .join("squad_coach", "squad_coach.squad_id", "pilot.squad_id")
          .where("squad_coach.coach_id", coachId);
  return rows.map(fromRow);
});

export async function findPilot(id: string): Promise<Pilot | undefined> {
  const row: PilotRow | undefined = await database()("pilot").where({ id }).first();
  return row && fromRow(row);
}

/** Some pilots, in the order of their ids; those that are gone are left out. */
export async function findPilots(ids: readonly string[]): Promise<Pilot[]> {
  const rows: PilotRow[] = await database()("pilot").whereIn("id", [...ids]);
  return ids.flatMap((id) => rows.filter((row) => row.id === id).map(fromRow));
}

/** What may be measured of a pilot's hands. */
type MeasuredHands = "reactionS" | "cruiseMps" | "reachShare" | "stickLengthMm";

export async function insertPilot(
  transaction: Transaction,
  pilot: Omit<Pilot, "version" | "settingsFrozen" | MeasuredHands | "referenceAircraftId" | "school"> &
    Partial<Pick<Pilot, "settingsFrozen" | MeasuredHands | "school">>,
  now: Date,
): Promise<void> {
  const { id, squadId, name, stickMode, grip, settingsFrozen = false, school = {} } = pilot;
  const { reactionS = null, cruiseMps = null, reachShare = null, stickLengthMm = null } = pilot;
  await insertOnce(transaction, "pilot", {
    id,
    squad_id: squadId,
    name,
    stick_mode: stickMode,
    grip,
    settings_frozen: settingsFrozen,
    reaction_s: reactionS,
    cruise_mps: cruiseMps,
    reach_share: reachShare,
    stick_length_mm: stickLengthMm,
    school: JSON.stringify(school),
    created_at: now,
  });
}

/** Changes a pilot whose version is still the one that was read. */
export async function updatePilot(
  transaction: Transaction,
  {
    id,
    squadId,
    name,
    stickMode,
    grip,
    settingsFrozen,
    reactionS,
    cruiseMps,
    reachShare,
    stickLengthMm,
    version,
  }: Omit<Pilot, "referenceAircraftId" | "school">,
): Promise<Edited> {
  return updateOnce(
    transaction,
    "pilot",
    { id, version },
    {
      squad_id: squadId,
      name,
      stick_mode: stickMode,
      grip,
      settings_frozen: settingsFrozen,
      reaction_s: reactionS,
      cruise_mps: cruiseMps,
      reach_share: reachShare,
      stick_length_mm: stickLengthMm,
    },
  );
}

/** Puts a pilot with the whole record into the bin, or brings them back with null. */
export async function setPilotRemoved(transaction: Transaction, id: string, removedAt: Date | null): Promise<void> {
  await transaction("pilot").where({ id }).update({ removed_at: removedAt });
}

/** Says which of a pilot's aircraft their hands know. */
export async function setReferenceAircraft(
  transaction: Transaction,
  pilotId: string,
  aircraftId: string,
): Promise<void> {
  await transaction("pilot").where({ id: pilotId }).update({ reference_aircraft_id: aircraftId });
}

/** Sets the school of a pilot whose version is still the one that was read. */
export async function setPilotSchool(
  transaction: Transaction,
  { id, school, version }: Pick<Pilot, "id" | "school" | "version">,
): Promise<Edited> {
  return updateOnce(transaction, "pilot", { id, version }, { school: JSON.stringify(school) });
}
