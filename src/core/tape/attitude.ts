import { RAD_PER_DEG } from "../numbers";
import { gyroBias, type GyroBias } from "./bias";
import type { Tape } from "./tape";

/** Attitude against that of the first row, a unit quaternion a row: w, x, y, z one after another. */
export interface TapeAttitude {
  readonly quaternions: Float64Array;
  readonly bias: GyroBias;
}

/**
 * Attitude by integrating the gyro, its bias taken off. Between two rows the rate is taken as a straight line; the rotation is the exponential of its second-order
 * Magnus term, (ω₀+ω₁)·h/2 + h²/12·(ω₀×ω₁) (Iserles and Nørsett 1999), so that coning is kept. Only differences over a few seconds mean anything.
 */
export function attitude(tape: Tape): TapeAttitude {
  const { timeS, gyroDps } = tape;
  const bias = gyroBias(tape);
  const count = timeS.length;
  const quaternions = new Float64Array(4 * count);
  let [w, x, y, z] = [1, 0, 0, 0];
  quaternions[0] = 1;
  const rate = (i: number) => [
    RAD_PER_DEG * (gyroDps.roll[i] - bias.dps.roll),
    RAD_PER_DEG * (gyroDps.pitch[i] - bias.dps.pitch),
    RAD_PER_DEG * (gyroDps.yaw[i] - bias.dps.yaw),
  ];
  let [p, q, r] = rate(0);
  for (let i = 1; i < count; i++) {
    const h = timeS[i] - timeS[i - 1];
    const [p1, q1, r1] = rate(i);
    const c = (h * h) / 12;
    const a = 0.5 * h * (p + p1) + c * (q * r1 - r * q1);
    const b = 0.5 * h * (q + q1) + c * (r * p1 - p * r1);
    const d = 0.5 * h * (r + r1) + c * (p * q1 - q * p1);
    const angle = Math.sqrt(a * a + b * b + d * d);
    const s = angle > 1e-12 ? Math.sin(angle / 2) / angle : 0.5;
    const [tw, tx, ty, tz] = [Math.cos(angle / 2), s * a, s * b, s * d];
    const [nw, nx, ny, nz] = [
      w * tw - x * tx - y * ty - z * tz,
      w * tx + x * tw + y * tz - z * ty,
      w * ty - x * tz + y * tw + z * tx,
      w * tz + x * ty - y * tx + z * tw,
    ];
    const norm = 1 / Math.sqrt(nw * nw + nx * nx + ny * ny + nz * nz);
    [w, x, y, z] = [nw * norm, nx * norm, ny * norm, nz * norm];
    quaternions.set([w, x, y, z], 4 * i);
    [p, q, r] = [p1, q1, r1];
  }
  return { quaternions, bias };
}
