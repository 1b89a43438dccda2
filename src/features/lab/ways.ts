import { recipes, type Recipe } from "@/core";
import {
  asInSchool,
  directionWords,
  ownRecipe,
  withFiguresSet,
  type FlownAs,
  type Manner,
  type OwnVariant,
  type Trick,
} from "@/syllabus";

/** One way to fly a trick in the lab, with its recipe by direction. */
export interface Way {
  readonly id: string;
  readonly name: string;
  readonly gains: string;
  readonly recipes: Readonly<Record<string, Recipe>>;
}

/** Every way to fly a trick, its figures as a step sets them: those that come with the program as the pilot's school flies them, then the squad's own. */
export function waysOf(
  trick: Trick,
  own: readonly OwnVariant[],
  set: FlownAs["set"],
  { school }: Manner,
): readonly Way[] {
  return [
    ...trick.variants.map((variant) => ({
      ...variant,
      recipes: Object.fromEntries(
        Object.entries(variant.recipes).map(([direction, id]) => [
          direction,
          asInSchool(recipes[id], { trick: trick.id, set }, school),
        ]),
      ),
    })),
    ...own.map((one) => ({
      id: one.id,
      name: one.name,
      gains: "",
      recipes: Object.fromEntries(
        Object.keys(directionWords).flatMap((direction) => {
          const recipe = ownRecipe(one, direction);
          return recipe ? [[direction, withFiguresSet(recipe, set)]] : [];
        }),
      ),
    })),
  ];
}
