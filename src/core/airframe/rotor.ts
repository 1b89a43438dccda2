import { requireFinite } from "../numbers";
import { SEA_LEVEL_DENSITY_KGM3 } from "../atmosphere";
import { rotorThrustN, type Airframe } from "./airframe";

/**
 * Induced speed of a hovering rotor at full speed, m/s, from momentum theory: v = √(T/(2ρA)) with the disc area A (Leishman, Principles of
 * Helicopter Aerodynamics, 2.2). Thrust goes with density, so the density cancels; at speed fraction n it is n times this.
 */
export function inducedSpeedMps(airframe: Airframe): number {
  const discM2 = 0.25 * Math.PI * airframe.propellerDiameterM ** 2;
  const speed = Math.sqrt(
    rotorThrustN(airframe) / (2 * (airframe.measuredDensityKgM3 ?? SEA_LEVEL_DENSITY_KGM3) * discM2),
  );
  return requireFinite("propellerDiameterM", speed);
}

/** How far a rotor is in its own wake, 0..1, sinking at so many times its induced speed: nothing below 0.5 and above 1.5, all of it at 1. */
function wakeDepth(sinkOverInduced: number): number {
  const inside = (sinkOverInduced - 0.5) * (1.5 - sinkOverInduced);
  return inside > 0 ? 16 * inside * inside : 0;
}

/**
 * Thrust of a rotor at speed fraction `n`, over its full static thrust in the same air, with the air coming along the thrust at `axialMps`
 * (positive: it climbs). Climbing n² − n·V/V_pitch, never below 0: the angle of attack of the blades falls in proportion to V/n (blade element
 * theory; Leishman, 3.2). Sinking never above static, less what the wake takes.
 */
export function rotorThrust(airframe: Airframe, n: number, axialMps: number): number {
  const still = n * n;
  if (axialMps >= 0) {
    return airframe.pitchSpeedMps === null ? still : Math.max(0, still - (n * axialMps) / airframe.pitchSpeedMps);
  }
  if (airframe.wakeLossShare === 0 || n === 0) return still;
  return still * (1 - airframe.wakeLossShare * wakeDepth(-axialMps / (n * inducedSpeedMps(airframe))));
}

/** Speed fraction of a rotor that gives a thrust (over full static thrust in the same air) at an axial air speed, the inverse of `rotorThrust`. */
export function rotorSpeedForThrust(airframe: Airframe, thrust: number, axialMps: number): number {
  if (axialMps >= 0) {
    const half = airframe.pitchSpeedMps === null ? 0 : (0.5 * axialMps) / airframe.pitchSpeedMps;
    return half + Math.sqrt(half * half + thrust);
  }
  let n = Math.sqrt(thrust);
  const { wakeLossShare } = airframe;
  if (wakeLossShare === 0 || n === 0) return n;
  const sink = -axialMps / inducedSpeedMps(airframe);
  // The loss is a fifth at most and changes slowly with n, so a few rounds settle it.
  for (let round = 0; round < 40; round++) {
    const next = Math.sqrt(thrust / (1 - wakeLossShare * wakeDepth(sink / n)));
    if (Math.abs(next - n) < 1e-10) break;
    n = next;
  }
  return n;
}
