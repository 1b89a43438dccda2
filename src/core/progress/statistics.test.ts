import fc from "fast-check";
import { jStat } from "jstat";
import { DAY_MS, seededRandom } from "../numbers";
import { usualRules, advise, dayBegins, dayIn, isTimeZone, luckOf, posteriorOf, rateAfterEach, weighEvidence } from ".";
import type { Attempt } from ".";
import { burstOf, distinctDays } from "./bursts";
import { chanceOfSoManyLate } from "./exact-test";
import { stuckAt } from "./stuck";

const jumbled = (share: (n: number) => number, count: number, uniform: () => number) =>
  Array.from({ length: count }, (_, n) => uniform() < share(n));

describe("the clean rate of somebody who learns", () => {
  const interval = (clean: readonly boolean[]) =>
    posteriorOf(
      clean.map((one) => ({ outcome: one ? "clean" : "rough" })),
      0.75,
    );

  it.each([
    ["rises from 0.2 to 0.9 over 40 tries", (n: number) => 0.2 + (0.7 * n) / 40],
    ["stays at one half", () => 0.5],
    ["stays at 0.9", () => 0.9],
    ["falls from 0.9 to 0.3", (n: number) => 0.9 - (0.6 * n) / 40],
  ])("its 90 %% interval holds a rate that %s at least 80 times in 100", (_, share) => {
    const uniform = seededRandom(3);
    const runs = 200;
    let held = 0;
    for (let run = 0; run < runs; run++) {
      const { low, high } = interval(jumbled(share, 40, uniform));
      if (low <= share(39) && share(39) <= high) held++;
    }
    expect(held / runs).toBeGreaterThanOrEqual(0.8);
  });

  // Without a course of its own, the filter would be the plain Beta distribution; after one attempt there has been none yet: mean 2/3, variance 1/18
  // (Beta 2, 1), and before any 1/2 and 1/12.
  it("is the uniform distribution before any attempt, and Beta(2, 1) after one clean one", () => {
    const [none, one] = rateAfterEach([true]);
    expect(none.mean).toBeCloseTo(1 / 2, 3);
    expect(none.variance).toBeCloseTo(1 / 12, 3);
    expect(one.mean).toBeCloseTo(2 / 3, 2);
    expect(one.variance).toBeCloseTo(1 / 18, 2);
  });

  it("goes the other way where clean and not clean are changed about, but for how it may drift", () => {
    fc.assert(
      fc.property(fc.array(fc.boolean(), { maxLength: 30 }), (clean) => {
        const after = rateAfterEach(clean).at(-1)!;
        expect(after.mean).toBeGreaterThan(0);
        expect(after.mean).toBeLessThan(1);
        expect(after.variance).toBeGreaterThan(0);
        expect(after.variance).toBeLessThan(after.mean * (1 - after.mean));
        expect(rateAfterEach([...clean, true]).at(-1)!.mean).toBeGreaterThan(
          rateAfterEach([...clean, false]).at(-1)!.mean,
        );
      }),
    );
  });
});

