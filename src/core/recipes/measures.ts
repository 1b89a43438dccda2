import { DEG_PER_RAD, RAD_PER_DEG, wrapDeg } from "../numbers";
import { toEuler } from "../attitude";
import type { Environment } from "./environment";
import type { Camera } from "../camera";
import { seenShare, type SeenObject } from "./in-picture";
import { distanceTo, type Obstacle } from "./obstacles";
import type { Recipe, TurnAxis } from "./recipe";
import { indexAt, type FlightEvent, type Trace } from "./trace";

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
  /** Where it ends, along and across the line of entry. */
  readonly alongM: number;
  readonly acrossM: number;
  readonly fastestMps: number;
  /** Largest thrust over weight. */
  readonly mostThrustG: number;
  /** Largest angle of the view away from the level line of entry, from the mark of the turn to its stop. */
  readonly viewOffPathDeg: number | null;
  /** The same away from where the view was as the turn began. */
  readonly viewWanderDeg: number | null;
  /** Largest lean of the horizon in the picture while upright, from the first to the last sample. */
  readonly horizonLeanDeg: number;
  /** Least room between the tips of the propellers and what stands about; null when nothing does. */
  readonly clearanceM: number | null;
  /** Way along the line of entry from the first braking to rest or to flying back. */
  readonly stoppingDistanceM: number | null;
  /** Distance over the ground from where it ends to the spot it is flown at; null where there is none. */
  readonly offSpotM: number | null;
  /** Share of the phases that are to keep it there in which the object is in the picture; null where there is none. */
  readonly objectSeenShare: number | null;
  /** Speed at first touch, and steepness of the path through the descent. */
  readonly touchdownMps: number | null;
  readonly descentDeg: number | null;
  /** Circle fitted to the loop: radius, root mean square distance from it over the radius, and from where it began to where it closed. */
  readonly loopRadiusM: number | null;
  /** From its foremost to its hindmost point. */
  readonly loopWidthM: number | null;
  readonly loopUnevenness: number | null;
  readonly loopClosureM: number | null;
  /** Middle of its extent, along the line of entry and above the entry. */
  readonly loopCentreAlongM: number | null;
  readonly loopCentreAboveM: number | null;
  /** Speed along the line of entry at the end of the loop; negative when it is thrown back. */
  readonly loopExitMps: number | null;
  /** In the steady phase: mean distance to its centre, its spread, and how far the sticks wander, share of full stick. */
  readonly circleRadiusM: number | null;
  readonly circleSpreadM: number | null;
  readonly stickWander: number | null;
}

const TURNED = {
  roll: "turnedRollDeg",
  pitch: "turnedPitchDeg",
  yaw: "turnedYawDeg",
  view: "turnedViewDeg",
} as const satisfies Record<TurnAxis, keyof Trace>;
type TurnedColumn = (typeof TURNED)[TurnAxis];

/** What figures are read off. */
interface Measured {
  readonly recipe: Recipe;
  readonly trace: Trace;
  readonly events: readonly FlightEvent[];
  readonly environment: Environment;
  /** Every phase ended as planned. */
  readonly complete: boolean;
  readonly obstacles: readonly Obstacle[];
  /** From the middle of the aircraft to the tips of its propellers. */
  readonly reachM: number;
  /** What is looked at; no camera where the picture is not asked for. */
  readonly seen: { readonly object: SeenObject; readonly camera: Camera | null } | null;
}

