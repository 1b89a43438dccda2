import "server-only";
import { sentSyllabi, type FieldSquad } from "@/contract";
import { entryOf } from "@/core";
import type { SignedInCoach } from "./accounts";
import { fieldPilot, loadFieldPilots, memberAtStep } from "./field-pilots";
import { listPilots, listSites, listSquads, syllabiOf } from "./repositories";

/** The squads of a coach as they are taken into the field. */
export async function loadFieldSquads(who: SignedInCoach): Promise<FieldSquad[]> {
  const { accountId, name, coachId } = who;
  const [pilots, squads] = await Promise.all([listPilots(who), listSquads(coachId)]);
  const squadIds = squads.map(({ id }) => id);
  const [known, sites, syllabi] = await Promise.all([
    loadFieldPilots(pilots),
    listSites(squadIds),
    syllabiOf(squadIds),
  ]);
  return squads.map(({ id: squadId, name: squadName }) => ({
    accountId,
    name,
    coachId,
    squadId,
    squadName,
    syllabi: sentSyllabi(new Map([[squadId, entryOf(syllabi, squadId)]])),
    sites: sites.filter((site) => site.squadId === squadId),
    pilots: pilots
      .filter((pilot) => pilot.squadId === squadId)
      .map(({ id }) => {
        const member = memberAtStep(known, id);
        const { stepId } = member;
        const earlier = entryOf(known.progress, id).flown.get(stepId)?.recent ?? [];
        return { ...fieldPilot(known, member), steps: [{ stepId, earlier }] };
      }),
  }));
}