describe("luck", () => {
  const letters = (text: string) => [...text].map((one) => one === "c");

  // Binomial: three or four heads of four coins, 5/16; four of four, 1/16; eight of eight, 1/256.
  it.each([
    ["crcc", 5 / 16],
    ["cccc", 1 / 16],
    ["cccccccc", 1 / 256],
  ])("of %s with nothing before it is that of coins", (text, chance) => {
    expect(luckOf(letters(text), 3, 4)).toBeCloseTo(chance, 12);
  });

  it("is none where the mark is not met", () => {
    expect(luckOf(letters("ccrr"), 3, 4)).toBeNull();
    expect(luckOf([], 1, 1)).toBeNull();
  });

  // Feller, An Introduction to Probability Theory and Its Applications, XIII.7: chance of a run of r successes in n tosses, by its recursion.
  it("of a run is that of Feller's recursion", () => {
    const withoutRun = (n: number, r: number): number => {
      const without = [1];
      for (let i = 1; i <= n; i++) {
        const ends = Array.from({ length: Math.min(i, r) }, (_, k) => (without[i - 1 - k] ?? 1) * 0.5 ** (k + 1));
        without.push(ends.reduce((a, b) => a + b, 0) + (i < r ? 0.5 ** i : 0));
      }
      return without[n];
    };
    const twelve = letters(`${"r".repeat(18)}${"c".repeat(12)}`);
    expect(luckOf(twelve, 12, 12)).toBeCloseTo(1 - withoutRun(30, 12), 10);
  });

  it("is what flying it at random many times says, for short marks and for long ones", () => {
    for (const [text, k, n] of [
      ["rcrrccrcrccrccccrccc", 3, 4],
      [`${"rc".repeat(10)}${"c".repeat(15)}rrrcc`, 15, 20],
    ] as const) {
      const clean = letters(text);
      const stretch = Math.max(n, 12);
      const count = (some: readonly boolean[]) => some.filter(Boolean).length;
      const wanted = count(clean.slice(-stretch));
      const uniform = seededRandom(7);
      const runs = 1500;
      let lucky = 0;
      for (let run = 0; run < runs; run++) {
        const flown = jumbled(() => 0.5, clean.length, uniform);
        const met = flown.some(
          (_, t) =>
            t + 1 >= stretch &&
            count(flown.slice(t + 1 - stretch, t + 1)) >= wanted &&
            count(flown.slice(t + 1 - n, t + 1)) >= k,
        );
        if (met) lucky++;
      }
      expect(Math.abs(luckOf(clean, k, n)! - lucky / runs)).toBeLessThan(0.04);
    }
  });

  it("keeps somebody who flies half of them clean from being signed off where the coach wants to be sure", () => {
    const mark = { kind: "k-of-last", k: 3, n: 4 } as const;
    const toldIn = (mostLuck: number) => {
      const uniform = seededRandom(5);
      let told = 0;
      for (let pilot = 0; pilot < 60; pilot++) {
        const attempts: Attempt[] = [];
        for (let n = 0; n < 20; n++) {
          attempts.push(attempt("only", uniform() < 0.5, n));
          const evidence = weighEvidence(attempts, mark, ["only"]);
          const rules = { ...usualRules, mostLuck };
          const told_ = advise({ ...adviceInput, evidence, mark, attempts, rules });
          if (told_.kind !== "advance") continue;
          told++;
          break;
        }
      }
      return told / 60;
    };
    // The mark alone tells nearly everybody to go on.
    expect(toldIn(1)).toBeGreaterThan(0.85);
    expect(toldIn(0.05)).toBeLessThan(0.2);
  });
});

const attempt = (direction: string, clean: boolean, n: number, more: Partial<Attempt> = {}): Attempt => ({
  direction,
  outcome: clean ? "clean" : "rough",
  place: "field",
  setupId: "one",
  atMs: n * 60_000,
  ...more,
});
const adviceInput = { latestDay: [], setupId: "one", previousStepId: "before", signedOff: false };

describe("rest", () => {
  it("is advised by Fisher's exact test, as the hypergeometric distribution of a library has it", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 40 }), fc.nat(40), fc.nat(40), fc.nat(40), (all, a, b, c) => {
        const lateAll = Math.min(all, a);
        const marked = Math.min(all, b);
        const late = Math.min(lateAll, marked, c);
        let tail = 0;
        for (let n = Math.max(late, marked - (all - lateAll)); n <= Math.min(lateAll, marked); n++)
          tail += jStat.hypgeom.pdf(n, all, lateAll, marked);
        expect(chanceOfSoManyLate(late, lateAll, marked, all)).toBeCloseTo(Math.min(1, tail), 8);
      }),
      { numRuns: 60 },
    );
  });

  // Fisher, The Design of Experiments, 1935: eight cups, four of each kind, all told right: 1 in 70.
  it("knows the lady tasting tea", () => {
    expect(chanceOfSoManyLate(4, 4, 4, 8)).toBeCloseTo(1 / 70, 12);
  });

  it("is a false alarm on at most one day in twenty where crashes come by chance alone", () => {
    const uniform = seededRandom(11);
    const days = 1000;
    let alarms = 0;
    for (let day = 0; day < days; day++) {
      const latestDay = Array.from({ length: 24 }, (_, n) =>
        attempt("only", false, n, { outcome: uniform() < 0.25 ? "crashed" : "rough" }),
      );
      const evidence = weighEvidence([], { kind: "run", k: 3 }, ["only"]);
      const advice = advise({ ...adviceInput, evidence, mark: { kind: "run", k: 3 }, attempts: [], latestDay });
      if (advice.kind === "rest") alarms++;
    }
    expect(alarms / days).toBeLessThanOrEqual(0.05);
  });
});

