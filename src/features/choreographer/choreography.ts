import { requireRecipe, type Recipe } from "@/core";
import { directionWords } from "@/syllabus";

/** A trick as it is being set down. */
export interface Choreography {
  readonly direction: string;
  readonly recipe: Recipe;
}

/** What the device kept may be of another version of the program, or no choreography at all. */
export function isWhole(kept: unknown): kept is Choreography {
  try {
    const { direction, recipe } = kept as Choreography;
    return directionWords[direction] !== undefined && requireRecipe(recipe) === recipe && recipe.start !== undefined;
  } catch {
    return false;
  }
}
