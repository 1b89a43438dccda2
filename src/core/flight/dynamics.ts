import { requireAirframe, type Airframe } from "../airframe";
import { STANDARD_GRAVITY_MPS2 } from "../atmosphere";
import { RAD_PER_DEG, requireNumber } from "../numbers";

/**
 * Layout of the state vector. Position north, east, down (m); velocity in the world (m/s); attitude quaternion
 * body to world; body rates p, q, r (rad/s); speed fractions of the rotors front right, rear right, rear left, front left.
 */
export const STATE = {
  north: 0,
  east: 1,
  down: 2,
  vNorth: 3,
  vEast: 4,
  vDown: 5,
  qw: 6,
  qx: 7,
  qy: 8,
  qz: 9,
  p: 10,
  q: 11,
  r: 12,
  rotor: 13,
} as const;
export const STATE_SIZE = 17;

/** Layout of the command vector: commanded body rates (rad/s) and collective thrust fraction 0..1. */
export const COMMAND = { p: 0, q: 1, r: 2, thrust: 3 } as const;
export const COMMAND_SIZE = 4;

/** Rate-loop gains in 1/s: wanted torque = inertia · gain · (commanded − actual). Common practice, no source. */
export const RATE_LOOP_PER_S = { roll: 20, pitch: 20, yaw: 9 } as const;
/** Largest thrust difference per rotor spent on yaw, as a share of its full thrust. Common practice, no source. */
export const YAW_SHARE_LIMIT = 0.35;

/** What surrounds the aircraft, constant through a flight. */
export interface FlightMedium {
  readonly airDensityKgM3: number;
  readonly windNorthMps: number;
  readonly windEastMps: number;
}

export type Derivative = (state: Float64Array, command: Float64Array, out: Float64Array) => void;

/**
 * The equations of motion of four rotors on a rigid body as a function that writes d(state)/dt into `out`.
 * Newton-Euler with gyroscopic term, body-axis drag F = −½ρ·CdA·|v|·v, first-order rotor lag, thrust Tmax·n² along
 * −z and reaction torque c·thrust; the rate controller and its mixing limits act continuously.
 */
