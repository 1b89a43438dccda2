import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import type { Environment } from "./environment";
import { fly, type Flight } from "./fly";
import type { Measures } from "./measures";
import { resolve, withParameters, type Recipe } from "./recipe";
import { solve, type Goal } from "./solve";
import { flyUncaught, wayOut, type WayOut } from "./way-out";

/** Everything a brief says about a trick flown with one aircraft and one pilot's settings. */
export interface TrickBrief {
  /** The recipe with its stop and punch solved for this aircraft. */
  readonly recipe: Recipe;
  readonly flight: Flight;
  /** The same turn with the stick simply centred when it has come all the way round; null when nothing is turned over and stopped. */
  readonly simplyCentred: Measures | null;
  /** From closing the throttle to falling past that height again, hands off. */
  readonly hangTimeS: number | null;
  /** Least entry height that covers the slip and the reaction time with the margin; null for a trick that belongs at its own height. */
  readonly lowestEntryM: number | null;
  /** Height at which the flight was begun: the recipe's own, or the lowest entry rounded up to half metres. */
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
  const { solved, why, lowestEntryM, entryHeightM } = solveTrick(recipe, aircraft, settings, environment, margins);
  const there = { ...environment, entryHeightM };
  const stop = recipe.turn ? recipe.solveFor.find(({ aim }) => aim.kind === "stop-on-mark")?.param : undefined;
  const flight = fly(solved, aircraft, settings, there);
  const cuts = flight.measures.throttleClosedAtS !== null && recipe.freeze !== undefined && !recipe.freeze.instead;
  return {
    recipe: solved,
    flight,
    simplyCentred: stop
      ? fly(withParameters(solved, { [stop]: recipe.turn!.deg }), aircraft, settings, there).measures
      : null,
    hangTimeS: cuts
      ? flyUncaught({ ...solved, obstacles: [] }, aircraft, settings, {
          ...there,
          entryHeightM: entryHeightM + 100,
          ceilingM: null,
        }).flight.measures.hangTimeS
      : null,
    lowestEntryM,
    entryHeightM,
    wayOut: wayOut(solved, aircraft, settings, there),
    margins,
    problem: why ?? whyNot(solved, flight),
  };
}

/** The highest point of a trick above the ground, m, solved and begun as its brief has it; null when it does not go. */
export function highestPointM(
  recipe: Recipe,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
): number | null {
  const { solved, why, entryHeightM } = solveTrick(recipe, aircraft, settings, environment, USUAL_MARGINS);
  const flight = fly(solved, aircraft, settings, { ...environment, entryHeightM });
  return why === null && whyNot(solved, flight) === null ? flight.measures.peakM : null;
}

/** A trick with its figures worked out, and where it is begun; `why` says what has no answer. */
function solveTrick(
  recipe: Recipe,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  margins: SafetyMargins,
): { solved: Recipe; why: string | null; lowestEntryM: number | null; entryHeightM: number } {
  const goals: readonly Goal[] = [...recipe.solveFor.map(({ aim }) => aim), { kind: "lowest-entry", ...margins }];
  const { recipe: solved, lastAnswer, why } = solveInTurn(recipe, goals, aircraft, settings, environment);
  if (recipe.entryHeightM !== undefined)
    return { solved, why, lowestEntryM: null, entryHeightM: resolve(solved, recipe.entryHeightM) };
  const lowestEntryM = why === null ? lastAnswer : null;
  const entryHeightM = lowestEntryM === null ? environment.entryHeightM : Math.ceil(2 * lowestEntryM) / 2;
  return { solved, why, lowestEntryM, entryHeightM };
}

/** Why a flight did not end as its recipe wants, in words; null when it did. */
export function whyNot(recipe: Recipe, { events, measures, trace }: Flight): string | null {
  const hit = events.find(({ kind }) => kind === "crash");
  if (hit)
    return hit.detail.startsWith("into")
      ? `it flies ${hit.detail} after ${hit.timeS.toFixed(1)} s`
      : `it meets the ground after ${hit.timeS.toFixed(1)} s at ${hit.detail}; begin higher, or see the thrust and the rates`;
  const stuck = events.find(({ kind }) => kind === "phase-timeout");
  if (stuck) {
    const phase = [...recipe.phases, ...recipe.abort].find(({ id }) => id === stuck.detail);
    return `"${phase?.label ?? stuck.detail}" never comes to its end; see the thrust, the rates and the learning modes`;
  }
  if (measures.complete) return null;
  const touched = events.find(({ kind }) => kind === "touchdown");
  if (touched)
    return `it touches the ground after ${touched.timeS.toFixed(1)} s, before the trick is over; begin higher`;
  if (recipe.ends === "landed") return "it does not come down to the ground in its time";
  const last = trace.timeS.length - 1;
  const upright = 1 - 2 * (trace.qx[last] ** 2 + trace.qy[last] ** 2);
  return upright < 0.7 ? "it does not end upright" : `it is not over after ${trace.timeS[last].toFixed(0)} s`;
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
