import { STANDARD_GRAVITY_MPS2 } from "../atmosphere";
import { DomainError, requireFinite, requireNumber } from "../numbers";

/** Numbers of one aircraft. Body axes: x forward, y right, z down. */
export interface Airframe {
  /** All-up mass with battery, kg. */
  readonly massKg: number;
  /** Full-throttle static thrust over weight, on a full pack, in air of `measuredDensityKgM3`. */
  readonly thrustToWeight: number;
  /** Motor to motor across the middle, m. */
  readonly motorDiagonalM: number;
  /** Principal moments of inertia, kg m². */
  readonly inertiaKgM2: { readonly x: number; readonly y: number; readonly z: number };
  /** Rotor reaction torque over static thrust, m. */
  readonly torquePerThrustM: number;
  /** First-order time constants of a rotor gaining and losing speed, s. */
  readonly rotorUpS: number;
  readonly rotorDownS: number;
  /** Rotor speed at closed throttle over full speed. */
  readonly idleSpeedFraction: number;
  /** Drag area (coefficient times area) along each body axis, m². */
  readonly dragAreaM2: { readonly x: number; readonly y: number; readonly z: number };
  /** Curvature a of the thrust curve: thrust fraction = (1−a)u + a·u². */
  readonly thrustCurve: number;
  /** Air speed along the thrust at which a rotor at full speed gives none, m/s: about propeller pitch times full speed; null for thrust that inflow does not touch. */
  readonly pitchSpeedMps: number | null;
  /** Propeller diameter, m; with the thrust it gives the induced speed. */
  readonly propellerDiameterM: number;
  /** Largest share of its thrust that a rotor loses while it sinks through its own wake, 0..1. */
  readonly wakeLossShare: number;
  /** Standard deviation of the thrust of each rotor there, share of it; flights with a seed draw it. */
  readonly wakeShakeShare: number;
  /** Air density in which the thrust was measured, kg/m³; null for thrust that density does not touch. */
  readonly measuredDensityKgM3: number | null;
  /** Drag of rotors and ducts along body x and y over speed, with all rotors at full speed in standard sea-level air, N per m/s. */
  readonly linearDragNPerMps: number;
  /** Rate-loop gain of each axis, 1/s: wanted angular acceleration over rate error. */
  readonly rateLoopPerS: { readonly roll: number; readonly pitch: number; readonly yaw: number };
  /** Share of the change of the commanded rate that the loop adds outright, without waiting for an error. */
  readonly feedForwardShare: number;
  /** How the battery sags; null for a voltage that never does. */
  readonly sag: BatterySag | null;
}

/** A battery's sag, as shares of the voltage of a full pack. Thrust goes with the square of the voltage. */
export interface BatterySag {
  /** Resting voltage lost from a full to an empty pack. */
  readonly emptyShare: number;
  /** Voltage lost to the load of full throttle. */
  readonly loadShare: number;
  /** How long a full pack would last at full throttle, s. */
  readonly fullThrottleS: number;
}

/** Allowed range of every field, also for forms. */
export const airframeRanges = {
  massKg: [0.01, 25],
  thrustToWeight: [1.1, 20],
  motorDiagonalM: [0.03, 2],
  inertia: [1e-7, 5],
  torquePerThrustM: [0.0005, 0.2],
  rotorUpS: [0.003, 0.5],
  rotorDownS: [0.003, 0.5],
  idleSpeedFraction: [0.01, 0.3],
  dragArea: [0.00005, 2],
  thrustCurve: [0, 1],
  pitchSpeedMps: [5, 150],
  propellerDiameterM: [0.015, 1],
  wakeLossShare: [0, 0.5],
  wakeShakeShare: [0, 0.3],
  measuredDensityKgM3: [0.3, 1.6],
  linearDragNPerMps: [0, 20],
  rateLoopPerS: [2, 80],
  feedForwardShare: [0, 1],
  emptyShare: [0, 0.4],
  loadShare: [0, 0.4],
  fullThrottleS: [5, 3600],
} as const satisfies Record<string, readonly [number, number]>;

/** The loop of an aircraft without a size of its own, 1/s. Common practice, no source. */
const IDEAL_RATE_LOOP_PER_S = { roll: 20, pitch: 20, yaw: 9 } as const;

/** Returns the airframe when every field is in range; throws a DomainError naming the first that is not. */
export function requireAirframe(airframe: Airframe): Airframe {
  const check = (field: string, value: unknown, [min, max]: readonly [number, number]) =>
    requireNumber(`airframe.${field}`, value, min, max);
  check("massKg", airframe?.massKg, airframeRanges.massKg);
  check("thrustToWeight", airframe.thrustToWeight, airframeRanges.thrustToWeight);
  check("motorDiagonalM", airframe.motorDiagonalM, airframeRanges.motorDiagonalM);
  check("torquePerThrustM", airframe.torquePerThrustM, airframeRanges.torquePerThrustM);
  check("rotorUpS", airframe.rotorUpS, airframeRanges.rotorUpS);
  check("rotorDownS", airframe.rotorDownS, airframeRanges.rotorDownS);
  check("idleSpeedFraction", airframe.idleSpeedFraction, airframeRanges.idleSpeedFraction);
  check("thrustCurve", airframe.thrustCurve, airframeRanges.thrustCurve);
  for (const axis of ["x", "y", "z"] as const) {
    check(`inertiaKgM2.${axis}`, airframe.inertiaKgM2?.[axis], airframeRanges.inertia);
    check(`dragAreaM2.${axis}`, airframe.dragAreaM2?.[axis], airframeRanges.dragArea);
  }
  requireRigidBody(airframe.inertiaKgM2);
  if (airframe.pitchSpeedMps !== null) check("pitchSpeedMps", airframe.pitchSpeedMps, airframeRanges.pitchSpeedMps);
  check("propellerDiameterM", airframe.propellerDiameterM, airframeRanges.propellerDiameterM);
  check("wakeLossShare", airframe.wakeLossShare, airframeRanges.wakeLossShare);
  check("wakeShakeShare", airframe.wakeShakeShare, airframeRanges.wakeShakeShare);
  if (airframe.measuredDensityKgM3 !== null)
    check("measuredDensityKgM3", airframe.measuredDensityKgM3, airframeRanges.measuredDensityKgM3);
  check("linearDragNPerMps", airframe.linearDragNPerMps, airframeRanges.linearDragNPerMps);
  for (const axis of ["roll", "pitch", "yaw"] as const)
    check(`rateLoopPerS.${axis}`, airframe.rateLoopPerS?.[axis], airframeRanges.rateLoopPerS);
  check("feedForwardShare", airframe.feedForwardShare, airframeRanges.feedForwardShare);
  if (airframe.sag !== null)
    for (const name of ["emptyShare", "loadShare", "fullThrottleS"] as const)
      check(`sag.${name}`, airframe.sag?.[name], airframeRanges[name]);
  return airframe;
}

