import fc from "fast-check";
import { jStat } from "jstat";
import {
  advise,
  betaCdf,
  betaQuantile,
  chanceGreater,
  digestOf,
  outcomes,
  posteriorOf,
  reviewOf,
  usualRules,
  weighEvidence,
  wilsonInterval,
  type Attempt,
  type Outcome,
  type PassMark,
} from ".";

const DAY_MS = 86_400_000;
const mark: PassMark = {
  kind: "in-places",
  places: ["field"],
  rule: { kind: "each-direction", rule: { kind: "k-of-last", k: 3, n: 4 } },
};
const directions = ["back", "front"];

function flown(direction: string, letters: string, setupId = "one", fromMs = 0): Attempt[] {
  const outcome: Record<string, Outcome> = { c: "clean", r: "rough", b: "bailed", x: "crashed" };
  return [...letters].map((letter, i) => ({
    direction,
    outcome: outcome[letter],
    place: "field",
    setupId,
    atMs: fromMs + i * 60_000,
  }));
}

const anyAttempts = fc.array(
  fc.record({
    direction: fc.constantFrom(...directions),
    outcome: fc.constantFrom(...outcomes),
    place: fc.constant("field" as const),
    setupId: fc.constant("one"),
    atMs: fc.integer({ min: 0, max: 1e9 }),
  }),
  { maxLength: 40 },
);

it("Beta distribution against an independent statistics library (jstat)", () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.001, max: 0.999, noNaN: true }),
      fc.double({ min: 0.5, max: 60, noNaN: true }),
      fc.double({ min: 0.5, max: 60, noNaN: true }),
      (x, a, b) => {
        expect(betaCdf(x, a, b)).toBeCloseTo(jStat.beta.cdf(x, a, b), 7);
        const quantile = betaQuantile(x, a, b);
        expect(betaCdf(quantile, a, b)).toBeCloseTo(x, 9);
      },
    ),
  );
  expect(betaQuantile(0.05, 3, 2)).toBeCloseTo(jStat.beta.inv(0.05, 3, 2), 6);
});

it("Beta distribution in closed form: uniform, and x² for Beta(2, 1)", () => {
  expect(betaCdf(0.3, 1, 1)).toBeCloseTo(0.3, 12);
  expect(betaQuantile(0.25, 2, 1)).toBeCloseTo(0.5, 12);
});

// Newcombe (1998), Statistics in Medicine 17, 857-872, table I, method 3 (Wilson score, no correction), 95 %;
// values from memory.
it.each([
  [81, 263, 0.2553, 0.3662],
  [15, 148, 0.0624, 0.1605],
  [0, 20, 0, 0.1611],
  [1, 29, 0.0061, 0.1718],
])("Wilson interval of %d in %d", (successes, trials, low, high) => {
  const interval = wilsonInterval(successes, trials, 1.959964);
  expect(interval.low).toBeCloseTo(low, 4);
  expect(interval.high).toBeCloseTo(high, 4);
});

it("passes at k of the last n in each direction on its own", () => {
  const of = (back: string, front: string) =>
    weighEvidence([...flown("back", back), ...flown("front", front)], mark, directions);
  expect(of("ccrc", "rrcc").passes).toBe(false);
  expect(of("ccrc", "rccc").passes).toBe(true);
  expect(of("ccccrr", "cccc").directions[0]).toMatchObject({
    cleanOfLast: 2,
    passes: false,
    attempts: 6,
    cleanAttempts: 4,
  });
  expect(of("ccc", "ccc").passes).toBe(true);
});

it("counts only the places the mark names", () => {
  const simulated = flown("back", "cccc").map((attempt) => ({ ...attempt, place: "simulator" as const }));
  expect(weighEvidence(simulated, mark, ["back"]).directions[0].attempts).toBe(0);
});

it("a clean attempt more never takes a pass away, nor lowers the posterior; order of storage does not matter", () => {
  fc.assert(
    fc.property(anyAttempts, (attempts) => {
      const before = weighEvidence(attempts, mark, directions);
      const later = [...attempts, { ...flown("back", "c")[0], atMs: 2e9 }];
      const after = weighEvidence(later, mark, directions);
      if (before.directions[0].passes) expect(after.directions[0].passes).toBe(true);
      expect(after.directions[0].posterior.mean).toBeGreaterThanOrEqual(before.directions[0].posterior.mean - 1e-12);
      const byTime = [...new Map(attempts.map((attempt) => [attempt.atMs, attempt])).values()];
      expect(weighEvidence([...byTime].reverse(), mark, directions)).toEqual(weighEvidence(byTime, mark, directions));
    }),
  );
});

