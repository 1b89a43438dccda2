import { airframePresets } from "../airframe";
import { firstSettings } from "../flight";
import { CALM_AIR, draftBrief, fly, recipes } from "../recipes";
import { NO_ERRORS, usualErrors } from "../scatter";
import {
  between,
  cloudOnPlan,
  EMPTY_PLAN,
  flyOnPlan,
  inside,
  knownSitePlan,
  obstaclesOf,
  placedAlong,
  planConflicts,
  type Laid,
  type LaidWith,
  type PlanFeature,
  type PlanPoint,
  type SitePlan,
} from ".";

const five = airframePresets["five-inch-freestyle"].airframe;
const settings = { ...firstSettings, tiltDeg: 25 };
const calm: LaidWith = {
  ...{ airframe: five, settings, air: { heightM: 0, isaOffsetK: 0 } },
  ...{ windMps: 0, windFromDeg: 0, ceilingM: null },
};
const at = { eastM: 12, northM: -7 };
const splitS = "split-s-tight-right";
const laid = (id: string, headingDeg: number, where: PlanPoint = at): Laid => {
  const recipe = recipes[id];
  const items = [{ kind: "trick" as const, recipe }];
  return { line: { id, label: id, start: recipe.start, headingDeg: 0, items, anchors: [] }, at: where, headingDeg };
};
const thing = (id: string, kind: PlanFeature["kind"], points: readonly PlanPoint[], heightM: number | null = null) => ({
  ...{ id, kind, name: id, points, heightM, widthM: null, ground: null, fetchable: true },
});
const square = (half: number): readonly PlanPoint[] =>
  [
    [-half, -half],
    [half, -half],
    [half, half],
    [-half, half],
  ].map(([eastM, northM]) => ({ eastM, northM }));

it("on empty ground it is the flight of the brief, put where it begins and turned", () => {
  const { flight, entryHeightM } = draftBrief(recipes[splitS], five, settings, CALM_AIR);
  const { way, conflicts, into, driftM, planned } = flyOnPlan(EMPTY_PLAN, laid(splitS, 130), calm);
  const last = flight.trace.timeS.length - 1;
  const end = placedAlong(at, 130, flight.trace.northM[last], flight.trace.eastM[last]);
  expect(planned.line.entryHeightM).toBe(entryHeightM);
  expect(between(way[way.length - 1], end)).toBeLessThan(1e-9);
  expect(way[0]).toMatchObject({ heightM: flight.trace.heightM[0] });
  expect([conflicts, into, driftM]).toEqual([[], null, 0]);
});

it("takes the wind from where it comes, whichever way is up on the plan and whichever way is flown", () => {
  // Up on the plan is east: flown 40° right of that against a wind from 130° it meets it head on.
  const flown = { ...calm, windMps: 5, windFromDeg: 130 };
  const { way, planned, driftM } = flyOnPlan({ ...EMPTY_PLAN, northDeg: 90 }, laid("hang-right", 40), flown);
  const headOn = { ...CALM_AIR, windNorthMps: -5, entryHeightM: planned.line.entryHeightM! };
  const { recipe } = planned.items[0];
  const { trace } = fly(recipe, five, settings, headOn);
  const last = trace.timeS.length - 1;
  const end = placedAlong(at, 40, trace.northM[last], trace.eastM[last]);
  expect(between(way[way.length - 1], end)).toBeLessThan(1e-6);
  expect(driftM).toBeGreaterThan(1);
});

it("tells how far it leaves the boundary, where it is too high, and which points those are", () => {
  const plan: SitePlan = { ...EMPTY_PLAN, features: [thing("edge", "boundary", square(20))] };
  const { way, amiss, conflicts } = flyOnPlan(plan, laid(splitS, 90), { ...calm, ceilingM: 10 });
  const highest = Math.max(...way.map(({ heightM }) => heightM));
  const farthest = Math.max(...way.map(({ eastM }) => eastM - 20));
  expect(conflicts.map(({ kind, m }) => [kind, m])).toEqual([
    ["leaves-boundary", expect.closeTo(farthest, 6)],
    ["too-high", expect.closeTo(highest, 6)],
  ]);
  expect(amiss).toEqual(way.map((point) => !inside(point, square(20)) || point.heightM > 10));
});

