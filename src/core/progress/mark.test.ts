import fc from "fast-check";
import { createEmptyCard, fsrs, Rating } from "ts-fsrs";
import {
  digestOf,
  judge,
  learningCurve,
  leavesOf,
  markIn,
  outcomes,
  places,
  placesOf,
  recentOf,
  requireMark,
  mergedDays,
  reviewOf,
  weighEvidence,
  windowOf,
  type Attempt,
  type PassMark,
  type RuleCount,
} from ".";

const DAY_MS = 86_400_000;
const directions = ["right", "left"];
let clock = 0;
const flown = (outcome: Attempt["outcome"], more: Partial<Attempt> = {}): Attempt => ({
  direction: "right",
  outcome,
  place: "field",
  setupId: null,
  atMs: ++clock,
  ...more,
});
/** How much a simple rule still asks for. */
const missing = (count: RuleCount): number =>
  count.kind === "minutes"
    ? count.minutes - count.flown
    : count.kind === "clean-packs"
      ? count.packs - count.count
      : count.k - count.count;
const met = (mark: PassMark, attempts: readonly Attempt[]) => judge(mark, attempts, directions).met;

const anyMark: fc.Arbitrary<PassMark> = fc.letrec<{ mark: PassMark }>((tie) => ({
  mark: fc.oneof(
    { maxDepth: 3, withCrossShrink: true },
    fc
      .integer({ min: 1, max: 6 })
      .chain((n) =>
        fc.record({ kind: fc.constant("k-of-last" as const), k: fc.integer({ min: 1, max: n }), n: fc.constant(n) }),
      ),
    fc.record({ kind: fc.constant("run" as const), k: fc.integer({ min: 1, max: 5 }) }),
    fc.record({ kind: fc.constant("clean-packs" as const), packs: fc.integer({ min: 1, max: 3 }) }),
    fc.integer({ min: 1, max: 4 }).chain((n) =>
      fc.record({
        kind: fc.constant("measured" as const),
        measure: fc.constant("stopErrorDeg" as const),
        within: fc.constant(15),
        k: fc.integer({ min: 1, max: n }),
        n: fc.constant(n),
      }),
    ),
    fc.record({ kind: fc.constant("each-direction" as const), rule: tie("mark") }),
    fc.record({
      kind: fc.constant("in-places" as const),
      places: fc.subarray([...places], { minLength: 1 }),
      rule: tie("mark"),
    }),
    fc.record({
      kind: fc.constantFrom("all" as const, "any" as const),
      rules: fc.array(tie("mark"), { minLength: 1, maxLength: 3 }),
    }),
  ),
})).mark;
const anyAttempts = fc
  .array(
    fc.record({
      direction: fc.constantFrom(...directions),
      outcome: fc.constantFrom(...outcomes),
      place: fc.constantFrom(...places),
      setupId: fc.constantFrom("one", "two"),
      sessionId: fc.constantFrom("a", "b"),
      pack: fc.constantFrom(null, 1, 2, 3),
      minutes: fc.constantFrom(null, 2.5),
      measured: fc.option(fc.record({ stopErrorDeg: fc.double({ min: -40, max: 40, noNaN: true }) }), {
        nil: undefined,
      }),
    }),
    { maxLength: 30 },
  )
  .map((list) => list.map((one, i): Attempt => ({ ...one, atMs: i * 3_600_000 })));

