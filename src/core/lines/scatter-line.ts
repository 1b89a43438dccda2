import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import { evenly, requireNumber, requireWhole, turnedLevel } from "../numbers";
import { wilsonInterval } from "../progress";
import { solveInTurn, type Environment, type Recipe } from "../recipes";
import {
  drawRun,
  NO_ERRORS,
  requireErrors,
  scatterRuns,
  usualErrors,
  USUAL_STOP_DEG,
  type Estimate,
  type PilotErrors,
  type ScatterOptions,
} from "../scatter";
import { endedClean } from "./clean";
import { flyLegs, type LineLeg } from "./fly-line";
import { LINES_STAGE, recipeOf, type Line, type TrickItem } from "./line";

/** One flight of a line with errors. */
export interface LineRun {
  /** Place of the item at which it broke; null for one that was clean from end to end. */
  readonly brokeAt: number | null;
  readonly lowestM: number;
  /** Thinned path of the first runs only: m along the line of entry, across it and above the ground. */
  readonly path: readonly (readonly [alongM: number, acrossM: number, heightM: number])[] | null;
}

/** How likely a line is flown clean from end to end, and where it breaks. */
export interface LineOdds {
  readonly runs: number;
  readonly clean: Estimate;
  /** At each item, how many broke there. */
  readonly brokeAt: readonly number[];
  /** Share clean of each trick flown by itself from its own start; null for a join, and where that was not asked for. */
  readonly singles: readonly (number | null)[];
  /** What those come to one after the other, as if joints cost nothing. */
  readonly product: number;
  readonly flights: readonly LineRun[];
}

/** A line that is to be flown many times: as its pilot plans it, with nothing worked out anew on the way. */
export interface LineScatterPlan {
  readonly line: Line;
  readonly airframe: Airframe;
  readonly settings: Settings;
  readonly environment: Environment;
  readonly errors: PilotErrors;
  readonly stopWithinDeg: number;
  readonly seed: number;
  /** The recipe of each item. */
  readonly planned: readonly Recipe[];
}

export type LineScatterOptions = Pick<ScatterOptions, "errors" | "runs" | "seed" | "stopWithinDeg"> & {
  /** The tricks are flown one by one as well; so if not said. */
  readonly singly?: boolean;
  /** The recipe of each item, where it was flown before: worked out if not said. */
  readonly planned?: readonly Recipe[];
};

const Z95 = 1.959964;
/** Runs whose paths are kept, and points of each leg. */
const DRAWN = 60;
const POINTS = 24;

/**
 * Flies a whole line many times with seeded errors of the hands and the wind, the hands straying in every phase of every item, and says how likely it is clean
 * from end to end (Wilson interval), at which item it breaks, and beside it the product of the tricks flown one by one. Throws a DomainError naming the field.
 */
export function scatterLine(
  line: Line,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  { errors, runs = 200, seed = 1, stopWithinDeg, singly = true, planned }: LineScatterOptions = {},
): LineOdds {
  requireWhole("runs", runs, 1, 100_000);
  const plan: LineScatterPlan = {
    line,
    airframe: aircraft,
    settings,
    environment,
    errors: errors ? { ...NO_ERRORS, ...errors } : usualErrors(LINES_STAGE),
    stopWithinDeg: requireNumber("stopWithinDeg", stopWithinDeg ?? USUAL_STOP_DEG, 0, 360),
    seed,
    planned: planned ?? flyLegs(line, aircraft, settings, environment).map(({ recipe }) => recipe),
  };
  const flights = lineRuns(plan, 0, runs);
  const singles = line.items.map((item) => (singly && item.kind === "trick" ? aloneShare(plan, item, runs) : null));
  return oddsOf(line, flights, singles);
}

/** The runs from `from` up to but without `to`. A run is the same whatever other runs are flown beside it. */
export function lineRuns(plan: LineScatterPlan, from: number, to: number): LineRun[] {
  requireErrors(plan.errors);
  requireNumber("seed", plan.seed, 0, 4294967295);
  return Array.from({ length: to - from }, (_, i) => oneRun(plan, from + i));
}

function oneRun(plan: LineScatterPlan, run: number): LineRun {
  const { line, stopWithinDeg } = plan;
  const { legs, lowestM } = strayed(plan, run);
  const broke = legs.findIndex(({ recipe, flown }) => !endedClean(recipe, flown.measures, stopWithinDeg));
  const brokeAt = broke >= 0 ? broke : legs.length < line.items.length ? legs.length : null;
  return { brokeAt, lowestM, path: run < DRAWN ? pathOf(legs) : null };
}

/** Where the legs of one run went. */
const pathOf = (legs: readonly LineLeg[]): NonNullable<LineRun["path"]> =>
  legs.flatMap(({ place, flown: { trace } }) =>
    evenly(trace.timeS.length, POINTS).map((i) => {
      const [north, east] = turnedLevel(place.headingDeg, trace.northM[i], trace.eastM[i]);
      return [place.northM + north, place.eastM + east, trace.heightM[i]] as const;
    }),
  );

/** The legs of one run, and its lowest point. Errors come from the seed and the number of the run, as for a single trick. */
export function strayed(
  { line, airframe, settings, environment, errors, seed, planned }: LineScatterPlan,
  run: number,
): { readonly legs: readonly LineLeg[]; readonly lowestM: number } {
  const recipe: Recipe = { ...planned[0], phases: planned.flatMap(({ phases }) => phases) };
  const drawn = drawRun({ recipe, airframe, settings, environment, errors, stopWithinDeg: null, seed }, run);
  let first = 0;
  const slips = planned.map(({ phases }) => drawn.slips.slice(first, (first += phases.length)));
  const legs = flyLegs(line, airframe, settings, drawn.environment, { slips, planned });
  return { legs, lowestM: Math.min(...legs.map(({ flown }) => flown.measures.lowestM)) };
}

/** What some runs of a line say together, beside the share clean of each trick flown by itself. */
export function oddsOf(line: Line, flights: readonly LineRun[], singles: LineOdds["singles"]): LineOdds {
  const clean = flights.filter(({ brokeAt }) => brokeAt === null).length;
  return {
    runs: flights.length,
    clean: { value: clean / flights.length, ...wilsonInterval(clean, flights.length, Z95) },
    brokeAt: line.items.map((_, i) => flights.filter(({ brokeAt }) => brokeAt === i).length),
    singles,
    product: singles.reduce<number>((all, share) => all * (share ?? 1), 1),
    flights,
  };
}

/** Share clean of so many flights of a trick by itself, worked out for its own start. */
export function aloneShare(
  { airframe, settings, environment, errors, stopWithinDeg, seed }: Omit<LineScatterPlan, "line" | "planned">,
  item: TrickItem,
  runs: number,
): number {
  const asked = recipeOf(item);
  const goals = asked.solveFor.map(({ aim }) => aim);
  const { recipe } = solveInTurn(asked, goals, airframe, settings, environment);
  const plan = {
    recipe,
    airframe,
    settings,
    environment,
    errors,
    seed,
    stopWithinDeg: recipe.turn ? stopWithinDeg : null,
  };
  return scatterRuns(plan, 0, runs).filter(({ failure }) => failure === null).length / runs;
}
