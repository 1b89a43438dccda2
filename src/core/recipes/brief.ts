import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import { TooLittleThrust } from "../sustained";
import type { Environment } from "./environment";
import { fly, type Flight } from "./fly";
import { freezeLosses } from "./freeze";
import type { Measures } from "./measures";
import type { Problem } from "./problem";
import { resolve, withParameters, type Recipe } from "./recipe";
import { CLEAR_OF_GROUND_M, solve, type Goal } from "./solve";
import {
  begunAtM,
  USUAL_FREEZE,
  NEARLY_EMPTY,
  onPacks,
  type FreezeMargins,
  type SolvedTrick,
  type StartHeight,
} from "./start-height";
import type { GoingOn } from "./under-way";
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
  /** Least height to begin at; null for a trick that belongs at its own height, or does not go. Without hands in the margins, by the freezes alone. */
  readonly minimumStartHeightM: number | null;
  /** What decided it. */
  readonly startHeight: StartHeight | null;
  /** Height at which the flight was begun: the recipe's own, or the minimum start height rounded up to half metres. */
  readonly entryHeightM: number;
  readonly wayOut: WayOut | null;
  readonly margins: FreezeMargins;
  /** What stands in the way; null when the trick goes. With a problem, the flight shows what would happen and the figures mean nothing. */
  readonly problem: Problem | null;
}

/** Meets the recipe's aims, on a full pack and on a nearly empty one. */
export function solveTrick(
  recipe: Recipe,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
): SolvedTrick {
  const goals: readonly Goal[] = recipe.solveFor.map(({ aim }) => aim);
  const fresh = solveInTurn(recipe, goals, aircraft, settings, environment);
  const late =
    fresh.problem !== null || aircraft.sag === null
      ? null
      : lateSolution(fresh.recipe, goals, aircraft, settings, environment);
  return { ...fresh, late };
}

function lateSolution(
  recipe: Recipe,
  goals: readonly Goal[],
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
): Recipe | null {
  const onLatePack = { ...highUp(environment), packUsed: NEARLY_EMPTY };
  try {
    fly({ ...recipe, obstacles: [] }, aircraft, settings, onLatePack);
    const solved = solveInTurn(recipe, goals, aircraft, settings, onLatePack);
    // What has no answer is flown as on a full pack.
    return solved.problem === null ? solved.recipe : recipe;
  } catch (error) {
    if (error instanceof TooLittleThrust) return null;
    throw error;
  }
}

/** The height that every freeze asks for, on the worse of the two packs; null for a trick that belongs at its own height or does not go. */
export function startHeightByFreezes(
  solved: SolvedTrick,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  { marginM, reactionS }: FreezeMargins,
): StartHeight | null {
  if (solved.problem !== null || solved.recipe.entryHeightM !== undefined) return null;
  let worst: StartHeight | null = null;
  for (const { packUsed, recipe } of onPacks(solved)) {
    const high = { ...highUp(environment), packUsed };
    for (const { before, lostM } of freezeLosses(recipe, aircraft, settings, high, reactionS))
      if (worst === null || lostM + marginM > worst.heightM)
        worst = { heightM: lostM + marginM, reason: { kind: "freeze", before, lostM, packUsed } };
  }
  return worst;
}

/** The same place high above the ground, with nothing about. */
export const highUp = (environment: Environment): Environment => ({
  ...environment,
  entryHeightM: CLEAR_OF_GROUND_M,
  obstacles: [],
  ceilingM: null,
});

