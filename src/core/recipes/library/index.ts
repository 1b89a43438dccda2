import type { Recipe } from "../recipe";
import { flipRecipes } from "./flip";

/** Every built-in recipe by id. A directional step `step` has `step-back` and `step-front`. */
export const recipes: Readonly<Record<string, Recipe>> = Object.fromEntries(
  flipRecipes.map((recipe) => [recipe.id, recipe]),
);
