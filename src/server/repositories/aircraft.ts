import type { FlightState, Aircraft, Mount, Setup } from "@/contract";
import { completedAirframe, MODEL_VERSION } from "@/core";
import { database, type Transaction } from "../database";
import { conditionsOf, MOST_CRASHES, type Condition } from "./checks";
import { fromJson, insertOnce, updateOnce, type Edited } from "./rows";

export interface AircraftRow {
  id: string;
  pilot_id: string;
  name: string;
  preset_id: string;
  airframe: unknown;
  flight_state: FlightState;
  measurements: unknown;
  estimate: unknown;
  mount: Mount | null;
  version: number;
  model_version: number;
  cleared_at: Date;
}

export interface SetupRow {
  id: string;
  aircraft_id: string;
  number: number;
  settings: unknown;
  reason: string;
  coach_id: string;
  coach_name: string;
  created_at: Date;
}

const READY: Condition = { openCrashes: [], lastTilt: null, openDefects: [] };

const aircraftFrom = (row: AircraftRow, condition: Condition = READY): Aircraft => ({
  id: row.id,
  pilotId: row.pilot_id,
  name: row.name,
  presetId: row.preset_id,
  airframe: completedAirframe(fromJson(row.airframe), row.preset_id),
  flightState: row.flight_state,
  clearedAtMs: row.cleared_at.getTime(),
  ...condition,
  mount: row.mount,
  measurements: row.measurements === null ? [] : fromJson(row.measurements),
  estimate: completedAirframe(fromJson(row.estimate ?? row.airframe), row.preset_id),
  version: row.version,
  modelVersion: row.model_version,
});

const setupFrom = (row: SetupRow): Setup => ({
  id: row.id,
  aircraftId: row.aircraft_id,
  number: row.number,
  settings: fromJson(row.settings),
  reason: row.reason,
  coachId: row.coach_id,
  coachName: row.coach_name,
  createdAtMs: row.created_at.getTime(),
});

const setups = () =>
  database()("setup").join("coach", "coach.id", "setup.coach_id").select("setup.*", "coach.name as coach_name");

/** The aircraft of some pilots, oldest first, without those in the bin; each with so many of its newest open crashes at most. */
export async function listAircraft(pilotIds: readonly string[], mostCrashes = MOST_CRASHES): Promise<Aircraft[]> {
  const rows: AircraftRow[] = await database()("aircraft")
    .whereIn("pilot_id", [...pilotIds])
    .whereNull("removed_at")
    .orderBy(["created_at", "id"]);
  const conditions = await conditionsOf(
    rows.map(({ id }) => id),
    mostCrashes,
  );
  return rows.map((row) => aircraftFrom(row, conditions.get(row.id)));
}

/** What an aircraft is told apart by. */
export interface NamedAircraft {
  readonly id: string;
  readonly pilotId: string;
  readonly name: string;
  /** Number of its newest setup; null without one. */
  readonly setupNumber: number | null;
}

/** The aircraft of some pilots as `listAircraft` has them, by name only: for whoever picks one. */
export async function nameAircraft(pilotIds: readonly string[]): Promise<NamedAircraft[]> {
  const rows: (Pick<AircraftRow, "id" | "pilot_id" | "name"> & { number: number | null })[] = await database()(
    "aircraft",
  )
    .leftJoin("setup", "setup.aircraft_id", "aircraft.id")
    .select("aircraft.id", "aircraft.pilot_id", "aircraft.name", database().raw("max(setup.number) as number"))
    .whereIn("aircraft.pilot_id", [...pilotIds])
    .whereNull("aircraft.removed_at")
    .groupBy("aircraft.id", "aircraft.pilot_id", "aircraft.name", "aircraft.created_at")
    .orderBy(["aircraft.created_at", "aircraft.id"]);
  return rows.map(({ id, pilot_id, name, number }) => ({ id, pilotId: pilot_id, name, setupNumber: number }));
}

export async function findAircraft(id: string): Promise<Aircraft | undefined> {
  const row: AircraftRow | undefined = await database()("aircraft").where({ id }).first();
  return row && aircraftFrom(row, (await conditionsOf([id])).get(id));
}

/** All versions of the setups of one pilot's aircraft, newest first. */
export async function listSetups(pilotId: string): Promise<Setup[]> {
  const rows: SetupRow[] = await setups()
    .join("aircraft", "aircraft.id", "setup.aircraft_id")
    .where("aircraft.pilot_id", pilotId)
    .orderBy([
      { column: "setup.created_at", order: "desc" },
      { column: "setup.number", order: "desc" },
    ]);
  return rows.map(setupFrom);
}

