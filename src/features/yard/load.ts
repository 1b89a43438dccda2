import "server-only";
import { isCoach, type SignedIn } from "@/server/accounts";
import type { Site } from "@/contract";
import { drawnOn, listPilots, listSites, listSquads } from "@/server/repositories";

export interface YardData {
  readonly sites: readonly Site[];
  readonly squads: readonly { readonly id: string; readonly name: string }[];
  /** How many things are on the plan of each site. */
  readonly drawn: Readonly<Record<string, number>>;
  readonly mayChange: boolean;
}

/** The sites of every squad somebody coaches, or of a pilot's own. */
export async function loadYard(who: SignedIn): Promise<YardData> {
  const squads = who.coachId === null ? [] : await listSquads(who.coachId);
  const squadIds = isCoach(who) ? squads.map(({ id }) => id) : (await listPilots(who)).map(({ squadId }) => squadId);
  const [sites, drawn] = await Promise.all([listSites(squadIds), drawnOn(squadIds)]);
  return {
    sites,
    drawn,
    squads: squads.map(({ id, name }) => ({ id, name })),
    mayChange: isCoach(who),
  };
}
