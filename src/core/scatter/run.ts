import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import { evenly, requireNumber, seededNormal, seededRandom } from "../numbers";
import {
  flyMeasured,
  flyOutcome,
  missedMarks,
  type Environment,
  type FlightOutcome,
  type MarkKind,
  type Measures,
  type Recipe,
  type Slip,
  type ObstacleKind,
} from "../recipes";
import { requireErrors, type PilotErrors } from "./errors";

/** A trick to be flown many times with errors. */
export interface ScatterPlan {
  /** With its figures solved for this aircraft. */
  readonly recipe: Recipe;
  readonly airframe: Airframe;
  readonly settings: Settings;
  /** Where it is begun; the wind of a run comes on top. */
  readonly environment: Environment;
  readonly errors: PilotErrors;
  /** Furthest the stop may miss to be clean; null where nothing is stopped. */
  readonly stopWithinDeg: number | null;
  readonly seed: number;
}

/** What went wrong in a run: which kind, and with what or where. */
export type Failure =
  | { readonly kind: "ground" | "short" | "past" | "not-upright" | MarkKind }
  | { readonly kind: "obstacle"; readonly obstacle: ObstacleKind }
  /** The phase, as it is called, that never finishes. */
  | { readonly kind: "stuck"; readonly phase: string };

/** What is kept of one run. */
export interface ScatterRun {
  readonly failure: Failure | null;
  readonly stopErrorDeg: number | null;
  readonly lowestM: number;
  /** Thinned path of the first runs only: m along, across and above the ground. */
  readonly path: readonly (readonly [alongM: number, acrossM: number, heightM: number])[] | null;
}

/** Runs whose paths are kept, and points of each. */
const DRAWN = 60;
const POINTS = 50;

/**
 * Flies the runs from `from` up to but without `to`. A run is the same whatever other runs are flown beside it: its errors come from the seed and
 * its number. Throws a DomainError naming the field for input out of range.
 */
export function scatterRuns(plan: ScatterPlan, from: number, to: number): ScatterRun[] {
  requireErrors(plan.errors);
  requireNumber("seed", plan.seed, 0, 4294967295);
  return Array.from({ length: to - from }, (_, i) => oneRun(plan, from + i));
}

function oneRun(plan: ScatterPlan, run: number): ScatterRun {
  const { recipe, airframe, settings } = plan;
  const { slips, environment } = drawRun(plan, run);
  // What is looked at besides the stop is read off the whole flight.
  const marks = recipe.marks ?? [];
  const whole = marks.length > 0 ? flyMeasured(recipe, airframe, settings, environment, slips) : null;
  const outcome: FlightOutcome = whole
    ? { ...whole.measures, events: whole.events, path: whole.trace }
    : flyOutcome(recipe, airframe, settings, environment, slips);
  return {
    failure: failureOf(plan, outcome) ?? (whole && missedOf(recipe, whole.measures)),
    stopErrorDeg: outcome.stopErrorDeg,
    lowestM: Math.max(0, outcome.lowestM),
    path: run < DRAWN ? thinned(outcome) : null,
  };
}

/** The errors of one run. They depend on nothing but the seed, the run and the number of phases, so that two setups can be flown with the same. */
export function drawRun(
  { recipe, environment, errors, seed }: ScatterPlan,
  run: number,
): { readonly slips: readonly Slip[]; readonly environment: Environment } {
  const uniform = seededRandom((seed ^ Math.imul(run + 1, 0x9e3779b1)) >>> 0);
  const normal = seededNormal(uniform);
  const windNorthMps = environment.windNorthMps + errors.windMps * normal();
  const windEastMps = environment.windEastMps + errors.windMps * normal();
  const ownSeed = Math.floor(uniform() * 4294967296);
  const strays = Object.values(errors).some((error) => error !== 0);
  const slips = recipe.phases.map((): Slip => ({
    lateS: errors.lateS + errors.timingS * normal(),
    rollGain: errors.gain * normal(),
    pitchGain: errors.gain * normal(),
    yawGain: errors.gain * normal(),
    throttleGain: errors.gain * normal(),
    rollOffset: errors.centring * normal(),
    pitchOffset: errors.centring * normal(),
    yawOffset: errors.centring * normal(),
  }));
  return {
    slips,
    environment: {
      ...environment,
      windNorthMps,
      windEastMps,
      // Hands that do not wander need no seed: the run is then the single flight itself.
      ...(errors.stickNoise > 0 && { stickNoise: errors.stickNoise, seed: ownSeed }),
      ...(strays && { shakeSeed: ownSeed }),
    },
  };
}

function failureOf(
  { recipe, stopWithinDeg }: ScatterPlan,
  { events, complete, stopErrorDeg }: FlightOutcome,
): Failure | null {
  const crash = events.find((event) => event.kind === "crash");
  if (crash) return crash.into === "ground" ? { kind: "ground" } : { kind: "obstacle", obstacle: crash.into };
  const stuck = events.find((event) => event.kind === "phase-timeout");
  if (stuck)
    return { kind: "stuck", phase: recipe.phases.find(({ id }) => id === stuck.detail)?.label ?? stuck.detail };
  if (!complete) {
    const touched = events.some(({ kind }) => kind === "touchdown");
    return touched ? { kind: "ground" } : { kind: "not-upright" };
  }
  if (stopWithinDeg === null || stopErrorDeg === null || Math.abs(stopErrorDeg) <= stopWithinDeg) return null;
  return { kind: stopErrorDeg < 0 ? "short" : "past" };
}

function missedOf({ marks = [], parameters }: Recipe, measures: Measures): Failure | null {
  const [first] = missedMarks(marks, measures, parameters);
  return first ? { kind: first } : null;
}

const thinned = ({ path }: FlightOutcome): ScatterRun["path"] =>
  evenly(path.timeS.length, POINTS).map((i) => [path.northM[i], path.eastM[i], path.heightM[i]] as const);
