import { levelledBySwitch, recipes, stoppedAs, type Recipe, type StopStyle } from "@/core";
import { ownRecipe, type OwnVariant } from "./own-variants";
import { schoolQuestion, schoolQuestions, sideOf, type School } from "./schools";
import { skillOf, type Syllabus } from "./syllabus";
import { findTrick, tricks, type Trick, type TrickVariant } from "./tricks";
import type { FlownAs, Step } from "./types";

/** How a pilot flies what can be flown in more than one way. */
export interface Manner {
  /** Sides taken where practitioners disagree. */
  readonly school: School;
  /** Ways of a coach's own that were chosen for the pilot, the last chosen first. */
  readonly own: readonly OwnVariant[];
}

/** The way a step is flown: the one it names, else the one of the school, else the usual one. Undefined for a trick that there is not. */
export function variantOf({ trick: trickId, variant }: FlownAs, school: School): TrickVariant | undefined {
  const trick = findTrick(trickId);
  if (!trick) return undefined;
  const chosen = variant ?? schoolQuestions.map(({ id }) => sideOf(school, id).flies?.[trickId]).find(Boolean);
  return trick.variants.find(({ id }) => id === chosen) ?? trick.variants[0];
}

/** The own way in which a pilot flies something in a direction, if there is one. */
export function ownVariantOf(
  flownAs: FlownAs | null,
  direction: string,
  { school, own }: Manner,
): OwnVariant | undefined {
  const way = flownAs && variantOf(flownAs, school);
  return own.find(
    (one) => one.trick === flownAs?.trick && one.instead === way?.id && ownRecipe(one, direction) !== null,
  );
}

/** The recipe of a step in a direction, its figures set as the step wants them. Null for what is not flown in the model. */
export function recipeOf({ flownAs }: Pick<Step, "flownAs">, direction: string, manner: Manner): Recipe | null {
  if (!flownAs) return null;
  const own = ownVariantOf(flownAs, direction, manner);
  const recipe = own ? ownRecipe(own, direction) : recipes[variantOf(flownAs, manner.school)?.recipes[direction] ?? ""];
  if (!recipe) return null;
  return own ? withFiguresSet(recipe, flownAs.set) : asInSchool(recipe, flownAs, manner.school);
}

/** A recipe that comes with the program as a pilot of a school flies it, with the figures that a step sets. */
export const asInSchool = (recipe: Recipe, { trick, set }: Pick<FlownAs, "trick" | "set">, school: School): Recipe =>
  withFiguresSet(escapedAsIn(school, stoppedAsIn(school, trick, recipe)), set);

/** Stopped as the school stops what the question is about. */
function stoppedAsIn(school: School, trick: string, recipe: Recipe): Recipe {
  const asked = schoolQuestion("stop").steps.includes(trick);
  return asked ? stoppedAs(recipe, sideOf(school, "stop").id as StopStyle) : recipe;
}

/** Given up as the school gives up what went wrong. */
const escapedAsIn = (school: School, recipe: Recipe): Recipe =>
  sideOf(school, "trouble").id === "level-switch" ? levelledBySwitch(recipe) : recipe;

/** A recipe with the figures that a step sets; those it does not have are left out. */
export function withFiguresSet(recipe: Recipe, set: FlownAs["set"] = {}): Recipe {
  const parameters = Object.entries(set).flatMap(([name, value]) =>
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

/** Directions of a step that are flown in the model. */
export const flownDirections = (step: Step, manner: Manner) =>
  step.directions.filter(({ id }) => recipeOf(step, id, manner) !== null);

/** The steps that are flown in the model, by stage, in the order of learning. */
export const stepsInModel = (syllabus: Syllabus, manner: Manner) =>
  stagesWith(syllabus, (step) => flownDirections(step, manner).length > 0);

/** Stages with those of their steps that are wanted; none without a step. */
export function stagesWith(syllabus: Syllabus, wanted: (step: Step) => boolean) {
  return syllabus.stages.flatMap((name, stage) => {
    const steps = syllabus.steps.filter((step) => skillOf(syllabus, step).stage === stage && wanted(step));
    return steps.length > 0 ? [{ stage, name, steps }] : [];
  });
}
