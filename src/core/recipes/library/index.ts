import type { Recipe } from "../recipe";
import { flipRecipes } from "./flip";
import { overRecipes } from "./over";
import { rollRecipes } from "./roll";
import { travelRecipes } from "./travel";

/** Every built-in recipe by id: the step's id, then its direction and the school's variant where it has them. */
export const recipes: Readonly<Record<string, Recipe>> = Object.fromEntries(
  [...travelRecipes, ...flipRecipes, ...rollRecipes, ...overRecipes].map((recipe) => [recipe.id, recipe]),
);
