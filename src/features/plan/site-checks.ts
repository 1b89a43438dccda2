import { environmentOn, type DayAir } from "@/core";
import { findStep, recipeOf, siteRefusal, skillOf, type SiteRefusal, type Syllabus } from "@/syllabus";
import type { Site } from "@/contract";
import type { Candidate } from "./load";
import type { PeakTask } from "./use-peaks";

/** Who flies what with what, as chosen. */
export interface Flying {
  readonly one: Candidate;
  readonly stepId: string;
  readonly setupId: string;
  readonly syllabus: Syllabus;
}

const NOT_FLOWN: ReadonlyMap<string, number | null> = new Map();
const keyOf = ({ one, stepId, setupId }: Flying, direction: string) => `${one.id} ${stepId} ${setupId} ${direction}`;

/** The tricks to be flown in the model before it is known whether they stay under a site's height limit. */
export function peakTasks(flying: readonly Flying[], site: Site | null, day: DayAir): PeakTask[] {
  if (!site || site.ceilingM === null) return [];
  const environment = environmentOn(day);
  return flying.flatMap((who) => {
    const step = findStep(who.syllabus, who.stepId);
    const setup = who.one.setups.find(({ id }) => id === who.setupId);
    // What the ground has no room for need not be flown.
    if (!step || !setup || siteRefusalFor(who, site, NOT_FLOWN)) return [];
    return step.directions.flatMap(({ id }) => {
      const recipe = recipeOf(step, id, who.one);
      return recipe
        ? [{ key: keyOf(who, id), recipe, airframe: setup.airframe, settings: setup.settings, environment }]
        : [];
    });
  });
}

/** Why a site refuses a step to somebody, or null. */
export function siteRefusalFor(
  who: Flying,
  site: Site | null,
  peaks: ReadonlyMap<string, number | null>,
): SiteRefusal | null {
  const step = site && findStep(who.syllabus, who.stepId);
  if (!step) return null;
  const known = step.directions.flatMap(({ id }) => peaks.get(keyOf(who, id)) ?? []);
  const peakM = known.length > 0 ? Math.max(...known) : null;
  return siteRefusal(step, skillOf(who.syllabus, step), site, peakM);
}
