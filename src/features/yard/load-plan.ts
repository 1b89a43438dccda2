import "server-only";
import type { Aircraft, KeptSitePlan, Setup, Site } from "@/contract";
import { isCoach, type SignedIn } from "@/server/accounts";
import { there } from "@/server/actions";
import { findSite, findSitePlan, latestSetups } from "@/server/repositories";

export interface PlanData {
  readonly site: Site;
  readonly kept: KeptSitePlan;
  /** With which legs and throws are worked out; null where nobody is at hand. */
  readonly flown: { readonly pilotName: string; readonly aircraft: Aircraft; readonly setup: Setup | null } | null;
  readonly mayChange: boolean;
}

/** A site with its plan, and the aircraft at hand. Whether the site may be seen has been asked before. */
export async function loadPlan(
  who: SignedIn,
  siteId: string,
  atHand: { readonly pilot: { readonly id: string; readonly name: string }; readonly aircraft: Aircraft | null } | null,
): Promise<PlanData> {
  const [site, kept, setups] = await Promise.all([
    findSite(siteId),
    findSitePlan(siteId),
    atHand ? latestSetups([atHand.pilot.id]) : new Map<string, Setup>(),
  ]);
  const aircraft = atHand?.aircraft ?? null;
  return {
    site: there(site, "That site"),
    kept: there(kept, "That site"),
    flown:
      atHand && aircraft ? { pilotName: atHand.pilot.name, aircraft, setup: setups.get(aircraft.id) ?? null } : null,
    mayChange: isCoach(who),
  };
}
