import type { Outcome } from "@/core";
import { seasonFigures } from "./season";

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
