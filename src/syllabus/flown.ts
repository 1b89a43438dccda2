import { recipes, type Recipe } from "@/core";
import { schoolQuestions, sideOf, type School } from "./schools";
import type { Syllabus } from "./syllabus";
import { findTrick, tricks, type Trick, type TrickVariant } from "./tricks";
import type { FlownAs, Step } from "./types";

/** The way a step is flown: the one it names, else the one of the school, else the usual one. Undefined for a trick that there is not. */
export function variantOf({ trick: trickId, variant }: FlownAs, school: School): TrickVariant | undefined {
  const trick = findTrick(trickId);
  if (!trick) return undefined;
  const chosen = variant ?? schoolQuestions.map(({ id }) => sideOf(school, id).flies?.[trickId]).find(Boolean);
  return trick.variants.find(({ id }) => id === chosen) ?? trick.variants[0];
}

/** The recipe of a step in a direction, its figures set as the step wants them. Null for what is not flown in the model. */
export function recipeOf(step: Step, direction: string, school: School): Recipe | null {
  if (!step.flownAs) return null;
  const recipe = recipes[variantOf(step.flownAs, school)?.recipes[direction] ?? ""];
  if (!recipe) return null;
  const parameters = Object.entries(step.flownAs.set ?? {}).flatMap(([name, value]) =>
    recipe.parameters[name] ? [[name, { ...recipe.parameters[name], value }] as const] : [],
  );
  return { ...recipe, parameters: { ...recipe.parameters, ...Object.fromEntries(parameters) } };
}

/** The first trick flown at or after a step in the order of learning; the last one when none comes after it. */
export function trickFrom(syllabus: Syllabus, stepId: string): Trick {
  const at = syllabus.steps.findIndex(({ id }) => id === stepId);
  const flown = syllabus.steps.slice(Math.max(0, at)).find(({ flownAs }) => flownAs && findTrick(flownAs.trick));
  return findTrick(flown?.flownAs?.trick ?? "") ?? tricks[tricks.length - 1];
}