export function measure(flown: Measured): Measures {
  const { recipe, trace, events, environment, obstacles, reachM, seen } = flown;
  const last = trace.timeS.length - 1;
  const upright = (i: number) => 1 - 2 * (trace.qx[i] ** 2 + trace.qy[i] ** 2);
  const inverted = trace.timeS.map((_, i) => i).filter((i) => upright(i) < 0);
  const cut = events.find((event) => event.kind === "throttle-closed");
  const cutIndex = cut ? indexAt(trace, cut.timeS) : null;
  const heading = (i: number) => toEuler({ w: trace.qw[i], x: trace.qx[i], y: trace.qy[i], z: trace.qz[i] }).yawDeg;
  const { complete, lowestM, stopErrorDeg } = outcomeOf(recipe, trace, events, flown.complete);
  return {
    complete,
    crashed: events.some((event) => event.kind === "crash"),
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
    stopErrorDeg,
    ...stopOf(recipe, trace, events),
    headingChangeDeg: wrapDeg(heading(last) - heading(0)),
    exitSpeedMps: Math.hypot(trace.vNorthMps[last], trace.vEastMps[last], trace.climbMps[last]),
    exitClimbMps: trace.climbMps[last],
    throttleInvertedMean: inverted.length
      ? inverted.reduce((sum, i) => sum + trace.stickThrottle[i], 0) / inverted.length
      : null,
    timeInvertedS: inverted.length * trace.sampleS,
    sideDriftM: largest(trace.eastM),
    alongM: trace.northM[last],
    acrossM: trace.eastM[last],
    fastestMps: largest(trace.timeS.map((_, i) => speedAt(trace, i))),
    mostThrustG: largest(trace.thrustG),
    viewOffPathDeg: viewOffPath(recipe, trace, events),
    viewWanderDeg: viewWander(recipe, trace, events),
    horizonLeanDeg: largest(trace.horizonSlopeDeg.filter((_, i) => upright(i) > 0.3)),
    clearanceM: clearance(trace, obstacles, reachM),
    stoppingDistanceM: stoppingDistance(recipe, trace, events),
    offSpotM: seen && Math.hypot(seen.object.northM - trace.northM[last], seen.object.eastM - trace.eastM[last]),
    objectSeenShare: seen?.camera ? objectSeen(recipe, trace, events, seen.object, seen.camera) : null,
    touchdownMps: touchdown(trace, events),
    descentDeg: descent(recipe, trace),
    ...loopOf(recipe, trace, events),
    ...circleOf(recipe, trace, events),
  };
}

/** The figures by which a flight is called clean. */
export function outcomeOf(
  recipe: Recipe,
  trace: Pick<Trace, "sampleS" | "timeS" | "heightM" | "qx" | "qy" | TurnedColumn>,
  events: readonly FlightEvent[],
  phasesDone: boolean,
): Pick<Measures, "complete" | "stopErrorDeg" | "lowestM"> {
  const last = trace.timeS.length - 1;
  const upright = 1 - 2 * (trace.qx[last] ** 2 + trace.qy[last] ** 2);
  const spoilt = events.some(({ kind }) => kind === "crash" || kind === "phase-timeout");
  return {
    complete: phasesDone && !spoilt && upright > 0.7,
    stopErrorDeg: peakOfTurn(recipe, trace, events)?.errorDeg ?? null,
    lowestM: minimum(trace.heightM),
  };
}

/** Speed at the first touch of the ground. */
function touchdown(trace: Trace, events: readonly FlightEvent[]): number | null {
  const last = trace.timeS.length - 1;
  if (!events.some(({ kind }) => kind === "touchdown" || kind === "crash") || trace.heightM[last] > 0.05) return null;
  return speedAt(trace, last);
}

/** Steepness of the path through the descent, below the horizontal. */
function descent(recipe: Recipe, trace: Trace): number | null {
  const phase = recipe.phases.findIndex(({ id }) => id === recipe.descentPhase);
  const from = trace.phase.indexOf(phase);
  const to = trace.phase.lastIndexOf(phase);
  if (phase < 0 || to <= from) return null;
  const way = Math.hypot(trace.northM[to] - trace.northM[from], trace.eastM[to] - trace.eastM[from]);
  return DEG_PER_RAD * Math.atan2(trace.heightM[from] - trace.heightM[to], way);
}

function objectSeen(
  recipe: Recipe,
  trace: Trace,
  events: readonly FlightEvent[],
  object: SeenObject,
  camera: Camera,
): number | null {
  const { inPicture } = recipe;
  const from = inPicture && startOf(events, inPicture.from);
  const to = inPicture && startOf(events, inPicture.to);
  if (inPicture && !from) return null;
  const last = trace.timeS.length - 1;
  const a = from ? indexAt(trace, from.timeS) : 0;
  return seenShare(trace, object, camera, a, Math.max(a, to ? indexAt(trace, to.timeS) : last));
}

/** The samples between the mark of the turn and its catch. */
function turnOf(recipe: Recipe, trace: Trace, events: readonly FlightEvent[]): readonly [number, number] | null {
  const mark = recipe.phases.find((phase) => phase.mark);
  const from = mark && startOf(events, mark.id);
  const to = recipe.turn && startOf(events, recipe.turn.catchPhase);
  return from && to ? [indexAt(trace, from.timeS), indexAt(trace, to.timeS)] : null;
}

/** Unit vector of the view at a sample: north, east, up. */
function viewAt(trace: Trace, i: number): readonly [number, number, number] {
  const [up, round] = [trace.viewElevationDeg[i] * RAD_PER_DEG, trace.viewHeadingDeg[i] * RAD_PER_DEG];
  return [Math.cos(up) * Math.cos(round), Math.cos(up) * Math.sin(round), Math.sin(up)];
}

