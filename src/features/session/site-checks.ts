import { findStep, recipeOf, siteRefusal, skillOf, type Syllabus } from "@/syllabus";
import type { Site } from "@/server/repositories";
import type { Candidate } from "./load";
import type { PeakTask } from "./use-peaks";

/** Who flies what with what, as chosen. */
export interface Flying {
  readonly one: Candidate;
  readonly stepId: string;
  readonly setupId: string;
  readonly syllabus: Syllabus;
}

const keyOf = ({ one, stepId, setupId }: Flying, direction: string) => `${one.id} ${stepId} ${setupId} ${direction}`;

/** The tricks to be flown in the model before it is known whether they stay under a site's height limit. */
export function peakTasks(flying: readonly Flying[], site: Site | null): PeakTask[] {
  if (!site || site.ceilingM === null) return [];
  return flying.flatMap((who) => {
    const step = findStep(who.syllabus, who.stepId);
    const setup = who.one.setups.find(({ id }) => id === who.setupId);
    if (!step || !setup) return [];
    return step.directions.flatMap(({ id }) => {
      const recipe = recipeOf(step, id, who.one.school);
      return recipe ? [{ key: keyOf(who, id), recipe, airframe: setup.airframe, settings: setup.settings }] : [];
    });
  });
}

/** What a site refuses, with the numbers, a line each. */
export function siteRefusals(
  flying: readonly Flying[],
  site: Site | null,
  peaks: ReadonlyMap<string, number | null>,
): string[] {
  if (!site) return [];
  return flying.flatMap((who) => {
    const step = findStep(who.syllabus, who.stepId);
    if (!step) return [];
    const known = step.directions.flatMap(({ id }) => peaks.get(keyOf(who, id)) ?? []);
    const peakM = known.length > 0 ? Math.max(...known) : null;
    const why = siteRefusal(step, skillOf(who.syllabus, step), site, peakM);
    return why ? [`${who.one.name}: ${why}`] : [];
  });
}
