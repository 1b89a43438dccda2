import "server-only";
import { entryOf } from "@/core";
import type { Aircraft, KeptSitePlan, Pilot, Setup, Site } from "@/contract";
import { isCoach, type SignedIn } from "@/server/accounts";
import { there } from "@/server/actions";
import { loadProgress } from "@/server/progress";
import { findSite, findSitePlan, latestSetups, listLines, listLinesOf } from "@/server/repositories";
import type { Manner } from "@/syllabus";
import type { FlyableLine } from "./flights";

export interface PlanData {
  readonly site: Site;
  readonly kept: KeptSitePlan;
  /** With which legs and throws are worked out; null where nobody is at hand. */
  readonly flown: { readonly pilotName: string; readonly aircraft: Aircraft; readonly setup: Setup | null } | null;
  /** What may be laid on it: tricks as the pilot at hand flies them, and lines. */
  readonly flyable: { readonly manner: Manner; readonly lines: readonly FlyableLine[] };
  readonly mayChange: boolean;
}

async function mannerOf(pilot: Pilot): Promise<Manner> {
  const { school, own } = entryOf(await loadProgress([pilot]), pilot.id);
  return { school, own };
}

/** A site with its plan, and the aircraft at hand. Whether the site may be seen has been asked before. */
export async function loadPlan(
  who: SignedIn,
  siteId: string,
  atHand: { readonly pilot: Pilot; readonly aircraft: Aircraft | null } | null,
): Promise<PlanData> {
  const site = there(await findSite(siteId), "That site");
  const [kept, setups, manner, lines] = await Promise.all([
    findSitePlan(siteId),
    atHand ? latestSetups([atHand.pilot.id]) : new Map<string, Setup>(),
    atHand ? mannerOf(atHand.pilot) : { school: {}, own: [] },
    isCoach(who) ? listLines([site.squadId]) : atHand ? listLinesOf(atHand.pilot.id) : [],
  ]);
  const aircraft = atHand?.aircraft ?? null;
  return {
    site,
    kept: there(kept, "That site"),
    flown:
      atHand && aircraft ? { pilotName: atHand.pilot.name, aircraft, setup: setups.get(aircraft.id) ?? null } : null,
    flyable: { manner, lines: lines.map(({ id, name, line }) => ({ id, name, line })) },
    mayChange: isCoach(who),
  };
}
