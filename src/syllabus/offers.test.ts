import { usualRules } from "@/core";
import { builtInSyllabus, digestSteps, offersOf, type School } from ".";
import type { Attempt, Outcome } from "@/core";

const DAY_MS = 86_400_000;
type Flown = Attempt & { readonly stepId: string };
const fly = (stepId: string, day: number, outcomes: readonly Outcome[], direction = "back"): Flown[] =>
  outcomes.map((outcome, i) => ({
    stepId,
    direction,
    outcome,
    place: "field",
    setupId: null,
    atMs: day * DAY_MS + i * 60_000,
  }));
const clean = (count: number): Outcome[] => new Array<Outcome>(count).fill("clean");
const basics = ["fp-hover", "stop-course", "arm-reflex", "eight-course", "land-stop"];
const offers = (attempts: readonly Flown[], signedOff: readonly string[], day: number, school: School = {}) =>
  offersOf({
    syllabus: builtInSyllabus,
    school,
    flown: digestSteps(attempts),
    signedOff: new Set(signedOff),
    setupId: null,
    nowMs: day * DAY_MS,
    rules: usualRules,
  });

it("offers a warm-up that is sure, the step the pilot is at as main drill with the weaker side first, and ends freely", () => {
  const attempts = [
    ...fly("stop-course", 99, clean(8), "only"),
    ...fly("flip-slow", 99, ["clean", "clean", "rough"], "front"),
    ...fly("flip-slow", 99, ["rough", "bailed", "rough"], "back"),
  ];
  const given = offers(attempts, basics, 100);
  expect(given.map(({ kind, stepId }) => [kind, stepId])).toEqual([
    ["warm-up", "stop-course"],
    ["main", "flip-slow"],
    ["free", null],
  ]);
  expect(given[1]).toMatchObject({ firstDirection: "back", isNew: false });
  for (const { worth } of given) expect([...worth].sort((a, b) => b - a)).toEqual(worth);
  expect(given.map(({ reason }) => reason)).toMatchObject([
    { kind: "warm-up", leadsIn: false },
    { kind: "advised", advice: { kind: "stay" }, isNext: false, notSignedOff: [] },
    { kind: "freely" },
  ]);
});

it("offers what is due again and what slips, the most pressing first", () => {
  const attempts = [
    ...fly("stop-course", 10, clean(4), "only"),
    ...fly("fp-hover", 60, clean(4), "only"),
    ...[95, 96, 97].flatMap((day) => fly("land-stop", day, ["rough", "rough", "crashed"], "only")),
  ];
  const reviews = offers(attempts, basics, 100).filter(({ kind }) => kind === "review");
  expect(reviews.map(({ stepId }) => stepId)).toContain("land-stop");
  expect(reviews.find(({ stepId }) => stepId === "land-stop")!.reason).toEqual({
    kind: "slipping",
    clean: 0,
    all: 9,
    days: 3,
  });
  const due = reviews.find(({ stepId }) => stepId === "stop-course")!;
  expect(due.reason).toMatchObject({ kind: "due-again", recall: expect.any(Number) });
  expect(reviews.map(({ worth }) => worth[0])).toEqual(reviews.map(({ worth }) => worth[0]).sort((a, b) => b - a));
});

it("offers the next step as new once the mark is met, and none where the pilot is to rest", () => {
  const met = [...fly("flip-slow", 99, clean(8), "back"), ...fly("flip-slow", 99, clean(8), "front")];
  const after = offers(met, basics, 100);
  expect(after.filter(({ kind }) => kind === "main").map(({ stepId, isNew }) => [stepId, isNew])).toEqual([
    ["flip-slow", false],
    ["flip-ease-quarter", true],
  ]);
  const hard: Outcome[] = ["clean", "clean", "rough", "crashed", "crashed", "crashed"];
  const tired = offers(fly("flip-slow", 100, hard), basics, 100);
  expect(tired.some(({ kind }) => kind === "main")).toBe(false);
});

it("marks what the school wants in the simulator first", () => {
  const attempts = fly("flip-slow", 99, ["rough"], "back");
  const main = (school: School) => offers(attempts, basics, 100, school).find(({ kind }) => kind === "main")!;
  expect(main({ simulator: "first" }).simulatorFirst).toBe(true);
  expect(main({}).simulatorFirst).toBe(false);
});
