import "server-only";
import { loadProgress } from "@/server/progress";
import { listSetups, type Aircraft, type Pilot, type Setup } from "@/server/repositories";
import { currentStepOf, findStep, findTrick, trickFrom, tricks, variantOf } from "@/syllabus";

export interface LabData {
  readonly pilot: Pilot;
  readonly aircraft: Aircraft | null;
  readonly setup: Setup | null;
  /** Every version of this aircraft's settings, newest first, to be flown against one another. */
  readonly setups: readonly Setup[];
  readonly trickId: string;
  /** The way in which the pilot's school flies it. */
  readonly variantId: string;
}

/** The lab at the trick or step asked for, else at the pilot's current step, or the next one that is flown in the model. Null for a trick that is not flown in the model. */
export async function loadLab(pilot: Pilot, aircraft: Aircraft | null, asked: string | null): Promise<LabData | null> {
  const [all, progress] = await Promise.all([listSetups(pilot.id), loadProgress([pilot])]);
  const { syllabus, school } = progress.get(pilot.id)!;
  const setups = all.filter((setup) => setup.aircraftId === aircraft?.id);
  const open = asked === null ? currentStepOf(progress.get(pilot.id)!) : findStep(syllabus, asked);
  const trick =
    asked === null
      ? open
        ? trickFrom(syllabus, open.id)
        : tricks[tricks.length - 1]
      : findTrick(open?.flownAs?.trick ?? asked);
  if (!trick) return null;
  const flownAs = open?.flownAs?.trick === trick.id ? open.flownAs : { trick: trick.id };
  return {
    pilot,
    aircraft,
    setup: setups[0] ?? null,
    setups,
    trickId: trick.id,
    variantId: variantOf(flownAs, school)!.id,
  };
}