it("gives the uniform prior without attempts, and weighs recent ones more", () => {
  expect(posteriorOf([], 0.75)).toMatchObject({
    mean: expect.closeTo(0.5, 9),
    chanceAboveMark: expect.closeTo(0.25, 2),
  });
  expect(posteriorOf(flown("back", "rrrccc"), 0.75).mean).toBeGreaterThan(
    posteriorOf(flown("back", "cccrrr"), 0.75).mean,
  );
});

it("compares two Beta variables as their closed form does: P(X > Y) for Beta(2,1) against uniform is 2/3", () => {
  expect(chanceGreater({ a: 2, b: 1 }, { a: 1, b: 1 })).toBeCloseTo(2 / 3, 9);
  expect(chanceGreater({ a: 3, b: 4 }, { a: 3, b: 4 })).toBeCloseTo(0.5, 9);
});

describe("advice", () => {
  const advice = (attempts: Attempt[], more: Partial<Parameters<typeof advise>[0]> = {}) =>
    advise({
      evidence: weighEvidence(attempts, mark, directions),
      mark,
      attempts,
      latestDay: attempts,
      setupId: "one",
      previousStepId: "flip-slow",
      signedOff: false,
      // The mark alone.
      rules: { ...usualRules, mostLuck: 1 },
      ...more,
    });

  it("begins, stays with the counts and the side to fly first, and advances", () => {
    expect(advice([]).kind).toBe("begin");
    const count = (clean: number) => ({ kind: "k-of-last", count: clean, seen: 4, k: 3, n: 4 });
    const luck = (clean: number) => ({ 3: 5 / 16, 4: 1 / 16 })[clean] ?? null;
    const counts = (back: number, front: number) => [
      { direction: "back", attempts: 4, rule: count(back), luck: luck(back) },
      { direction: "front", attempts: 4, rule: count(front), luck: luck(front) },
    ];
    expect(advice([...flown("back", "ccrc"), ...flown("front", "rrcr")])).toEqual({
      kind: "stay",
      counts: counts(3, 1),
      focus: { kind: "one-side", direction: "front", missing: count(1) },
    });
    expect(advice([...flown("back", "ccrc"), ...flown("front", "cccc")])).toEqual({
      kind: "advance",
      counts: counts(3, 4),
      doubt: null,
      aloneDecides: false,
    });
  });

  it("names the weaker side once it is nearly certain", () => {
    expect(advice([...flown("back", "ccccccccr"), ...flown("front", "rrrrrrcrr")])).toMatchObject({
      focus: { kind: "weaker-side", direction: "front" },
    });
  });

  it("steps back when almost nothing goes clean, unless there is nothing before", () => {
    const poor = [...flown("back", "rrbrrrbr"), ...flown("front", "rr")];
    expect(advice(poor)).toEqual({ kind: "step-back", clean: 0, of: 8, toStepId: "flip-slow" });
    expect(advice(poor, { previousStepId: null }).kind).toBe("stay");
  });

  it("rests when crashes rise within the day", () => {
    // All four in the later six of twelve: 15 of 495 ways.
    expect(advice(flown("back", "ccrcrrxxrxxr"))).toEqual({
      kind: "rest",
      crashes: 4,
      attempts: 12,
      late: 4,
      chance: expect.closeTo(15 / 495, 12),
    });
    // Three of nine in the later half come about by chance once in eight times.
    expect(advice(flown("back", "ccrcrxxrx")).kind).not.toBe("rest");
    expect(advice(flown("back", "xxrxrcccc")).kind).not.toBe("rest");
  });

  it("lets a new setup settle before judging", () => {
    const attempts = [...flown("back", "rrrcrr", "old"), ...flown("back", "rr", "one", DAY_MS)];
    expect(advice(attempts, { latestDay: [] })).toEqual({ kind: "settle", onSetup: 2, before: 6, more: 10 });
  });
});

describe("review", () => {
  const review = (attempts: readonly Attempt[], nowMs: number) =>
    reviewOf(digestOf(attempts, "UTC").days, nowMs, "UTC");

  it("is none for what was never flown, and sooner after a poor day than after a clean one", () => {
    expect(reviewOf([], 0, "UTC")).toBeNull();
    expect(review(flown("back", "cccc"), 0)!.dueMs).toBeGreaterThan(review(flown("back", "rrrr"), 0)!.dueMs);
  });

  it("spreads further with every clean day, and recall fades with time", () => {
    const weekly = (days: number) =>
      Array.from({ length: days }, (_, i) => flown("back", "ccc", "one", i * 7 * DAY_MS)).flat();
    const gap = (days: number) => review(weekly(days), 0)!.dueMs - (days - 1) * 7 * DAY_MS;
    expect(gap(4)).toBeGreaterThan(gap(1));
    const at = (day: number) => review(weekly(2), day * DAY_MS)!.memory;
    expect(at(60)).toBeLessThan(at(10));
    expect(at(7)).toBeGreaterThan(0.95);
  });
});
