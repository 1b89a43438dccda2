import { lineHabits, type FlownRun } from ".";

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
