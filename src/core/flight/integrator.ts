import { STAGE_SIZE, type Derivative } from "./dynamics";
import { COMMAND_SIZE, STATE_SIZE } from "./state";

/** Advances `state` in place by `dtS`; the command runs linearly from `start` to `end` across the step. */
export type Step = (state: Float64Array, start: Float64Array, end: Float64Array, dtS: number) => void;

/** Classical fourth-order Runge-Kutta step (Kutta 1901) with the quaternion renormalised after it. Allocates once, here. */
export function createStep({ ahead }: Derivative): Step {
  const k1 = new Float64Array(STATE_SIZE);
  const k2 = new Float64Array(STATE_SIZE);
  const k3 = new Float64Array(STATE_SIZE);
  const k4 = new Float64Array(STATE_SIZE);
  const middle = new Float64Array(COMMAND_SIZE);
  const stage = new Float64Array(STAGE_SIZE);

  return (state, start, end, dtS) => {
    average(middle, start, end);
    slope(stage, start, end, 1 / dtS);
    stage[3] = 0;
    ahead(state, k4, start, k1, stage);
    stage[3] = 0.5 * dtS;
    ahead(state, k1, middle, k2, stage);
    ahead(state, k2, middle, k3, stage);
    stage[3] = dtS;
    ahead(state, k3, end, k4, stage);
    combine(state, k1, k2, k3, k4, dtS / 6);
    renormalise(state);
  };
}

// Written out number by number: compilers here do not unroll loops, and these three are the innermost of all (half as fast again).
function average(out: Float64Array, a: Float64Array, b: Float64Array): void {
  out[0] = 0.5 * (a[0] + b[0]);
  out[1] = 0.5 * (a[1] + b[1]);
  out[2] = 0.5 * (a[2] + b[2]);
  out[3] = 0.5 * (a[3] + b[3]);
}

function slope(out: Float64Array, a: Float64Array, b: Float64Array, perS: number): void {
  out[0] = (b[0] - a[0]) * perS;
  out[1] = (b[1] - a[1]) * perS;
  out[2] = (b[2] - a[2]) * perS;
}

function combine(
  state: Float64Array,
  k1: Float64Array,
  k2: Float64Array,
  k3: Float64Array,
  k4: Float64Array,
  sixth: number,
): void {
  state[0] += sixth * (k1[0] + 2 * (k2[0] + k3[0]) + k4[0]);
  state[1] += sixth * (k1[1] + 2 * (k2[1] + k3[1]) + k4[1]);
  state[2] += sixth * (k1[2] + 2 * (k2[2] + k3[2]) + k4[2]);
  state[3] += sixth * (k1[3] + 2 * (k2[3] + k3[3]) + k4[3]);
  state[4] += sixth * (k1[4] + 2 * (k2[4] + k3[4]) + k4[4]);
  state[5] += sixth * (k1[5] + 2 * (k2[5] + k3[5]) + k4[5]);
  state[6] += sixth * (k1[6] + 2 * (k2[6] + k3[6]) + k4[6]);
  state[7] += sixth * (k1[7] + 2 * (k2[7] + k3[7]) + k4[7]);
  state[8] += sixth * (k1[8] + 2 * (k2[8] + k3[8]) + k4[8]);
  state[9] += sixth * (k1[9] + 2 * (k2[9] + k3[9]) + k4[9]);
  state[10] += sixth * (k1[10] + 2 * (k2[10] + k3[10]) + k4[10]);
  state[11] += sixth * (k1[11] + 2 * (k2[11] + k3[11]) + k4[11]);
  state[12] += sixth * (k1[12] + 2 * (k2[12] + k3[12]) + k4[12]);
  state[13] += sixth * (k1[13] + 2 * (k2[13] + k3[13]) + k4[13]);
  state[14] += sixth * (k1[14] + 2 * (k2[14] + k3[14]) + k4[14]);
  state[15] += sixth * (k1[15] + 2 * (k2[15] + k3[15]) + k4[15]);
  state[16] += sixth * (k1[16] + 2 * (k2[16] + k3[16]) + k4[16]);
  state[17] += sixth * (k1[17] + 2 * (k2[17] + k3[17]) + k4[17]);
}

function renormalise(state: Float64Array): void {
  const w = state[6];
  const x = state[7];
  const y = state[8];
  const z = state[9];
  const scale = 1 / Math.sqrt(w * w + x * x + y * y + z * z);
  state[6] = w * scale;
  state[7] = x * scale;
  state[8] = y * scale;
  state[9] = z * scale;
}
