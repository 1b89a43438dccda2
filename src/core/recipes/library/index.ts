import type { Recipe } from "../recipe";
import { circleRecipes } from "./circles";
import { combinedRecipes } from "./combined";
import { flipRecipes } from "./flip";
import { overRecipes } from "./over";
import { rollRecipes } from "./roll";
import { travelRecipes } from "./travel";

/** Every built-in recipe by id: the step's id, then its direction and the school's variant where it has them. */
export const recipes: Readonly<Record<string, Recipe>> = Object.fromEntries(
  [...travelRecipes, ...circleRecipes, ...flipRecipes, ...rollRecipes, ...overRecipes, ...combinedRecipes].map(
    (recipe) => [recipe.id, recipe],
  ),
);
