import "server-only";
import { isCoach, type SignedIn } from "@/server/accounts";
import type { Site } from "@/contract";
import { listPilots, listSites, listSquads } from "@/server/repositories";

export interface YardData {
  readonly sites: readonly Site[];
  readonly squads: readonly { readonly id: string; readonly name: string }[];
  readonly mayChange: boolean;
}

/** The sites of every squad somebody coaches, or of a pilot's own. */
export async function loadYard(who: SignedIn): Promise<YardData> {
  const squads = who.coachId === null ? [] : await listSquads(who.coachId);
  const squadIds = isCoach(who) ? squads.map(({ id }) => id) : (await listPilots(who)).map(({ squadId }) => squadId);
  return {
    sites: await listSites(squadIds),
    squads: squads.map(({ id, name }) => ({ id, name })),
    mayChange: isCoach(who),
  };
}
