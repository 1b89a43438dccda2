import { airframePresets } from "../airframe";
import { SEA_LEVEL_AIR } from "../atmosphere";
import { cruise, levelTurnRates, viewRollRates } from ".";

const five = airframePresets["five-inch-freestyle"].airframe;

it("matches the closed form for drag alike on all axes: v² = 2mg·tan τ/(ρ·CdA), thrust mg/cos τ", () => {
  const isotropic = { ...five, dragAreaM2: { x: 0.014, y: 0.014, z: 0.014 } };
  const { speedMps, thrustG } = cruise(isotropic, 25, SEA_LEVEL_AIR);
  const tan = Math.tan((25 * Math.PI) / 180);
  expect(speedMps).toBeCloseTo(Math.sqrt((2 * 0.65 * 9.80665 * tan) / (1.225 * 0.014)), 3);
  expect(thrustG).toBeCloseTo(1 / Math.cos((25 * Math.PI) / 180), 9);
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
