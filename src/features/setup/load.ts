import "server-only";
import { listAircraft, listSetups, type Aircraft, type Pilot, type Setup } from "@/server/repositories";

export interface SetupData {
  readonly pilot: Pilot;
  readonly aircraft: Aircraft | null;
  /** Versions of this aircraft, newest first. */
  readonly setups: readonly Setup[];
  /** The newest setup of the pilot's other aircraft, to start a new one from. */
  readonly elsewhere: readonly { readonly aircraftName: string; readonly setup: Setup }[];
}

export async function loadSetup(pilot: Pilot, aircraft: Aircraft | null): Promise<SetupData> {
  const [all, fleet] = await Promise.all([listSetups(pilot.id), listAircraft()]);
  return {
    pilot,
    aircraft,
    setups: all.filter((setup) => setup.aircraftId === aircraft?.id),
    elsewhere: fleet
      .filter((other) => other.pilotId === pilot.id && other.id !== aircraft?.id)
      .flatMap((other) => {
        const setup = all.find((one) => one.aircraftId === other.id);
        return setup ? [{ aircraftName: other.name, setup }] : [];
      }),
  };
}
