import { between, EMPTY_PLAN, NoRoom, planConflicts, requireSitePlan, type PlanFeature, type PlanPoint } from "@/core";
import {
  flownCourse,
  loosePoles,
  newFeature,
  nextPole,
  roomOf,
  usualShape,
  wayOf,
  withFeature,
  withMovedPoints,
  withNewCourse,
  withNudged,
  withOwnCourse,
  without,
} from "./edits";

const origin: PlanPoint = { eastM: 0, northM: 0 };
const boundary = newFeature("edge", "boundary", usualShape("boundary", origin));
const bounded = withFeature(EMPTY_PLAN, boundary);
const calm = { windFromDeg: null, sun: null, throwM: 10 };
const withLine = withNewCourse(
  bounded,
  { id: "line", kind: "stop-line", parameters: {}, at: origin },
  roomOf(bounded, calm),
);

it("has one boundary: a second takes the place of the first, and all else stays", () => {
  const post = newFeature("post", "post", [{ eastM: 3, northM: 4 }]);
  const again = withFeature(withFeature(bounded, post), { ...boundary, id: "other" });
  expect(again.features.map(({ id }) => id)).toEqual(["post", "other"]);
  expect(requireSitePlan(again)).toBe(again);
});

it("lays a course clear of water, no-fly areas, people and road, with pegs inside the boundary", () => {
  const pond = newFeature("pond", "ground", [
    { eastM: -40, northM: 8 },
    { eastM: 40, northM: 8 },
    { eastM: 40, northM: 40 },
    { eastM: -40, northM: 40 },
  ]);
  const wet = withFeature(bounded, { ...pond, ground: "water" });
  const path = newFeature("path", "people", [
    { eastM: -60, northM: -44 },
    { eastM: 60, northM: -44 },
  ]);
  const plan = withFeature(wet, path);
  const laid = withNewCourse(plan, { id: "line", kind: "stop-line", parameters: {}, at: origin }, roomOf(plan, calm));
  const [line] = laid.courses;
  expect(planConflicts(laid, wayOf(line, 3), { throwM: 10 })).toEqual([]);
  for (const { northM } of line.poles) expect(northM).toBeLessThan(3.01);
  for (const peg of line.pegs!) expect(Math.max(Math.abs(peg.eastM), Math.abs(peg.northM))).toBeLessThanOrEqual(40);
  const narrow = { id: "x", kind: "slalom", parameters: { spacingM: 60 }, at: origin } as const;
  expect(() => withNewCourse(plan, narrow, roomOf(plan, calm))).toThrow(NoRoom);
  expect(roomOf(EMPTY_PLAN, calm)).toBeNull();
});

it("moves a course whole with its pegs, a single pole makes it an own one, a peg leaves it what it is", () => {
  const [line] = withLine.courses;
  const moved = withNudged(withLine, { id: "line" }, 2, -1).courses[0];
  moved.poles.forEach((pole, i) => expect(between(pole, line.poles[i])).toBeCloseTo(Math.hypot(2, 1), 9));
  expect(between(moved.pegs![1], line.pegs![1])).toBeCloseTo(Math.hypot(2, 1), 9);
  expect(moved.kind).toBe("stop-line");
  const own = withNudged(withLine, { id: "line", part: "3" }, 0.5, 0).courses[0];
  expect(own.kind).toBe("own");
  expect(flownCourse(own).legs.map(({ end }) => end)).toEqual(["stop", "stop", "stop", "stop"]);
  const peg = withMovedPoints(withLine, { id: "line", part: "B" }, [origin]).courses[0];
  expect([peg.kind, peg.pegs![1], peg.pegs![0]]).toEqual(["stop-line", origin, line.pegs![0]]);
  expect(without(withLine, "line").courses).toEqual([]);
});

it("makes a course of the poles that were drawn, in the order in which they were, with pegs to set it out from", () => {
  const pole = (id: string, eastM: number, heightM: number | null): PlanFeature => ({
    ...newFeature(id, "pole", [{ eastM, northM: eastM % 7 }]),
    heightM,
  });
  const plan = {
    ...EMPTY_PLAN,
    features: [pole("b", 20, null), newFeature("t", "tree", [{ eastM: 1, northM: 1 }]), pole("a", 0, 3)],
  };
  expect(loosePoles(plan)).toHaveLength(2);
  const { features, courses: laid } = withOwnCourse(plan, "own");
  expect(features.map(({ id }) => id)).toEqual(["t"]);
  expect(laid).toMatchObject([
    {
      id: "own",
      kind: "own",
      order: ["1", "2"],
      poles: [
        { id: "1", eastM: 20, heightM: 2 },
        { id: "2", eastM: 0, heightM: 3 },
      ],
    },
  ]);
  // Walked from the pegs, the one that does not stand comes next.
  const first = nextPole(laid[0], [])!;
  expect(nextPole(laid[0], [first])).toBe(first === "1" ? "2" : "1");
  expect(nextPole(laid[0], ["1", "2"])).toBeNull();
});
