import { DomainError, mirrorImage, otherDirection, requireRecipe, type Recipe } from "@/core";
import { findTrick } from "./tricks";

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

/** The document, when its trick is known and its recipe can be flown. Throws a DomainError naming the field otherwise. */
export function requireVariant(document: VariantDocument): VariantDocument {
  const refuse = (field: string, message: string) => {
    throw new DomainError(field, undefined, "", `${field}: ${message}`);
  };
  const trick = findTrick(document.trick);
  if (!trick) return refuse("trick", `the model flies no trick "${document.trick}"`);
  const way = trick.variants.find(({ id }) => id === document.instead);
  if (!way) return refuse("instead", `${trick.name} is not flown in the way "${document.instead}"`);
  if (!way.recipes[document.direction])
    return refuse("direction", `${trick.name} is not flown "${document.direction}"`);
  try {
    requireRecipe(document.recipe);
  } catch (error) {
    if (error instanceof DomainError) return refuse(`recipe.${error.field}`, error.message);
    throw error;
  }
  return document;
}
