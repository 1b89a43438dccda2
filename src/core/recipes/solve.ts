import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import { bisect } from "../numbers";
import type { Environment } from "./environment";
import { fly } from "./fly";
import { resolve, withParameters, type Aim, type Recipe } from "./recipe";
import { flyUncaught, withoutCatch } from "./way-out";

/** An aim of the recipe, or the least entry height from which the slipped trick, caught late and aborted, still clears the ground by the margin. */
export type Goal = Aim | { readonly kind: "lowest-entry"; readonly marginM: number; readonly reactionS: number };

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
  // High up and with nothing about, unless the aim is about what stands there.
  const high = { ...environment, entryHeightM: CLEAR_OF_GROUND_M, obstacles: [], ceilingM: null };
  const open = { ...recipe, obstacles: [] };
  const bodily = (tried: Recipe) => fly(tried, aircraft, settings, high).measures;
  switch (goal.kind) {
    case "stop-on-mark":
      return solveParameter(
        open,
        recipe,
        goal,
        0.05,
        // A turn that never comes round counts as stopping short by all of it.
        (tried) => bodily(tried).stopErrorDeg ?? -360,
        "the turn never comes round; see whether the rates or a learning mode hold it back",
      );
    case "return-to-entry-height":
      return solveParameter(
        open,
        recipe,
        goal,
        0.002,
        (tried) => bodily(tried).heightGainedM,
        "no punch within reach ends where it began; see the thrust, the throttle limit and the turning rate",
      );
    case "stop-at":
      return solveParameter(
        open,
        recipe,
        goal,
        0.005,
        (tried) => bodily(tried).alongM - resolve(recipe, goal.alongM),
        "it does not stop there from any braking point; see the speed and the lean",
      );
    case "loop-radius":
      return solveParameter(
        open,
        recipe,
        goal,
        0.002,
        (tried) => 0.5 * (bodily(tried).loopWidthM ?? 0) - resolve(recipe, goal.radiusM),
        "no loop of that size at this speed; it takes more speed or a smaller loop",
      );
    case "bar-ahead":
      return placed(recipe, goal, bodily(open).loopCentreAlongM, "no loop is flown, so nothing can stand in it");
    case "bar-above":
      return placed(recipe, goal, bodily(open).loopCentreAboveM, "no loop is flown, so nothing can stand in it");
    case "gap-ahead":
    case "gap-beside": {
      const { trace } = fly(open, aircraft, settings, high);
      const phase = recipe.phases.findIndex(({ id }) => id === goal.phase);
      const within = trace.timeS.map((_, i) => i).filter((i) => trace.phase[i] === phase);
      const middle = within[Math.floor(within.length / 2)];
      const column = goal.kind === "gap-ahead" ? trace.northM : trace.eastM;
      return placed(recipe, goal, column[middle] ?? null, "it never gets as far as the gap");
    }
    case "lowest-entry": {
      const slipped = withSlip(open);
      const plain = fly(open, aircraft, settings, high);
      if (!recipe.freeze) {
        const lost = Math.max(plain.measures.heightLostM, fly(slipped, aircraft, settings, high).measures.heightLostM);
        return { answer: goal.marginM + lost, recipe };
      }
      const uncaught = flyUncaught(slipped, aircraft, settings, high);
      if (uncaught.catchS === null) {
        return { answer: null, why: "the turn never comes round, so no height is safe", recipe };
      }
      const late = fly(withoutCatch(slipped), aircraft, settings, high, {
        atS: uncaught.catchS + goal.reactionS,
        phases: recipe.abort,
      });
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

/** A place read off the flight, as the parameter that stands for it. */
function placed(recipe: Recipe, aim: Aim, answer: number | null, why: string): Solution {
  const param = recipe.solveFor.find((one) => one.aim.kind === aim.kind)?.param;
  if (answer === null || !param) return { answer: null, why, recipe };
  return { answer, recipe: withParameters(recipe, { [param]: answer }) };
}

function solveParameter(
  open: Recipe,
  recipe: Recipe,
  aim: Aim,
  tolerance: number,
  miss: (tried: Recipe) => number,
  why: string,
): Solution {
  const name = recipe.solveFor.find((one) => one.aim.kind === aim.kind)?.param;
  if (!name) return { answer: null, why: `${recipe.id} has no parameter for this goal`, recipe };
  const { min, max } = recipe.parameters[name];
  const root = bisect((value) => miss(withParameters(open, { [name]: value })), min, max, tolerance);
  if (root === null) return { answer: null, why, recipe };
  return { answer: root, recipe: withParameters(recipe, { [name]: root }) };
}
