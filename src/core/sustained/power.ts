import { DomainError } from "../numbers";
import { commandForThrust, densityRatio, rotorSpeedForThrust, type Airframe } from "../airframe";
import { SEA_LEVEL_DENSITY_KGM3 } from "../atmosphere";

/** What the rotors do to give a thrust that lasts. */
export interface Power {
  /** Speed fraction of the rotors. */
  readonly rotorSpeed: number;
  /** Motor command 0..1. */
  readonly throttle: number;
}

/** More thrust asked for than the aircraft has. */
export class TooLittleThrust extends DomainError {
  constructor(message: string) {
    super("thrust", undefined, "", message);
  }
}

/**
 * Rotor speed and motor command for a thrust (over weight) while the air comes along it at `axialMps`, in air of this density and with this share of
 * the pack used. Null when full throttle does not give it.
 */
export function powerFor(
  airframe: Airframe,
  thrustG: number,
  axialMps: number,
  airDensityKgM3: number,
  packUsed = 0,
): Power | null {
  const full = airframe.thrustToWeight * densityRatio(airframe, airDensityKgM3);
  const rotorSpeed = rotorSpeedForThrust(airframe, Math.max(0, thrustG) / full, axialMps);
  const commanded = commandedSpeed(airframe, rotorSpeed, packUsed);
  if (!(commanded <= 1)) return null;
  return { rotorSpeed, throttle: commandForThrust(airframe, commanded * commanded) };
}

/** Speed fraction to command so that the rotors settle at `rotorSpeed` on a pack of which so much is used (`BatterySag`); above 1 where none does. */
function commandedSpeed({ sag }: Airframe, rotorSpeed: number, packUsed: number): number {
  if (!sag || packUsed === 0) return rotorSpeed;
  const settled = (commanded: number) =>
    commanded * (1 - sag.emptyShare * packUsed - sag.loadShare * (rotorSpeed ** 3 - commanded ** 3));
  if (settled(1) < rotorSpeed) return Infinity;
  let low = 0;
  let high = 1;
  for (let i = 0; i < 45; i++) {
    const middle = 0.5 * (low + high);
    if (settled(middle) < rotorSpeed) low = middle;
    else high = middle;
  }
  return high;
}

/** Most thrust over weight with the air coming along it at `axialMps`, throttle full. */
export function mostThrustG(airframe: Airframe, axialMps: number, airDensityKgM3: number, packUsed = 0): number {
  let low = 0;
  let high = 2 * airframe.thrustToWeight * densityRatio(airframe, airDensityKgM3);
  for (let i = 0; i < 50; i++) {
    const middle = 0.5 * (low + high);
    if (powerFor(airframe, middle, axialMps, airDensityKgM3, packUsed)) low = middle;
    else high = middle;
  }
  return low;
}

/** Drag of rotors and ducts along body x or y over speed, 1/s, with the rotors at one speed. */
export function rotorDragPerS(airframe: Airframe, rotorSpeed: number, airDensityKgM3: number): number {
  return (airframe.linearDragNPerMps * rotorSpeed * (airDensityKgM3 / SEA_LEVEL_DENSITY_KGM3)) / airframe.massKg;
}