/** The numbers of a brief for a trick that is solved, begun at `startHeight` or where it belongs. */
export function flyBrief(
  { recipe: solved, problem }: SolvedTrick,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  startHeight: StartHeight | null,
  margins: FreezeMargins,
): TrickBrief {
  const entryHeightM = entryHeightOf(solved, environment, startHeight);
  const there = { ...environment, entryHeightM };
  const stop = solved.turn ? solved.solveFor.find(({ aim }) => aim.kind === "stop-on-mark")?.param : undefined;
  const flight = fly(solved, aircraft, settings, there);
  const cuts = flight.measures.throttleClosedAtS !== null && solved.freeze !== undefined && !solved.freeze.instead;
  return {
    recipe: solved,
    flight,
    simplyCentred: stop
      ? fly(withParameters(solved, { [stop]: solved.turn!.deg }), aircraft, settings, there).measures
      : null,
    hangTimeS: cuts
      ? flyUncaught({ ...solved, obstacles: [] }, aircraft, settings, {
          ...there,
          entryHeightM: entryHeightM + 100,
          ceilingM: null,
        }).flight.measures.hangTimeS
      : null,
    minimumStartHeightM: startHeight?.heightM ?? null,
    startHeight,
    entryHeightM,
    wayOut: wayOut(solved, aircraft, settings, there),
    margins,
    problem: problem ?? whyNot(solved, flight),
  };
}

/**
 * A brief whose minimum start height counts the freezes alone, of which there are few: for a drawing at once and for searches; or one that was worked out
 * before.
 */
export function draftBrief(
  recipe: Recipe,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  margins: FreezeMargins = USUAL_FREEZE,
  known: StartHeight | null = null,
): TrickBrief {
  const solved = solveTrick(recipe, aircraft, settings, environment);
  const startHeight =
    known && solved.problem === null && recipe.entryHeightM === undefined
      ? known
      : startHeightByFreezes(solved, aircraft, settings, environment, margins);
  return flyBrief(solved, aircraft, settings, environment, startHeight, margins);
}

function entryHeightOf(solved: Recipe, environment: Environment, startHeight: StartHeight | null): number {
  if (solved.entryHeightM !== undefined) return resolve(solved, solved.entryHeightM);
  return startHeight === null ? environment.entryHeightM : begunAtM(startHeight);
}

/** The highest point of a trick above the ground, m, solved and begun as its draft has it; null when it does not go. */
export function highestPointM(
  recipe: Recipe,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
): number | null {
  const solved = solveTrick(recipe, aircraft, settings, environment);
  const startHeight = startHeightByFreezes(solved, aircraft, settings, environment, USUAL_FREEZE);
  const entryHeightM = entryHeightOf(solved.recipe, environment, startHeight);
  const flight = fly(solved.recipe, aircraft, settings, { ...environment, entryHeightM });
  return solved.problem === null && whyNot(solved.recipe, flight) === null ? flight.measures.peakM : null;
}

/** Why a flight did not end as its recipe wants; null when it did. */
export function whyNot(recipe: Recipe, { events, measures, trace }: Flight): Problem | null {
  const hit = events.find((event) => event.kind === "crash");
  if (hit) {
    const { into, timeS, speedMps, tiltDeg } = hit;
    return into === "ground" ? { kind: "meets-ground", timeS, speedMps, tiltDeg } : { kind: "flies-into", into, timeS };
  }
  const stuck = events.find((event) => event.kind === "phase-timeout");
  if (stuck) {
    const phase = [...recipe.phases, ...recipe.abort].find(({ id }) => id === stuck.detail);
    return { kind: "phase-never-ends", phase: phase?.label ?? stuck.detail };
  }
  if (measures.complete) return null;
  const touched = events.find(({ kind }) => kind === "touchdown");
  if (touched) return { kind: "touches-ground", timeS: touched.timeS };
  if (recipe.ends === "landed") return { kind: "never-lands" };
  const last = trace.timeS.length - 1;
  const upright = 1 - 2 * (trace.qx[last] ** 2 + trace.qy[last] ** 2);
  return upright < 0.7 ? { kind: "not-upright" } : { kind: "not-over", timeS: trace.timeS[last] };
}

/** Meets one goal after the other, each on the recipe of the one before; stops at the first that has no answer and says why. */
export function solveInTurn(
  recipe: Recipe,
  goals: readonly Goal[],
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  going?: GoingOn,
): { recipe: Recipe; problem: Problem | null } {
  let solved = recipe;
  for (const goal of goals) {
    const solution = solve(solved, goal, aircraft, settings, environment, going);
    if (solution.answer === null) return { recipe: solved, problem: solution.problem };
    solved = solution.recipe;
  }
  return { recipe: solved, problem: null };
}
