import { check } from "@placemarkio/check-geojson";
import { distanceTo } from "../recipes";
import {
  courses,
  EMPTY_PLAN,
  fromGeoJson,
  obstaclesOf,
  planConflicts,
  requireSitePlan,
  shortenedPlan,
  toGeoJson,
  type PlanFeature,
  type SitePlan,
} from ".";

const shape = (
  id: string,
  kind: PlanFeature["kind"],
  points: readonly (readonly [number, number])[],
  more: Partial<PlanFeature> = {},
): PlanFeature => ({
  id,
  kind,
  name: "",
  points: points.map(([eastM, northM]) => ({ eastM, northM })),
  heightM: null,
  widthM: null,
  ground: null,
  fetchable: true,
  ...more,
});
const box = (a: number, b: number, c: number, d: number) =>
  [
    [a, b],
    [c, b],
    [c, d],
    [a, d],
  ] as const;
const line = courses["stop-line"]({ at: { eastM: 20, northM: 30 }, headingDeg: 40 });
const plan: SitePlan = {
  place: { latitudeDeg: 53.2, longitudeDeg: 6.1 },
  northDeg: 12,
  indoorHeightM: null,
  features: [
    shape("edge", "boundary", box(0, 0, 80, 60)),
    shape("pan", "ground", box(-20, 50, 100, 90), { ground: "water", fetchable: false, name: "Pan 3" }),
    shape(
      "path",
      "people",
      [
        [-20, -12],
        [100, -14],
      ],
      { name: "Dyke path" },
    ),
    shape("tower", "building", box(60, 10, 68, 18), { heightM: 9 }),
    shape("post", "post", [[30, 30]], { heightM: 3, widthM: 0.1 }),
    shape(
      "wall",
      "wall",
      [
        [10, 20],
        [10, 26],
      ],
      { heightM: 2 },
    ),
  ],
  courses: [
    {
      id: "line",
      kind: "stop-line",
      name: "Stop line",
      parameters: { headingDeg: 40, at: { eastM: 20, northM: 30 } },
      poles: line.poles,
      order: line.poles.map(({ id }) => id),
      pegs: [
        { eastM: 5, northM: 5 },
        { eastM: 37, northM: 7 },
      ],
    },
  ],
};

it("goes out as GeoJSON that an independent validator of RFC 7946 takes, and comes back where it was to the millimetre", () => {
  const written = JSON.stringify(toGeoJson(plan));
  expect(() => check(written)).not.toThrow();
  const back = fromGeoJson(JSON.parse(written));
  expect(
    back.features.map(({ id, kind, name, heightM, ground, fetchable }) => ({
      id,
      kind,
      name,
      heightM,
      ground,
      fetchable,
    })),
  ).toEqual(
    plan.features.map(({ id, kind, name, heightM, ground, fetchable }) => ({
      id,
      kind,
      name,
      heightM,
      ground,
      fetchable,
    })),
  );
  const places = (one: SitePlan) => [
    ...one.features.flatMap(({ points }) => points),
    ...one.courses.flatMap(({ poles, pegs, parameters }) => [...poles, ...pegs!, parameters.at!]),
  ];
  places(back).forEach(({ eastM, northM }, i) => {
    expect(Math.abs(eastM - places(plan)[i].eastM)).toBeLessThan(0.002);
    expect(Math.abs(northM - places(plan)[i].northM)).toBeLessThan(0.002);
  });
  expect(back.courses[0]).toMatchObject({ kind: "stop-line", order: ["1", "2", "3", "4", "5"] });
  // RFC 7946, 3.1.6: outer rings go anticlockwise, whichever way they were drawn.
  const clockwise = { ...plan, features: [shape("edge", "boundary", [...box(0, 0, 80, 60)].reverse())] };
  expect(() => check(JSON.stringify(toGeoJson(clockwise)))).not.toThrow();
  expect(toGeoJson(clockwise).features[0].geometry.coordinates).toHaveLength(1);
});

it("takes shapes of another program as ground, roads and posts, about their middle", () => {
  const point = (longitude: number, latitude: number) => ({ type: "Point", coordinates: [longitude, latitude] });
  const read = fromGeoJson({
    type: "FeatureCollection",
    features: [
      { type: "Feature", properties: { name: "mast" }, geometry: point(6.1, 53.2) },
      {
        type: "Feature",
        properties: null,
        geometry: {
          type: "GeometryCollection",
          geometries: [
            point(6.1002, 53.2),
            {
              type: "LineString",
              coordinates: [
                [6.1, 53.2],
                [6.101, 53.2],
              ],
            },
          ],
        },
      },
      {
        type: "Feature",
        properties: {},
        geometry: {
          type: "Polygon",
          coordinates: [
            [
              [6.1, 53.2],
              [6.101, 53.2],
              [6.101, 53.201],
              [6.1, 53.2],
            ],
          ],
        },
      },
      { type: "Feature", properties: {}, geometry: null },
    ],
  });
  expect(read.features.map(({ kind, name }) => [kind, name])).toEqual([
    ["post", "mast"],
    ["post", ""],
    ["road", ""],
    ["ground", ""],
  ]);
  expect(read.place).toMatchObject({ latitudeDeg: expect.closeTo(53.2, 3), longitudeDeg: expect.closeTo(6.1, 2) });
});

