import { Solver } from "odex";
import { airframePresets, idealAirframe, type Airframe } from "../airframe";
import { toWorld } from "../attitude";
import { createDerivative, createStep, levelState, STATE, STATE_SIZE, YAW_SHARE_LIMIT, type Derivative } from ".";

const whole = airframePresets["five-inch-freestyle"].airframe;
/** The equations of motion by themselves; what is added to them is held in effects.test.ts. */
const five = idealAirframe(whole);
const calm = { airDensityKgM3: 1.225, windNorthMps: 0, windEastMps: 0 };
const noDrag = { x: 0.00005, y: 0.00005, z: 0.00005 };
const hover = 1 / five.thrustToWeight;

function advance(derivative: Derivative, start: Float64Array, command: readonly number[], dtS: number, endS: number) {
  const state = Float64Array.from(start);
  const held = Float64Array.from(command);
  const step = createStep(derivative);
  for (let i = 0; i < Math.round(endS / dtS); i++) step(state, held, held, dtS);
  return state;
}

function largestDifference(a: ArrayLike<number>, b: ArrayLike<number>): number {
  let largest = 0;
  for (let i = 0; i < a.length; i++) largest = Math.max(largest, Math.abs(a[i] - b[i]));
  return largest;
}

/** A smooth piece of flight: rates and thrust a little off hover, no limit touched, a drifting start. */
function smoothCase() {
  const start = levelState(30, hover);
  start[STATE.vNorth] = 6;
  start[STATE.p] = 0.6;
  start[STATE.q] = -0.4;
  start[STATE.r] = 0.3;
  return { derivative: createDerivative(five, calm, true), start, command: [0.7, -0.5, 0.35, hover * 1.1] };
}

it("holds a hover", () => {
  const state = advance(createDerivative(five, calm, true), levelState(10, hover), [0, 0, 0, hover], 1 / 500, 4);
  expect(state[STATE.down]).toBeCloseTo(-10, 6);
  expect(Math.abs(state[STATE.vNorth])).toBeLessThan(1e-9);
});

it("agrees with an independent ODE library (odex 2.0.4, Gragg-Bulirsch-Stoer after Hairer and Wanner)", () => {
  const { derivative, start, command } = smoothCase();
  const held = Float64Array.from(command);
  const solver = new Solver(STATE_SIZE);
  solver.absoluteTolerance = solver.relativeTolerance = 1e-11;
  solver.maxSteps = 100000;
  const reference = solver.solve(
    (_, y) => {
      const out = new Float64Array(STATE_SIZE);
      derivative(Float64Array.from(y), held, out);
      return Array.from(out);
    },
    0,
    Array.from(start),
    1,
  );
  expect(largestDifference(advance(derivative, start, command, 1 / 500, 1), reference.y)).toBeLessThan(1e-5);
});

it("converges with order 4", () => {
  const { start, command } = smoothCase();
  // Without the start-up switch of the rotor lag between its two time constants the right side is smooth.
  const smooth = createDerivative({ ...five, rotorDownS: five.rotorUpS }, calm, true);
  const exact = advance(smooth, start, command, 1 / 64000, 0.1);
  const errors = [1 / 500, 1 / 1000, 1 / 2000].map((dt) =>
    largestDifference(advance(smooth, start, command, dt, 0.1), exact),
  );
  expect(Math.log2(errors[0] / errors[1])).toBeGreaterThan(3.6);
  expect(Math.log2(errors[1] / errors[2])).toBeGreaterThan(3.6);
});

it.each([
  ["ideal", five],
  ["with every effect", whole],
])(
  "500 Hz is fine enough: a saturated full-rate flip differs from 4 kHz by under 0.5° and 1 cm (%s)",
  (_, airframe) => {
    const derivative = createDerivative(airframe, calm, true);
    const start = levelState(50, hover);
    const coarse = advance(derivative, start, [0, 12, 0, 0], 1 / 500, 0.4);
    const fine = advance(derivative, start, [0, 12, 0, 0], 1 / 4000, 0.4);
    expect(Math.abs(coarse[STATE.down] - fine[STATE.down])).toBeLessThan(0.01);
    const dot = [6, 7, 8, 9].reduce((sum, i) => sum + coarse[i] * fine[i], 0);
    expect((2 * Math.acos(Math.min(1, Math.abs(dot))) * 180) / Math.PI).toBeLessThan(0.5);
  },
);

