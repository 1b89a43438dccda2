import { DomainError, RAD_PER_DEG, turnedLevel, variance, wrapDeg } from "../numbers";
import { toEuler } from "../attitude";
import type { Camera } from "../camera";
import { seenShare, type SeenObject } from "./in-picture";
import type { Mark, MarkKind } from "./mark";
import { fitCircle, type Measures } from "./measures";
import type { Recipe } from "./recipe";
import type { Trace } from "./trace";

type Parameters = Recipe["parameters"];

/** The marks a flight misses, in the order of the recipe whose parameters they may refer to. A figure that the flight never came to is missed. */
export function missedMarks(marks: readonly Mark[], measures: Marked, parameters: Parameters): readonly MarkKind[] {
  return marks.filter((mark) => !met(mark, measures, parameters)).map(({ kind }) => kind);
}

type Marked = Pick<
  Measures,
  | "peakM"
  | "entryHeightM"
  | "heightLostM"
  | "heightGainedM"
  | "viewWanderDeg"
  | "headingChangeDeg"
  | "horizonLeanDeg"
  | "acrossM"
  | "bounceBackDeg"
  | "loopUnevenness"
  | "circleSpreadM"
  | "circleRadiusM"
  | "stickWander"
  | "offSpotM"
  | "throttleInvertedMean"
  | "objectSeenShare"
>;

/** Flown slower than this there is no line of travel: it is the nose's, m/s. */
const TRAVELS_MPS = 1;

/** A stretch of a flight that is judged without the phases of a recipe. All are samples, from the first to the last. */
export interface Stretch {
  readonly whole: readonly [from: number, to: number];
  /** The turn of it: a loop, an orbit; null where none was found. */
  readonly turn: readonly [from: number, to: number] | null;
  /** Where its object is to be in the picture. */
  readonly inPicture: readonly [from: number, to: number];
  readonly object: SeenObject | null;
  readonly camera: Camera;
}

/**
 * The marks of a recipe missed on a stretch of any flight: heights and the line count from where the stretch begins, circles from where the turn does. How the
 * view wanders within a turn and how it swings back after it are read off phases only, and not told here.
 */
export function missedOnTrace(
  { marks = [], parameters }: Pick<Recipe, "marks" | "parameters">,
  trace: Trace,
  stretch: Stretch,
): readonly MarkKind[] {
  const { object, camera, inPicture } = stretch;
  const [from, to] = stretch.whole;
  const upright = (i: number) => 1 - 2 * (trace.qx[i] ** 2 + trace.qy[i] ** 2);
  const every = samples(stretch.whole);
  const heights = every.map((i) => trace.heightM[i]);
  const inverted = every.filter((i) => upright(i) < 0);
  const measures: Marked = {
    entryHeightM: heights[0],
    peakM: Math.max(...heights),
    heightLostM: Math.max(0, heights[0] - Math.min(...heights)),
    heightGainedM: heights[heights.length - 1] - heights[0],
    headingChangeDeg: wrapDeg(headingAt(trace, to) - headingAt(trace, from)),
    horizonLeanDeg: Math.max(
      0,
      ...every.filter((i) => upright(i) > 0.3).map((i) => Math.abs(trace.horizonSlopeDeg[i])),
    ),
    acrossM: lineFrom(trace, from)(to)[1],
    offSpotM: object && Math.hypot(object.northM - trace.northM[to], object.eastM - trace.eastM[to]),
    throttleInvertedMean: inverted.length
      ? inverted.reduce((sum, i) => sum + trace.stickThrottle[i], 0) / inverted.length
      : null,
    objectSeenShare: object && seenShare(trace, object, camera, ...inPicture),
    ...circlesOf(trace, stretch.turn),
    ...{ viewWanderDeg: null, bounceBackDeg: null },
  };
  const told = marks.filter(({ kind }) => kind !== "view" && kind !== "bounce");
  return missedMarks(told, measures, parameters);
}