it("refuses what is no plan and names it: another continent, a crossing boundary, a hundred thousand corners, a hostile file", () => {
  const far = { type: "Feature", properties: {}, geometry: { type: "Point", coordinates: [151.2, -33.9] } };
  expect(() => fromGeoJson({ ...toGeoJson(plan), features: [...toGeoJson(plan).features, far] })).toThrow(
    /^features\[7\] lies \d{4,} km from the site; a plan reaches 5 km$/,
  );
  expect(() =>
    requireSitePlan({
      ...plan,
      features: [
        shape("x", "boundary", [
          [0, 0],
          [10, 10],
          [10, 0],
          [0, 10],
        ]),
      ],
    }),
  ).toThrow(/^features\[0\]\.points cross themselves: the edge after corner 1 and the edge after corner 3$/);
  const many = Array.from({ length: 100_000 }, (_, i) => [6 + i * 1e-9, 53]);
  expect(() => fromGeoJson({ type: "LineString", coordinates: many })).toThrow(/at most 20000 corners/);
  for (const hostile of [
    null,
    [],
    { type: "FeatureCollection" },
    {
      type: "FeatureCollection",
      features: [{ type: "Feature", geometry: { type: "Point", coordinates: ["6", "53"] } }],
    },
    { type: "FeatureCollection", features: [{ type: "Feature", geometry: { type: "Circle" } }] },
    { type: "Polygon", coordinates: [[[0, 0]]] },
    { type: "Point", coordinates: [Number.NaN, 1] },
    {
      type: "Feature",
      geometry: { type: "GeometryCollection", geometries: [{ type: "GeometryCollection", geometries: [] }] },
    },
    JSON.parse(
      '{"type":"FeatureCollection","features":[{"type":"Feature","geometry":{"type":"Point","coordinates":[0,0]},"properties":{"kind":"__proto__"}}],"plan":{"origin":[0,95]}}',
    ),
  ])
    expect(() => fromGeoJson(hostile)).toThrow(RangeError);
  expect(() => toGeoJson({ ...plan, place: null })).toThrow(/^place is /);
  expect(fromGeoJson({ type: "FeatureCollection", features: [] })).toEqual(EMPTY_PLAN);
});

it("gives what stands there as obstacles of a flight that begins anywhere with any heading", () => {
  // From south of the wall flying north; it stands along the way, 3 m to the left.
  const obstacles = obstaclesOf(plan, { eastM: 13, northM: 10 }, 0);
  const wall = obstacles.find(({ kind }) => kind === "wall")!;
  expect(wall).toMatchObject({ alongM: expect.closeTo(13, 9), acrossM: expect.closeTo(-3, 9), widthM: 6 });
  // Its length lies north and south: on it right up to its end, clear beyond.
  expect(distanceTo(wall, 15.9, -3, 1)).toBeLessThan(0);
  expect(distanceTo(wall, 17, -3, 1)).toBeCloseTo(1, 9);
  const east = obstaclesOf(plan, { eastM: 20, northM: 30 }, 90).find(({ heightM }) => heightM === 3)!;
  expect(east).toMatchObject({ alongM: expect.closeTo(10, 9), acrossM: expect.closeTo(0, 9), heightM: 3 });
  // The poles of its course stand there as well, and the nearest comes first.
  const poles = plan.courses[0].poles.map(() => "pole");
  expect(obstacles.map(({ kind }) => kind).sort()).toEqual(["building", "pole", ...poles, "wall"]);
  const off = obstacles.map(({ alongM, acrossM }) => Math.hypot(alongM, acrossM));
  expect(off).toEqual([...off].sort((a, b) => a - b));
});

it("says what a way breaks, people first, each where it is worst and with its number", () => {
  const way = [
    { eastM: 40, northM: 30, heightM: 4 },
    { eastM: 64, northM: 14, heightM: 5 },
    { eastM: 40, northM: -6, heightM: 4 },
    { eastM: 40, northM: 66, heightM: 41 },
  ];
  const found = planConflicts(plan, way, { throwM: 8, ceilingM: 40 });
  expect(found.map(({ kind, at }) => [kind, at])).toEqual([
    ["near-people", 2],
    ["leaves-boundary", 2],
    ["too-high", 3],
    ["into-building", 1],
    ["over-water", 3],
  ]);
  expect(found[0]).toMatchObject({ name: "Dyke path", m: expect.closeTo(7, 1), limitM: 8 });
  expect(found[1].m).toBeCloseTo(6, 9);
  expect(planConflicts(plan, way.slice(0, 1), { throwM: 8 })).toEqual([]);
  expect(() => planConflicts(plan, way, { throwM: [1, 2] })).toThrow(/^throwM/);
});

it("cut short it keeps what limits a flight, however late it was drawn, and nothing of who draws it", () => {
  const [first] = plan.features;
  const posts = Array.from({ length: 30 }, (_, i) => ({
    ...first,
    id: `p${i}`,
    kind: "post" as const,
    points: [first.points[0]],
  }));
  const people = { ...first, id: "people", kind: "people" as const, points: first.points.slice(0, 2) };
  const picture = { id: "p", widthPx: 9, heightPx: 9, at: first.points[0], widthM: 9, turnedDeg: 0, strength: 1 };
  const short = shortenedPlan({ ...plan, features: [...posts, people], flights: [], picture }, 5);
  expect(short.features.map(({ id }) => id)).toEqual(["people", "p0", "p1", "p2", "p3"]);
  expect(Object.keys(short).sort()).toEqual(["courses", "features", "indoorHeightM", "northDeg", "place"]);
});
