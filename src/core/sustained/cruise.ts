import { fullThrustG, requireAirframe, type Airframe } from "../airframe";
import { airDensity, STANDARD_GRAVITY_MPS2, type Air } from "../atmosphere";
import { bisect, RAD_PER_DEG, requireNumber } from "../numbers";
import { powerFor, rotorDragPerS, TooLittleThrust } from "./power";

/** Level flight with the horizon through the middle of the picture. */
export interface Cruise {
  readonly speedMps: number;
  /** Thrust over weight. */
  readonly thrustG: number;
  /** Motor command 0..1. */
  readonly throttle: number;
  /** Speed fraction of the rotors. */
  readonly rotorSpeed: number;
}

/**
 * Level cruise at pitch −tilt, in body axes: weight against drag along x, thrust against weight and drag along z; the drag of the rotors asks for their
 * speed, which asks for the inflow v·sin τ. Solved for the speed. Throws a DomainError when the aircraft has not the thrust for it.
 */
export function cruise(airframe: Airframe, tiltDeg: number, air: Air, packUsed = 0): Cruise {
  requireAirframe(airframe);
  requireNumber("packUsed", packUsed, 0, 1);
  const tilt = RAD_PER_DEG * requireNumber("tiltDeg", tiltDeg, 0, 80);
  const sin = Math.sin(tilt);
  const cos = Math.cos(tilt);
  const density = airDensity(air);
  const g = STANDARD_GRAVITY_MPS2;
  const thrustAt = (v: number) => cos + (0.5 * density * airframe.dragAreaM2.z * v * v * sin) / airframe.massKg / g;
  // With a full-throttle rotor's drag where the aircraft has not the thrust: it is refused below.
  const powerAt = (v: number) => powerFor(airframe, thrustAt(v), v * sin, density, packUsed);
  const excess = (v: number) =>
    g * sin -
    (0.5 * density * airframe.dragAreaM2.x * v * v * cos) / airframe.massKg -
    rotorDragPerS(airframe, powerAt(v)?.rotorSpeed ?? 1, density) * v * cos;
  const speedMps = tilt === 0 ? 0 : (bisect(excess, 0, 400, 1e-9) ?? Number.NaN);
  const power = powerAt(speedMps);
  if (!power) {
    throw new TooLittleThrust(
      `tiltDeg is ${tiltDeg}; level cruise needs more than the ${fullThrustG(airframe, density).toFixed(1)} g this aircraft has standing still`,
    );
  }
  return { speedMps, thrustG: thrustAt(speedMps), ...power };
}

/** The same, or null for an aircraft that has not the thrust for it. Other wrong input still throws. */
export function cruiseIfPossible(airframe: Airframe, tiltDeg: number, air: Air, packUsed = 0): Cruise | null {
  try {
    return cruise(airframe, tiltDeg, air, packUsed);
  } catch (error) {
    if (error instanceof TooLittleThrust) return null;
    throw error;
  }
}

/** Fastest level flight: full throttle at the lean at which it just holds the height. Leans of 80° and more are left out. */
export function topSpeed(
  airframe: Airframe,
  air: Air,
  packUsed = 0,
): { readonly speedMps: number; readonly leanDeg: number } {
  const leanDeg = bisect((lean) => (cruiseIfPossible(airframe, lean, air, packUsed) ? -1 : 1), 0, 80, 0.01) ?? 80;
  const cruising = cruiseIfPossible(airframe, Math.max(0, leanDeg - 0.02), air, packUsed);
  return { speedMps: cruising?.speedMps ?? 0, leanDeg };
}

/** Lean at which level flight has a speed. Throws a DomainError for more speed than the aircraft has. */
export function leanForSpeed(aircraft: Airframe, speedMps: number, air: Air, packUsed = 0): number {
  const fastestAt = bisect((lean) => (cruiseIfPossible(aircraft, lean, air, packUsed) ? -1 : 1), 0, 80, 0.1) ?? 80;
  const lean = bisect(
    (tried) => (cruiseIfPossible(aircraft, tried, air, packUsed)?.speedMps ?? Infinity) - speedMps,
    0,
    fastestAt,
    1e-6,
  );
  if (lean === null)
    throw new TooLittleThrust(`speedMps is ${speedMps}; this aircraft does not fly that fast in level flight`);
  return lean;
}