describe("pass marks", () => {
  it("k of the last n, a run, clean packs, minutes, measured within", () => {
    expect(
      met(
        { kind: "k-of-last", k: 3, n: 4 },
        ["clean", "rough", "clean", "clean"].map((one) => flown(one as never)),
      ),
    ).toBe(true);
    expect(met({ kind: "run", k: 2 }, [flown("clean"), flown("rough"), flown("clean")])).toBe(false);
    const packs = [
      flown("clean", { sessionId: "a", pack: 1 }),
      flown("rough", { sessionId: "a", pack: 1 }),
      flown("clean", { sessionId: "a", pack: 2 }),
    ];
    expect(met({ kind: "clean-packs", packs: 1 }, packs)).toBe(true);
    expect(met({ kind: "clean-packs", packs: 2 }, packs)).toBe(false);
    // Batteries that were not counted: the whole session is one, so that one rough attempt spoils it.
    expect(
      met(
        { kind: "clean-packs", packs: 1 },
        packs.map((one) => ({ ...one, pack: null })),
      ),
    ).toBe(false);
    const timed = [flown("rough", { minutes: 6 }), flown("crashed", { minutes: 9 }), flown("clean", { minutes: 5 })];
    expect(judge({ kind: "minutes", minutes: 12 }, timed, directions)).toMatchObject({
      met: false,
      count: { kind: "minutes", flown: 11, minutes: 12 },
    });
    const within: PassMark = { kind: "measured", measure: "stopErrorDeg", within: 15, k: 2, n: 2 };
    expect(
      met(within, [
        flown("clean", { measured: { stopErrorDeg: -14 } }),
        flown("clean"),
        flown("rough", { measured: { stopErrorDeg: 15 } }),
      ]),
    ).toBe(true);
  });

  it("each direction on its own, only in some places, joined by and, by or", () => {
    const threes = (right: number, left: number) => [
      ...Array.from({ length: right }, () => flown("clean")),
      ...Array.from({ length: left }, () => flown("clean", { direction: "left", place: "simulator" })),
    ];
    const run: PassMark = { kind: "run", k: 3 };
    // A simulator counts only where a mark names it (section 10 of the design).
    const anywhere = (rule: PassMark): PassMark => ({ kind: "in-places", places: ["field", "simulator"], rule });
    expect(met(anywhere({ kind: "each-direction", rule: run }), threes(3, 2))).toBe(false);
    expect(met(anywhere({ kind: "each-direction", rule: run }), threes(3, 3))).toBe(true);
    expect(met({ kind: "each-direction", rule: run }, threes(3, 3))).toBe(false);
    expect(placesOf({ kind: "any", rules: [run, markIn(run, "simulator")] })).toEqual(["field", "simulator", "by-eye"]);
    expect(
      met({ kind: "in-places", places: ["field"], rule: { kind: "each-direction", rule: run } }, threes(3, 3)),
    ).toBe(false);
    const both: readonly PassMark[] = [markIn(run, "simulator"), markIn(run, "by-eye")];
    expect(met({ kind: "all", rules: both }, threes(0, 3))).toBe(false);
    expect(met({ kind: "any", rules: both }, threes(0, 3))).toBe(true);
    expect(placesOf({ kind: "all", rules: both })).toEqual(["simulator", "by-eye"]);
  });

  it("a clean attempt more, measured well, never takes a pass away, whatever the mark; a crash never gives one but for minutes", () => {
    fc.assert(
      fc.property(
        anyMark,
        anyAttempts,
        fc.constantFrom(...directions),
        fc.constantFrom(...places),
        (mark, attempts, direction, place) => {
          const next = { direction, place, setupId: "one", atMs: 1e9, sessionId: "b", pack: 3 };
          const clean = [...attempts, { ...next, outcome: "clean" as const, measured: { stopErrorDeg: 1 } }];
          const crashed = [...attempts, { ...next, outcome: "crashed" as const, measured: { stopErrorDeg: 90 } }];
          if (met(mark, attempts)) expect(met(mark, clean)).toBe(true);
          else expect(met(mark, crashed)).toBe(false);
        },
      ),
      { numRuns: 400 },
    );
  });

  it("all asks for at least as much as each of its rules, any for at most; a mark met lacks nothing", () => {
    fc.assert(
      fc.property(anyMark, anyMark, anyAttempts, (one, other, attempts) => {
        const each = [met(one, attempts), met(other, attempts)];
        expect(met({ kind: "all", rules: [one, other] }, attempts)).toBe(each[0] && each[1]);
        expect(met({ kind: "any", rules: [one, other] }, attempts)).toBe(each[0] || each[1]);
        const judged = judge(one, attempts, directions);
        for (const { met: enough, count } of leavesOf(judged)) expect(missing(count) <= 0).toBe(enough);
        expect(requireMark(one)).toBe(one);
        expect(windowOf(one).share).toBeLessThanOrEqual(1);
      }),
    );
  });

  it.each([
    [{ kind: "k-of-last", k: 5, n: 4 }, /^mark.k is 5; allowed: 1 to 4$/],
    [{ kind: "k-of-last", k: 1.5, n: 4 }, /mark.k is 1.5; allowed: whole numbers/],
    [{ kind: "measured", measure: "luck", within: 1, k: 1, n: 1 }, /mark.measure is not one/],
    [{ kind: "all", rules: [{ kind: "run", k: 0 }] }, /^mark.rules.0.k is 0/],
    [{ kind: "in-places", places: ["moon"], rule: { kind: "run", k: 1 } }, /mark.places must name/],
    [{ kind: "__proto__" }, /mark.kind is not one/],
    [null, /mark is no pass mark/],
  ])("refuses %j and names the place", (mark, message) => {
    expect(() => requireMark(mark)).toThrow(message);
  });

  it("refuses marks joined without end", () => {
    let mark: PassMark = { kind: "run", k: 1 };
    for (let i = 0; i < 200; i++) mark = { kind: "each-direction", rule: mark };
    expect(() => requireMark(mark)).toThrow(/deeper than 6/);
  });
});

