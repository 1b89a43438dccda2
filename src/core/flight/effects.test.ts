import {
  airframePresets,
  fullThrustG,
  hoverCommand,
  idealAirframe,
  inducedSpeedMps,
  rotorSpeedForThrust,
  rotorThrust,
  type Airframe,
} from "../airframe";
import { airDensity } from "../atmosphere";
import { createDerivative, createStep, levelState, runOnDeg, STATE, STATE_SIZE, type FlightMedium } from ".";

const five = airframePresets["five-inch-freestyle"].airframe;
const ideal = idealAirframe(five);
const calm: FlightMedium = { airDensityKgM3: 1.225, windNorthMps: 0, windEastMps: 0 };
const g = 9.80665;

function slopes(airframe: Airframe, state: Float64Array, command: readonly number[], medium = calm): Float64Array {
  const out = new Float64Array(STATE_SIZE);
  createDerivative(airframe, medium, true)(state, Float64Array.from(command), out);
  return out;
}

function fly(airframe: Airframe, start: Float64Array, command: readonly number[], seconds: number) {
  const state = Float64Array.from(start);
  const held = Float64Array.from(command);
  const step = createStep(createDerivative(airframe, calm, true));
  for (let i = 0; i < Math.round(seconds * 500); i++) step(state, held, held, 1 / 500);
  return state;
}

function climbing(mps: number, thrustFraction: number): Float64Array {
  const state = levelState(50, thrustFraction);
  state[STATE.vDown] = -mps;
  return state;
}

/** Upward acceleration from thrust alone, level. */
const pull = (airframe: Airframe, state: Float64Array, fraction: number, medium = calm) => {
  const v = state[STATE.vDown];
  const drag = (0.5 * medium.airDensityKgM3 * airframe.dragAreaM2.z * v * Math.abs(v)) / airframe.massKg;
  return g - slopes(airframe, state, [0, 0, 0, fraction], medium)[STATE.vDown] - drag;
};

describe("thrust falls with inflow", () => {
  it("climbing it is Tmax(n² − n·V/Vp) of each rotor, and nothing once the air comes as fast as the propeller pitches", () => {
    const n = 0.8;
    const inflow: Airframe = { ...ideal, pitchSpeedMps: 50 };
    for (const mps of [5, 15, 30])
      expect(pull(inflow, climbing(mps, n * n), n * n)).toBeCloseTo(
        g * five.thrustToWeight * (n * n - (n * mps) / 50),
        9,
      );
    expect(pull(inflow, climbing(45, n * n), n * n)).toBeCloseTo(0, 9);
    expect(rotorThrust(inflow, n, 40)).toBeCloseTo(0, 12);
    expect(rotorThrust(inflow, n, 55)).toBe(0);
  });

  it("the induced speed is that of momentum theory, v = √(T/(2ρA)) (Leishman, Principles of Helicopter Aerodynamics, 2.2)", () => {
    // 0.65 kg on four discs of 130 mm: disc loading 120.06 N/m², √(120.06/2.45) = 7.00 m/s.
    expect(inducedSpeedMps(five) / Math.sqrt(five.thrustToWeight)).toBeCloseTo(7.0, 2);
  });

  it("sinking it is never above static; a fifth is lost at the induced speed, nothing from half of it down and one and a half up", () => {
    const n = 0.5;
    const induced = n * inducedSpeedMps(five);
    const left = (ratio: number) => rotorThrust(five, n, -ratio * induced) / (n * n);
    expect([0, 0.3, 0.5, 1.5, 2.5].map(left)).toEqual([1, 1, 1, 1, 1]);
    expect(left(1)).toBeCloseTo(0.8, 12);
    expect(left(0.75)).toBeLessThan(1);
    expect(pull(five, climbing(-induced, n * n), n * n)).toBeCloseTo(0.8 * pull(five, climbing(0, n * n), n * n), 9);
  });

  it("the rotor speed for a thrust gives that thrust, climbing and sinking", () => {
    for (const mps of [-12, -6, -2, 0, 4, 20])
      for (const thrust of [0.01, 0.13, 0.6])
        expect(rotorThrust(five, rotorSpeedForThrust(five, thrust, mps), mps)).toBeCloseTo(thrust, 6);
  });

  it("control neither dies nor reverses: closed, climbing at 12 m/s, 60°/s commanded gives 30 to 70°/s after 0.15 s", () => {
    for (const { airframe } of Object.values(airframePresets))
      for (const [axis, rate] of [
        [0, STATE.p],
        [1, STATE.q],
      ]) {
        const command = [0, 0, 0, 0];
        command[axis] = (60 * Math.PI) / 180;
        const turning = (fly(airframe, climbing(12, 0.003), command, 0.15)[rate] * 180) / Math.PI;
        expect(turning).toBeGreaterThan(30);
        expect(turning).toBeLessThan(70);
      }
  });
});

