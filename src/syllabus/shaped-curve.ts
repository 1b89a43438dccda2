import { curveFeel, rateAtStick, rounded, type RateCurve } from "@/core";

/** Curves shaped anew within their own family. */

/** Nothing is proposed beyond this, whatever the reach. Common practice, no source. */
const MOST_END_DPS = 1200;

/** The same shape of curve with the end at which a stick that goes so far turns as wanted. */
export function reachingEnd(curve: RateCurve, targetDps: number, reach: number): RateCurve {
  let shaped = withEnd(curve, targetDps);
  // The shape changes a little with the end: a few rounds settle it.
  for (let round = 0; reach < 1 && round < 8; round++) {
    const endDps = (curveFeel(shaped).endDps * targetDps) / rateAtStick(shaped, reach);
    shaped = withEnd(curve, Math.min(MOST_END_DPS, Math.round(endDps / 10) * 10));
  }
  return shaped;
}

/** The same curve with a softer centre, °/s for the whole stick; what bends it is its own family's. */
export function withCentre(curve: RateCurve, slopeDps: number): RateCurve {
  const within = (expo: number) => rounded(Math.min(1, Math.max(0, expo)), 3);
  switch (curve.family) {
    case "end-cubic":
      return { ...curve, expo: within(1 - slopeDps / curve.endDps) };
    case "centre-end":
      return { ...curve, centreDps: Math.max(10, Math.floor(slopeDps)) };
    case "base-rise":
      return { ...curve, expo: within(1 - slopeDps / (curveFeel({ ...curve, expo: 0 }).centreSlopeDps || 1)) };
  }
}

/** The same shape of curve with another end rate. */
function withEnd(curve: RateCurve, endDps: number): RateCurve {
  const ratio = endDps / curveFeel(curve).endDps;
  switch (curve.family) {
    case "end-cubic":
      return { ...curve, endDps };
    case "centre-end":
      return { ...curve, endDps, centreDps: Math.max(10, Math.round(curve.centreDps * ratio)) };
    case "base-rise":
      return baseWithEnd(curve, endDps);
  }
}

/** End rate 200·base/(1 − rise) for a base up to 2: the base moves within what feels alike, the rise takes the rest. */
function baseWithEnd(curve: Extract<RateCurve, { family: "base-rise" }>, endDps: number): RateCurve {
  const base = Math.min(1.6, Math.max(0.4, Math.min(curve.base, endDps / 200)));
  const rise = Math.min(0.95, Math.max(0, 1 - (200 * base) / endDps));
  return { ...curve, base, rise: rounded(rise, 3) };
}
