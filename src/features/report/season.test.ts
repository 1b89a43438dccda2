import type { Outcome } from "@/core";
import { seasonDrawn, seasonFigures } from "./season";

const DAY_MS = 86_400_000;
const flown = (stepId: string, day: number, letters: string) =>
  [...letters].map((letter, i) => ({
    stepId,
    direction: "back",
    outcome: (letter === "c" ? "clean" : "crashed") as Outcome,
    place: "field" as const,
    setupId: null,
    sessionId: `day ${day}`,
    atMs: day * DAY_MS + i,
  }));

it("counts days, sessions, gaps and each step in the order of the syllabus, with halves once there is enough", () => {
  const figures = seasonFigures(
    [...flown("hang", 0, "cx"), ...flown("flip-slow", 0, "xxxx"), ...flown("flip-slow", 20, "cccc")],
    ["flip-slow", "hang"],
    "UTC",
  );
  expect(figures).toMatchObject({ attempts: 10, daysFlown: 2, sessions: 2, places: { field: 10 } });
  expect(figures.gaps).toMatchObject([{ days: 20 }]);
  expect(figures.lines.map(({ stepId, attempts, halves }) => [stepId, attempts, halves])).toEqual([
    ["flip-slow", 8, [0, 1]],
    ["hang", 2, null],
  ]);
  expect(figures.lines[0].low).toBeLessThan(0.5);
  expect(seasonFigures([], [], "UTC").lines).toEqual([]);
});

it("draws each day by stage with what was clean and what crashed, and the depth that was signed off when", () => {
  const stages: Readonly<Record<string, number>> = { "flip-slow": 4, hang: 5 };
  const at = (stepId: string, day: number) => ({ id: stepId, stepId, signedAtMs: day * DAY_MS });
  const drawn = seasonDrawn(
    [...flown("flip-slow", 2, "cx"), ...flown("hang", 2, "c"), ...flown("gone", 3, "cc"), ...flown("hang", 9, "xx")],
    [at("hang", 9), at("flip-slow", 1), at("gone", 9)],
    (stepId) => stages[stepId] ?? null,
    2 * DAY_MS,
    "UTC",
  );
  expect(drawn.days.map(({ stage, attempts, clean, crashes }) => [stage, attempts, clean, crashes])).toEqual([
    [4, 2, 1, 1],
    [5, 1, 1, 0],
    [5, 2, 0, 2],
  ]);
  // What was signed off before it stands from its first day on, and is no sign-off of it.
  expect(drawn.depth).toEqual([
    { atMs: 2 * DAY_MS, stage: 4 },
    { atMs: 9 * DAY_MS, stage: 5 },
  ]);
  expect(drawn.signOffs.map(({ id }) => id)).toEqual(["hang"]);
});