it("thrust goes with density (ISO 2533): at 2,000 m full thrust is 6.2 g, not 7.5, and hover 0.31, not 0.27", () => {
  const density = airDensity({ heightM: 2000, isaOffsetK: 0 });
  expect(fullThrustG(five, density)).toBeCloseTo(6.2, 1);
  expect(hoverCommand(five, density)).toBeCloseTo(0.31, 2);
  expect(hoverCommand(five)).toBeCloseTo(0.27, 2);
  const state = levelState(50, 0.3);
  const thin = pull(five, state, 0.3, { ...calm, airDensityKgM3: density });
  expect(thin / pull(five, state, 0.3)).toBeCloseTo(density / 1.225, 12);
  expect(() => hoverCommand({ ...five, thrustToWeight: 1.1 }, 0.9)).toThrow(/cannot hover/);
});

it("rotor drag is linear in speed along x and y, goes with rotor speed and density, and leaves z alone", () => {
  const slowed = (index: number, mps: number, n: number, airDensityKgM3 = 1.225) => {
    const state = levelState(50, n * n);
    state[index] = mps;
    const [withDrag, without] = [0.3, 0].map(
      (linearDragNPerMps) =>
        slopes({ ...ideal, linearDragNPerMps }, state, [0, 0, 0, n * n], { ...calm, airDensityKgM3 })[index],
    );
    return withDrag - without;
  };
  expect(slowed(STATE.vNorth, 10, 0.5)).toBeCloseTo((-0.3 * 0.5 * 10) / five.massKg, 9);
  expect(slowed(STATE.vEast, -4, 0.5)).toBeCloseTo((0.3 * 0.5 * 4) / five.massKg, 9);
  expect(slowed(STATE.vNorth, 10, 0.25, 0.6125)).toBeCloseTo((-0.3 * 0.25 * 10 * 0.5) / five.massKg, 9);
  expect(slowed(STATE.vDown, 10, 0.5)).toBeCloseTo(0, 12);
});

describe("the rate loop", () => {
  it("with its own gains and feed-forward runs on about half as far as the plain one (common practice, no source)", () => {
    expect(runOnDeg(ideal, 667)).toBeGreaterThan(50);
    expect(runOnDeg(five, 667) / runOnDeg(ideal, 667)).toBeGreaterThan(0.4);
    expect(runOnDeg(five, 667) / runOnDeg(ideal, 667)).toBeLessThan(0.65);
  });

  it("feed-forward adds its share of the change of the command as wanted acceleration", () => {
    const derivative = createDerivative({ ...ideal, feedForwardShare: 0.5 }, calm, true);
    const state = levelState(50, 0.3);
    const [fed, asked] = [new Float64Array(STATE_SIZE), new Float64Array(STATE_SIZE)];
    derivative(state, Float64Array.of(0, 0, 0, 0.3), fed, Float64Array.of(10, 0, 0));
    // A rate error of 0.25 rad/s asks 20 per second of it: as much as half of 10 rad/s².
    derivative(state, Float64Array.of(0.25, 0, 0, 0.3), asked);
    for (let rotor = 13; rotor < 17; rotor++) expect(fed[rotor]).toBeCloseTo(asked[rotor], 9);
  });
});

describe("the battery", () => {
  // Long enough to settle, too short to use anything of a pack this size.
  const endless: Airframe = { ...five, sag: { ...five.sag!, fullThrottleS: 3600 } };

  it("thrust goes with the square of the voltage: at a light load 14 % less voltage is 26 % less thrust", () => {
    const settled = (share: number) => {
      const state = levelState(50, 0.05);
      state[STATE.packUsed] = share;
      return fly(endless, state, [0, 0, 0, 0.05], 0.5)[STATE.rotor] ** 2;
    };
    expect(settled(1) / settled(0)).toBeCloseTo((1 - five.sag!.emptyShare) ** 2, 2);
    expect(settled(0)).toBeCloseTo(0.05, 4);
  });

  it("a full pack at full throttle gives the thrust that was measured, and is used up in its time", () => {
    const state = fly(five, levelState(50, 1), [0, 0, 0, 1], 2);
    expect(state[STATE.packUsed]).toBeCloseTo(2 / five.sag!.fullThrottleS, 3);
    expect(state[STATE.rotor]).toBeGreaterThan(0.99);
    expect(fly(five, levelState(50, 0.13), [0, 0, 0, 0.13], 2)[STATE.packUsed]).toBeLessThan(0.005);
  });
});

it("the wake shakes an aircraft that falls back through it upright, and no other", () => {
  const shaken = (shake: readonly number[], sinkMps: number, airframe = five) =>
    slopes(airframe, climbing(-sinkMps, 0.133), [0, 0, 0, 0.133], { ...calm, shake: Float64Array.from(shake) });
  expect(Math.abs(shaken([1, 1, -1, -1], 7)[STATE.p])).toBeGreaterThan(1);
  expect(Math.abs(shaken([1, -1, -1, 1], 7)[STATE.q])).toBeGreaterThan(1);
  for (const still of [
    shaken([1, 1, -1, -1], 1),
    shaken([1, 1, -1, -1], -7),
    shaken([0, 0, 0, 0], 7),
    shaken([1, 1, -1, -1], 7, ideal),
  ])
    expect(still[STATE.p]).toBeCloseTo(0, 12);
});
