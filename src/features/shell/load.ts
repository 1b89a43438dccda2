import "server-only";
import { latestSetups, listAircraft, listMilestones, listPilots } from "@/server/repositories";
import { steps } from "@/syllabus";
import type { ShellData } from "@/ui/shell/at-hand";
import { remembered } from "./at-hand";

/** What the frame round every desk screen shows. */
export async function loadShell(coachName: string): Promise<ShellData> {
  const [pilots, aircraft, setups, milestones] = await Promise.all([
    listPilots(),
    listAircraft(),
    latestSetups(),
    listMilestones(),
  ]);
  return {
    coachName,
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
