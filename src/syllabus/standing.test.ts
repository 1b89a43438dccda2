import { usualRules } from "@/core";
import type { Attempt, Outcome } from "@/core";
import { builtInSyllabus, digestSteps, glanceOf, setupFlownLast, standingOf, type School } from ".";

const DAY_MS = 86_400_000;
const flown = (stepId: string, day: number, outcomes: readonly Outcome[], place: Attempt["place"] = "field") =>
  outcomes.flatMap((outcome, i) =>
    ["back", "front"].map((direction) => ({
      stepId,
      direction,
      outcome,
      place,
      setupId: null,
      atMs: day * DAY_MS + i * 60_000,
    })),
  );
const clean: readonly Outcome[] = ["clean", "clean", "clean", "clean"];

function input(attempts: (Attempt & { stepId: string })[], signedOff: string[], day: number, school: School = {}) {
  return {
    syllabus: builtInSyllabus,
    school,
    flown: digestSteps(attempts),
    signedOff: new Set(signedOff),
    setupId: null,
    nowMs: day * DAY_MS,
    rules: usualRules,
  };
}
const standing = (...of: Parameters<typeof input>) => standingOf(input(...of));
const at = (all: ReturnType<typeof standing>, id: string) => all.steps.find(({ stepId }) => stepId === id)!;

it("takes what follows the furthest sign-off as the current step, and says of each step how it stands", () => {
  const start = standing([], [], 0);
  expect(start.current?.stepId).toBe("sticks");
  expect(start.steps.filter(({ state }) => state !== "not-begun").map(({ stepId }) => stepId)).toEqual(["sticks"]);
  const later = standing(flown("flip-slow", 0, clean), ["flip-slow"], 1);
  expect(later.current?.stepId).toBe("flip-ease-quarter");
  expect(at(later, "flip-slow").state).toBe("signed-off");
  expect(standing([], [builtInSyllabus.steps.at(-1)!.id], 0).current).toBeNull();
});

it("names what wants signing off first; what lies before the furthest sign-off is taken as known", () => {
  const early = standing([], ["sticks"], 0);
  expect(at(early, "arm-reflex").needsFirst).toEqual([]);
  expect(at(early, "flip-slow").needsFirst).toEqual(["stop-course", "eight-course"]);
  expect(at(standing([], ["flip-ease-quarter"], 0), "roll-pure").needsFirst).toEqual([]);
});

it("shows the steps of the pilot's route, and what was flown beside it", () => {
  const ids = (school: School, attempts: (Attempt & { stepId: string })[] = []) =>
    standing(attempts, [], 1, school).steps.map(({ stepId }) => stepId);
  expect(ids({ route: "self-level" })).toContain("level-turn");
  expect(ids({ route: "self-level" })).not.toContain("limit-30");
  expect(ids({ route: "self-level" }, flown("limit-30", 0, clean))).toContain("limit-30");
});

it("asks for the simulator first where the school does, until the mark is met there", () => {
  const school = { simulator: "first" };
  const simulator = (attempts: (Attempt & { stepId: string })[], of: School) =>
    at(standing(attempts, [], 1, of), "flip-slow").simulatorFirst;
  expect(simulator([], {})).toBe(false);
  expect(simulator([], school)).toBe(true);
  expect(simulator(flown("flip-slow", 0, clean), school)).toBe(true);
  expect(simulator(flown("flip-slow", 0, clean, "simulator"), school)).toBe(false);
});

it("brings a signed-off step back when it has not been flown for long, unless a later step contains it", () => {
  const due = (attempts: (Attempt & { stepId: string })[], day: number) =>
    standing(attempts, ["flip-slow"], day).reviewsDue.map(({ stepId }) => stepId);
  const once = flown("flip-slow", 0, clean);
  expect(due(once, 1)).toEqual([]);
  expect(due(once, 120)).toEqual(["flip-slow"]);
  expect(due([...once, ...flown("flip-ease-quarter", 118, clean)], 120)).toEqual([]);
});

