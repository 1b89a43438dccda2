import "server-only";
import { entryOf, measuredOn, shortenedPlan, type MeasuredByDirection, type PlanKind, type SitePlan } from "@/core";
import { loadDay, loadProgress } from "@/server/progress";
import type { Aircraft, Pilot, Setup } from "@/contract";
import { listSetups, listSitePlans, listVariants } from "@/server/repositories";
import {
  currentStepOf,
  type Day,
  findStep,
  findTrick,
  type FlownAs,
  type Manner,
  type OwnVariant,
  ownVariantOf,
  trickFrom,
  tricks,
  variantOf,
} from "@/syllabus";

/** A site as a flight in the lab needs it: of its plan only what stands, and where pilots do. */
export interface LabSite {
  readonly id: string;
  readonly name: string;
  readonly ceilingM: number | null;
  readonly elevationM: number | null;
  readonly plan: SitePlan;
}

/** Of what stands at a site no more is flown about. Ours. */
const MOST_STANDING = 200;
const MOST_COURSES = 8;
const STANDING: readonly PlanKind[] = ["building", "wall", "bar", "gap", "post", "tree", "stand"];

const labSites = (all: Awaited<ReturnType<typeof listSitePlans>>): readonly LabSite[] =>
  all.map(({ plan, ...site }) => {
    const features = plan.features.filter(({ kind }) => STANDING.includes(kind));
    return { ...site, plan: shortenedPlan({ ...plan, features }, MOST_STANDING, MOST_COURSES) };
  });

export interface LabData {
  readonly pilot: Pilot;
  readonly aircraft: Aircraft | null;
  readonly setup: Setup | null;
  /** Every version of this aircraft's settings, newest first, to be flown against one another. */
  readonly setups: readonly Setup[];
  readonly trickId: string;
  /** Figures of it that the step asked for sets. */
  readonly set?: FlownAs["set"];
  /** How the pilot flies what can be flown in more than one way. */
  readonly manner: Manner;
  /** Ways of the squad's own to fly it. */
  readonly own: readonly OwnVariant[];
  /** The way in which the pilot flies it: a way of their own, or that of their school. */
  readonly variantId: string;
  /** The direction asked for; null for the first of the way. */
  readonly direction: string | null;
  /** The air of the squad's day. */
  readonly day: Day;
  /** Sites of the squad that are drawn, with what stands there. */
  readonly sites: readonly LabSite[];
  /** What was measured on attempts of this pilot at this trick. */
  readonly measured: MeasuredByDirection;
}

/** The lab at the trick or step asked for, else at the pilot's current step, or the next one that is flown in the model. Null for a trick that is not flown in the model. */
export async function loadLab(
  pilot: Pilot,
  aircraft: Aircraft | null,
  asked: string | null,
  direction: string | null = null,
): Promise<LabData | null> {
  const [all, progress, day, plans] = await Promise.all([
    listSetups(pilot.id),
    loadProgress([pilot]),
    loadDay(pilot.squadId),
    listSitePlans(pilot.squadId),
  ]);
  const { syllabus, school, own, flown } = entryOf(progress, pilot.id);
  const setups = all.filter((setup) => setup.aircraftId === aircraft?.id);
  const open = asked === null ? currentStepOf(entryOf(progress, pilot.id)) : findStep(syllabus, asked);
  const trick =
    asked === null
      ? open
        ? trickFrom(syllabus, open.id)
        : tricks[tricks.length - 1]
      : findTrick(open?.flownAs?.trick ?? asked);
  if (!trick) return null;
  const flownAs: FlownAs = open?.flownAs?.trick === trick.id ? open.flownAs : { trick: trick.id };
  const manner = { school, own };
  const usual = variantOf(flownAs, school)!;
  const sides = Object.keys(usual.recipes);
  const side = direction !== null && sides.includes(direction) ? direction : null;
  const chosen = (side === null ? sides : [side]).map((one) => ownVariantOf(flownAs, one, manner)).find(Boolean);
  return {
    pilot,
    aircraft,
    setup: setups[0] ?? null,
    setups,
    trickId: trick.id,
    set: flownAs.set,
    own: await listVariants(pilot.squadId, trick.id),
    variantId: (chosen ?? usual).id,
    direction: side,
    manner,
    day,
    sites: labSites(plans),
    measured: measuredOn(flown.get(open?.id ?? trick.id)?.recent ?? []),
  };
}
