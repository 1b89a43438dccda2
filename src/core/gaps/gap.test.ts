import { jStat } from "jstat";
import { airframePresets } from "../airframe";
import { firstSettings } from "../flight";
import { CALM_AIR } from "../recipes";
import { chanceThrough, lastGoAroundM, spanM, usualCrossTrackM, widthForChance } from ".";

const { airframe } = airframePresets["five-inch-freestyle"];

it("is the share of a normal error that the gap leaves room for (jstat)", () => {
  for (const [widthM, crossTrackM] of [
    [1.2, 0.25],
    [0.8, 0.4],
    [3, 0.3],
  ]) {
    const room = 0.5 * (widthM - 0.33);
    const expected = jStat.normal.cdf(room, 0, crossTrackM) - jStat.normal.cdf(-room, 0, crossTrackM);
    expect(chanceThrough({ widthM, spanM: 0.33, crossTrackM })).toBeCloseTo(expected, 6);
  }
  expect(chanceThrough({ widthM: 0.3, spanM: 0.33, crossTrackM: 0.1 })).toBe(0);
});

it("finds the width again that gives a chance", () => {
  const widthM = widthForChance(0.75, 0.33, 0.3);
  expect(chanceThrough({ widthM, spanM: 0.33, crossTrackM: 0.3 })).toBeCloseTo(0.75, 6);
});

it("is harder faster and earlier in the learning; a first gap of several widths is flown by three of four", () => {
  expect(usualCrossTrackM(3, 8)).toBeGreaterThan(usualCrossTrackM(3, 4));
  expect(usualCrossTrackM(3, 4)).toBeGreaterThan(usualCrossTrackM(6, 4));
  const width = widthForChance(0.75, spanM(airframe), usualCrossTrackM(3, 4)) / spanM(airframe);
  expect(width).toBeGreaterThan(2);
  expect(width).toBeLessThan(6);
});

it("has a last point to go round that is further off the faster it is flown and the slower one reacts", () => {
  const last = (speedMps: number, reactionS: number) =>
    lastGoAroundM(airframe, firstSettings, CALM_AIR, { speedMps, reactionS })!;
  expect(last(8, 0.5)).toBeGreaterThan(last(4, 0.5) + 3);
  expect(last(4, 1) - last(4, 0.5)).toBeCloseTo(2, 6);
  // Stopping from a speed takes at least v²/(2 g tan of the lean), here 45°.
  expect(last(8, 0)).toBeGreaterThan(64 / (2 * 9.80665) - 1);
  expect(lastGoAroundM(airframe, firstSettings, CALM_AIR, { speedMps: 90, reactionS: 0.5 })).toBeNull();
});

it("refuses what cannot be by field", () => {
  expect(() => chanceThrough({ widthM: Number.NaN, spanM: 0.3, crossTrackM: 0.2 })).toThrow(/^widthM is NaN/);
  expect(() => usualCrossTrackM(3, -1)).toThrow(/^speedMps is -1/);
});
