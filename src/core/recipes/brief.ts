import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import type { Environment } from "./environment";
import { fly, type Flight } from "./fly";
import type { Measures } from "./measures";
import { withParameters, type Recipe } from "./recipe";
import { solve, type Goal } from "./solve";
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
  /** What stands in the way, in words; null when the trick goes. With a problem, the flight shows what would happen and the figures mean nothing. */
  readonly problem: string | null;
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
  // The stop moves the height a little and the punch moves the stop a little: once round again settles both.
  const solving = solveInTurn(
    recipe,
    [
      { kind: "stop-on-mark" },
      { kind: "return-to-entry-height" },
      { kind: "stop-on-mark" },
      { kind: "lowest-entry", ...margins },
    ],
    aircraft,
    settings,
    environment,
  );
  const solved = solving.recipe;
  const lowestEntryM = solving.why === null ? solving.lastAnswer : null;
  const entryHeightM = lowestEntryM === null ? environment.entryHeightM : Math.ceil(2 * lowestEntryM) / 2;
  const there = { ...environment, entryHeightM };
  const stop = recipe.solveFor.stop;
  const centred = stop && recipe.turn ? withParameters(solved, { [stop]: recipe.turn.deg }) : solved;
  return {
    recipe: solved,
    flight: fly(solved, aircraft, settings, there),
    simplyCentred: fly(centred, aircraft, settings, there).measures,
    hangTimeS: flyUncaught(solved, aircraft, settings, { ...there, entryHeightM: entryHeightM + 100 }).flight.measures
      .hangTimeS,
    lowestEntryM,
    entryHeightM,
    wayOut: wayOut(solved, aircraft, settings, there),
    margins,
    problem: solving.why,
  };
}

/** Meets one goal after the other, each on the recipe of the one before; stops at the first that has no answer and says why. */
function solveInTurn(
  recipe: Recipe,
  goals: readonly Goal[],
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
): { recipe: Recipe; lastAnswer: number; why: string | null } {
  let solved = recipe;
  let lastAnswer = 0;
  for (const goal of goals) {
    const solution = solve(solved, goal, aircraft, settings, environment);
    if (solution.answer === null) return { recipe: solved, lastAnswer, why: solution.why };
    solved = solution.recipe;
    lastAnswer = solution.answer;
  }
  return { recipe: solved, lastAnswer, why: null };
}
