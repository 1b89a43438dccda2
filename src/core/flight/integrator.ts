import { COMMAND_SIZE, STATE_SIZE, type Derivative } from "./dynamics";

/** Advances `state` in place by `dtS`; the command runs linearly from `start` to `end` across the step. */
export type Step = (state: Float64Array, start: Float64Array, end: Float64Array, dtS: number) => void;

// Constants of this module, so that the loops below have bounds the compiler knows.
const SIZE = STATE_SIZE;
const COMMANDS = COMMAND_SIZE;

/** Classical fourth-order Runge-Kutta step (Kutta 1901) with the quaternion renormalised after it. Allocates once, here. */
export function createStep(derivative: Derivative): Step {
  const k1 = new Float64Array(SIZE);
  const k2 = new Float64Array(SIZE);
  const k3 = new Float64Array(SIZE);
  const k4 = new Float64Array(SIZE);
  const at = new Float64Array(SIZE);
  const middle = new Float64Array(COMMANDS);

  return (state, start, end, dtS) => {
    average(middle, start, end);
    derivative(state, start, k1);
    along(at, state, k1, 0.5 * dtS);
    derivative(at, middle, k2);
    along(at, state, k2, 0.5 * dtS);
    derivative(at, middle, k3);
    along(at, state, k3, dtS);
    derivative(at, end, k4);
    combine(state, k1, k2, k3, k4, dtS / 6);
    renormalise(state);
  };
}

function average(out: Float64Array, a: Float64Array, b: Float64Array): void {
  for (let i = 0; i < COMMANDS; i++) out[i] = 0.5 * (a[i] + b[i]);
}

function along(out: Float64Array, from: Float64Array, slope: Float64Array, h: number): void {
  for (let i = 0; i < SIZE; i++) out[i] = from[i] + h * slope[i];
}

function combine(
  state: Float64Array,
  k1: Float64Array,
  k2: Float64Array,
  k3: Float64Array,
  k4: Float64Array,
  sixth: number,
): void {
  for (let i = 0; i < SIZE; i++) state[i] += sixth * (k1[i] + 2 * (k2[i] + k3[i]) + k4[i]);
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