describe("days", () => {
  const at = (text: string) => Date.parse(text);

  it.each([
    ["UTC", "2026-03-28T23:30:00Z", "2026-03-29T00:30:00Z"],
    // Summer time begins on 29 March 2026 at 01:00 UTC, and ends on 25 October.
    ["Europe/Lisbon", "2026-03-29T22:59:00Z", "2026-03-29T23:01:00Z"],
    ["Asia/Kathmandu", "2026-03-28T18:14:00Z", "2026-03-28T18:16:00Z"],
    ["America/St_Johns", "2026-03-08T03:29:00Z", "2026-03-08T03:31:00Z"],
  ])("in %s end at midnight there", (zone, before, after) => {
    expect(dayIn(zone, at(after)) - dayIn(zone, at(before))).toBe(1);
  });

  it("are 23 and 25 hours long when the clocks change, and begin where they should", () => {
    const hours = (day: string) => {
      const number = at(`${day}T00:00:00Z`) / DAY_MS;
      return (dayBegins("Europe/Lisbon", number + 1) - dayBegins("Europe/Lisbon", number)) / 3_600_000;
    };
    expect([hours("2026-03-29"), hours("2026-10-25"), hours("2026-11-01")]).toEqual([23, 25, 24]);
    fc.assert(
      fc.property(
        fc.constantFrom("UTC", "Europe/Lisbon", "Asia/Kathmandu", "America/St_Johns"),
        fc.integer({ min: 18_000, max: 22_000 }),
        (zone, day) => {
          const begins = dayBegins(zone, day);
          expect([dayIn(zone, begins - 1), dayIn(zone, begins)]).toEqual([day - 1, day]);
        },
      ),
    );
  });

  it("know a time zone from a word", () => {
    expect(["UTC", "Europe/Lisbon", "Lisboa", ""].map(isTimeZone)).toEqual([true, true, false, false]);
    expect(() => dayIn("Lisboa", 0)).toThrow("time zone");
  });
});

it("names days in a heap with a long time without after them, and not a steady habit", () => {
  expect(burstOf([0, 1, 2, 3], 17)).toEqual({ flyingDays: 4, withinDays: 4, gapDays: 14 });
  expect(burstOf([0, 1, 3, 18], 20)).toEqual({ flyingDays: 3, withinDays: 4, gapDays: 15 });
  expect(burstOf([0, 7, 14, 21, 28], 30)).toBeNull();
  expect(burstOf([0, 1, 2, 3], 9)).toBeNull();
  expect(burstOf([0, 1, 2, 3], 100)).toBeNull();
  expect(burstOf([], 3)).toBeNull();
  const days = (...list: number[]) => list.map((day) => [day, 1, 2] as const);
  expect(distinctDays([days(3, 5, 9), [], days(-1, 5)])).toEqual([-1, 3, 5, 9]);
  expect(distinctDays([[]])).toEqual([]);
});

