import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import type { Environment } from "./environment";
import { fly, type Flight } from "./fly";
import type { Measures } from "./measures";
import { withParameters, type Recipe } from "./recipe";
import { solve, type Solution } from "./solve";
import { flyUncaught, wayOut, type WayOut } from "./way-out";

/** Everything a brief says about a trick flown with one aircraft and one pilot's settings. */
export interface TrickBrief {
  /** The recipe with its stop and punch solved for this aircraft. */
  readonly recipe: Recipe;
  readonly flight: Flight;
  /** The same turn with the stick simply centred when it has come all the way round. */
  readonly simplyCentred: Measures;
  /** From closing the throttle to falling past that height again, hands off. */
  readonly hangTimeS: number | null;
  /** Least entry height that covers the slip and the reaction time with the margin. */
  readonly lowestEntryM: number | null;
  /** Height at which the flight was begun: the lowest entry, rounded up to half metres. */
  readonly entryHeightM: number;
  readonly wayOut: WayOut | null;
  readonly margins: SafetyMargins;
  /** What stands in the way, in words; empty when the trick goes. */
  readonly problems: readonly string[];
}

/** What the height must cover. */
export interface SafetyMargins {
  readonly marginM: number;
  readonly reactionS: number;
}

/** 1.5 m of clearance, half a second to notice. Our choice; shown beside the figure. */
export const USUAL_MARGINS: SafetyMargins = { marginM: 1.5, reactionS: 0.5 };

/** Solves a trick for an aircraft and settings and flies it: the numbers of a brief. */
export function briefTrick(
  recipe: Recipe,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  margins: SafetyMargins = USUAL_MARGINS,
): TrickBrief {
  const problems = new Set<string>();
  const take = (solution: Solution): Recipe => {
    if (solution.answer === null) problems.add(solution.why);
    return solution.recipe;
  };
  // The stop moves the height a little and the punch moves the stop a little: once round again settles both.
  const stopped = take(solve(recipe, { kind: "stop-on-mark" }, aircraft, settings, environment));
  const level = take(solve(stopped, { kind: "return-to-entry-height" }, aircraft, settings, environment));
  const solved = take(solve(level, { kind: "stop-on-mark" }, aircraft, settings, environment));
  const lowest = solve(solved, { kind: "lowest-entry", ...margins }, aircraft, settings, environment);
  take(lowest);
  const entryHeightM = lowest.answer === null ? environment.entryHeightM : Math.ceil(2 * lowest.answer) / 2;
  const there = { ...environment, entryHeightM };
  const stop = recipe.solveFor.stop;
  const centred = stop && recipe.turn ? withParameters(solved, { [stop]: recipe.turn.deg }) : solved;
  return {
    recipe: solved,
    flight: fly(solved, aircraft, settings, there),
    simplyCentred: fly(centred, aircraft, settings, there).measures,
    hangTimeS: flyUncaught(solved, aircraft, settings, { ...there, entryHeightM: entryHeightM + 100 }).flight.measures
      .hangTimeS,
    lowestEntryM: lowest.answer,
    entryHeightM,
    wayOut: wayOut(solved, aircraft, settings, there),
    margins,
    problems: [...problems],
  };
}
