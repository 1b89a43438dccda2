import { requireNumber } from "../numbers";
import { rateAtStick, requireRateCurve, type RateCurve } from "./curve";
import { tipTravelMm, type StickTravel } from "./grip";

/** What a curve feels like, in the figures a coach compares. */
export interface CurveFeel {
  /** °/s per whole stick at the centre. */
  readonly centreSlopeDps: number;
  readonly halfStickDps: number;
  readonly endDps: number;
  /** Seconds at full stick, rotation already at speed. */
  readonly time90S: number;
  readonly time180S: number;
  readonly time360S: number;
}

/** Slope at centre, half-stick and end rate in °/s, and seconds for 90, 180 and 360° at full stick. */
export function curveFeel(curve: RateCurve): CurveFeel {
  requireRateCurve(curve);
  const endDps = rateAtStick(curve, 1);
  return {
    centreSlopeDps: slopeAt(curve, 0),
    halfStickDps: rateAtStick(curve, 0.5),
    endDps,
    time90S: 90 / endDps,
    time180S: 180 / endDps,
    time360S: 360 / endDps,
  };
}

/**
 * °/s per millimetre of travel of the stick tip at a stick position: the tip moves stickLengthMm·sin(throwDeg)
 * from centre to end.
 */
export function dpsPerMillimetre(curve: RateCurve, stick: number, grip: StickTravel): number {
  requireRateCurve(curve);
  requireNumber("stick", stick, -1, 1);
  return slopeAt(curve, stick) / tipTravelMm(grip);
}

/** d(rate)/d(stick) by a central difference, one-sided at the ends. */
function slopeAt(curve: RateCurve, stick: number): number {
  const h = 1e-5;
  const low = Math.max(-1, stick - h);
  const high = Math.min(1, stick + h);
  return (rateAtStick(curve, high) - rateAtStick(curve, low)) / (high - low);
}
