import "server-only";
import type { Aircraft, Pilot, Setup } from "@/contract";
import { latestSetups } from "@/server/repositories";

export interface TapeData {
  readonly pilot: Pilot;
  readonly aircraft: Aircraft | null;
  readonly setup: Setup | null;
}

/** With what a pilot's recordings are read. Whether the pilot may be seen has been asked before. */
export async function loadTape(pilot: Pilot, aircraft: Aircraft | null): Promise<TapeData> {
  const setups = await latestSetups([pilot.id]);
  return { pilot, aircraft, setup: (aircraft && setups.get(aircraft.id)) ?? null };
}
