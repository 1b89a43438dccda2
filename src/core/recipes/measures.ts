import { wrapDeg } from "../numbers";
import { toEuler } from "../attitude";
import type { Environment } from "./environment";
import type { Axis, Recipe } from "./recipe";
import type { FlightEvent, Trace } from "./trace";

/** Figures read off a flight. Null where the flight never came to what the figure needs. */
export interface Measures {
  /** Every phase ended as planned, upright, without touching the ground. */
  readonly complete: boolean;
  readonly crashed: boolean;
  readonly durationS: number;
  readonly entryHeightM: number;
  readonly peakM: number;
  readonly lowestM: number;
  /** Entry height minus lowest point; 0 when the flight never went below its entry. */
  readonly heightLostM: number;
  /** End height minus entry height. */
  readonly heightGainedM: number;
  readonly throttleClosedAtS: number | null;
  readonly heightAtCutM: number | null;
  readonly climbAtCutMps: number | null;
  /** From closing the throttle to falling past that height again. */
  readonly hangTimeS: number | null;
  /** From the mark to the end of the turn. */
  readonly turnTimeS: number | null;
  /** Angle turned at the stop minus the turn asked for; positive is too far. */
  readonly stopErrorDeg: number | null;
  /** Furthest swing the other way after the stop, before the pilot's eye takes over. */
  readonly bounceBackDeg: number | null;
  /** Difference of heading between entry and end. */
  readonly headingChangeDeg: number;
  readonly exitSpeedMps: number;
  readonly exitClimbMps: number;
  /** Mean throttle stick while the thrust axis points below the horizontal. */
  readonly throttleInvertedMean: number | null;
  readonly timeInvertedS: number;
  /** Largest distance east or west of the line of entry. */
  readonly sideDriftM: number;
}

const TURNED = { roll: "turnedRollDeg", pitch: "turnedPitchDeg", yaw: "turnedYawDeg" } as const satisfies Record<
  Axis,
  keyof Trace
>;

export function measure(
  recipe: Recipe,
  trace: Trace,
  events: readonly FlightEvent[],
  environment: Environment,
  phasesDone: boolean,
): Measures {
  const last = trace.timeS.length - 1;
  const crashed = events.some((event) => event.kind === "crash");
  const upright = (i: number) => 1 - 2 * (trace.qx[i] ** 2 + trace.qy[i] ** 2);
  const inverted = trace.timeS.map((_, i) => i).filter((i) => upright(i) < 0);
  const cut = events.find((event) => event.kind === "throttle-closed");
  const cutIndex = cut ? indexAt(trace, cut.timeS) : null;
  const lowestM = minimum(trace.heightM);
  const heading = (i: number) => toEuler({ w: trace.qw[i], x: trace.qx[i], y: trace.qy[i], z: trace.qz[i] }).yawDeg;
  return {
    complete: phasesDone && !crashed && upright(last) > 0.7 && !events.some((event) => event.kind === "phase-timeout"),
    crashed,
    durationS: trace.timeS[last],
    entryHeightM: environment.entryHeightM,
    peakM: -minimum(trace.heightM.map((h) => -h)),
    lowestM,
    heightLostM: Math.max(0, environment.entryHeightM - lowestM),
    heightGainedM: trace.heightM[last] - environment.entryHeightM,
    throttleClosedAtS: cut?.timeS ?? null,
    heightAtCutM: cut?.heightM ?? null,
    climbAtCutMps: cutIndex === null ? null : trace.climbMps[cutIndex],
    hangTimeS: cut && cutIndex !== null ? hangTime(trace, cutIndex, cut.heightM, cut.timeS) : null,
    ...stopOf(recipe, trace, events),
    headingChangeDeg: wrapDeg(heading(last) - heading(0)),
    exitSpeedMps: Math.hypot(trace.vNorthMps[last], trace.vEastMps[last], trace.climbMps[last]),
    exitClimbMps: trace.climbMps[last],
    throttleInvertedMean: inverted.length
      ? inverted.reduce((sum, i) => sum + trace.stickThrottle[i], 0) / inverted.length
      : null,
    timeInvertedS: inverted.length * trace.sampleS,
    sideDriftM: -minimum(trace.eastM.map((e) => -Math.abs(e))),
  };
}

/** Stop error and bounce-back: the turn's peak between the stop phase and the catch, and the swing back from it. */
function stopOf(recipe: Recipe, trace: Trace, events: readonly FlightEvent[]) {
  const none = { turnTimeS: null, stopErrorDeg: null, bounceBackDeg: null };
  if (!recipe.turn) return none;
  const startOf = (id: string) => events.find((event) => event.kind === "phase" && event.detail === id);
  const stop = startOf(recipe.turn.stopPhase);
  if (!stop) return none;
  const from = indexAt(trace, stop.timeS);
  const caught = startOf(recipe.turn.catchPhase);
  const to = caught ? indexAt(trace, caught.timeS) : trace.timeS.length - 1;
  const turned = trace[TURNED[recipe.turn.axis]];
  let peak = from;
  for (let i = from; i <= to; i++) {
    if (Math.abs(turned[i]) > Math.abs(turned[peak])) peak = i;
    // The first reversal is the stop; later swings belong to the bounce.
    else if (Math.abs(turned[peak]) - Math.abs(turned[i]) > 0.5) break;
  }
  let swungBack = 0;
  for (let i = peak; i <= to; i++) swungBack = Math.max(swungBack, Math.abs(turned[peak]) - Math.abs(turned[i]));
  const began = recipe.phases.find((phase) => phase.mark);
  const mark = began ? startOf(began.id) : undefined;
  return {
    turnTimeS: mark ? trace.timeS[peak] - mark.timeS : null,
    stopErrorDeg: Math.abs(turned[peak]) - recipe.turn.deg,
    bounceBackDeg: swungBack,
  };
}

function hangTime(trace: Trace, cutIndex: number, cutHeightM: number, cutS: number): number | null {
  for (let i = cutIndex + 1; i < trace.timeS.length; i++) {
    if (trace.climbMps[i] >= 0 || trace.heightM[i] > cutHeightM) continue;
    const before = trace.heightM[i - 1];
    const share = (before - cutHeightM) / Math.max(1e-9, before - trace.heightM[i]);
    return trace.timeS[i - 1] + Math.max(0, Math.min(1, share)) * trace.sampleS - cutS;
  }
  return null;
}

/** Index of the sample at or just after a time. */
export function indexAt(trace: Trace, timeS: number): number {
  return Math.min(trace.timeS.length - 1, Math.max(0, Math.ceil(timeS / trace.sampleS - 1e-6)));
}

function minimum(values: readonly number[]): number {
  let least = Infinity;
  for (const value of values) if (value < least) least = value;
  return least;
}
