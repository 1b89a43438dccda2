import { DomainError, requireRecipe } from "@/core";
import type { VariantDocument } from "./own-variants";
import { findTrick } from "./tricks";

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
