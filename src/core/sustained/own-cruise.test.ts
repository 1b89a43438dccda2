import { airframePresets } from "../airframe";
import { SEA_LEVEL_AIR } from "../atmosphere";
import { cruise, topSpeed } from "./cruise";
import { ownCruise } from "./own-cruise";

const five = airframePresets["five-inch-freestyle"].airframe;
const own = (cruiseMps: number | null, tiltDeg = 25) => ownCruise(five, { tiltDeg, cruiseMps }, SEA_LEVEL_AIR);

it("is level cruise at the tilt where nobody said how fast, and the lean that flies that fast where somebody did", () => {
  expect(own(null)).toEqual({ ...cruise(five, 25, SEA_LEVEL_AIR), leanDeg: 25 });
  for (const leanDeg of [8, 20, 40]) {
    const { speedMps, throttle } = cruise(five, leanDeg, SEA_LEVEL_AIR);
    const found = own(speedMps)!;
    expect(found.leanDeg).toBeCloseTo(leanDeg, 2);
    expect(found.throttle).toBeCloseTo(throttle, 4);
  }
  // The tilt of the camera does not make it faster.
  expect(own(8, 10)).toEqual(own(8, 40));
});

it("is null for what the aircraft does not fly, and refuses what nobody cruises at", () => {
  expect(own(topSpeed(five, SEA_LEVEL_AIR).speedMps + 0.5)).toBeNull();
  expect(() => own(0.2)).toThrow(/^cruiseMps is 0.2; allowed: 1 to 60$/);
  expect(() => own(NaN)).toThrow(/^cruiseMps is NaN/);
});
