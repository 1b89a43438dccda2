import { commandForThrust, requireAirframe, type Airframe } from "../airframe";
import { airDensity, STANDARD_GRAVITY_MPS2, type Air } from "../atmosphere";
import { bisect, RAD_PER_DEG, requireNumber } from "../numbers";

/** Level flight with the horizon through the middle of the picture. */
export interface Cruise {
  readonly speedMps: number;
  /** Thrust over weight. */
  readonly thrustG: number;
  /** Motor command 0..1. */
  readonly throttle: number;
}

/**
 * Level cruise at pitch −tilt: balance of thrust along −z, weight and body-axis drag, solved for the speed.
 * Throws a RangeError when the aircraft has not the thrust for it.
 */
export function cruise(airframe: Airframe, tiltDeg: number, air: Air): Cruise {
  requireAirframe(airframe);
  const tilt = RAD_PER_DEG * requireNumber("tiltDeg", tiltDeg, 0, 80);
  const sin = Math.sin(tilt);
  const cos = Math.cos(tilt);
  const halfRho = 0.5 * airDensity(air);
  const weight = airframe.massKg * STANDARD_GRAVITY_MPS2;
  // Body x is dipped by the tilt: a level velocity v has components v·cos along x and −v·sin along z.
  const drag = (v: number) => ({
    back: halfRho * v * v * (airframe.dragAreaM2.x * cos * cos + airframe.dragAreaM2.z * sin * sin),
    down: halfRho * v * v * cos * sin * (airframe.dragAreaM2.z - airframe.dragAreaM2.x),
  });
  // Vertical: T·cos = weight + down; horizontal: T·sin = back.
  const excess = (v: number) => ((weight + drag(v).down) * sin) / cos - drag(v).back;
  const speedMps = tilt === 0 ? 0 : (bisect(excess, 0, 400, 1e-9) ?? Number.NaN);
  const thrustG = (weight + drag(speedMps).down) / (cos * weight);
  if (!(thrustG <= airframe.thrustToWeight)) {
    throw new TooLittleThrust(
      `tiltDeg is ${tiltDeg}; level cruise needs more than the ${airframe.thrustToWeight} g this aircraft has`,
    );
  }
  return { speedMps, thrustG, throttle: commandForThrust(airframe, thrustG / airframe.thrustToWeight) };
}

/** The same, or null for an aircraft that has not the thrust for it. Other wrong input still throws. */
export function cruiseIfPossible(airframe: Airframe, tiltDeg: number, air: Air): Cruise | null {
  try {
    return cruise(airframe, tiltDeg, air);
  } catch (error) {
    if (error instanceof TooLittleThrust) return null;
    throw error;
  }
}

class TooLittleThrust extends RangeError {}