/** The newest setup of every aircraft of some pilots, by aircraft id. */
export async function latestSetups(pilotIds: readonly string[]): Promise<ReadonlyMap<string, Setup>> {
  const rows: SetupRow[] = await setups()
    .join("aircraft", "aircraft.id", "setup.aircraft_id")
    .whereIn("aircraft.pilot_id", [...pilotIds])
    .whereRaw("setup.number = (select max(newer.number) from setup newer where newer.aircraft_id = setup.aircraft_id)");
  return new Map(rows.map((row) => [row.aircraft_id, setupFrom(row)]));
}

/** Which aircraft each setup of some pilots, old ones too, belongs to, by setup id. */
export async function aircraftOfSetups(pilotIds: readonly string[]): Promise<ReadonlyMap<string, string>> {
  const rows: { id: string; aircraft_id: string }[] = await database()("setup")
    .join("aircraft", "aircraft.id", "setup.aircraft_id")
    .select("setup.id", "setup.aircraft_id")
    .whereIn("aircraft.pilot_id", [...pilotIds]);
  return new Map(rows.map((row) => [row.id, row.aircraft_id]));
}

export async function findSetup(id: string): Promise<Setup | undefined> {
  const row: SetupRow | undefined = await setups().where("setup.id", id).first();
  return row && setupFrom(row);
}

export async function insertAircraft(
  transaction: Transaction,
  aircraft: Omit<
    Aircraft,
    "measurements" | "estimate" | "version" | "modelVersion" | "clearedAtMs" | "mount" | keyof Condition
  >,
  now: Date,
): Promise<void> {
  await insertOnce(transaction, "aircraft", {
    id: aircraft.id,
    pilot_id: aircraft.pilotId,
    name: aircraft.name,
    preset_id: aircraft.presetId,
    airframe: JSON.stringify(aircraft.airframe),
    flight_state: aircraft.flightState,
    model_version: MODEL_VERSION,
    created_at: now,
    cleared_at: now,
  });
}

/** Sets whether it is to be flown by eye first; one that flies is cleared of its crashes too. */
export async function updateFlightState(
  transaction: Transaction,
  id: string,
  flightState: FlightState,
  now: Date,
): Promise<void> {
  await transaction("aircraft")
    .where({ id })
    .update({ flight_state: flightState, ...(flightState === "flying" && { cleared_at: now }) });
}

/** Number of the newest setup of an aircraft, 0 for none. Locks the aircraft until the transaction ends. */
export async function lockLatestSetupNumber(transaction: Transaction, aircraftId: string): Promise<number> {
  await transaction("aircraft").where({ id: aircraftId }).forUpdate().first();
  // Read as it is now, not as it was when the transaction began to wait.
  const row = await transaction("setup")
    .where({ aircraft_id: aircraftId })
    .max({ number: "number" })
    .forUpdate()
    .first();
  return row?.number ?? 0;
}

export async function insertSetup(
  transaction: Transaction,
  setup: Omit<Setup, "createdAtMs" | "coachName">,
  now: Date,
): Promise<void> {
  await transaction("setup").insert({
    id: setup.id,
    aircraft_id: setup.aircraftId,
    number: setup.number,
    settings: JSON.stringify(setup.settings),
    reason: setup.reason,
    coach_id: setup.coachId,
    created_at: now,
  });
}

/** Keeps what was measured and the airframe fitted to it, on the version that was read. */
export async function updateMeasurements(
  transaction: Transaction,
  {
    id,
    measurements,
    estimate,
    airframe,
    version,
  }: Pick<Aircraft, "id" | "measurements" | "estimate" | "airframe" | "version">,
): Promise<Edited> {
  return updateOnce(
    transaction,
    "aircraft",
    { id, version },
    {
      measurements: JSON.stringify(measurements),
      estimate: JSON.stringify(estimate),
      airframe: JSON.stringify(airframe),
      model_version: MODEL_VERSION,
    },
  );
}

/** Renames an aircraft whose version is still the one that was read. */
export async function renameAircraft(
  transaction: Transaction,
  { id, name, version }: Pick<Aircraft, "id" | "name" | "version">,
): Promise<Edited> {
  return updateOnce(transaction, "aircraft", { id, version }, { name });
}

/** Says how the camera is mounted, on the version that was read. */
export async function setMount(
  transaction: Transaction,
  { id, mount, version }: Pick<Aircraft, "id" | "mount" | "version">,
): Promise<Edited> {
  return updateOnce(transaction, "aircraft", { id, version }, { mount });
}

/** Puts an aircraft into the bin, or brings it back with null. */
export async function setAircraftRemoved(transaction: Transaction, id: string, removedAt: Date | null): Promise<void> {
  await transaction("aircraft").where({ id }).update({ removed_at: removedAt });
}
