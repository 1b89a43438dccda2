import type { Attempt, Outcome } from "@/core";
import { builtInSyllabus, digestSteps, findStep, pathOf } from "@/syllabus";
import { outlookOf } from "./outlook";

const DAY_MS = 86_400_000;
const flown = (stepId: string, day: number, outcomes: readonly Outcome[]): (Attempt & { stepId: string })[] =>
  outcomes.flatMap((outcome, i) =>
    ["back", "front"].map((direction) => ({
      stepId,
      direction,
      outcome,
      place: "field" as const,
      setupId: null,
      atMs: day * DAY_MS + i * 1000,
    })),
  );
const path = pathOf(builtInSyllabus, "eyes-first").filter(({ optional }) => !optional);
const before = path
  .slice(
    0,
    path.findIndex(({ id }) => id === "flip-slow"),
  )
  .map(({ id }) => id);
const outlook = (
  stepId: string,
  attempts: readonly (Attempt & { stepId: string })[],
  { planned = 0, dueDay = 128, signedOff = before }: { planned?: number; dueDay?: number; signedOff?: string[] } = {},
) =>
  outlookOf(
    findStep(builtInSyllabus, stepId)!,
    dueDay * DAY_MS,
    {
      syllabus: builtInSyllabus,
      school: {},
      flown: digestSteps(attempts),
      signedOff: new Set(signedOff),
      nowMs: 100 * DAY_MS,
    },
    planned,
  );
const half: Outcome[] = ["clean", "rough", "rough", "clean", "rough", "rough"];

it("counts the attempts to go at the pilot's clean rate, in sessions of the pilot's size, against what is planned", () => {
  const short = outlook("flip-slow", flown("flip-slow", 99, half));
  expect(short).toMatchObject({ kind: "short", openSteps: 1, attemptsASession: 12, planned: 0 });
  expect(short.attempts.high).toBeGreaterThan(short.attempts.median);
  expect(short.sessions).toBe(Math.ceil(short.attempts.median / 12));
  expect(outlook("flip-slow", flown("flip-slow", 99, half), { planned: 9 })).toMatchObject({ kind: "enough" });
});

it("takes longer for a worse pilot, and for a step with others before it", () => {
  const worse: Outcome[] = ["rough", "rough", "crashed", "rough", "clean", "rough"];
  const median = (...of: Parameters<typeof outlook>) => outlook(...of).attempts.median;
  const attempts = flown("flip-slow", 99, half);
  expect(median("flip-slow", flown("flip-slow", 99, worse))).toBeGreaterThan(median("flip-slow", attempts));
  const far = outlook("flip-one-move", attempts);
  expect(far.openSteps).toBeGreaterThan(1);
  expect(far.attempts.median).toBeGreaterThan(median("flip-slow", attempts));
});

it("says when it is reached, and when the date is past", () => {
  const attempts = flown("flip-slow", 99, half);
  expect(outlook("flip-slow", attempts, { signedOff: [...before, "flip-slow"] }).kind).toBe("there");
  expect(outlook("flip-slow", attempts, { dueDay: 90 })).toMatchObject({ kind: "past", weeks: 0 });
});