describe("stuck", () => {
  /** Five a day, once a week, with so many of them clean. */
  const weeks = (
    cleanOf: (week: number) => number,
    count: number,
    more: (week: number) => Partial<Attempt> = () => ({}),
  ) =>
    Array.from({ length: count }, (_, week) =>
      Array.from({ length: 5 }, (_, n) =>
        attempt("front", n < cleanOf(week), n, { atMs: week * 7 * DAY_MS + n * 60_000, ...more(week) }),
      ),
    ).flat();

  it("are many tries over weeks with a rate that does not rise, with what to try first", () => {
    const flat = weeks(() => 2, 8);
    expect(stuckAt(flat, ["back", "front"], "before")).toEqual({
      direction: "front",
      attempts: 40,
      flyingDays: 8,
      weeks: 7,
      early: { attempts: 20, clean: 8 },
      late: { attempts: 20, clean: 8 },
      tryNext: { kind: "other-way" },
    });
    expect(
      stuckAt(
        weeks(() => 0, 8),
        ["front"],
        "before",
      )!.tryNext,
    ).toEqual({ kind: "step-back", toStepId: "before" });
    const changing = weeks(
      () => 2,
      8,
      (week) => ({ setupId: `setup ${Math.floor(week / 2)}` }),
    );
    expect(stuckAt(changing, ["front"], "before")!.tryNext).toEqual({ kind: "one-setup", changes: 3 });
    const faulty = flat.map((one) => (one.outcome === "clean" ? one : { ...one, faults: ["late"] }));
    expect(stuckAt(faulty, ["front"], "before")!.tryNext).toMatchObject({ kind: "mend", faultId: "late", share: 1 });
  });

  it("are not those who learn, who have tried little, or who only began", () => {
    expect(
      stuckAt(
        weeks((week) => Math.min(4, week), 8),
        ["front"],
        "before",
      ),
    ).toBeNull();
    expect(
      stuckAt(
        weeks(() => 2, 4),
        ["front"],
        "before",
      ),
    ).toBeNull();
    expect(
      stuckAt(
        weeks(() => 2, 8).map((one) => ({ ...one, atMs: one.atMs / 10 })),
        ["front"],
        null,
      ),
    ).toBeNull();
    expect(
      stuckAt(
        weeks(() => 2, 8),
        ["back"],
        "before",
      ),
    ).toBeNull();
  });

  it("are told so in place of being told to stay, while nothing is signed off", () => {
    const attempts = weeks(() => 2, 8);
    const mark = { kind: "each-direction", rule: { kind: "k-of-last", k: 3, n: 4 } } as const;
    const evidence = weighEvidence(attempts, mark, ["front"]);
    expect(advise({ ...adviceInput, evidence, mark, attempts }).kind).toBe("stuck");
    expect(advise({ ...adviceInput, evidence, mark, attempts, signedOff: true }).kind).toBe("signed-off");
  });
});

it("says where only what was flown alone meets the mark, and leaves it out where the coach wants that", () => {
  const mark = { kind: "k-of-last", k: 3, n: 4 } as const;
  const attempts = [..."rrccc"].map((one, n) => attempt("only", one === "c", n, n > 2 ? { alone: true } : {}));
  const open = weighEvidence(attempts, mark, ["only"]);
  expect([open.passes, open.aloneDecides]).toEqual([true, true]);
  const attended = weighEvidence(attempts, mark, ["only"], undefined, { attendedOnly: true });
  expect([attended.passes, attended.directions[0].attempts]).toEqual([false, 3]);
  const withCoach = weighEvidence(
    attempts.map(({ alone: _, ...one }) => one),
    mark,
    ["only"],
  );
  expect(withCoach.aloneDecides).toBe(false);
});

it("says the luck of each rule from just the attempts it looks at: directions together, some places, each measure its own", () => {
  const both = [..."cccc"].map((_, n) => attempt(n % 2 === 0 ? "back" : "front", true, n));
  const together = weighEvidence(both, { kind: "k-of-last", k: 4, n: 4 }, ["back", "front"]);
  expect(together.lucks).toEqual([1 / 16]);
  // Neither side by itself has met it.
  expect(together.directions.map(({ luck }) => luck)).toEqual([null, null]);
  const mark = {
    kind: "all",
    rules: [
      { kind: "in-places", places: ["simulator"], rule: { kind: "run", k: 2 } },
      { kind: "measured", measure: "stopErrorDeg", within: 15, k: 1, n: 1 },
      { kind: "measured", measure: "missM", within: 1, k: 1, n: 1 },
      { kind: "minutes", minutes: 1 },
    ],
  } as const;
  const flown = [
    attempt("only", true, 0, { place: "simulator" }),
    attempt("only", true, 1, { place: "simulator" }),
    attempt("only", false, 2, { measured: { stopErrorDeg: 9 } }),
    attempt("only", true, 3, { measured: { missM: 4 } }),
  ];
  expect(weighEvidence(flown, mark, ["only"]).lucks).toEqual([1 / 4, 1 / 2, null, null]);
});
