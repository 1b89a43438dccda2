import { requireNumber } from "../numbers";

/** Numbers of one aircraft. Body axes: x forward, y right, z down. */
export interface Airframe {
  /** All-up mass with battery, kg. */
  readonly massKg: number;
  /** Full-throttle static thrust over weight. */
  readonly thrustToWeight: number;
  /** Motor to motor across the middle, m. */
  readonly motorDiagonalM: number;
  /** Principal moments of inertia, kg m². */
  readonly inertiaKgM2: { readonly x: number; readonly y: number; readonly z: number };
  /** Rotor reaction torque over thrust, m. */
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
} as const satisfies Record<string, readonly [number, number]>;

/** Returns the airframe when every field is in range; throws a RangeError naming the first that is not. */
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
  return airframe;
}

/** Thrust over full thrust for a motor command 0..1: f(u) = (1−a)u + a·u². */
export function thrustFraction(airframe: Airframe, command: number): number {
  const u = requireNumber("command", command, 0, 1);
  const a = airframe.thrustCurve;
  return (1 - a) * u + a * u * u;
}

/** Motor command 0..1 that gives a thrust fraction 0..1, the inverse of `thrustFraction`. */
export function commandForThrust(airframe: Airframe, fraction: number): number {
  const f = requireNumber("fraction", fraction, 0, 1);
  const a = airframe.thrustCurve;
  const b = 1 - a;
  // The larger root of a·u² + b·u − f = 0, in the form that also holds for a = 0.
  return f === 0 ? 0 : (2 * f) / (b + Math.sqrt(b * b + 4 * a * f));
}

/** Motor command that hovers: thrust fraction 1/W. */
export function hoverCommand(airframe: Airframe): number {
  return commandForThrust(airframe, 1 / airframe.thrustToWeight);
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
