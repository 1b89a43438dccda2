import type { Attempt, Outcome } from "@/core";
import { standingOf, steps } from ".";

const DAY_MS = 86_400_000;
const flown = (stepId: string, day: number, outcomes: readonly Outcome[]): (Attempt & { stepId: string })[] =>
  outcomes.flatMap((outcome, i) =>
    ["back", "front"].map((direction) => ({
      stepId,
      direction,
      outcome,
      place: "field" as const,
      setupId: null,
      atMs: day * DAY_MS + i * 60_000,
    })),
  );
const clean: readonly Outcome[] = ["clean", "clean", "clean", "clean"];

function standing(attempts: (Attempt & { stepId: string })[], signedOff: string[], day: number) {
  return standingOf({ attempts, signedOff: new Set(signedOff), setupId: null, nowMs: day * DAY_MS });
}

it("takes what follows the furthest sign-off as the current step, and says of each step how it stands", () => {
  const start = standing([], [], 0);
  expect(start.current?.step).toBe(steps[0]);
  expect(start.steps.filter(({ state }) => state !== "not-begun").map(({ step }) => step)).toEqual([steps[0]]);
  const later = standing(flown("flip-slow", 0, clean), ["flip-slow"], 1);
  expect(later.current?.step.id).toBe("flip-ease-quarter");
  expect(later.steps.find(({ step }) => step.id === "flip-slow")!.state).toBe("signed-off");
  expect(standing([], [steps[steps.length - 1].id], 0).current).toBeNull();
});

it("brings a signed-off step back when it has not been flown for long, unless a later step contains it", () => {
  const once = flown("flip-slow", 0, clean);
  expect(standing(once, ["flip-slow"], 1).reviewsDue).toEqual([]);
  expect(standing(once, ["flip-slow"], 120).reviewsDue.map((one) => one.step.id)).toEqual(["flip-slow"]);
  const contained = [...once, ...flown("flip-ease-quarter", 118, clean)];
  expect(standing(contained, ["flip-slow"], 120).reviewsDue).toEqual([]);
});

it("advises rest only while a hard day is fresh", () => {
  const hard = flown("flip-slow", 10, ["clean", "rough", "crashed", "crashed"]);
  const advice = (hours: number) =>
    standingOf({ attempts: hard, signedOff: new Set(), setupId: null, nowMs: 10 * DAY_MS + hours * 3_600_000 }).current!
      .advice.kind;
  expect(advice(1)).toBe("rest");
  expect(advice(24)).not.toBe("rest");
});