describe("free flight without drag or power", () => {
  const ballistic: Airframe = { ...five, dragAreaM2: noDrag, idleSpeedFraction: 0.01, rotorDownS: 0.003 };
  const derivative = createDerivative(ballistic, { ...calm, airDensityKgM3: 0.1 }, false);
  const thrown = () => {
    const state = levelState(0, 0.0001);
    state[STATE.vDown] = -12;
    state[STATE.vNorth] = 5;
    return state;
  };

  it("is in the air for 2v/g, the textbook projectile", () => {
    const endS = (2 * 12) / 9.80665;
    const state = advance(derivative, thrown(), [0, 0, 0, 0], endS / 1500, endS);
    expect(Math.abs(state[STATE.down])).toBeLessThan(0.1);
    expect(state[STATE.vDown]).toBeCloseTo(12, 1);
    expect(state[STATE.north]).toBeCloseTo(5 * endS, 1);
  });

  it("keeps energy and momentum", () => {
    const start = thrown();
    start[STATE.p] = start[STATE.q] = 0;
    const energy = (s: Float64Array) =>
      0.5 * (s[STATE.vNorth] ** 2 + s[STATE.vEast] ** 2 + s[STATE.vDown] ** 2) - 9.80665 * s[STATE.down];
    const end = advance(derivative, start, [0, 0, 0, 0], 1 / 500, 1);
    // What is left of idle thrust and drag in this airframe is under 2 in 1000 of weight.
    expect(Math.abs(energy(end) / energy(start) - 1)).toBeLessThan(0.005);
    expect(end[STATE.vNorth]).toBeCloseTo(5, 2);
  });
});

it("turns a body without torque by Euler's equations: angular momentum in the world and spin energy stay", () => {
  // With every rotor at the same speed and authority off at idle the loop has no room, so no torque acts.
  const body: Airframe = { ...five, idleSpeedFraction: 0.01 };
  const derivative = createDerivative(body, calm, false);
  const start = levelState(50, 0.0001);
  start.set([3, 1, 2], STATE.p);
  const momentum = (s: Float64Array) => {
    const { x, y, z } = body.inertiaKgM2;
    return toWorld({ w: s[6], x: s[7], y: s[8], z: s[9] }, { x: x * s[10], y: y * s[11], z: z * s[12] });
  };
  const spin = (s: Float64Array) =>
    body.inertiaKgM2.x * s[10] ** 2 + body.inertiaKgM2.y * s[11] ** 2 + body.inertiaKgM2.z * s[12] ** 2;
  const end = advance(derivative, start, [3, 1, 2, 0], 1 / 500, 2);
  for (const axis of ["x", "y", "z"] as const) expect(momentum(end)[axis]).toBeCloseTo(momentum(start)[axis], 6);
  expect(spin(end)).toBeCloseTo(spin(start), 6);
  expect(end[STATE.q]).not.toBeCloseTo(1, 1);
});

describe("rotors and mixer", () => {
  /** The speeds that the rotors are driven to: rate of change times the time constant, on top of what they have. */
  const aimedAt = (state: Float64Array, command: readonly number[]) => {
    const out = new Float64Array(STATE_SIZE);
    createDerivative(five, calm, true)(state, Float64Array.from(command), out);
    return [13, 14, 15, 16].map((i) => state[i] + out[i] * (out[i] > 0 ? five.rotorUpS : five.rotorDownS));
  };

  it("a rotor gains and loses speed by its exponential: 1 − e^(−t/τ) of the way", () => {
    const derivative = createDerivative(five, calm, true);
    for (const [from, to, tau] of [
      [0.1, 0.4, five.rotorUpS],
      [0.4, 0.1, five.rotorDownS],
    ]) {
      const [a, b] = [Math.sqrt(from), Math.sqrt(to)];
      const state = advance(derivative, levelState(50, from), [0, 0, 0, to], 1 / 4000, 0.04);
      expect(state[STATE.rotor]).toBeCloseTo(b + (a - b) * Math.exp(-0.04 / tau), 6);
    }
  });

  it("where the thrust differences do not fit, they are scaled alike, and idle and full are both reached", () => {
    const aimed = aimedAt(levelState(50, hover), [100, 60, 0, 0.5]);
    expect(Math.max(...aimed)).toBeCloseTo(1, 9);
    expect(Math.min(...aimed)).toBeCloseTo(five.idleSpeedFraction, 9);
    const [frontRight, rearRight, rearLeft, frontLeft] = aimed.map((n) => n * n);
    // Roll and pitch keep their proportion, that of inertia times error.
    const roll = rearLeft + frontLeft - frontRight - rearRight;
    const pitch = frontRight + frontLeft - rearRight - rearLeft;
    expect(roll / pitch).toBeCloseTo((0.003 * 100) / (0.0034 * 60), 6);
  });

  it("yaw is spent no more on than its share of a rotor's thrust", () => {
    const [frontRight] = aimedAt(levelState(50, 0.5), [0, 0, 100, 0.5]);
    expect(frontRight ** 2 - 0.5).toBeCloseTo(YAW_SHARE_LIMIT, 9);
  });
});

it("flies the mirrored path for mirrored input", () => {
  const derivative = createDerivative(five, calm, true);
  const right = advance(derivative, levelState(50, hover), [8, 2, 3, 0.3], 1 / 500, 1);
  const left = advance(derivative, levelState(50, hover), [-8, 2, -3, 0.3], 1 / 500, 1);
  const mirroredSign = [1, -1, 1, 1, -1, 1, 1, -1, 1, -1, -1, 1, -1];
  mirroredSign.forEach((sign, i) => expect(left[i] * sign).toBeCloseTo(right[i], 12));
  expect(left[STATE.rotor]).toBeCloseTo(right[STATE.rotor + 3], 9);
});
