import {
  environmentOn,
  freezeMargins,
  usualErrors,
  type Airframe,
  type DayAir,
  type Settings,
  type StartHeightInputs,
} from "@/core";
import { recipeOf, type Manner } from "./flown";
import { skillOf, type Syllabus } from "./syllabus";
import type { Step } from "./types";

/** Who flies a step, with what, and in which air. */
export interface FlownWith {
  readonly airframe: Airframe;
  readonly settings: Settings;
  readonly manner: Manner;
  readonly day: DayAir;
  /** The pilot's own, measured; null where it was not. */
  readonly reactionS: number | null;
}

/**
 * All that the minimum start height of a step depends on, flown in a direction: with the hands and the reaction of its stage. Null for what is not flown in
 * the model or belongs at its own height.
 */
export function startHeightInputsOf(
  syllabus: Syllabus,
  step: Step,
  direction: string,
  { airframe, settings, manner, day, reactionS }: FlownWith,
): StartHeightInputs | null {
  const recipe = recipeOf(step, direction, manner);
  if (!recipe || recipe.entryHeightM !== undefined) return null;
  const { stage } = skillOf(syllabus, step);
  return {
    recipe,
    airframe,
    settings,
    environment: environmentOn(day),
    hands: usualErrors(stage),
    freeze: freezeMargins(stage, reactionS),
  };
}
