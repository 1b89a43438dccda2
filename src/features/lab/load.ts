import "server-only";
import { listMilestones, listSetups, triedSteps, type Aircraft, type Pilot, type Setup } from "@/server/repositories";
import { currentStep, findTrick, trickFrom, tricks } from "@/syllabus";

export interface LabData {
  readonly pilot: Pilot;
  readonly aircraft: Aircraft | null;
  readonly setup: Setup | null;
  /** Every version of this aircraft's settings, newest first, to be flown against one another. */
  readonly setups: readonly Setup[];
  readonly trickId: string;
}

/** The lab at the trick asked for, else at the pilot's current step, or the next one that is flown in the model. Null for a trick that is not flown in the model. */
export async function loadLab(
  pilot: Pilot,
  aircraft: Aircraft | null,
  trickId: string | null,
): Promise<LabData | null> {
  if (trickId !== null && !findTrick(trickId)) return null;
  const [all, milestones, tried] = await Promise.all([
    listSetups(pilot.id),
    listMilestones([pilot.id]),
    triedSteps([pilot.id]),
  ]);
  const setups = all.filter((setup) => setup.aircraftId === aircraft?.id);
  const open = currentStep(new Set(milestones.map(({ stepId }) => stepId)), tried.get(pilot.id) ?? new Set());
  return {
    pilot,
    aircraft,
    setup: setups[0] ?? null,
    setups,
    trickId: trickId ?? (open ? trickFrom(open.id) : tricks[tricks.length - 1]).id,
  };
}
