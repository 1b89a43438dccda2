import "server-only";
import { latestSetups, listAircraft, listCoaches, listMilestones, listPilots } from "@/server/repositories";
import { steps } from "@/syllabus";
import type { ShellData } from "@/ui/shell/at-hand";
import { coachAtHand, remembered } from "./at-hand";

/** What the frame round every desk screen shows. */
export async function loadShell(): Promise<ShellData> {
  const [coaches, pilots, aircraft, setups, milestones, coachId] = await Promise.all([
    listCoaches(),
    listPilots(),
    listAircraft(),
    latestSetups(),
    listMilestones(),
    coachAtHand(),
  ]);
  return {
    coaches,
    coachId,
    pilots: pilots.map(({ id, name }) => ({
      id,
      name,
      aircraft: aircraft
        .filter((one) => one.pilotId === id)
        .map((one) => ({ id: one.id, name: one.name, setupNumber: setups.get(one.id)?.number ?? null })),
      currentStepId:
        steps.find((step) => !milestones.some((milestone) => milestone.pilotId === id && milestone.stepId === step.id))
          ?.id ?? null,
    })),
    rememberedPilotId: await remembered("pilot"),
    rememberedAircraftId: await remembered("aircraft"),
  };
}
