import { mirrored, type Axis, type Recipe } from "../recipes";

const others: Readonly<Record<string, string>> = { back: "front", front: "back", right: "left", left: "right" };

/** The direction a trick has when it is mirrored; one that has no sides is mirrored about its line and keeps its name. */
export const otherDirection = (direction: string): string => others[direction] ?? direction;

/** The recipe flown in the other direction. */
export function mirrorImage(recipe: Recipe, direction: string): Recipe {
  const axes: readonly Axis[] = direction === "back" || direction === "front" ? ["pitch"] : ["roll", "yaw"];
  return mirrored(recipe, axes, recipe.id, recipe.label);
}
