import "server-only";
import { isCoach, type SignedIn } from "@/server/accounts";
import { latestSetups, listAircraft, listMilestones, listPilots } from "@/server/repositories";
import { steps } from "@/syllabus";
import type { ShellData } from "@/ui/shell/at-hand";
import { remembered } from "./at-hand";

/** What the frame round every desk screen shows. */
export async function loadShell(who: SignedIn): Promise<ShellData> {
  const pilots = await listPilots(who);
  const pilotIds = pilots.map(({ id }) => id);
  const [aircraft, setups, milestones] = await Promise.all([
    listAircraft(pilotIds),
    latestSetups(pilotIds),
    listMilestones(pilotIds),
  ]);
  return {
    name: who.name,
    coaches: isCoach(who),
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
    rememberedPilotId: who.pilotId ?? (await remembered("pilot")),
    rememberedAircraftId: await remembered("aircraft"),
  };
}