describe("digest", () => {
  it("says of a step what all its attempts say: counts, days, marks and minutes", () => {
    const threeOfFour: PassMark = { kind: "each-direction", rule: { kind: "k-of-last", k: 3, n: 4 } };
    const long = anyAttempts.map((few) =>
      Array.from({ length: 40 }, (_, round) =>
        few.map((one) => ({ ...one, atMs: one.atMs + round * 40 * DAY_MS })),
      ).flat(),
    );
    fc.assert(
      fc.property(long, (attempts) => {
        const { tallies, days, attempts: count } = digestOf(attempts, "UTC");
        const recent = recentOf(attempts);
        const whole = weighEvidence(attempts, threeOfFour, directions);
        const told = weighEvidence(recent, threeOfFour, directions, tallies);
        expect(count).toBe(attempts.length);
        // Practised in a simulator on no flying day.
        const real = attempts.filter(({ place }) => place !== "simulator");
        expect(days.reduce((sum, [, , all]) => sum + all, 0)).toBe(real.length);
        expect(told.judged).toEqual(whole.judged);
        told.directions.forEach((one, i) => {
          expect(one).toMatchObject({
            attempts: whole.directions[i].attempts,
            cleanAttempts: whole.directions[i].cleanAttempts,
          });
          expect(one.posterior.mean).toBeCloseTo(whole.directions[i].posterior.mean, 2);
        });
        const minutes: PassMark = { kind: "minutes", minutes: 1000 };
        expect(judge(minutes, recent, directions)).toEqual(judge(minutes, attempts, directions));
      }),
      { numRuns: 25 },
    );
  });
});

it("a learning curve has a point a day, marks setups and gaps, and a trend once there is enough", () => {
  const day = (n: number, setupId: string, letters: string) =>
    [...letters].map((letter, i) =>
      flown(letter === "c" ? "clean" : "rough", { setupId, atMs: n * DAY_MS + i * 60_000 }),
    );
  const curve = learningCurve([...day(1, "one", "rrrc"), ...day(8, "one", "rccr"), ...day(30, "two", "cccc")], "UTC");
  expect(curve.points.map(({ attempts }) => attempts)).toEqual([4, 8, 12]);
  expect(curve.points[2].mean).toBeGreaterThan(curve.points[0].mean);
  expect(curve.setupChanges.map(({ setupId }) => setupId)).toEqual(["two"]);
  expect(curve.gaps.map(({ days }) => days)).toEqual([22]);
  expect(curve.trend!.chanceBetter).toBeGreaterThan(0.9);
  expect(learningCurve(day(1, "one", "rrr"), "UTC").trend).toBeNull();
});

// The same library's own scheduler of cards, which this program goes round for speed.
it("is due when the scheduler of cards says, to two days", () => {
  const scheduler = fsrs({ request_retention: 0.9, enable_fuzz: false, enable_short_term: false });
  fc.assert(
    fc.property(
      fc.array(fc.record({ gap: fc.integer({ min: 1, max: 60 }), clean: fc.integer({ min: 0, max: 4 }) }), {
        minLength: 1,
        maxLength: 20,
      }),
      (flights) => {
        let day = 100;
        let card = createEmptyCard(new Date(day * DAY_MS));
        const days = flights.map(({ gap, clean }) => {
          day += gap;
          const grade = clean >= 3 ? Rating.Good : clean === 2 ? Rating.Hard : Rating.Again;
          card = scheduler.next(card, new Date(day * DAY_MS), grade).card;
          return [day, clean, 4] as const;
        });
        // It keeps the intervals of hard, good and easy a day apart, which may move one of them by two.
        expect(Math.abs(reviewOf(days, day * DAY_MS, "UTC")!.dueMs - card.due.getTime())).toBeLessThanOrEqual(
          2 * DAY_MS,
        );
      },
    ),
  );
});

it("merges the days of two lists in order, each day once with the counts of both", () => {
  const list = fc
    .uniqueArray(fc.tuple(fc.integer({ min: 0, max: 40 }), fc.nat(5), fc.nat(5)), { selector: ([day]) => day })
    .map((days) => days.map(([day, clean, more]) => [day, clean, clean + more] as const).sort(([a], [b]) => a - b));
  const sum = (days: readonly (readonly [number, number, number])[], day: number, of: 1 | 2) =>
    days.filter(([one]) => one === day).reduce((total, one) => total + one[of], 0);
  fc.assert(
    fc.property(list, list, (some, others) => {
      const merged = mergedDays(some, others);
      const days = [...new Set([...some, ...others].map(([day]) => day))].sort((a, b) => a - b);
      expect(merged).toEqual(
        days.map((day) => [day, ...([1, 2] as const).map((of) => sum(some, day, of) + sum(others, day, of))]),
      );
    }),
  );
});

// Published by the scheduler's authors as its definition: stability is the interval after which recall has fallen to 90 %, and recall at time t is
// (1 + f t/S)^d with f = 0.9^(1/d) - 1 (FSRS-6, d = -w20 = -0.1542). The values of d are from memory.
it("is due when recall has fallen to 90 %, and recall follows the published power curve", () => {
  const days = [0, 9, 25].map((day) => [day, 4, 4] as const);
  const due = reviewOf(days, 0, "UTC")!.dueMs;
  const at = (ms: number) => reviewOf(days, ms, "UTC")!.memory;
  expect(at(due)).toBeCloseTo(0.9, 2);
  const stability = (due - 25 * DAY_MS) / DAY_MS;
  const decay = -0.1542;
  const factor = 0.9 ** (1 / decay) - 1;
  for (const t of [3, 20, 100, 400])
    expect(at((25 + t) * DAY_MS)).toBeCloseTo((1 + (factor * t) / stability) ** decay, 2);
});
