import { mirrorImage, otherDirection, type Recipe } from "@/core";

/** A coach's own way to fly a trick, as it goes in and out as a file; files/trick-variant.schema.json publishes it. */
export interface VariantDocument {
  readonly format: "bathygon-trick-variant";
  readonly version: 1;
  readonly name: string;
  /** The trick, and the way of flying it that this takes the place of. */
  readonly trick: string;
  readonly instead: string;
  /** The direction in which it is set down. */
  readonly direction: string;
  /** Flown in the other direction as its mirror image, too. */
  readonly bothWays: boolean;
  readonly recipe: Recipe;
}

/** The same as it is kept. */
export type OwnVariant = Omit<VariantDocument, "format" | "version"> & { readonly id: string };

/** The recipe of an own way in a direction, or null where it is not flown so. Its id is told by no other recipe. */
export function ownRecipe(own: OwnVariant, direction: string): Recipe | null {
  const named = { ...own.recipe, id: `${own.id}-${direction}`, label: own.name };
  if (direction === own.direction) return named;
  return own.bothWays && direction === otherDirection(own.direction) ? mirrorImage(named, own.direction) : null;
}
