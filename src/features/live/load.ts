import "server-only";
import type { Aircraft, Pilot, Setup } from "@/contract";
import { latestSetups } from "@/server/repositories";

export interface LiveData {
  readonly pilot: Pilot;
  readonly aircraft: Aircraft | null;
  readonly setup: Setup | null;
  /** Address of the made-up aircraft; null where there are none. */
  readonly standIn: string | null;
  /** Whether who is signed in is a coach. */
  readonly coaches: boolean;
}

/** With what a live line is listened to. Whether the pilot may be seen has been asked before. */
export async function loadLive(pilot: Pilot, aircraft: Aircraft | null, coaches: boolean): Promise<LiveData> {
  const setups = await latestSetups([pilot.id]);
  const setup = (aircraft && setups.get(aircraft.id)) ?? null;
  return { pilot, aircraft, setup, standIn: process.env.BATHYGON_STAND_IN ?? null, coaches };
}
