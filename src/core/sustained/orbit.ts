import { requireAirframe, type Airframe } from "../airframe";
import { airDensity, STANDARD_GRAVITY_MPS2, type Air } from "../atmosphere";
import { DEG_PER_RAD, RAD_PER_DEG, requireNumber } from "../numbers";
import { powerFor, rotorDragPerS, TooLittleThrust } from "./power";
import type { BodyRates } from "./rates";
import { turnRates } from "./turn";

const ROUNDS = 12;

/** Flying sideways round a point with the nose on it. */
export interface Orbit {
  readonly speedMps: number;
  readonly turnDps: number;
  /** Lean into the way of travel, against the drag, degrees. */
  readonly leanDeg: number;
  readonly thrustG: number;
  readonly throttle: number;
  readonly rates: BodyRates;
}

/**
 * Orbit with the nose to the centre and the horizon through the middle of the picture: pitch −tilt pulls inward with g·tan τ = v²/R, the lean
 * holds against the drag along body y. The drag's small vertical part is left out. Throws a DomainError when the aircraft has not the thrust.
 */
export function orbitFacingCentre(
  airframe: Airframe,
  orbit: { readonly radiusM: number; readonly tiltDeg: number; readonly clockwise: boolean },
  air: Air,
): Orbit {
  requireAirframe(airframe);
  const radius = requireNumber("radiusM", orbit.radiusM, 0.5, 200);
  const tilt = RAD_PER_DEG * requireNumber("tiltDeg", orbit.tiltDeg, 1, 80);
  const speedMps = Math.sqrt(radius * STANDARD_GRAVITY_MPS2 * Math.tan(tilt));
  const weight = airframe.massKg * STANDARD_GRAVITY_MPS2;
  const density = airDensity(air);
  const still = 0.5 * density * airframe.dragAreaM2.y * speedMps * speedMps;
  const leanWith = (rotorSpeed: number) =>
    Math.atan(
      (still / weight + (rotorDragPerS(airframe, rotorSpeed, density) * speedMps) / STANDARD_GRAVITY_MPS2) *
        Math.cos(tilt),
    );
  let lean = 0;
  let thrustG = 1;
  let power = powerFor(airframe, thrustG, 0, density);
  // The drag of the rotors asks for their speed, which asks for the lean: a few rounds settle it.
  for (let round = 0; round < ROUNDS && power; round++) {
    lean = leanWith(power.rotorSpeed);
    thrustG = 1 / (Math.cos(lean) * Math.cos(tilt));
    power = powerFor(airframe, thrustG, speedMps * Math.sin(lean), density);
  }
  if (!power)
    throw new TooLittleThrust(
      `radiusM is ${orbit.radiusM}; this orbit needs ${thrustG.toFixed(1)} g at ${speedMps.toFixed(1)} m/s, more than this aircraft has`,
    );
  // Seen from above and turning clockwise (yaw right), the aircraft travels to its left.
  const side = orbit.clockwise ? -1 : 1;
  const turnDps = (-side * DEG_PER_RAD * speedMps) / radius;
  const leanDeg = side * DEG_PER_RAD * lean;
  return {
    speedMps,
    turnDps,
    leanDeg,
    thrustG,
    throttle: power.throttle,
    rates: turnRates({ turnDps, pitchDeg: -orbit.tiltDeg, bankDeg: leanDeg }),
  };
}

/** An orbit that looks away from where it falls: sustained with so much thrust, or not at all. */
export type BackFacingOrbit =
  | { readonly sustainable: true; readonly thrustG: number }
  | { readonly sustainable: false; readonly reason: NotSustained };

/** No thrust points upward, so that it falls whatever the power; or it would take more than so many times the weight. */
export type NotSustained =
  | { readonly kind: "no-thrust-up" }
  | { readonly kind: "too-much-thrust"; readonly mostG: number };

/** More than any aircraft here has. */
const MOST_THRUST_G = 20;

/**
 * Thrust that holds height with the view raised by ε above the horizontal and turned by φ about its axis: the thrust axis is sin τ of the view
 * axis and cos τ of the picture's up, so thrust/mg = 1/(sin τ sin ε + cos τ cos φ cos ε).
 */
export function backFacingOrbit(orbit: {
  readonly tiltDeg: number;
  readonly viewElevationDeg: number;
  readonly viewRollDeg: number;
}): BackFacingOrbit {
  const tilt = RAD_PER_DEG * requireNumber("tiltDeg", orbit.tiltDeg, 0, 90);
  const elevation = RAD_PER_DEG * requireNumber("viewElevationDeg", orbit.viewElevationDeg, -90, 90);
  const roll = RAD_PER_DEG * requireNumber("viewRollDeg", orbit.viewRollDeg, -180, 180);
  const up = Math.sin(tilt) * Math.sin(elevation) + Math.cos(tilt) * Math.cos(roll) * Math.cos(elevation);
  if (up <= 1 / MOST_THRUST_G) {
    return {
      sustainable: false,
      reason: up <= 0 ? { kind: "no-thrust-up" } : { kind: "too-much-thrust", mostG: MOST_THRUST_G },
    };
  }
  return { sustainable: true, thrustG: 1 / up };
}
