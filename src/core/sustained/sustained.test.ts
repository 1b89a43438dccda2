import { airframePresets, idealAirframe } from "../airframe";
import { SEA_LEVEL_AIR } from "../atmosphere";
import { cruise, levelTurnRates, topSpeed, viewRollRates } from ".";

const five = airframePresets["five-inch-freestyle"].airframe;

it("matches the closed form for drag alike on all axes: v² = 2mg·tan τ/(ρ·CdA), thrust mg/cos τ", () => {
  const isotropic = { ...idealAirframe(five), dragAreaM2: { x: 0.014, y: 0.014, z: 0.014 } };
  const { speedMps, thrustG } = cruise(isotropic, 25, SEA_LEVEL_AIR);
  const tan = Math.tan((25 * Math.PI) / 180);
  expect(speedMps).toBeCloseTo(Math.sqrt((2 * 0.65 * 9.80665 * tan) / (1.225 * 0.014)), 3);
  expect(thrustG).toBeCloseTo(1 / Math.cos((25 * Math.PI) / 180), 9);
});

it("inflow and thin air ask for more throttle, rotor drag for less speed; the top speed stays under the pitch speed", () => {
  const plain = cruise(idealAirframe(five), 25, SEA_LEVEL_AIR);
  const inflow = cruise({ ...idealAirframe(five), pitchSpeedMps: 48 }, 25, SEA_LEVEL_AIR);
  expect(plain.throttle).toBeCloseTo(0.34, 1);
  expect(inflow.throttle).toBeCloseTo(0.44, 1);
  expect(inflow.speedMps).toBeCloseTo(plain.speedMps, 6);
  expect(cruise(five, 25, SEA_LEVEL_AIR).speedMps).toBeLessThan(plain.speedMps);
  expect(cruise(five, 25, { heightM: 2000, isaOffsetK: 0 }).throttle).toBeGreaterThan(
    cruise(five, 25, SEA_LEVEL_AIR).throttle,
  );
  expect(cruise(five, 25, SEA_LEVEL_AIR, 1).throttle).toBeGreaterThan(cruise(five, 25, SEA_LEVEL_AIR).throttle);
  const { speedMps, leanDeg } = topSpeed(five, SEA_LEVEL_AIR);
  expect(speedMps).toBeLessThan(five.pitchSpeedMps!);
  expect(cruise(five, leanDeg - 0.1, SEA_LEVEL_AIR).throttle).toBeGreaterThan(0.97);
});

// Common sense of the trade, km/h: what each kind of aircraft cruises at with 25° of tilt, and does at most (common practice, no source).
it.each([
  ["indoor-65", [10, 20], [30, 50]],
  ["ducted-two-and-half-inch", [28, 42], [55, 85]],
  ["three-inch", [40, 60], [85, 120]],
  ["five-inch-freestyle", [45, 70], [100, 150]],
  ["seven-inch", [45, 70], [75, 130]],
])("the %s flies as fast as its kind", (id, [slow, fast], [least, most]) => {
  const { airframe } = airframePresets[id];
  const kmh = 3.6 * cruise(airframe, 25, SEA_LEVEL_AIR).speedMps;
  expect(kmh).toBeGreaterThan(slow);
  expect(kmh).toBeLessThan(fast);
  const top = 3.6 * topSpeed(airframe, SEA_LEVEL_AIR).speedMps;
  expect(top).toBeGreaterThan(least);
  expect(top).toBeLessThan(most);
});

it("cruises above the hover throttle, more so with more tilt (common practice, no source)", () => {
  const throttles = [0, 10, 20, 30, 40].map((tilt) => cruise(five, tilt, SEA_LEVEL_AIR).throttle);
  expect(throttles).toEqual([...throttles].sort((a, b) => a - b));
});

it("turns all by yaw at 0°, all by roll at 90°, equally at 45° (common practice, no source)", () => {
  expect(levelTurnRates(0, 100)).toEqual({ rollDps: 0, pitchDps: 0, yawDps: 100 });
  expect(levelTurnRates(90, 100).rollDps).toBeCloseTo(100, 9);
  const equal = levelTurnRates(45, 100);
  expect(equal.rollDps).toBeCloseTo(equal.yawDps, 9);
  expect(viewRollRates(30, 100).yawDps).toBeCloseTo(-50, 9);
});

it("says when the aircraft has not the thrust for the tilt", () => {
  expect(() => cruise({ ...five, thrustToWeight: 1.3 }, 60, SEA_LEVEL_AIR)).toThrow(/tiltDeg is 60/);
});
