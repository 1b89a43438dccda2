import { builtInSyllabus, routes, type Route } from "@/syllabus";
import { standingWith, type StepAttempt } from "@/ui/testing/made-up";
import { depthLayout, neighbour } from "./depth-layout";
import { shownStanding } from "./sounded";

const WIDTH = 1084;
const layoutOf = (route: Route, signedOff: readonly string[] = [], attempts: readonly StepAttempt[] = []) =>
  depthLayout(
    builtInSyllabus,
    shownStanding(standingWith(attempts, { school: { route }, signedOff }).standing, false).steps,
    route,
    WIDTH,
  );

it.each(routes)("%s: every whole step is there, and no two marks or names meet", (route) => {
  const { soundings, columns, bands } = layoutOf(route);
  const names = soundings.map(({ one }) => one.stepId);
  expect(new Set(names).size).toBe(names.length);
  expect(names).toEqual(expect.arrayContaining(["flip-slow", "segments", "orbit-back", "lines"]));
  // Parts are told under their whole.
  expect(names).not.toContain("segments-180-180");
  expect(soundings.find(({ one }) => one.stepId === "segments")!.parts).toHaveLength(3);
  for (const a of soundings) {
    const column = columns.filter(({ x }) => x <= a.x).at(-1)!;
    // Half the height of a letter is its usual width; the contour bends within 5 px of the columns' border.
    expect(a.x + 11 + a.label.length * 5.5).toBeLessThanOrEqual(column.x + column.width - 5);
    // The frame of a step looked at ends before the marks of the next column begin.
    expect(a.x - 10 + a.frameWidth).toBeLessThan(column.x + column.width + (a.x - column.x) - 6);
    const band = bands.find(({ stage }) => stage === a.stage)!;
    expect(a.y - 10).toBeGreaterThanOrEqual(band.top);
    expect(a.y + 10).toBeLessThanOrEqual(band.bottom);
    for (const b of soundings) if (a !== b && a.x === b.x) expect(Math.abs(a.y - b.y)).toBeGreaterThanOrEqual(24);
  }
});

it("draws the depth reached under the deepest sign-off of each column", () => {
  const depths = (signed: string[]) =>
    layoutOf("eyes-first", signed)
      .contour.split(/[MCH]/)
      .flatMap((part) => part.trim().split(" ").map(Number).slice(-1));
  const surface = layoutOf("eyes-first").contour;
  expect(layoutOf("eyes-first", ["sticks"]).contour).not.toBe(surface);
  expect(depths(["sticks", "arm-reflex"]).length).toBeGreaterThan(5);
});

it("links what a step needs to it, and leaves out what belongs to other routes", () => {
  const from = (route: Route, id: string) =>
    layoutOf(route)
      .links.filter(({ to }) => to === id)
      .map((link) => link.from)
      .sort();
  expect(from("eyes-first", "flip-slow")).toEqual(["eight-course", "stop-course"]);
  expect(from("bank-limit", "flip-slow")).toEqual(["eight-course", "limit-off", "stop-course"]);
});

it("reaches every step with the arrow keys, and goes nowhere at the edge", () => {
  const { soundings } = layoutOf("eyes-first");
  const reached = new Set([soundings[0]]);
  const open = [soundings[0]];
  for (let at = open.pop(); at; at = open.pop())
    for (const [dx, dy] of [
      [1, 0],
      [-1, 0],
      [0, 1],
      [0, -1],
    ]) {
      const next = neighbour(soundings, at, dx, dy);
      if (next && !reached.has(next)) {
        reached.add(next);
        open.push(next);
      }
    }
  expect(reached.size).toBe(soundings.length);
  const top = soundings.reduce((a, b) => (b.y < a.y ? b : a));
  expect(neighbour(soundings, top, 0, -1)).toBeNull();
});
