import { fullThrustG, type Airframe } from "../airframe";
import type { Settings } from "../flight";
import { itpRoot, wrapDeg } from "../numbers";
import { densityOf, type Environment } from "./environment";
import { flyOn, flyOutcome, flyToStop } from "./fly";
import type { Problem } from "./problem";
import { resolve, withParameters, type Aim, type Recipe } from "./recipe";
import { startTrim } from "./start-trim";
import type { GoingOn } from "./under-way";

export type Goal = Aim;

/** `answer` is the parameter found and `recipe` carries it; without an answer, `problem` is what stands in the way. */
export type Solution =
  | { readonly answer: number; readonly recipe: Recipe }
  | { readonly answer: null; readonly problem: Problem; readonly recipe: Recipe };

/** High enough that nothing flown while solving meets the ground. */
export const CLEAR_OF_GROUND_M = 400;
/** A gap's beam above an aircraft that goes through its middle, m. Ours. */
const BEAM_ABOVE_M = 1;

/** Finds the recipe parameter that meets an aim, flown from its own start or on from a flight under way. */
export function solve(
  recipe: Recipe,
  goal: Goal,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  begun?: GoingOn,
): Solution {
  // High up and with nothing about, unless the aim is about what stands there or the trick belongs at its own height.
  const entryHeightM = recipe.entryHeightM === undefined ? CLEAR_OF_GROUND_M : resolve(recipe, recipe.entryHeightM);
  const high = { ...environment, entryHeightM, obstacles: [], ceilingM: null };
  const open = { ...recipe, obstacles: [] };
  const going = begun && { ...begun, entryHeightM };
  const bodily = (tried: Recipe) => flyOn(tried, aircraft, settings, high, { going }).measures;
  const outcome = (tried: Recipe) => flyOutcome(tried, aircraft, settings, high, [], { going });
  const endOf = (column: readonly number[]) => column[column.length - 1];
  switch (goal.kind) {
    case "stop-on-mark":
      return solveParameter(
        open,
        recipe,
        goal,
        0.05,
        // A turn that never comes round counts as stopping short by all of it.
        (tried) => flyToStop(tried, aircraft, settings, high, going) ?? -360,
      );
    case "return-to-entry-height":
      return solveParameter(
        open,
        recipe,
        goal,
        0.002,
        (tried) => endOf(outcome(tried).path.heightM) - entryHeightM,
        { kind: "too-little-punch", ...punchG(recipe, aircraft, settings, high) },
        (tried) => outcome(tried).complete,
      );
    case "stop-at":
      return solveParameter(
        open,
        recipe,
        goal,
        0.005,
        (tried) => endOf(outcome(tried).path.northM) - resolve(recipe, goal.alongM),
      );
    case "heading":
      return solveParameter(open, recipe, goal, 0.0005, (tried) =>
        wrapDeg(bodily(tried).headingChangeDeg - resolve(recipe, goal.deg)),
      );
    case "loop-radius":
      return solveParameter(
        open,
        recipe,
        goal,
        0.002,
        (tried) => 0.5 * (bodily(tried).loopWidthM ?? 0) - resolve(recipe, goal.radiusM),
      );
    case "bar-ahead":
      return placed(recipe, goal, bodily(open).loopCentreAlongM);
    case "bar-above":
      return placed(recipe, goal, bodily(open).loopCentreAboveM);
    case "gap-ahead":
    case "gap-beside":
    case "gap-above": {
      const { trace } = flyOn(open, aircraft, settings, high, { going });
      const phase = recipe.phases.findIndex(({ id }) => id === goal.phase);
      const within = trace.timeS.map((_, i) => i).filter((i) => trace.phase[i] === phase);
      const middle = within[Math.floor(within.length / 2)];
      if (middle === undefined) return placed(recipe, goal, null);
      const beamM = trace.heightM[middle] - entryHeightM + BEAM_ABOVE_M;
      const answers = {
        "gap-ahead": trace.northM[middle],
        "gap-beside": trace.eastM[middle] / sideOf(recipe),
        "gap-above": beamM,
      };
      return placed(recipe, goal, answers[goal.kind]);
    }
  }
}

/** Side to which the parameter of a gap's place counts: the other way in a mirror image. */
function sideOf({ obstacles = [] }: Recipe): number {
  const across = obstacles[0]?.acrossM;
  return typeof across === "object" && "param" in across ? (across.times ?? 1) : 1;
}

/** What thrust there is, against what flies on. */
function punchG(recipe: Recipe, aircraft: Airframe, settings: Settings, environment: Environment) {
  const { trimThrustG: trimG } = startTrim(recipe, aircraft, settings, environment).figures;
  return { fullG: fullThrustG(aircraft, densityOf(environment)), trimG };
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
function placed(recipe: Recipe, aim: Aim, answer: number | null): Solution {
  const param = recipe.solveFor.find((one) => one.aim.kind === aim.kind)?.param;
  if (answer === null || !param) return { answer: null, problem: { kind: "aim-not-met", aim: aim.kind }, recipe };
  return { answer, recipe: withParameters(recipe, { [param]: answer }) };
}

function solveParameter(
  open: Recipe,
  recipe: Recipe,
  aim: Aim,
  tolerance: number,
  miss: (tried: Recipe) => number,
  problem: Problem = { kind: "aim-not-met", aim: aim.kind },
  ends: (tried: Recipe) => boolean = () => true,
): Solution {
  const sought = recipe.solveFor.find((one) => one.aim.kind === aim.kind);
  if (!sought) return { answer: null, problem: { kind: "no-parameter", aim: aim.kind, recipe: recipe.id }, recipe };
  const { param, otherwise } = sought;
  const { min, max, value: guess } = recipe.parameters[param];
  for (const moved of otherwise ? movedBy(recipe, otherwise) : [{}]) {
    const tried = withParameters(open, moved);
    const root = itpRoot((value) => miss(withParameters(tried, { [param]: value })), min, max, tolerance, guess);
    if (root !== null && ends(withParameters(tried, { [param]: root })))
      return { answer: root, recipe: withParameters(recipe, { ...moved, [param]: root }) };
  }
  return { answer: null, problem, recipe };
}

/** A parameter as it is, then moved by the factor at a time, as far as its range goes. */
function movedBy(
  recipe: Recipe,
  { param, times }: { readonly param: string; readonly times: number },
): readonly Readonly<Record<string, number>>[] {
  const { value, min, max } = recipe.parameters[param];
  const steps = [value];
  for (let next = value * times; next > min && next < max; next *= times) steps.push(next);
  return steps.map((step) => ({ [param]: step }));
}
