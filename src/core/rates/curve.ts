import { requireNumber, requireOneOf, risingCubicRoot } from "../numbers";

/** Rate = 200·b·x′/(1 − s·rise) with x′ softened at the centre by expo. */
export interface BaseRiseCurve {
  readonly family: "base-rise";
  readonly base: number;
  readonly rise: number;
  readonly expo: number;
}
/** A straight centre slope that bends up to the end rate. */
export interface CentreEndCurve {
  readonly family: "centre-end";
  readonly centreDps: number;
  readonly endDps: number;
  readonly expo: number;
}
/** The end rate times a straight line blended with its cube. */
export interface EndCubicCurve {
  readonly family: "end-cubic";
  readonly endDps: number;
  readonly expo: number;
}
export type RateCurve = BaseRiseCurve | CentreEndCurve | EndCubicCurve;
export type RateFamily = RateCurve["family"];
/** One curve per axis. */
export interface AxisRates {
  readonly roll: RateCurve;
  readonly pitch: RateCurve;
  readonly yaw: RateCurve;
}

export const rateFamilies: readonly RateFamily[] = ["base-rise", "centre-end", "end-cubic"];

/** Allowed range of every parameter, also for forms. */
export const rateRanges = {
  base: [0.05, 3],
  rise: [0, 0.95],
  expo: [0, 1],
  centreDps: [10, 1200],
  endDps: [30, 2000],
} as const satisfies Record<string, readonly [number, number]>;

/** Names of a family's parameters, in the order they are shown. */
export function rateParameters(family: RateFamily): readonly (keyof typeof rateRanges)[] {
  switch (family) {
    case "base-rise":
      return ["base", "rise", "expo"];
    case "centre-end":
      return ["centreDps", "endDps", "expo"];
    case "end-cubic":
      return ["endDps", "expo"];
  }
}

/** Returns the curve when its family is known and every parameter is in range, else throws a DomainError naming the field. */
export function requireRateCurve(curve: RateCurve, field = "curve"): RateCurve {
  const family = requireOneOf(`${field}.family`, curve?.family, rateFamilies);
  for (const name of rateParameters(family)) {
    const [min, max] = rateRanges[name];
    requireNumber(`${field}.${name}`, (curve as unknown as Record<string, unknown>)[name], min, max);
  }
  return curve;
}

/** Turning rate in °/s that a stick position −1..1 commands. */
export function rateDps(curve: RateCurve, stick: number): number {
  requireRateCurve(curve);
  return rateAtStick(curve, requireNumber("stick", stick, -1, 1));
}

/** `rateDps` without the checks, for inner loops: the caller has checked the curve and keeps stick within −1..1. */
export function rateAtStick(curve: RateCurve, x: number): number {
  const s = Math.abs(x);
  const e = curve.expo;
  switch (curve.family) {
    case "base-rise": {
      const softened = x * s * s * s * e + x * (1 - e);
      return (200 * effectiveBase(curve.base) * softened) / Math.max(0.01, 1 - s * curve.rise);
    }
    case "centre-end": {
      const bend = s * (x * x * x * x * x * e + x * (1 - e));
      return x * curve.centreDps + Math.max(0, curve.endDps - curve.centreDps) * bend;
    }
    case "end-cubic":
      return curve.endDps * ((1 - e) * x + e * x * x * x);
  }
}

/**
 * Stick position −1..1 that commands a rate in °/s, the inverse of `rateDps`.
 * Throws a DomainError when the rate is beyond the curve's end.
 */
export function stickForRate(curve: RateCurve, wantedDps: number): number {
  requireRateCurve(curve);
  const end = rateAtStick(curve, 1);
  const size = Math.abs(requireNumber("rateDps", wantedDps, -end * (1 + 1e-12), end * (1 + 1e-12)));
  return Math.sign(wantedDps) * stickForSize(curve, Math.min(size, end));
}

/** The stick for a rate, or full stick where the curve does not reach it. For inner loops; no checks. */
export function stickForRateClamped(curve: RateCurve, wantedDps: number): number {
  const size = Math.abs(wantedDps);
  return Math.sign(wantedDps) * (size >= rateAtStick(curve, 1) ? 1 : stickForSize(curve, size));
}

function stickForSize(curve: RateCurve, sizeDps: number): number {
  if (sizeDps === 0) return 0;
  return curve.family === "end-cubic"
    ? Math.min(1, risingCubicRoot(curve.endDps * curve.expo, curve.endDps * (1 - curve.expo), sizeDps))
    : stickBetween(curve, sizeDps);
}

/**
 * Monotone in stick, so a bracket holds where Newton's slope would vanish (expo 1 at the centre): false position in which an end that stays is
 * halved (the Illinois method; Dowell and Jarratt 1971).
 */
function stickBetween(curve: RateCurve, sizeDps: number): number {
  let low = 0;
  let high = 1;
  let atLow = -sizeDps;
  let atHigh = rateAtStick(curve, 1) - sizeDps;
  let stayed = 0;
  for (let i = 0; i < 100 && high - low > STICK_TOLERANCE; i++) {
    const at = low + ((high - low) * -atLow) / (atHigh - atLow);
    const miss = rateAtStick(curve, at) - sizeDps;
    if (miss === 0 || Math.abs(miss) <= STICK_TOLERANCE * sizeDps) return at;
    if (miss < 0) {
      low = at;
      atLow = miss;
      if (stayed === 1) atHigh *= 0.5;
      stayed = 1;
    } else {
      high = at;
      atHigh = miss;
      if (stayed === -1) atLow *= 0.5;
      stayed = -1;
    }
  }
  return high;
}

/** Share of full stick, and of the rate asked for, to which a stick position is worked out. */
const STICK_TOLERANCE = 1e-10;

/** Base above 2 climbs more steeply: b + 14.54·(b − 2). */
function effectiveBase(base: number): number {
  return base > 2 ? base + 14.54 * (base - 2) : base;
}

/** The base whose effective base is `effective`. */
export function baseForEffective(effective: number): number {
  return effective > 2 ? (effective + 29.08) / 15.54 : effective;
}