function viewWander(recipe: Recipe, trace: Trace, events: readonly FlightEvent[]): number | null {
  const turn = turnOf(recipe, trace, events);
  if (!turn) return null;
  const [a, b] = turn;
  const [n, e, u] = viewAt(trace, a);
  let most = 0;
  for (let i = a; i <= b; i++) {
    const [north, east, up] = viewAt(trace, i);
    most = Math.max(most, DEG_PER_RAD * Math.acos(Math.max(-1, Math.min(1, n * north + e * east + u * up))));
  }
  return most;
}

function viewOffPath(recipe: Recipe, trace: Trace, events: readonly FlightEvent[]): number | null {
  const turn = turnOf(recipe, trace, events);
  if (!turn) return null;
  const [a, b] = turn;
  let most = 0;
  for (let i = a; i <= b; i++) {
    // The view's heading against the line of entry is read from the same axis whose elevation the trace keeps.
    const cosine = Math.cos(trace.viewElevationDeg[i] * RAD_PER_DEG) * Math.cos(trace.viewHeadingDeg[i] * RAD_PER_DEG);
    most = Math.max(most, DEG_PER_RAD * Math.acos(Math.max(-1, Math.min(1, cosine))));
  }
  return most;
}

function clearance(trace: Trace, obstacles: readonly Obstacle[], reachM: number): number | null {
  if (obstacles.length === 0) return null;
  let least = Infinity;
  for (let i = 0; i < trace.timeS.length; i++)
    for (const one of obstacles)
      least = Math.min(least, distanceTo(one, trace.northM[i], trace.eastM[i], trace.heightM[i]) - reachM);
  return least;
}

function stoppingDistance(recipe: Recipe, trace: Trace, events: readonly FlightEvent[]): number | null {
  const brake = recipe.brakePhase ? startOf(events, recipe.brakePhase) : undefined;
  if (!brake) return null;
  const from = indexAt(trace, brake.timeS);
  for (let i = from; i < trace.timeS.length; i++)
    if (trace.vNorthMps[i] < RESTS_MPS) return trace.northM[i] - trace.northM[from];
  return null;
}

/** Slower than this along the line of entry counts as stopped. */
const RESTS_MPS = 0.5;

const NO_LOOP = {
  loopRadiusM: null,
  loopWidthM: null,
  loopUnevenness: null,
  loopClosureM: null,
  loopCentreAlongM: null,
  loopCentreAboveM: null,
  loopExitMps: null,
};

/** Circle through the side view of the loop, by algebraic least squares (Kåsa 1976). */
function loopOf(recipe: Recipe, trace: Trace, events: readonly FlightEvent[]) {
  const from = recipe.loop && startOf(events, recipe.loop.from);
  const to = recipe.loop && startOf(events, recipe.loop.to);
  if (!from || !to) return NO_LOOP;
  const [a, b] = [indexAt(trace, from.timeS), indexAt(trace, to.timeS)];
  const norths = trace.northM.slice(a, b + 1);
  const heights = trace.heightM.slice(a, b + 1);
  const circle = fitCircle(norths, heights);
  if (!circle) return NO_LOOP;
  return {
    loopRadiusM: circle.radius,
    loopWidthM: Math.max(...norths) - Math.min(...norths),
    loopUnevenness: circle.rms / circle.radius,
    loopClosureM: Math.hypot(trace.northM[b] - trace.northM[a], trace.heightM[b] - trace.heightM[a]),
    loopCentreAlongM: middleOf(norths),
    loopCentreAboveM: middleOf(heights) - trace.heightM[0],
    loopExitMps: trace.vNorthMps[b],
  };
}

const middleOf = (values: readonly number[]) => 0.5 * (Math.max(...values) + Math.min(...values));

const NO_CIRCLE = {
  circleRadiusM: null,
  circleSpreadM: null,
  stickWander: null,
};

function circleOf(recipe: Recipe, trace: Trace, events: readonly FlightEvent[]) {
  const at = recipe.steadyPhase ? startOf(events, recipe.steadyPhase) : undefined;
  if (!at) return NO_CIRCLE;
  const phase = recipe.phases.findIndex(({ id }) => id === recipe.steadyPhase);
  const within = trace.timeS.map((_, i) => i).filter((i) => trace.phase[i] === phase);
  const circle = fitCircle(
    within.map((i) => trace.northM[i]),
    within.map((i) => trace.eastM[i]),
  );
  if (!circle) return NO_CIRCLE;
  const spread = (column: readonly number[]) => {
    const mean = within.reduce((sum, i) => sum + column[i], 0) / within.length;
    return Math.sqrt(within.reduce((sum, i) => sum + (column[i] - mean) ** 2, 0) / within.length);
  };
  return {
    circleRadiusM: circle.radius,
    circleSpreadM: circle.rms,
    stickWander: Math.max(spread(trace.stickRoll), spread(trace.stickPitch), spread(trace.stickYaw)),
  };
}

