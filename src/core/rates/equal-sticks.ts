import { DEG_PER_RAD, RAD_PER_DEG, requireNumber } from "../numbers";
import { rateAtStick, requireRateCurve, type RateCurve } from "./curve";
import { fitRates, type CurveFit } from "./fit";

/** A yaw curve with which equal roll and yaw sticks make a flat spin, and what it leaves. */
export interface EqualStickYaw extends CurveFit {
  /** Largest angle, °, between the spin these sticks make and the flat one, over the sticks from a tenth to full. */
  readonly worstTiltOffDeg: number;
}

const STICKS = Array.from({ length: 91 }, (_, i) => 0.1 + i / 100);

/**
 * Solves the yaw curve of the same family for "equal sticks make a flat spin": yaw = roll / tan(tilt) at every stick, as a level-camera turn at
 * this tilt has roll : yaw = tan(tilt). Below about 20° of tilt the yaw this asks for is beyond any curve; then `worstTiltOffDeg` is large.
 */
export function equalStickYaw(roll: RateCurve, yaw: RateCurve, tiltDeg: number): EqualStickYaw {
  requireRateCurve(roll, "roll");
  requireRateCurve(yaw, "yaw");
  const tan = Math.tan(RAD_PER_DEG * requireNumber("tiltDeg", tiltDeg, 1, 89));
  const fit = fitRates((stick) => rateAtStick(roll, stick) / tan, yaw.family);
  return { ...fit, worstTiltOffDeg: equalStickError(roll, fit.curve, tiltDeg) };
}

/** Largest angle, °, between the axis that equal sticks turn about and the upright one a flat spin at this tilt wants. */
export function equalStickError(roll: RateCurve, yaw: RateCurve, tiltDeg: number): number {
  requireRateCurve(roll, "roll");
  requireRateCurve(yaw, "yaw");
  requireNumber("tiltDeg", tiltDeg, -90, 90);
  return Math.max(
    ...STICKS.map((stick) => {
      const flownDeg = DEG_PER_RAD * Math.atan2(rateAtStick(roll, stick), rateAtStick(yaw, stick));
      return Math.abs(flownDeg - tiltDeg);
    }),
  );
}