it("advises rest only while a hard day is fresh", () => {
  const hard = flown("flip-slow", 10, ["clean", "rough", "crashed", "crashed"]);
  const advice = (hours: number) => standing(hard, [], 10 + hours / 24).current!.advice.kind;
  expect(advice(1)).toBe("rest");
  expect(advice(24)).not.toBe("rest");
});

describe("the squad's glance", () => {
  it("says the same as the whole standing, with the recent attempts of the current step only", () => {
    const attempts = [...flown("flip-slow", 0, clean), ...flown("flip-ease-quarter", 3, ["rough", "clean", "clean"])];
    const whole = input(attempts, ["flip-slow"], 120);
    const thin = new Map(
      [...whole.flown].map(([id, one]) => [id, id === "flip-ease-quarter" ? one : { ...one, recent: [] }] as const),
    );
    const all = standingOf(whole);
    const glance = glanceOf({ ...whole, flown: thin });
    expect(glance.current).toEqual(all.current);
    expect(glance.reviewsDue.map(({ stepId }) => stepId)).toEqual(all.reviewsDue.map(({ stepId }) => stepId));
    expect(glance.lastFlownMs).toBe(all.lastFlownMs);
  });

  it("finds a signed-off step that slips, and a side that is clearly better", () => {
    const slipping = [
      ...flown("flip-slow", 0, clean),
      ...flown("flip-slow", 30, ["rough", "rough", "bailed", "rough"]),
    ];
    expect(glanceOf(input(flown("flip-slow", 0, clean), ["flip-slow"], 31)).slipping).toEqual([]);
    const again = [...slipping, ...flown("flip-slow", 31, ["rough", "rough"]), ...flown("flip-slow", 32, ["crashed"])];
    expect(glanceOf(input(again, ["flip-slow"], 33)).slipping).toMatchObject([
      { stepId: "flip-slow", clean: 0, all: 14 },
    ]);
    const oneSided = [
      ...flown("flip-slow", 0, [...clean, ...clean]).filter(({ direction }) => direction === "back"),
      ...flown("flip-slow", 0, ["rough", "rough", "rough", "bailed"]).filter(({ direction }) => direction === "front"),
    ];
    expect(glanceOf(input(oneSided, [], 1)).favours).toMatchObject({ better: "back", worse: "front" });
    expect(glanceOf(input(flown("flip-slow", 0, clean), [], 1)).favours).toBeNull();
  });
});

it("knows the setup flown last at the step a pilot is at, whatever was flown elsewhere since", () => {
  const on = (setupId: string, attempts: ReturnType<typeof flown>) => attempts.map((one) => ({ ...one, setupId }));
  const now = [
    ...on("old", flown("flip-ease-quarter", 1, clean)),
    ...on("new", flown("flip-ease-quarter", 2, clean)),
    ...on("other", flown("sticks", 1, clean)),
  ];
  expect(setupFlownLast(input(now, ["flip-slow"], 3))).toBe("new");
  expect(setupFlownLast(input([], [], 3))).toBeNull();
});

it("credits a bail in another trick to bailing out, where it is no clean attempt and no crash", () => {
  const flips = flown("flip-slow", 1, ["bailed", "bailed", "bailed", "crashed", "clean", "rough"]);
  const own = flown("bail-wall", 1, ["bailed", "crashed"]);
  const all = standing([...flips, ...own], ["sticks"], 2);
  // Of each direction three and one; what goes wrong in the drill itself is not counted twice.
  expect(at(all, "bail-wall").bailCredit).toMatchObject({ bailed: 6, crashed: 2 });
  // Wilson 1927, 6 of 8 at 90 %, worked by hand: (0.75 + 1.3529/8 ± 1.6449 √(0.75·0.25/8 + 2.7057/256)) / (1 + 2.7057/8).
  expect(at(all, "bail-wall").bailCredit!.interval.low).toBeCloseTo(0.4601, 3);
  expect(at(all, "bail-wall").bailCredit!.interval.high).toBeCloseTo(0.9135, 3);
  expect(at(all, "flip-slow").bailCredit).toBeNull();
  expect(at(all, "flip-slow").evidence.directions[0]).toMatchObject({ attempts: 6 });
  expect(at(standing(flown("flip-slow", 1, clean), ["sticks"], 2), "bail-wall").bailCredit).toBeNull();
});
