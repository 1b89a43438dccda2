import { studentT95, tapeMonth, type DatedPack, type FoundTrick, type TurnMeasures } from ".";

const DAY_MS = 86_400_000;
const flip = (stopErrorDeg: number, throttleInvertedMean: number) => {
  const measures = { stopErrorDeg, throttleInvertedMean, swingBackDeg: 5 } as TurnMeasures;
  return { kind: "flip", confidence: 0.9, measures } as FoundTrick;
};
const pack = (day: number, stops: readonly number[], throttle: number, arc: number | null = null): DatedPack => ({
  atMs: day * DAY_MS,
  tricks: stops.map((stop) => flip(stop, throttle)),
  smoothness: arc === null ? null : { logDimensionlessJerk: arc, spectralArcLength: -2 },
  reach: { roll: 0.4, pitch: 0.9, yaw: 0.2 },
});

it("sets the packs of a month side by side and says what changed by more than chance makes it", () => {
  const month = tapeMonth([
    pack(20, [-8, 6, 9], 0.02, -1.8),
    pack(1, [24, -20, 28], 0.03, -2.9),
    pack(8, [22, 19, 26], 0.02, -2.8),
    pack(27, [7, -9, 5], 0.03, -1.9),
  ]);
  expect(month.packs.map(({ atMs }) => atMs / DAY_MS)).toEqual([1, 8, 20, 27]);
  expect(month.packs[0]).toMatchObject({ tricks: 3, reach: 0.9, figures: { stopDeg: { mean: 24, count: 3 } } });
  expect(month.changes.map(({ measure, better }) => [measure, better])).toEqual([
    ["stopDeg", true],
    ["logDimensionlessJerk", true],
  ]);
  expect(month.changes[0].before).toBeCloseTo(139 / 6, 9);
});

it("says nothing of a change that may be chance, of too little, or of nothing at all", () => {
  expect(tapeMonth([pack(1, [20, 5, 12], 0), pack(2, [6, 16, 11], 0)]).changes).toEqual([]);
  expect(tapeMonth([pack(1, [30], 0), pack(2, [2], 0)]).changes).toEqual([]);
  // Sure, but nobody would see it.
  expect(tapeMonth([pack(1, [12, 12, 12], 0.03), pack(2, [10, 10, 10], 0.02)]).changes).toEqual([]);
  expect(tapeMonth([])).toEqual({ packs: [], changes: [] });
  expect(tapeMonth([pack(1, [], 0)]).packs[0].figures.stopDeg).toBeNull();
});

it("is judged by Student's t as the tables have it", () => {
  // NIST/SEMATECH e-Handbook of Statistical Methods, 1.3.6.7.2, 0.975; values from memory.
  for (const [freedom, t] of [
    [2, 4.303],
    [4, 2.776],
    [10, 2.228],
    [30, 2.042],
  ])
    expect(Math.abs(studentT95(freedom) - t)).toBeLessThan(0.001);
});
