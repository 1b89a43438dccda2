import { lineEvidence, lineHabits, type FlownRun } from ".";

const run = (tricks: string, packId: string, asked = false): FlownRun => ({ tricks: tricks.split(" "), packId, asked });

it("counts pairs in the order flown, what a pack has, what was never tried and what the favourites make up", () => {
  const habits = lineHabits(
    [run("flip roll loop", "1"), run("flip roll", "1"), run("roll flip roll", "2"), run("split loop", "2", true)],
    ["flip", "roll", "loop"],
    2,
  );
  expect(habits.pairs).toEqual([
    { from: "flip", to: "roll", count: 3 },
    { from: "roll", to: "flip", count: 1 },
    { from: "roll", to: "loop", count: 1 },
    { from: "split", to: "loop", count: 1 },
  ]);
  // Nine pairs of three, three of them flown.
  expect(habits.neverTried).toHaveLength(6);
  expect(habits.neverTried).toContainEqual({ from: "loop", to: "flip" });
  expect(habits.tricksAPack).toBe((3 + 4) / 2);
  expect(habits.pairsAPack).toBe((2 + 3) / 2);
  // Unasked: flip 3, roll 4, loop 1.
  expect(habits.favourites).toEqual({ tricks: ["roll", "flip"], share: 7 / 8 });
});

it("says nothing of nobody's flights", () => {
  expect(lineHabits([], ["flip"])).toEqual({
    pairs: [],
    neverTried: [{ from: "flip", to: "flip" }],
    tricksAPack: null,
    pairsAPack: null,
    favourites: null,
  });
});

describe("tries in the field", () => {
  const through = (clean: boolean) => ({ through: true, clean, brokeAt: null });
  const broke = (brokeAt: number | null) => ({ through: false, clean: false, brokeAt });

  it("count at each trick those that came to it, and the joint that surely breaks most stands out", () => {
    const tries = [through(true), through(false), broke(2), broke(2), broke(0), broke(2), broke(null)];
    const { clean, through: all, broke: at, weakest } = lineEvidence(tries, 4);
    expect([clean.count, clean.of, all.count, all.of]).toEqual([1, 7, 2, 7]);
    expect(at.map(({ count, of }) => [count, of])).toEqual([
      [1, 6],
      [0, 5],
      [3, 5],
      [0, 2],
    ]);
    expect(weakest).toBe(2);
    // 3 of 5 by Wilson's score interval at 95 %: 0.231 to 0.882 (by the formula of Brown, Cai and DasGupta, Statistical Science 16, 2001, section 3.1).
    expect(at[2].low).toBeCloseTo(0.2307, 3);
    expect(at[2].high).toBeCloseTo(0.8824, 3);
  });

  it("say nothing of a joint after one break, and nothing at all of a line nobody flew", () => {
    expect(lineEvidence([broke(1), through(true)], 2).weakest).toBeNull();
    expect(lineEvidence([], 2)).toMatchObject({ clean: { count: 0, of: 0, low: 0, high: 1 }, weakest: null });
  });
});
