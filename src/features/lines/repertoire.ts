import { recipes, type Recipe } from "@/core";
import { directionWords, recipeOf, tricks, variantOf, type Manner } from "@/syllabus";
import type { LinesData, Standing } from "./load";

/** A trick in a direction, to be put into a line. */
export interface Tile {
  readonly key: string;
  readonly name: string;
  readonly stage: number;
  /** A built-in recipe by its id, or a way of the squad's own whole. */
  readonly recipe: Recipe | string;
  readonly standing: Standing;
}

/** Every trick that a pilot could fly, in their way, in each direction: first what they have, then what they are at, then the rest, each in the order of learning with what makes no line last. */
export function tilesFor({ manner, standings }: Pick<LinesData, "manner" | "standings">): readonly Tile[] {
  const all = tricks.flatMap((trick): Tile[] => {
    const { recipes: byDirection } = variantOf({ trick: trick.id }, manner.school)!;
    const directions = Object.keys(byDirection);
    return directions.map((direction) => {
      const recipe = flownIn(trick.id, direction, manner) ?? byDirection[direction];
      const side = directions.length > 1 ? `, ${directionWords[direction]}` : "";
      const name = typeof recipe === "string" ? `${trick.name}${side}` : `${recipe.label}${side}`;
      return {
        key: typeof recipe === "string" ? recipe : recipe.id,
        name,
        stage: trick.stage,
        recipe,
        standing: standings[trick.id] ?? "new",
      };
    });
  });
  const order: readonly Standing[] = ["signed-off", "learning", "new"];
  const inOrder = [...all.filter(isForLines), ...all.filter((tile) => !isForLines(tile))];
  return order.flatMap((standing) => inOrder.filter((tile) => tile.standing === standing));
}

/** The stage of the first tricks: braking, landing and bailing out are learnt before, and make no line. */
const FIRST_STAGE = 4;
export const isForLines = ({ stage }: Pick<Tile, "stage">): boolean => stage >= FIRST_STAGE;

/** A way of the squad's own, named as the tile is; null where the pilot flies the built-in one. */
function flownIn(trick: string, direction: string, manner: Manner): Recipe | null {
  const recipe = recipeOf({ flownAs: { trick } }, direction, manner);
  return recipe && !(recipe.id in recipes) ? recipe : null;
}

/** What a tile's recipe is worked out from. */
export const wholeRecipe = (recipe: Recipe | string): Recipe => (typeof recipe === "string" ? recipes[recipe] : recipe);