/** Least-squares circle x² + y² = 2ax + 2by + c (Kåsa 1976); null for fewer than three points or points on a line. */
export function fitCircle(
  xs: readonly number[],
  ys: readonly number[],
): { readonly x: number; readonly y: number; readonly radius: number; readonly rms: number } | null {
  const n = xs.length;
  if (n < 3) return null;
  const mean = (of: (i: number) => number) => xs.reduce((sum, _, i) => sum + of(i), 0) / n;
  const mx = mean((i) => xs[i]);
  const my = mean((i) => ys[i]);
  const u = (i: number) => xs[i] - mx;
  const v = (i: number) => ys[i] - my;
  const uu = mean((i) => u(i) ** 2);
  const vv = mean((i) => v(i) ** 2);
  const uv = mean((i) => u(i) * v(i));
  const p = 0.5 * mean((i) => u(i) * (u(i) ** 2 + v(i) ** 2));
  const q = 0.5 * mean((i) => v(i) * (u(i) ** 2 + v(i) ** 2));
  const determinant = uu * vv - uv * uv;
  if (!(determinant > 1e-9 * (uu + vv) ** 2)) return null;
  const a = (p * vv - q * uv) / determinant;
  const b = (q * uu - p * uv) / determinant;
  const radius = Math.sqrt(a * a + b * b + uu + vv);
  const rms = Math.sqrt(mean((i) => (Math.hypot(u(i) - a, v(i) - b) - radius) ** 2));
  return { x: a + mx, y: b + my, radius, rms };
}

function speedAt(trace: Trace, i: number): number {
  return Math.hypot(trace.vNorthMps[i], trace.vEastMps[i], trace.climbMps[i]);
}

function startOf(events: readonly FlightEvent[], phase: string): FlightEvent | undefined {
  return events.find((event) => event.kind === "phase" && event.detail === phase);
}

function largest(values: readonly number[]): number {
  let most = 0;
  for (const value of values) if (Math.abs(value) > most) most = Math.abs(value);
  return most;
}

/** The furthest point of the turn between the stop phase and the catch, as samples, and how far it is off the turn asked for. */
function peakOfTurn(
  recipe: Recipe,
  trace: Pick<Trace, "sampleS" | "timeS" | TurnedColumn>,
  events: readonly FlightEvent[],
): { readonly at: number; readonly until: number; readonly errorDeg: number } | null {
  const stop = recipe.turn && startOf(events, recipe.turn.stopPhase);
  if (!recipe.turn || !stop) return null;
  const from = indexAt(trace, stop.timeS);
  const caught = startOf(events, recipe.turn.catchPhase);
  const until = caught ? indexAt(trace, caught.timeS) : trace.timeS.length - 1;
  const turned = trace[TURNED[recipe.turn.axis]];
  let at = from;
  for (let i = from; i <= until; i++) {
    if (Math.abs(turned[i]) > Math.abs(turned[at])) at = i;
    // The first reversal is the stop; later swings belong to the bounce.
    else if (Math.abs(turned[at]) - Math.abs(turned[i]) > 0.5) break;
  }
  return { at, until, errorDeg: Math.abs(turned[at]) - recipe.turn.deg };
}

/** Time of the turn and bounce-back: the swing back from its furthest point. */
function stopOf(recipe: Recipe, trace: Trace, events: readonly FlightEvent[]) {
  const peak = peakOfTurn(recipe, trace, events);
  if (!recipe.turn || !peak) return { turnTimeS: null, bounceBackDeg: null };
  const turned = trace[TURNED[recipe.turn.axis]];
  let swungBack = 0;
  for (let i = peak.at; i <= peak.until; i++)
    swungBack = Math.max(swungBack, Math.abs(turned[peak.at]) - Math.abs(turned[i]));
  const began = recipe.phases.find((phase) => phase.mark);
  const mark = began ? startOf(events, began.id) : undefined;
  return { turnTimeS: mark ? trace.timeS[peak.at] - mark.timeS : null, bounceBackDeg: swungBack };
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

function minimum(values: readonly number[]): number {
  let least = Infinity;
  for (const value of values) if (value < least) least = value;
  return least;
}
