import { DEG_PER_RAD, RAD_PER_DEG, requireNumber } from "../numbers";
import { rateAtStick, stickForRateClamped, type AxisRates } from "../rates";
import { levelTurnRates, viewRollRates, type BodyRates } from "../sustained";

/** Turning with the camera level, which is also the flat spin, or rolling about what the camera looks at. */
export type MixKind = "level-turn" | "view-roll";

/** How a mix is flown with two sticks at once. */
export interface Mix {
  readonly rates: BodyRates;
  /** Stick −1..1, right positive; null where the curve does not reach the rate. */
  readonly rollStick: number | null;
  readonly yawStick: number | null;
  /** Both sticks to the same side, to opposite sides, or one alone. */
  readonly sticks: "together" | "apart" | "roll alone" | "yaw alone";
}

/** A stick nearer to its centre than this is left alone. */
const RESTS = 0.005;

/** Roll and yaw for a level-camera turn to the right, or a roll to the right about the view axis, at so many °/s, through the pilot's curves. */
export function mixFor(kind: MixKind, rates: AxisRates, tiltDeg: number, speedDps: number): Mix {
  const body = kind === "level-turn" ? levelTurnRates(tiltDeg, speedDps) : viewRollRates(tiltDeg, speedDps);
  const stick = (axis: "roll" | "yaw", dps: number) =>
    Math.abs(dps) > rateAtStick(rates[axis], 1) ? null : stickForRateClamped(rates[axis], dps);
  const rollStick = stick("roll", body.rollDps);
  const yawStick = stick("yaw", body.yawDps);
  const rolls = rollStick === null || Math.abs(rollStick) > RESTS;
  const yaws = yawStick === null || Math.abs(yawStick) > RESTS;
  return {
    rates: body,
    rollStick,
    yawStick,
    sticks: !rolls ? "yaw alone" : !yaws ? "roll alone" : body.rollDps * body.yawDps > 0 ? "together" : "apart",
  };
}

/** The fastest the mix can be flown before one stick is at its stop, °/s, and which one that is. */
export function fastestMix(
  kind: MixKind,
  rates: AxisRates,
  tiltDeg: number,
): { readonly speedDps: number; readonly stopsAt: "roll" | "yaw" } {
  const { rollDps, yawDps } = kind === "level-turn" ? levelTurnRates(tiltDeg, 1) : viewRollRates(tiltDeg, 1);
  const byRoll = Math.abs(rollDps) < 1e-9 ? Infinity : rateAtStick(rates.roll, 1) / Math.abs(rollDps);
  const byYaw = Math.abs(yawDps) < 1e-9 ? Infinity : rateAtStick(rates.yaw, 1) / Math.abs(yawDps);
  return byRoll < byYaw ? { speedDps: byRoll, stopsAt: "roll" } : { speedDps: byYaw, stopsAt: "yaw" };
}

/** What the same sticks do when the camera is not tilted as the mix believes. */
export interface TiltError {
  readonly errorDeg: number;
  /**
   * How far the view is off after half a turn, °: the sticks turn about an axis that is off by the error, so the view (or the horizon in it) goes
   * round on a cone and is twice the error away at the far side.
   */
  readonly offAfterHalfTurnDeg: number;
  /** Sticks that would be right at the true tilt, minus those flown. */
  readonly rollStickChange: number | null;
  readonly yawStickChange: number | null;
}

/** The mix of `tiltDeg` flown on an aircraft whose camera is tilted by `errorDeg` more. */
export function tiltError(
  kind: MixKind,
  rates: AxisRates,
  tiltDeg: number,
  speedDps: number,
  errorDeg: number,
): TiltError {
  requireNumber("errorDeg", errorDeg, -30, 30);
  const trueTilt = requireNumber("tiltDeg + errorDeg", tiltDeg + errorDeg, 0, 90);
  const flown = mixFor(kind, rates, tiltDeg, speedDps);
  const right = mixFor(kind, rates, trueTilt, speedDps);
  const change = (a: number | null, b: number | null) => (a === null || b === null ? null : a - b);
  return {
    errorDeg,
    offAfterHalfTurnDeg: 2 * angleBetween(flown.rates, right.rates),
    rollStickChange: change(right.rollStick, flown.rollStick),
    yawStickChange: change(right.yawStick, flown.yawStick),
  };
}

/** Angle between the axes two body rates turn about, °. */
function angleBetween(a: BodyRates, b: BodyRates): number {
  const dot = a.rollDps * b.rollDps + a.pitchDps * b.pitchDps + a.yawDps * b.yawDps;
  const size = (r: BodyRates) => Math.hypot(r.rollDps, r.pitchDps, r.yawDps);
  const product = size(a) * size(b);
  return product === 0 ? 0 : DEG_PER_RAD * Math.acos(Math.max(-1, Math.min(1, dot / product)));
}

/** Where the view goes in a turn about the body axis alone: half a roll lowers it by twice the tilt, half a yaw turn raises it by as much. */
export function pureHalfTurnViewDeg(kind: "roll" | "yaw", tiltDeg: number): number {
  requireNumber("tiltDeg", tiltDeg, 0, 90);
  // From level cruise with the horizon centred the body x axis points τ below it; a half turn about it mirrors the view to the other side.
  return (kind === "roll" ? -2 : 2) * tiltDeg;
}

/** Tilt at which these sticks would make a level turn: atan of roll rate over yaw rate. */
export function tiltOfSticks(rates: AxisRates, rollStick: number, yawStick: number): number {
  const roll = rateAtStick(rates.roll, requireNumber("rollStick", rollStick, 0, 1));
  const yaw = rateAtStick(rates.yaw, requireNumber("yawStick", yawStick, 0, 1));
  return Math.atan2(roll, yaw) / RAD_PER_DEG;
}