const samples = ([from, to]: readonly [number, number]) => Array.from({ length: to - from + 1 }, (_, i) => from + i);

/** Along and across the line of travel at a sample, where another lies, m. */
function lineFrom(trace: Trace, from: number): (i: number) => readonly [along: number, across: number] {
  const [north, east] = [trace.vNorthMps[from], trace.vEastMps[from]];
  const alongDeg =
    Math.hypot(north, east) > TRAVELS_MPS ? Math.atan2(east, north) / RAD_PER_DEG : headingAt(trace, from);
  return (i) => turnedLevel(-alongDeg, trace.northM[i] - trace.northM[from], trace.eastM[i] - trace.eastM[from]);
}

const headingAt = (trace: Trace, i: number) =>
  toEuler({ w: trace.qw[i], x: trace.qx[i], y: trace.qy[i], z: trace.qz[i] }).yawDeg;

/** Round from the side, round from above, and how far the sticks wander on the way. */
function circlesOf(trace: Trace, turn: Stretch["turn"]) {
  if (!turn) return { loopUnevenness: null, circleRadiusM: null, circleSpreadM: null, stickWander: null };
  const every = samples(turn);
  const of = (column: readonly number[]) => every.map((i) => column[i]);
  const placeAt = lineFrom(trace, turn[0]);
  const along = every.map((i) => placeAt(i)[0]);
  const loop = fitCircle(along, of(trace.heightM));
  const circle = fitCircle(of(trace.northM), of(trace.eastM));
  const spread = (column: readonly number[]) => Math.sqrt(variance(of(column)));
  return {
    loopUnevenness: loop && loop.rms / loop.radius,
    circleRadiusM: circle && circle.radius,
    circleSpreadM: circle && circle.rms,
    stickWander: Math.max(spread(trace.stickRoll), spread(trace.stickPitch), spread(trace.stickYaw)),
  };
}

/** How far a mark of heading asks to turn, °: its own figure, or that of the parameter it names. A name the recipe does not have is a `DomainError`. */
export function headingAskedDeg({ deg }: Extract<Mark, { kind: "heading" }>, parameters: Parameters): number {
  if (typeof deg === "number") return deg;
  const named = parameters[deg.param];
  if (!named) throw new DomainError("marks", deg.param, Object.keys(parameters).join(", "));
  return named.value;
}

function met(mark: Mark, measures: Marked, parameters: Parameters): boolean {
  const within = (value: number | null, most: number) => value !== null && Math.abs(value) <= most;
  switch (mark.kind) {
    case "height-band":
      return measures.peakM - measures.entryHeightM <= mark.aboveM && measures.heightLostM <= mark.belowM;
    case "end-height":
      return within(measures.heightGainedM, mark.withinM);
    case "view":
      return within(measures.viewWanderDeg, mark.withinDeg);
    case "heading": {
      const deg = headingAskedDeg(mark, parameters);
      return (
        Math.min(
          Math.abs(wrapDeg(measures.headingChangeDeg - deg)),
          Math.abs(wrapDeg(measures.headingChangeDeg + deg)),
        ) <= mark.withinDeg
      );
    }
    case "horizon":
      return within(measures.horizonLeanDeg, mark.withinDeg);
    case "line":
      return within(measures.acrossM, mark.withinM);
    case "bounce":
      return within(measures.bounceBackDeg, mark.withinDeg);
    case "round":
      return within(measures.loopUnevenness, mark.unevenness);
    case "circle":
      return (
        within(measures.circleSpreadM, mark.spreadShare * (measures.circleRadiusM ?? 0)) &&
        within(measures.stickWander, mark.stickWander)
      );
    case "spot":
      return within(measures.offSpotM, mark.withinM);
    case "throttle-closed":
      return (measures.throttleInvertedMean ?? 0) <= mark.most;
    case "in-picture":
      return measures.objectSeenShare !== null && measures.objectSeenShare >= mark.share;
  }
}
