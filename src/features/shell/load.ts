import "server-only";
import { isCoach, type SignedIn } from "@/server/accounts";
import { latestSetups, listAircraft, listMilestones, listPilots, triedSteps } from "@/server/repositories";
import { currentStep } from "@/syllabus";
import type { ShellData } from "@/ui/shell/at-hand";
import { remembered } from "./at-hand";

/** What the frame round every desk screen shows. */
export async function loadShell(who: SignedIn): Promise<ShellData> {
  const pilots = await listPilots(who);
  const pilotIds = pilots.map(({ id }) => id);
  const [aircraft, setups, milestones, tried] = await Promise.all([
    listAircraft(pilotIds),
    latestSetups(pilotIds),
    listMilestones(pilotIds),
    triedSteps(pilotIds),
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
        currentStep(
          new Set(milestones.filter(({ pilotId }) => pilotId === id).map(({ stepId }) => stepId)),
          tried.get(id) ?? new Set(),
        )?.id ?? null,
    })),
    rememberedPilotId: who.pilotId ?? (await remembered("pilot")),
    rememberedAircraftId: await remembered("aircraft"),
  };
}
