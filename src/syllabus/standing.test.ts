import type { Attempt, Outcome } from "@/core";
import { standingOf } from ".";

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

it("takes the first step that is not signed off as the current one", () => {
  const start = standing([], [], 0);
  expect(start.current?.step.id).toBe("flip-slow");
  expect(start.steps.map((one) => one.state)).toEqual(["being-learnt", "not-begun", "not-begun", "not-begun"]);
  const later = standing(flown("flip-slow", 0, clean), ["flip-slow"], 1);
  expect(later.current?.step.id).toBe("flip-ease-quarter");
  expect(later.steps[0].state).toBe("signed-off");
  expect(standing([], ["flip-slow", "flip-ease-quarter", "flip-one-move", "flip-ease-end"], 0).current).toBeNull();
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