it("is held off people by what it throws at each moment: farther the faster and the higher it is", () => {
  const path = thing("path", "people", [
    { eastM: -60, northM: -19 },
    { eastM: 60, northM: -19 },
  ]);
  const plan: SitePlan = { ...EMPTY_PLAN, features: [path] };
  const { way, throwsM, conflicts } = flyOnPlan(plan, laid(splitS, 90), calm);
  const short = way.map(({ northM }, i) => throwsM[i] - (northM + 19)).filter((m) => m > 0);
  expect(short.length).toBeGreaterThan(0);
  expect(conflicts).toMatchObject([{ kind: "near-people", featureId: "path" }]);
  // Beyond every throw nothing is said.
  const far = { ...path, points: path.points.map((point) => ({ ...point, northM: -7 - Math.max(...throwsM) - 3 })) };
  expect(flyOnPlan({ ...plan, features: [far] }, laid(splitS, 90), calm).conflicts).toEqual([]);
});

it("meets what stands there: a wall across the way, a pole of a course in it, and nothing that is out of reach", () => {
  const wall = thing(
    "wall",
    "wall",
    [
      { eastM: 24, northM: -30 },
      { eastM: 24, northM: 30 },
    ],
    30,
  );
  const toWall = { ...EMPTY_PLAN, features: [wall] };
  expect(flyOnPlan(toWall, laid("roll-level-right", 90), calm).into).toBe("wall");
  expect(flyOnPlan(toWall, laid("roll-level-right", 270), calm).into).toBeNull();
  const pole = { id: "1", eastM: 24, northM: -7, heightM: 30 };
  const far = { ...pole, id: "2", eastM: 900 };
  const course = {
    id: "c",
    kind: "own",
    name: "",
    parameters: {},
    poles: [pole, far],
    order: ["1"],
    pegs: null,
  } as const;
  const ahead = obstaclesOf({ ...EMPTY_PLAN, courses: [course] }, at, 90);
  expect(ahead).toEqual([
    { kind: "pole", alongM: 12, acrossM: expect.closeTo(0, 9), heightM: 30, widthM: expect.any(Number) },
  ]);
});

it("a cloud without errors is the flight itself; with errors it counts the flights that break something", () => {
  const plan: SitePlan = { ...EMPTY_PLAN, features: [thing("edge", "boundary", square(38))] };
  const flown = flyOnPlan(plan, laid(splitS, 90), calm);
  const still = cloudOnPlan(plan, laid(splitS, 90), calm, flown, { errors: NO_ERRORS, runs: 2 });
  for (const way of still.ways) {
    expect(way[0]).toEqual(flown.way[0]);
    expect(between(way[way.length - 1], flown.way[flown.way.length - 1])).toBeLessThan(1e-9);
  }
  const { ways, conflicts } = cloudOnPlan(plan, laid(splitS, 90), calm, flown, { errors: usualErrors(5), runs: 40 });
  const left = ways.filter((way) => way.some((point) => !inside(point, square(38))));
  expect(left.length).toBeGreaterThan(0);
  expect(left.length).toBeLessThan(40);
  expect(conflicts).toMatchObject([{ kind: "leaves-boundary", flights: left.length }]);
  const worst = ways.flatMap((way) => planConflicts(plan, way, { throwM: 0 }).map(({ m }) => m));
  expect(conflicts[0].m).toBe(Math.max(...worst));
});

it("keeps what is flown where with the plan, to the millimetre, and refuses what is none by its field", () => {
  const flight = {
    id: "f",
    of: { kind: "line", lineId: "l" } as const,
    at: { eastM: 1.23456, northM: 0 },
    headingDeg: 10,
  };
  expect(knownSitePlan({ ...EMPTY_PLAN, flights: [{ ...flight, more: 1 } as never] }).flights).toEqual([
    { ...flight, at: { eastM: 1.235, northM: 0 } },
  ]);
  expect(knownSitePlan(EMPTY_PLAN)).not.toHaveProperty("flights");
  const picture = { id: "p", widthPx: 900, heightPx: 600, at, widthM: 120, turnedDeg: -12, strength: 0.6 };
  expect(knownSitePlan({ ...EMPTY_PLAN, picture: { ...picture, taken: "there" } as never }).picture).toEqual(picture);
  expect(() => knownSitePlan({ ...EMPTY_PLAN, picture: { ...picture, widthM: 0 } })).toThrow(/picture.widthM/);
  const bad = (change: object) => () => knownSitePlan({ ...EMPTY_PLAN, flights: [{ ...flight, ...change }] });
  expect(bad({ headingDeg: 1000 })).toThrow(/flights\[0\].headingDeg/);
  expect(bad({ of: { kind: "step", stepId: "hang" } })).toThrow(/flights\[0\].of.direction/);
  expect(bad({ at: { eastM: 9000, northM: 0 } })).toThrow(/flights\[0\].at.eastM/);
  expect(() =>
    knownSitePlan({ ...EMPTY_PLAN, flights: Array.from({ length: 13 }, (_, i) => ({ ...flight, id: String(i) })) }),
  ).toThrow(/flights/);
});
