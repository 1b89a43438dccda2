import { DEG_PER_RAD, RAD_PER_DEG, requireFinite, requireNumber } from "../numbers";

/** Unit quaternion from body axes to world axes, scalar first, Hamilton product. */
export interface Quaternion {
  readonly w: number;
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

/** Components along x, y, z of the frame named where it is used (body: forward, right, down; world: north, east, down). */
export interface Vector3 {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

/** Yaw, pitch and roll in degrees, applied in that order (3-2-1, ISO 1151-1). */
export interface Euler {
  readonly yawDeg: number;
  readonly pitchDeg: number;
  readonly rollDeg: number;
}

export function multiply(a: Quaternion, b: Quaternion): Quaternion {
  return {
    w: a.w * b.w - a.x * b.x - a.y * b.y - a.z * b.z,
    x: a.w * b.x + a.x * b.w + a.y * b.z - a.z * b.y,
    y: a.w * b.y - a.x * b.z + a.y * b.w + a.z * b.x,
    z: a.w * b.z + a.x * b.y - a.y * b.x + a.z * b.w,
  };
}

/** The inverse rotation of a unit quaternion. */
export function conjugate(q: Quaternion): Quaternion {
  return { w: q.w, x: -q.x, y: -q.y, z: -q.z };
}

/** Body components to world components: q v q*. */
export function toWorld(q: Quaternion, v: Vector3): Vector3 {
  const tx = 2 * (q.y * v.z - q.z * v.y);
  const ty = 2 * (q.z * v.x - q.x * v.z);
  const tz = 2 * (q.x * v.y - q.y * v.x);
  return {
    x: v.x + q.w * tx + q.y * tz - q.z * ty,
    y: v.y + q.w * ty + q.z * tx - q.x * tz,
    z: v.z + q.w * tz + q.x * ty - q.y * tx,
  };
}

/** World components to body components. */
export function toBody(q: Quaternion, v: Vector3): Vector3 {
  return toWorld(conjugate(q), v);
}

/** Attitude of given Euler angles. Throws a DomainError for angles that are not finite. */
export function fromEuler({ yawDeg, pitchDeg, rollDeg }: Euler): Quaternion {
  const yaw = 0.5 * RAD_PER_DEG * requireNumber("yawDeg", yawDeg, -1e6, 1e6);
  const pitch = 0.5 * RAD_PER_DEG * requireNumber("pitchDeg", pitchDeg, -1e6, 1e6);
  const roll = 0.5 * RAD_PER_DEG * requireNumber("rollDeg", rollDeg, -1e6, 1e6);
  const cy = Math.cos(yaw);
  const sy = Math.sin(yaw);
  const cp = Math.cos(pitch);
  const sp = Math.sin(pitch);
  const cr = Math.cos(roll);
  const sr = Math.sin(roll);
  return {
    w: cr * cp * cy + sr * sp * sy,
    x: sr * cp * cy - cr * sp * sy,
    y: cr * sp * cy + sr * cp * sy,
    z: cr * cp * sy - sr * sp * cy,
  };
}

/** Euler angles of an attitude: yaw and roll in (−180, 180], pitch in [−90, 90] degrees. */
export function toEuler(q: Quaternion): Euler {
  requireFinite("attitude", q.w + q.x + q.y + q.z);
  const sinPitch = Math.max(-1, Math.min(1, 2 * (q.w * q.y - q.z * q.x)));
  return {
    yawDeg: DEG_PER_RAD * Math.atan2(2 * (q.w * q.z + q.x * q.y), 1 - 2 * (q.y * q.y + q.z * q.z)),
    pitchDeg: DEG_PER_RAD * Math.asin(sinPitch),
    rollDeg: DEG_PER_RAD * Math.atan2(2 * (q.w * q.x + q.y * q.z), 1 - 2 * (q.x * q.x + q.y * q.y)),
  };
}