export function createDerivative(airframe: Airframe, medium: FlightMedium, idleAuthority: boolean): Derivative {
  requireAirframe(airframe);
  const mass = airframe.massKg;
  const gravity = STANDARD_GRAVITY_MPS2;
  const rotorMax = (mass * gravity * airframe.thrustToWeight) / 4;
  const idleThrust = rotorMax * airframe.idleSpeedFraction * airframe.idleSpeedFraction;
  const room = rotorMax - idleThrust;
  const arm = airframe.motorDiagonalM / (2 * Math.SQRT2);
  const { x: ix, y: iy, z: iz } = airframe.inertiaKgM2;
  const c = airframe.torquePerThrustM;
  const rollGain = (ix * RATE_LOOP_PER_S.roll) / (4 * arm);
  const pitchGain = (iy * RATE_LOOP_PER_S.pitch) / (4 * arm);
  const yawGain = (iz * RATE_LOOP_PER_S.yaw) / (4 * c);
  const yawCap = YAW_SHARE_LIMIT * rotorMax;
  const halfRho = 0.5 * requireNumber("airDensityKgM3", medium.airDensityKgM3, 0.1, 2);
  const windNorth = requireNumber("windNorthMps", medium.windNorthMps, -60, 60);
  const windEast = requireNumber("windEastMps", medium.windEastMps, -60, 60);
  const dragX = (halfRho * airframe.dragAreaM2.x) / mass;
  const dragY = (halfRho * airframe.dragAreaM2.y) / mass;
  const dragZ = (halfRho * airframe.dragAreaM2.z) / mass;
  const perUp = 1 / airframe.rotorUpS;
  const perDown = 1 / airframe.rotorDownS;
  const rotorAcceleration = rotorMax / mass;
  const rollTorque = (arm * rotorMax) / ix;
  const pitchTorque = (arm * rotorMax) / iy;
  const yawTorque = (c * rotorMax) / iz;
  const gyroX = (iy - iz) / ix;
  const gyroY = (iz - ix) / iy;
  const gyroZ = (ix - iy) / iz;

  return (s, command, out) => {
    const vn = s[3];
    const ve = s[4];
    const vd = s[5];
    const w = s[6];
    const x = s[7];
    const y = s[8];
    const z = s[9];
    const p = s[10];
    const q = s[11];
    const r = s[12];

    // Wanted thrust of each rotor.
    const roll = rollGain * (command[0] - p);
    const pitch = pitchGain * (command[1] - q);
    let yaw = yawGain * (command[2] - r);
    if (yaw > yawCap) yaw = yawCap;
    else if (yaw < -yawCap) yaw = -yawCap;
    let d0 = -roll + pitch + yaw;
    let d1 = -roll - pitch - yaw;
    let d2 = roll - pitch + yaw;
    let d3 = roll + pitch - yaw;
    let low = d0 < d1 ? d0 : d1;
    if (d2 < low) low = d2;
    if (d3 < low) low = d3;
    let high = d0 > d1 ? d0 : d1;
    if (d2 > high) high = d2;
    if (d3 > high) high = d3;
    let mean = command[3] * rotorMax;
    if (mean < idleThrust) mean = idleThrust;
    else if (mean > rotorMax) mean = rotorMax;
    let scale = high - low > room ? room / (high - low) : 1;
    // Without idle authority nothing raises the mean: differences shrink to the room below it.
    if (!idleAuthority && mean + scale * low < idleThrust) scale = (mean - idleThrust) / -low;
    d0 *= scale;
    d1 *= scale;
    d2 *= scale;
    d3 *= scale;
    if (mean + scale * low < idleThrust) mean = idleThrust - scale * low;
    if (mean + scale * high > rotorMax) mean = rotorMax - scale * high;

    // Rotor lag towards the speed that gives the wanted thrust.
    const n0 = s[13];
    const n1 = s[14];
    const n2 = s[15];
    const n3 = s[16];
    const e0 = Math.sqrt(Math.abs(mean + d0) / rotorMax) - n0;
    const e1 = Math.sqrt(Math.abs(mean + d1) / rotorMax) - n1;
    const e2 = Math.sqrt(Math.abs(mean + d2) / rotorMax) - n2;
    const e3 = Math.sqrt(Math.abs(mean + d3) / rotorMax) - n3;
    out[13] = e0 > 0 ? e0 * perUp : e0 * perDown;
    out[14] = e1 > 0 ? e1 * perUp : e1 * perDown;
    out[15] = e2 > 0 ? e2 * perUp : e2 * perDown;
    out[16] = e3 > 0 ? e3 * perUp : e3 * perDown;
    const t0 = n0 * n0;
    const t1 = n1 * n1;
    const t2 = n2 * n2;
    const t3 = n3 * n3;

    // Air-relative velocity in body axes (rows of the transposed direction cosine matrix).
    const an = vn - windNorth;
    const ae = ve - windEast;
    const m00 = 1 - 2 * (y * y + z * z);
    const m01 = 2 * (x * y - w * z);
    const m02 = 2 * (x * z + w * y);
    const m10 = 2 * (x * y + w * z);
    const m11 = 1 - 2 * (x * x + z * z);
    const m12 = 2 * (y * z - w * x);
    const m20 = 2 * (x * z - w * y);
    const m21 = 2 * (y * z + w * x);
    const m22 = 1 - 2 * (x * x + y * y);
    const u = m00 * an + m10 * ae + m20 * vd;
    const v = m01 * an + m11 * ae + m21 * vd;
    const h = m02 * an + m12 * ae + m22 * vd;
    const speed = Math.sqrt(u * u + v * v + h * h);
    const fx = -dragX * speed * u;
    const fy = -dragY * speed * v;
    const fz = -dragZ * speed * h - rotorAcceleration * (t0 + t3 + (t1 + t2));

    out[0] = vn;
    out[1] = ve;
    out[2] = vd;
    out[3] = m00 * fx + m01 * fy + m02 * fz;
    out[4] = m10 * fx + m11 * fy + m12 * fz;
    out[5] = m20 * fx + m21 * fy + m22 * fz + gravity;
    out[6] = -0.5 * (x * p + y * q + z * r);
    out[7] = 0.5 * (w * p + y * r - z * q);
    out[8] = 0.5 * (w * q + z * p - x * r);
    out[9] = 0.5 * (w * r + x * q - y * p);
    out[10] = rollTorque * (t2 + t3 - (t0 + t1)) + gyroX * q * r;
    out[11] = pitchTorque * (t0 + t3 - (t1 + t2)) + gyroY * p * r;
    out[12] = yawTorque * (t0 + t2 - (t1 + t3)) + gyroZ * p * q;
  };
}

/** Rest state at a height above the ground: level, heading north, rotors at the speed that gives `thrustFraction` of full thrust. */
export function levelState(heightM: number, thrustFraction: number, pitchDeg = 0): Float64Array {
  const state = new Float64Array(STATE_SIZE);
  state[STATE.down] = -heightM;
  state[STATE.qw] = Math.cos(0.5 * pitchDeg * RAD_PER_DEG);
  state[STATE.qy] = Math.sin(0.5 * pitchDeg * RAD_PER_DEG);
  state.fill(Math.sqrt(thrustFraction), STATE.rotor);
  return state;
}
