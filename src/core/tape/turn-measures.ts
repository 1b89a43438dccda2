import { DEG_PER_RAD } from "../numbers";
import type { Grid } from "./grid";
import type { TapeAxis } from "./tape";
import type { TurnMeasures } from "./trick";

const CLOSED = 0.06;
const FULL = 0.75;
const SETTLE_S = 0.5;
const AFTER_S = 1;
const BEFORE_S = 1.5;
const EASED = 0.8;
const PARTS = 24;
const FIRST_DEG = 2;
const NEARLY_DEG = 60;
const STICK_STIRS = 0.04;

/** A turn that was found: where, about what, and how much of it was asked for. */
export interface FoundTurn {
  readonly from: number;
  readonly to: number;
  readonly axis: TapeAxis;
  readonly askedDeg: number;
  /** The whole that was turned about each body axis. */
  readonly turned: Readonly<Record<TapeAxis, number>>;
}

/** The turn about the axis it was turned about as a whole, from its begin to its stop. */
export function turnMeasures(grid: Grid, turn: FoundTurn): TurnMeasures {
  const { hz, rate, stick, count } = grid;
  const { from, axis, askedDeg } = turn;
  const unit = unitAxis(turn);
  const until = Math.min(count, turn.to + Math.round(SETTLE_S * hz));
  const turned = new Float64Array(until - from + 1);
  for (let i = from; i < until; i++) {
    const along = rate.roll[i] * unit[0] + rate.pitch[i] * unit[1] + rate.yaw[i] * unit[2];
    turned[i - from + 1] = turned[i - from] + along / hz;
  }
  const stop = stopOf(turned, askedDeg);
  const furthest = turned[stop];
  let back = 0;
  for (let n = stop; n < Math.min(turned.length, stop + SETTLE_S * hz); n++)
    back = Math.max(back, furthest - turned[n]);
  let first = 0;
  while (first < stop && turned[first] < FIRST_DEG) first++;
  const across = leanOff(grid, from, from + stop, unit);
  const inverted = invertedPart(grid, from, Math.max(turn.to, from + stop));
  let closed = 0;
  for (let n = first; n < stop; n++) if (stick.throttle[from + n] <= CLOSED) closed++;
  const speeds = speedsOf(turned, first, stop, hz);
  return {
    turnedDeg: furthest,
    stopErrorDeg: furthest - askedDeg,
    swingBackDeg: back,
    turnTimeS: (stop - first) / hz,
    ...speeds,
    punchS: runBefore(stick.throttle, from + first, Math.round(BEFORE_S * hz), (x) => x >= FULL) / hz,
    closedBeforeS: closedBefore(grid, from + first, from + stop),
    closedShare: stop > first ? closed / (stop - first) : 0,
    ...inverted,
    leanOffDeg: across,
    ...(axis === "roll" ? againstYaw(grid, turn, stop) : { impliedTiltDeg: null, yawLeadMs: null }),
    stickReversals: reversals(stick[axis], from + stop, Math.min(count, from + stop + Math.round(AFTER_S * hz))),
  };
}

/** How long it was upside down, and the throttle there. */
function invertedPart({ hz, down, stick, count }: Grid, begin: number, end: number) {
  let [steps, sum, most] = [0, 0, 0];
  for (let i = begin; i < Math.min(end, count); i++) {
    if (down[i] >= 0) continue;
    steps++;
    sum += stick.throttle[i];
    most = Math.max(most, stick.throttle[i]);
  }
  return {
    invertedS: steps / hz,
    throttleInvertedMean: steps === 0 ? null : sum / steps,
    throttleInvertedMost: steps === 0 ? null : most,
  };
}

/** Where it first turns no further once it is nearly round: what comes after are the pilot's corrections. The furthest place where it never is. */
function stopOf(turned: Float64Array, askedDeg: number): number {
  let furthest = 0;
  for (let n = 1; n < turned.length; n++) {
    if (turned[n] > turned[furthest]) furthest = n;
    else if (turned[furthest] > askedDeg - NEARLY_DEG) return furthest;
  }
  return furthest;
}

