import { CALM_AIR, draftBrief, missedMarks, recipes, withParameters, type Measures } from ".";
import { airframePresets } from "../airframe";
import { firstSettings } from "../flight";
import type { Mark } from "./mark";

const { airframe } = airframePresets["five-inch-freestyle"];
/** Figures of a real flight; each case changes those it is about. */
const { measures } = draftBrief(recipes["flip-one-move-back"], airframe, firstSettings, CALM_AIR).flight;
const misses = (mark: Mark, change: Partial<Measures>) =>
  missedMarks([mark], { ...measures, ...change }, {}).length > 0;

it.each<[Mark, just: Partial<Measures>, missed: Partial<Measures>]>([
  [
    { kind: "height-band", aboveM: 3, belowM: 1 },
    { entryHeightM: 10, peakM: 13, heightLostM: 1 },
    { entryHeightM: 10, peakM: 13.01, heightLostM: 1 },
  ],
  [
    { kind: "height-band", aboveM: 3, belowM: 1 },
    { entryHeightM: 10, peakM: 12, heightLostM: 0 },
    { entryHeightM: 10, peakM: 12, heightLostM: 1.01 },
  ],
  [{ kind: "end-height", withinM: 1 }, { heightGainedM: -1 }, { heightGainedM: -1.01 }],
  [{ kind: "view", withinDeg: 10 }, { viewWanderDeg: 10 }, { viewWanderDeg: 10.1 }],
  [{ kind: "horizon", withinDeg: 10 }, { horizonLeanDeg: 10 }, { horizonLeanDeg: 10.1 }],
  [{ kind: "line", withinM: 2 }, { acrossM: -2 }, { acrossM: 2.01 }],
  [{ kind: "bounce", withinDeg: 15 }, { bounceBackDeg: 15 }, { bounceBackDeg: 15.1 }],
  [{ kind: "round", unevenness: 0.1 }, { loopUnevenness: 0.1 }, { loopUnevenness: 0.11 }],
  [
    { kind: "circle", spreadShare: 0.1, stickWander: 0.2 },
    { circleRadiusM: 10, circleSpreadM: 1, stickWander: 0.2 },
    { circleRadiusM: 10, circleSpreadM: 1.01, stickWander: 0.2 },
  ],
  [
    { kind: "circle", spreadShare: 0.1, stickWander: 0.2 },
    { circleRadiusM: 20, circleSpreadM: 2, stickWander: 0 },
    { circleRadiusM: 20, circleSpreadM: 2, stickWander: 0.21 },
  ],
  [{ kind: "spot", withinM: 3 }, { offSpotM: 3 }, { offSpotM: 3.01 }],
  [{ kind: "throttle-closed", most: 0.1 }, { throttleInvertedMean: 0.1 }, { throttleInvertedMean: 0.11 }],
  [{ kind: "in-picture", share: 0.8 }, { objectSeenShare: 0.8 }, { objectSeenShare: 0.79 }],
])("%j is kept up to its edge and missed beyond it", (mark, just, missed) => {
  expect(misses(mark, just)).toBe(false);
  expect(misses(mark, missed)).toBe(true);
});

it("a heading counts to either side, also across the half turn", () => {
  const quarter: Mark = { kind: "heading", deg: 90, withinDeg: 15 };
  for (const kept of [80, 105, -90, 270, 450]) expect(misses(quarter, { headingChangeDeg: kept })).toBe(false);
  for (const missed of [0, 180, 74, -106]) expect(misses(quarter, { headingChangeDeg: missed })).toBe(true);
  const about: Mark = { kind: "heading", deg: 180, withinDeg: 15 };
  for (const kept of [170, -170, 180, -180]) expect(misses(about, { headingChangeDeg: kept })).toBe(false);
});

it("a heading may be that of a parameter: a spin upside down by a quarter is to end a quarter round", () => {
  const spun = { ...recipes["spin-inverted-pitch-right"] };
  for (const deg of [90, 270, 360]) {
    const asked = withParameters(spun, { spinDeg: deg });
    const { flight } = draftBrief(asked, airframe, { ...firstSettings, tiltDeg: 25 }, CALM_AIR);
    expect([deg, missedMarks(asked.marks!, flight.measures, asked.parameters)]).toEqual([deg, []]);
  }
  expect(() => missedMarks(spun.marks!, measures, {})).toThrow(/marks is "spinDeg"/);
});

it("what a flight never came to is missed; a throttle that was never looked at upside down is closed", () => {
  expect(misses({ kind: "bounce", withinDeg: 15 }, { bounceBackDeg: null })).toBe(true);
  expect(misses({ kind: "spot", withinM: 3 }, { offSpotM: null })).toBe(true);
  expect(misses({ kind: "in-picture", share: 0 }, { objectSeenShare: null })).toBe(true);
  expect(
    misses({ kind: "circle", spreadShare: 0.1, stickWander: 1 }, { circleRadiusM: null, circleSpreadM: 0.1 }),
  ).toBe(true);
  expect(misses({ kind: "throttle-closed", most: 0 }, { throttleInvertedMean: null })).toBe(false);
});

it("names the marks that were missed, in the order of the recipe", () => {
  const marks: Mark[] = [
    { kind: "line", withinM: 1 },
    { kind: "view", withinDeg: 10 },
    { kind: "end-height", withinM: 1 },
  ];
  expect(missedMarks(marks, { ...measures, acrossM: 5, viewWanderDeg: 5, heightGainedM: 5 }, {})).toEqual([
    "line",
    "end-height",
  ]);
  expect(missedMarks([], measures, {})).toEqual([]);
});
