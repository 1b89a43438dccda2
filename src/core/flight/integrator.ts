import { COMMAND_SIZE, STATE_SIZE, type Derivative } from "./dynamics";

/** Advances `state` in place by `dtS`; the command runs linearly from `start` to `end` across the step. */
export type Step = (state: Float64Array, start: Float64Array, end: Float64Array, dtS: number) => void;

/** Classical fourth-order Runge-Kutta step (Kutta 1901) with the quaternion renormalised after it. Allocates once, here. */
export function createStep(derivative: Derivative): Step {
  // Local copies: module bindings are looked up at every use in some builds.
  const size = STATE_SIZE;
  const commandSize = COMMAND_SIZE;
  const k1 = new Float64Array(STATE_SIZE);
  const k2 = new Float64Array(STATE_SIZE);
  const k3 = new Float64Array(STATE_SIZE);
  const k4 = new Float64Array(STATE_SIZE);
  const at = new Float64Array(STATE_SIZE);
  const middle = new Float64Array(COMMAND_SIZE);

  return (state, start, end, dtS) => {
    const half = 0.5 * dtS;
    const sixth = dtS / 6;
    for (let i = 0; i < commandSize; i++) middle[i] = 0.5 * (start[i] + end[i]);
    derivative(state, start, k1);
    for (let i = 0; i < size; i++) at[i] = state[i] + half * k1[i];
    derivative(at, middle, k2);
    for (let i = 0; i < size; i++) at[i] = state[i] + half * k2[i];
    derivative(at, middle, k3);
    for (let i = 0; i < size; i++) at[i] = state[i] + dtS * k3[i];
    derivative(at, end, k4);
    for (let i = 0; i < size; i++) state[i] += sixth * (k1[i] + 2 * (k2[i] + k3[i]) + k4[i]);
    const w = state[6];
    const x = state[7];
    const y = state[8];
    const z = state[9];
    const scale = 1 / Math.sqrt(w * w + x * x + y * y + z * z);
    state[6] = w * scale;
    state[7] = x * scale;
    state[8] = y * scale;
    state[9] = z * scale;
  };
}