/** Of a roll it has the yaw in it that follows the camera; of the others it is the axis. */
export function unitAxis({ axis, turned }: Pick<FoundTurn, "axis" | "turned">): readonly [number, number, number] {
  const sign = Math.sign(turned[axis]) || 1;
  if (axis === "pitch") return [0, sign, 0];
  if (axis === "yaw") return [0, 0, sign];
  const size = Math.hypot(turned.roll, turned.yaw) || 1;
  return [turned.roll / size, 0, turned.yaw / size];
}

function speedsOf(turned: Float64Array, first: number, stop: number, hz: number) {
  const wholeDeg = Math.max(1e-9, turned[stop]);
  const parts = Array.from({ length: PARTS }, () => ({ sum: 0, count: 0 }));
  const speed = (n: number) => (turned[n + 1] - turned[n]) * hz;
  let peakDps = 0;
  for (let n = first; n < stop; n++) peakDps = Math.max(peakDps, speed(n));
  let easeFromShare = 0;
  for (let n = first; n < stop; n++) {
    const share = Math.min(0.999, Math.max(0, turned[n] / wholeDeg));
    const part = parts[Math.floor(share * PARTS)];
    part.sum += speed(n);
    part.count++;
    if (speed(n) >= EASED * peakDps) easeFromShare = share;
  }
  let last = 0;
  // A part that is passed between two steps was passed at the speed before.
  const rateByShareDps = parts.map(({ sum, count }) => (last = count === 0 ? last : sum / count));
  return { peakDps, easeFromShare, rateByShareDps };
}

/** Steps just before a place in which something holds without a break; a moment of something else at the end is passed over. */
function runBefore(values: Float32Array, at: number, most: number, holds: (x: number) => boolean): number {
  let i = at;
  const earliest = Math.max(0, at - most);
  while (i > earliest && !holds(values[i])) i--;
  const end = i;
  while (i > earliest && holds(values[i])) i--;
  return end - i;
}

function closedBefore({ stick, hz }: Grid, first: number, stop: number): number | null {
  const { throttle } = stick;
  if (throttle[first] <= CLOSED) return runBefore(throttle, first, Math.round(BEFORE_S * hz), (x) => x <= CLOSED) / hz;
  for (let i = first; i < stop; i++) if (throttle[i] <= CLOSED) return (first - i) / hz;
  return null;
}

function leanOff({ rate, hz }: Grid, from: number, to: number, unit: readonly [number, number, number]): number {
  const off = [0, 0, 0];
  for (let i = from; i < to; i++) {
    const w = [rate.roll[i], rate.pitch[i], rate.yaw[i]];
    const along = w[0] * unit[0] + w[1] * unit[1] + w[2] * unit[2];
    for (let k = 0; k < 3; k++) off[k] += (w[k] - along * unit[k]) / hz;
  }
  return Math.hypot(...off);
}

/** A roll about an axis tilted up by τ turns yaw by −tan τ of the roll. */
function againstYaw({ rate, hz }: Grid, { from, turned }: FoundTurn, stop: number) {
  const impliedTiltDeg = DEG_PER_RAD * Math.atan2(-turned.yaw * Math.sign(turned.roll), Math.abs(turned.roll));
  if (Math.abs(turned.yaw) < 20) return { impliedTiltDeg, yawLeadMs: null };
  const half = (values: Float32Array) => {
    let peak = 0;
    for (let i = from; i < from + stop; i++) peak = Math.max(peak, Math.abs(values[i]));
    let i = from;
    while (i < from + stop && Math.abs(values[i]) < peak / 2) i++;
    return i;
  };
  return { impliedTiltDeg, yawLeadMs: (1000 * (half(rate.roll) - half(rate.yaw))) / hz };
}

function reversals(stick: Float32Array, from: number, to: number): number {
  let [changes, side] = [0, 0];
  for (let i = from; i < to; i++) {
    if (Math.abs(stick[i]) < STICK_STIRS) continue;
    const now = Math.sign(stick[i]);
    if (side !== 0 && now !== side) changes++;
    side = now;
  }
  return changes;
}
