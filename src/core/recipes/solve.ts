import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import { bisect } from "../numbers";
import type { Environment } from "./environment";
import { fly } from "./fly";
import { withParameters, type Recipe } from "./recipe";
import { flyUncaught, withoutCatch } from "./way-out";

export type Goal =
  /** The turn ends on the mark: stop error 0. */
  | { readonly kind: "stop-on-mark" }
  /** The trick ends at the height at which it began. */
  | { readonly kind: "return-to-entry-height" }
  /** Least entry height from which the slipped trick, caught late and aborted, still clears the ground by the margin. */
  | { readonly kind: "lowest-entry"; readonly marginM: number; readonly reactionS: number };

/** `answer` is the parameter or height found and `recipe` carries it; without an answer, `why` says what stands in the way. */
export type Solution =
  | { readonly answer: number; readonly recipe: Recipe }
  | { readonly answer: null; readonly why: string; readonly recipe: Recipe };

/** High enough that nothing flown while solving meets the ground. */
const CLEAR_OF_GROUND_M = 400;

/** Finds the recipe parameter, or the entry height, that meets a goal. */
export function solve(
  recipe: Recipe,
  goal: Goal,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
): Solution {
  const high = { ...environment, entryHeightM: CLEAR_OF_GROUND_M };
  switch (goal.kind) {
    case "stop-on-mark":
      return solveParameter(
        recipe,
        recipe.solveFor.stop,
        0.05,
        (tried) => {
          const { stopErrorDeg } = fly(tried, aircraft, settings, high).measures;
          // A turn that never comes round counts as stopping short by all of it.
          return stopErrorDeg ?? -360;
        },
        "the turn never comes round; see whether the rates or a learning mode hold it back",
      );
    case "return-to-entry-height":
      return solveParameter(
        recipe,
        recipe.solveFor.punch,
        0.002,
        (tried) => fly(tried, aircraft, settings, high).measures.heightGainedM,
        "no punch within reach ends where it began; see the thrust, the throttle limit and the turning rate",
      );
    case "lowest-entry": {
      const slipped = withSlip(recipe);
      const uncaught = flyUncaught(slipped, aircraft, settings, high);
      if (uncaught.catchS === null) {
        return { answer: null, why: "the turn never comes round, so no height is safe", recipe };
      }
      const late = fly(withoutCatch(slipped), aircraft, settings, high, {
        atS: uncaught.catchS + goal.reactionS,
        phases: recipe.abort,
      });
      const plain = fly(recipe, aircraft, settings, high);
      const lost = Math.max(late.measures.heightLostM, plain.measures.heightLostM);
      return { answer: goal.marginM + lost, recipe };
    }
  }
}

/** The trick as it goes when it slips: each parameter named in `slip` scaled by its factor, within its range. */
export function withSlip(recipe: Recipe): Recipe {
  return withParameters(
    recipe,
    Object.fromEntries(
      Object.entries(recipe.slip).map(([name, factor]) => {
        const { value, min, max } = recipe.parameters[name];
        return [name, Math.max(min, Math.min(max, value * factor))];
      }),
    ),
  );
}

function solveParameter(
  recipe: Recipe,
  name: string | undefined,
  tolerance: number,
  miss: (tried: Recipe) => number,
  why: string,
): Solution {
  if (!name) return { answer: null, why: `${recipe.id} has no parameter for this goal`, recipe };
  const { min, max } = recipe.parameters[name];
  const root = bisect((value) => miss(withParameters(recipe, { [name]: value })), min, max, tolerance);
  if (root === null) return { answer: null, why, recipe };
  return { answer: root, recipe: withParameters(recipe, { [name]: root }) };
}
