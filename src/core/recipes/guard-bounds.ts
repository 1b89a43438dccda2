import { resolve, type Guard, type Recipe } from "./recipe";
import type { TrimFigures } from "./value";

/** The number that a guard waits for. */
export function boundOf(recipe: Recipe, guard: Guard, figures: TrimFigures): number {
  switch (guard.kind) {
    case "time":
      return resolve(recipe, guard.s, figures);
    case "turned":
    case "pitch":
    case "heading":
      return resolve(recipe, guard.deg, figures);
    case "climb":
    case "ahead":
      return resolve(recipe, guard.mps, figures);
    case "height":
    case "ground":
    case "along":
      return resolve(recipe, guard.m, figures);
    case "upright":
      return resolve(recipe, guard.withinDeg, figures);
  }
}

/** Whether what a guard watches has to rise to its bound (1) or to fall to it (−1). */
export function senseOf(guard: Guard): 1 | -1 {
  if (guard.kind === "time" || guard.kind === "turned") return 1;
  if (guard.kind === "upright") return -1;
  return guard.is === "above" ? 1 : -1;
}