/** No principal moment of a rigid body is larger than the other two together (triangle inequality; Goldstein, Classical Mechanics, from memory). */
function requireRigidBody({ x, y, z }: Airframe["inertiaKgM2"]): void {
  for (const [axis, own, others] of [
    ["x", x, y + z],
    ["y", y, x + z],
    ["z", z, x + y],
  ] as const)
    requireNumber(`airframe.inertiaKgM2.${axis}`, own, airframeRanges.inertia[0], others);
}

/**
 * The same aircraft with every effect beyond rigid body, rotor lag and quadratic drag off: no inflow, wake, density, linear drag or sag, and
 * the rate loop at 20, 20, 9 per second without feed-forward. What equations are held against.
 */
export function idealAirframe(airframe: Airframe): Airframe {
  return {
    ...airframe,
    pitchSpeedMps: null,
    propellerDiameterM: airframe.propellerDiameterM ?? 0.1,
    wakeLossShare: 0,
    wakeShakeShare: 0,
    measuredDensityKgM3: null,
    linearDragNPerMps: 0,
    rateLoopPerS: IDEAL_RATE_LOOP_PER_S,
    feedForwardShare: 0,
    sag: null,
  };
}

/** Looked at in the innermost loops, so cheaply. */
function requireThrustCurve(airframe: Airframe): number {
  const a = airframe?.thrustCurve;
  return a >= 0 && a <= 1 ? a : requireNumber("airframe.thrustCurve", a, 0, 1);
}

/** Thrust over full thrust for a motor command 0..1: f(u) = (1−a)u + a·u². */
export function thrustFraction(airframe: Airframe, command: number): number {
  const u = command >= 0 && command <= 1 ? command : requireNumber("command", command, 0, 1);
  const a = requireThrustCurve(airframe);
  return (1 - a) * u + a * u * u;
}

/** Motor command 0..1 that gives a thrust fraction 0..1, the inverse of `thrustFraction`. */
export function commandForThrust(airframe: Airframe, fraction: number): number {
  const f = fraction >= 0 && fraction <= 1 ? fraction : requireNumber("fraction", fraction, 0, 1);
  const a = requireThrustCurve(airframe);
  const b = 1 - a;
  // The larger root of a·u² + b·u − f = 0, in the form that also holds for a = 0.
  return f === 0 ? 0 : (2 * f) / (b + Math.sqrt(b * b + 4 * a * f));
}

/** Thrust in air of this density over the thrust in the air of the measurement: ρ/ρ_measured (thrust of a rotor at a given speed goes with density). */
export function densityRatio(airframe: Airframe, airDensityKgM3: number): number {
  const ratio = airframe.measuredDensityKgM3 === null ? 1 : airDensityKgM3 / airframe.measuredDensityKgM3;
  return requireFinite("airDensityKgM3", ratio);
}

/** Static thrust over weight at full throttle on a full pack in air of this density. */
export function fullThrustG(airframe: Airframe, airDensityKgM3: number): number {
  return airframe.thrustToWeight * densityRatio(airframe, airDensityKgM3);
}

/** Motor command that hovers in air of this density, that of the measurement if not said: thrust fraction 1/W. Throws a DomainError when nothing does. */
export function hoverCommand(airframe: Airframe, airDensityKgM3?: number): number {
  const most = airDensityKgM3 === undefined ? airframe.thrustToWeight : fullThrustG(airframe, airDensityKgM3);
  if (most < 1)
    throw new DomainError(
      "airDensityKgM3",
      airDensityKgM3,
      "air that carries it",
      `airDensityKgM3 is ${airDensityKgM3}; in air so thin this aircraft has ${most.toFixed(2)} g and cannot hover`,
    );
  return commandForThrust(airframe, 1 / most);
}

/** The same aircraft at another weight: the motors push as before, so thrust over weight falls as mass grows; inertia goes with mass. */
export function withMass(airframe: Airframe, massKg: number): Airframe {
  const ratio = requireNumber("massKg", massKg, ...airframeRanges.massKg) / airframe.massKg;
  const { x, y, z } = airframe.inertiaKgM2;
  return {
    ...airframe,
    massKg,
    thrustToWeight: airframe.thrustToWeight / ratio,
    inertiaKgM2: { x: x * ratio, y: y * ratio, z: z * ratio },
  };
}

/** Full static thrust of one rotor in the air of the measurement, N. */
export function rotorThrustN(airframe: Airframe): number {
  return (airframe.massKg * STANDARD_GRAVITY_MPS2 * airframe.thrustToWeight) / 4;
}
