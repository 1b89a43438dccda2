import { recipes } from "@/core";
import type { VariantDocument } from "@/syllabus";

/** A made-up way to fly the slow flip, as a file has it. */
export const longPunch: VariantDocument = {
  format: "bathygon-trick-variant",
  version: 1,
  name: "Long punch",
  trick: "flip-slow",
  instead: "usual",
  direction: "back",
  bothWays: true,
  recipe: recipes["flip-slow-back"],
};
