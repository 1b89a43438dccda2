import { builtInSyllabus, type Glance } from "@/syllabus";
import { byNeed, reasonsFor } from "./needs-coach";

const NOW = Date.UTC(2026, 10, 28);
const DAY = 24 * 3_600_000;
const current = (kind: string) => ({ stepId: "flip-slow", advice: { kind } }) as never;
const glance = (more: Partial<Glance> = {}): Glance =>
  ({
    current: null,
    reviewsDue: [],
    slipping: [],
    favours: null,
    burst: null,
    lastFlownMs: NOW - DAY,
    idleDays: 1,
    ...more,
  }) as Glance;
const reasons = (more: Partial<Glance> = {}, beside: Partial<Parameters<typeof reasonsFor>[0]> = {}) =>
  reasonsFor({ glance: glance(more), asksFor: [], checkFirst: [], aircraftName: "Plank", ...beside }, builtInSyllabus);
const kinds = (list: ReturnType<typeof reasons>) => list.map(({ kind }) => kind);

it("has none for a pilot of whom nothing is wanted", () => {
  expect(reasons()).toEqual([]);
  expect(reasons({ current: current("stay") })).toEqual([]);
});

it("names each reason with its counts, what cannot wait first", () => {
  const all = reasons(
    {
      current: current("rest"),
      slipping: [{ stepId: "flip-slow", clean: 1, all: 7, days: 2 }] as never,
      reviewsDue: [{ stepId: "roll-pure", memory: 0.614 }] as never,
      favours: { stepId: "flip-slow", better: "back", worse: "front", chance: 0.9999, difference: 0.4 } as never,
      idleDays: 40,
    },
    { asksFor: ["split-s"], checkFirst: ["Spindle"], aircraftName: null },
  );
  expect(kinds(all)).toEqual(["rest", "asks", "slipping", "check-first", "gap", "due", "one-sided", "no-aircraft"]);
  expect(all.map(({ text }) => text)).toEqual([
    "crashes rise: rest",
    "sign-off requested: split-s",
    "slow flip slips: 1 of 7 clean on the last 2 days",
    "by eye first: Spindle",
    "no flight for 40 days",
    "review due: pure roll (61\u202f% remembered)",
    "favours backward, 99\u202f% sure",
    "no aircraft yet",
  ]);
});

it("of many steps names the worst three, and says how many more there are", () => {
  const reviewsDue = [0.9, 0.5, 0.7, 0.6, 0.8].map((memory, n) => ({
    stepId: ["hang", "split-s", "roll-pure", "loop-over", "orbit"][n],
    memory,
  }));
  expect(reasons({ reviewsDue }).map(({ text }) => text)).toEqual([
    "review due: split-s (50\u202f% remembered), loop over an obstacle (60\u202f% remembered), pure roll (70\u202f% remembered) and 2 more",
  ]);
});

it.each([
  ["advance", "ready"],
  ["step-back", "step-back"],
  ["settle", "unsettled"],
])("takes the advice %s as a reason to look: %s", (advice, kind) => {
  expect(kinds(reasons({ current: current(advice) }))).toEqual([kind]);
});

it("knows no gap of somebody who never flew", () => {
  expect(reasons({ lastFlownMs: null })).toEqual([]);
});

it("puts whoever needs the coach most first: the most pressing reason, then how many, then how long ago, then the name", () => {
  const row = (name: string, of: ReturnType<typeof reasons>, lastFlownMs = NOW - DAY) => ({
    name,
    reasons: of,
    glance: glance({ lastFlownMs }),
  });
  const due = reasons({ reviewsDue: [{ stepId: "roll-pure", memory: 0.6 }] as never });
  const rows = [
    row("Nobody wanted", []),
    row("Due, flown lately", due),
    row("Due, long ago", due, NOW - 9 * DAY),
    row("Due and no aircraft", [...due, ...reasons({}, { aircraftName: null })]),
    row("Rest", reasons({ current: current("rest") })),
    row("A namesake", [], NOW - DAY),
  ];
  expect(rows.sort(byNeed).map(({ name }) => name)).toEqual([
    "Rest",
    "Due and no aircraft",
    "Due, long ago",
    "Due, flown lately",
    "A namesake",
    "Nobody wanted",
  ]);
});

it("names the present gap beside a burst that is over, and not twice while it is the same", () => {
  const burst = { flyingDays: 4, withinDays: 4, gapDays: 14 };
  expect(kinds(reasons({ burst, idleDays: 14 }))).toEqual(["burst"]);
  expect(kinds(reasons({ burst, idleDays: 12 }))).toEqual(["burst", "gap"]);
});
