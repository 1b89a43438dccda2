import "server-only";
import { isCoach, type SignedIn } from "@/server/accounts";
import { listAircraft, listSetups, type Aircraft, type Pilot, type Setup } from "@/server/repositories";

export interface SetupData {
  readonly pilot: Pilot;
  readonly aircraft: Aircraft | null;
  /** Versions of this aircraft, newest first. */
  readonly setups: readonly Setup[];
  /** The newest setup of the pilot's other aircraft, to start a new one from. */
  readonly elsewhere: readonly { readonly aircraftName: string; readonly setup: Setup }[];
  /** The one who looks may save; a pilot looks and tries, and the coach saves. */
  readonly mayChange: boolean;
}

export async function loadSetup(who: SignedIn, pilot: Pilot, aircraft: Aircraft | null): Promise<SetupData> {
  const [all, fleet] = await Promise.all([listSetups(pilot.id), listAircraft([pilot.id])]);
  return {
    mayChange: isCoach(who),
    pilot,
    aircraft,
    setups: all.filter((setup) => setup.aircraftId === aircraft?.id),
    elsewhere: fleet
      .filter((other) => other.id !== aircraft?.id)
      .flatMap((other) => {
        const setup = all.find((one) => one.aircraftId === other.id);
        return setup ? [{ aircraftName: other.name, setup }] : [];
      }),
  };
}
