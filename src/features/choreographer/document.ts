import type { Recipe } from "@/core";
import type { VariantDocument } from "@/syllabus";
import type { Choreography } from "./choreography";
import type { ChoreographerData } from "./load";

/** What is kept and what goes out as a file. */
export function documentOf({
  data,
  name,
  bothWays,
  draft,
  recipe,
}: {
  data: ChoreographerData;
  name: string;
  bothWays: boolean;
  draft: { readonly document: Choreography };
  recipe: Recipe;
}): VariantDocument {
  return {
    format: "bathygon-trick-variant",
    version: 1,
    name,
    trick: data.trickId,
    instead: data.wayId,
    direction: draft.document.direction,
    bothWays,
    recipe,
  };
}
