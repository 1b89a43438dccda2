import type { Aircraft, KeptLoad } from "@/contract";
import { loadedAirframe } from "@/core";
import { database, type Transaction } from "../database";
import { insertOnce } from "./rows";

export interface LoadRow {
  id: string;
  aircraft_id: string;
  name: string;
  mass_kg: number;
  thrust_to_weight: number | null;
  created_at: Date;
  removed_at: Date | null;
}

const loadFrom = (row: LoadRow): KeptLoad => ({
  id: row.id,
  aircraftId: row.aircraft_id,
  name: row.name,
  massKg: row.mass_kg,
  thrustToWeight: row.thrust_to_weight,
});

/** The loads of some aircraft, oldest first, without those taken off the list. */
export async function listLoads(aircraftIds: readonly string[]): Promise<KeptLoad[]> {
  const rows: LoadRow[] = await database()("aircraft_load")
    .whereIn("aircraft_id", [...aircraftIds])
    .whereNull("removed_at")
    .orderBy(["created_at", "id"]);
  return rows.map(loadFrom);
}

export async function findLoad(id: string): Promise<KeptLoad | undefined> {
  const row: LoadRow | undefined = await database()("aircraft_load").where({ id }).first();
  return row && loadFrom(row);
}

export async function insertLoad(transaction: Transaction, load: KeptLoad, now: Date): Promise<void> {
  await insertOnce(transaction, "aircraft_load", {
    id: load.id,
    aircraft_id: load.aircraftId,
    name: load.name,
    mass_kg: load.massKg,
    thrust_to_weight: load.thrustToWeight,
    created_at: now,
  });
}

/** Takes a load off the list, or puts it back with null. */
export async function setLoadRemoved(transaction: Transaction, id: string, removedAt: Date | null): Promise<void> {
  await transaction("aircraft_load").where({ id }).update({ removed_at: removedAt });
}

/** The aircraft as it flies with a load, under both names; as it is without one. */
export function carrying(aircraft: Aircraft, load: KeptLoad | null): Aircraft {
  if (!load) return aircraft;
  return {
    ...aircraft,
    name: `${aircraft.name}, ${load.name}`,
    airframe: loadedAirframe(aircraft.airframe, load),
  };
}
