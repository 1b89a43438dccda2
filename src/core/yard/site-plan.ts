import { DomainError, requireNumber, requireOneOf, rounded } from "../numbers";
import type { Obstacle } from "../recipes";
import {
  courseKinds,
  courseRanges,
  requireCourseParameters,
  type CourseKind,
  type CourseParameters,
  type Pole,
} from "./course";
import { requireEarthPlace, type EarthPlace } from "./plane";
import { alongAndAcross, bearingDeg, between, middleOf, requirePoint, type PlanPoint } from "./point";
import { areaM2, selfCrossing } from "./polygon";

/** What may be drawn on a plan, and as what shape. */
export const planShapes = {
  boundary: "area",
  "no-go": "area",
  ground: "area",
  building: "area",
  people: "line",
  road: "line",
  wall: "line",
  bar: "line",
  gap: "line",
  post: "point",
  tree: "point",
  stand: "point",
  landing: "point",
  pole: "point",
  flag: "point",
  peg: "point",
} as const;
export type PlanKind = keyof typeof planShapes;
export const planKinds = Object.keys(planShapes) as PlanKind[];

export const groundKinds = ["grass", "hard", "water", "trees", "ruins"] as const;
export type GroundKind = (typeof groundKinds)[number];

/** One thing on a plan. */
export interface PlanFeature {
  readonly id: string;
  readonly kind: PlanKind;
  readonly name: string;
  /** Its corners, the two ends and bends of a line, or one place. The ring of an area is not closed by its first point again. */
  readonly points: readonly PlanPoint[];
  /** Height of what stands, m. */
  readonly heightM: number | null;
  /** Across a post or a tree's crown, m. */
  readonly widthM: number | null;
  /** Of ground: what it is, and whether a lost aircraft can be fetched from it. */
  readonly ground: GroundKind | null;
  readonly fetchable: boolean;
}

/** A course that stands on a plan. */
export interface PlannedCourse {
  readonly id: string;
  readonly kind: CourseKind | "own";
  readonly name: string;
  readonly parameters: CourseParameters;
  readonly poles: readonly Pole[];
  /** The order of flying, by ids of poles. */
  readonly order: readonly string[];
  readonly pegs: readonly [PlanPoint, PlanPoint] | null;
}

/** Where a picture of one's own lies under a plan, as large as it is on the ground. The picture itself is kept beside the plan. */
export interface PlanPicture {
  /** Another for every picture that is laid. */
  readonly id: string;
  readonly widthPx: number;
  readonly heightPx: number;
  /** Its middle. */
  readonly at: PlanPoint;
  /** How wide it is on the ground, m. */
  readonly widthM: number;
  /** Turned clockwise, °. */
  readonly turnedDeg: number;
  /** How strongly it is seen, from 0.1 to 1. */
  readonly strength: number;
}

/** A trick or a line that is flown at a place of a plan. */
export interface PlannedFlight {
  readonly id: string;
  /** A step of the syllabus in one of its directions, or a line, by their ids. */
  readonly of:
    | { readonly kind: "step"; readonly stepId: string; readonly direction: string }
    | { readonly kind: "line"; readonly lineId: string };
  /** Where it begins. */
  readonly at: PlanPoint;
  /** Clockwise from up on the plan, °. */
  readonly headingDeg: number;
}

/** A site drawn to scale: metres east and north of an origin. */
export interface SitePlan {
  /** Where the origin lies on the earth; null where nobody said. */
  readonly place: EarthPlace | null;
  /** Up on the plan against true north, ° clockwise; 0 where up is north. */
  readonly northDeg: number;
  /** Height of the ceiling indoors, m; null outside. */
  readonly indoorHeightM: number | null;
  readonly features: readonly PlanFeature[];
  readonly courses: readonly PlannedCourse[];
  /** What is flown where; left out for nothing. */
  readonly flights?: readonly PlannedFlight[];
  /** Left out for none. */
  readonly picture?: PlanPicture;
}

export const EMPTY_PLAN: SitePlan = { place: null, northDeg: 0, indoorHeightM: null, features: [], courses: [] };

/** A plan has no more corners in all, and an edge that is looked at for crossings no more than that. */
export const MOST_VERTICES = 20_000;
const MOST_EDGE = 2000;
const MOST_COURSES = 40;
const MOST_FLIGHTS = 12;
const MOST_POLES = 200;
const LONGEST_NAME = 80;
const leastPoints = { area: 3, line: 2, point: 1 } as const;

const verticesOf = (plan: SitePlan): number =>
  plan.features.reduce((sum, { points }) => sum + points.length, 0) +
  plan.courses.reduce((sum, { poles }) => sum + poles.length, 0);

function requireText(field: string, text: unknown): void {
  if (typeof text !== "string" || text.length > LONGEST_NAME)
    throw new DomainError(field, text, `at most ${LONGEST_NAME} letters`);
}

function requireIds(field: string, all: readonly { readonly id: string }[]): void {
  const seen = new Set<string>();
  all.forEach((one, i) => {
    const id: unknown = one?.id;
    if (typeof id !== "string" || id === "" || id.length > LONGEST_NAME || seen.has(id))
      throw new DomainError(`${field}[${i}].id`, id, "an id that nothing else has");
    seen.add(id);
  });
}

/** Throws a DomainError naming what on a plan can't be: more than 20,000 corners, a boundary that crosses itself, a number out of range. */
export function requireSitePlan(plan: SitePlan): SitePlan {
  if (!Array.isArray(plan?.features)) throw new DomainError("features", plan?.features, "a list");
  if (!Array.isArray(plan.courses)) throw new DomainError("courses", plan.courses, "a list");
  requireNumber("features", plan.features.length, 0, MOST_VERTICES);
  requireNumber("courses", plan.courses.length, 0, MOST_COURSES);
  if (plan.place !== null) requireEarthPlace(plan.place);
  requireNumber("northDeg", plan.northDeg, -360, 360);
  if (plan.indoorHeightM !== null) requireNumber("indoorHeightM", plan.indoorHeightM, 2, 200);
  requireIds("features", plan.features);
  requireIds("courses", plan.courses);
  plan.features.forEach((feature, i) => requireFeature(feature, `features[${i}]`));
  plan.courses.forEach((course, i) => requirePlannedCourse(course, `courses[${i}]`));
  requireFlights(plan.flights ?? []);
  if (plan.picture !== undefined) requirePicture(plan.picture);
  const vertices = verticesOf(plan);
  if (vertices > MOST_VERTICES) throw new DomainError("features", vertices, `at most ${MOST_VERTICES} corners in all`);
  if (plan.features.filter(({ kind }) => kind === "boundary").length > 1)
    throw new DomainError("features", "boundary", "one boundary");
  return plan;
}

function requirePicture(picture: PlanPicture): void {
  requireIds("picture", [picture]);
  requireNumber("picture.widthPx", picture.widthPx, 1, 4096);
  requireNumber("picture.heightPx", picture.heightPx, 1, 4096);
  requirePoint("picture.at", picture.at);
  requireNumber("picture.widthM", picture.widthM, 1, 10_000);
  requireNumber("picture.turnedDeg", picture.turnedDeg, -360, 360);
  requireNumber("picture.strength", picture.strength, 0.1, 1);
}

function requireFlights(flights: readonly PlannedFlight[]): void {
  if (!Array.isArray(flights)) throw new DomainError("flights", flights, "a list");
  requireNumber("flights", flights.length, 0, MOST_FLIGHTS);
  requireIds("flights", flights);
  flights.forEach(({ of, at, headingDeg }: PlannedFlight, i) => {
    const field = `flights[${i}]`;
    requireOneOf(`${field}.of.kind`, of?.kind, ["step", "line"]);
    const keys = of.kind === "step" ? { stepId: of.stepId, direction: of.direction } : { lineId: of.lineId };
    for (const [name, id] of Object.entries(keys))
      if (typeof id !== "string" || id === "" || id.length > LONGEST_NAME)
        throw new DomainError(`${field}.of.${name}`, id, "an id");
    requirePoint(`${field}.at`, at);
    requireNumber(`${field}.headingDeg`, headingDeg, -360, 360);
  });
}

function requireFeature(feature: PlanFeature, field: string): void {
  const { kind, points, heightM, widthM, ground } = feature;
  requireOneOf(`${field}.kind`, kind, planKinds);
  requireText(`${field}.name`, feature.name);
  const shape = planShapes[kind];
  if (!Array.isArray(points) || points.length < leastPoints[shape] || (shape === "point" && points.length > 1))
    throw new DomainError(
      `${field}.points`,
      points?.length,
      shape === "point" ? "one place" : `${leastPoints[shape]} places and more`,
    );
  if (points.length > MOST_VERTICES)
    throw new DomainError("features", points.length, `at most ${MOST_VERTICES} corners in all`);
  points.forEach((point: PlanPoint, i: number) => requirePoint(`${field}.points[${i}]`, point));
  if (heightM !== null) requireNumber(`${field}.heightM`, heightM, 0, 300);
  if (widthM !== null) requireNumber(`${field}.widthM`, widthM, 0.02, 100);
  if (ground !== null) requireOneOf(`${field}.ground`, ground, groundKinds);
  if (typeof feature.fetchable !== "boolean")
    throw new DomainError(`${field}.fetchable`, feature.fetchable, "yes or no");
  if (kind !== "boundary" && kind !== "no-go") return;
  requireNumber(`${field}.points`, points.length, 3, MOST_EDGE);
  const crossing = selfCrossing(points);
  if (crossing)
    throw new DomainError(
      `${field}.points`,
      crossing,
      "an edge that does not cross itself",
      `${field}.points cross themselves: the edge after corner ${crossing[0] + 1} and the edge after corner ${crossing[1] + 1}`,
    );
  if (areaM2(points) < 1) throw new DomainError(`${field}.points`, areaM2(points), "an area of 1 m² and more");
}

function requirePlannedCourse(course: PlannedCourse, field: string): void {
  if (course.kind !== "own") requireOneOf(`${field}.kind`, course.kind, courseKinds);
  requireText(`${field}.name`, course.name);
  if (!Array.isArray(course.poles) || course.poles.length === 0 || course.poles.length > MOST_POLES)
    throw new DomainError(`${field}.poles`, course.poles?.length, `1 to ${MOST_POLES} poles`);
  requireIds(`${field}.poles`, course.poles);
  course.poles.forEach((pole: Pole, i: number) => {
    requirePoint(`${field}.poles[${i}]`, pole);
    if (pole.heightM !== null) requireNumber(`${field}.poles[${i}].heightM`, pole.heightM, 0, 40);
  });
  const ids = new Set(course.poles.map(({ id }) => id));
  if (!Array.isArray(course.order) || course.order.length > 2 * MOST_POLES)
    throw new DomainError(`${field}.order`, course.order?.length, "ids of the poles");
  for (const id of course.order) if (!ids.has(id)) throw new DomainError(`${field}.order`, id, "ids of the poles");
  if (course.pegs !== null) {
    if (!Array.isArray(course.pegs) || course.pegs.length !== 2)
      throw new DomainError(`${field}.pegs`, course.pegs, "two pegs, or none");
    course.pegs.forEach((peg, i) => requirePoint(`${field}.pegs[${i}]`, peg));
  }
  if (typeof course.parameters !== "object" || course.parameters === null)
    throw new DomainError(`${field}.parameters`, course.parameters, "an object");
  requireCourseParameters(course.parameters);
}

/** Finer than any tape. */
const DECIMALS = 3;
const kept = ({ eastM, northM }: PlanPoint): PlanPoint => ({
  eastM: rounded(eastM, DECIMALS),
  northM: rounded(northM, DECIMALS),
});

/** A plan with nothing in it but what the program knows, to the millimetre. Throws as `requireSitePlan`. */
export function knownSitePlan(plan: SitePlan): SitePlan {
  const { place, northDeg, indoorHeightM, features, courses, flights = [], picture } = requireSitePlan(plan);
  return {
    place: place && { latitudeDeg: place.latitudeDeg, longitudeDeg: place.longitudeDeg },
    northDeg,
    indoorHeightM,
    features: features.map(({ id, kind, name, points, heightM, widthM, ground, fetchable }) => ({
      ...{ id, kind, name, points: points.map(kept) },
      ...{ heightM, widthM, ground, fetchable },
    })),
    courses: courses.map(({ id, kind, name, parameters, poles, order, pegs }) => ({
      ...{ id, kind, name, parameters: knownParameters(parameters) },
      poles: poles.map((pole) => ({ id: pole.id, ...kept(pole), heightM: pole.heightM })),
      order,
      pegs: pegs && [kept(pegs[0]), kept(pegs[1])],
    })),
    ...(picture && { picture: knownPicture(picture) }),
    ...(flights.length > 0 && {
      flights: flights.map(({ id, of, at, headingDeg }) => ({ id, of: knownFlight(of), at: kept(at), headingDeg })),
    }),
  };
}

const knownPicture = ({ id, widthPx, heightPx, at, widthM, turnedDeg, strength }: PlanPicture): PlanPicture => ({
  ...{ id, widthPx, heightPx, at: kept(at), widthM: rounded(widthM, DECIMALS), turnedDeg, strength },
});

const knownFlight = (of: PlannedFlight["of"]): PlannedFlight["of"] =>
  of.kind === "step"
    ? { kind: of.kind, stepId: of.stepId, direction: of.direction }
    : { kind: of.kind, lineId: of.lineId };

const knownParameters = ({ at, ...parameters }: CourseParameters): CourseParameters => ({
  ...(at && { at: kept(at) }),
  ...Object.fromEntries(Object.entries(parameters).filter(([name]) => Object.hasOwn(courseRanges, name))),
});

/** The ring that is not left; null where none is drawn. */
export const boundaryOf = (plan: SitePlan): readonly PlanPoint[] | null =>
  plan.features.find(({ kind }) => kind === "boundary")?.points ?? null;

/** The middle of what is drawn: of the boundary, else of everything; the origin of an empty plan. */
export function planOrigin(plan: SitePlan): PlanPoint {
  const all = boundaryOf(plan) ?? plan.features.flatMap(({ points }) => points);
  if (all.length === 0) return { eastM: 0, northM: 0 };
  const half = (values: readonly number[]) => 0.5 * (Math.min(...values) + Math.max(...values));
  return { eastM: half(all.map(({ eastM }) => eastM)), northM: half(all.map(({ northM }) => northM)) };
}

/** Where pilots stand, and flights are begun if nobody says otherwise: the pilot stand, else the middle of what is drawn. */
export const standOf = (plan: SitePlan): PlanPoint =>
  plan.features.find(({ kind }) => kind === "stand")?.points[0] ?? planOrigin(plan);

/** What a flight may not do something about: kept before everything else where a plan is cut short. */
const LIMITING: readonly PlanKind[] = ["boundary", "people", "road", "no-go", "ground", "building", "stand"];

/** A plan for those who fly over it, not who draw it: at most so many things, what limits a flight first; no laid flights, no picture. */
export function shortenedPlan(
  { features, courses, place, northDeg, indoorHeightM }: SitePlan,
  mostThings: number,
  mostCourses = MOST_COURSES,
): SitePlan {
  const first = features.filter(({ kind }) => LIMITING.includes(kind));
  const rest = features.filter(({ kind }) => !LIMITING.includes(kind));
  return {
    ...{ place, northDeg, indoorHeightM },
    features: [...first, ...rest].slice(0, mostThings),
    courses: courses.slice(0, mostCourses),
  };
}

/** Narrow enough for a post, and a tree's crown where nobody said, m. Ours. */
const POST_M = 0.1;
const CROWN_M = 4;
const USUAL_HEIGHT_M = 3;
/** What is farther off is not flown into, m, and no more than so many things are looked at. Ours. */
const NEAR_M = 150;
const MOST_NEAR = 80;

/**
 * What stands on a plan as obstacles of a flight that begins at a place with a heading: things, and the poles of courses. A wall, bar or gap of several
 * pieces gives one for each piece; a building is taken as wide and deep as its longer side. The nearest first; what is far off is left out.
 */
export function obstaclesOf(plan: SitePlan, start: PlanPoint, headingDeg: number): readonly Obstacle[] {
  const relative = (point: PlanPoint) => alongAndAcross(start, headingDeg, point);
  const poles = plan.courses.flatMap((course) =>
    course.poles.flatMap(({ heightM, eastM, northM }): Obstacle[] =>
      heightM === null || heightM < 0.1
        ? []
        : [{ kind: "pole", ...relative({ eastM, northM }), heightM, widthM: POST_M }],
    ),
  );
  const things = plan.features.flatMap((feature): Obstacle[] => {
    const { kind, points, widthM } = feature;
    const heightM = Math.max(0.1, feature.heightM ?? USUAL_HEIGHT_M);
    switch (kind) {
      case "post":
        return [{ kind: "pole", ...relative(points[0]), heightM, widthM: widthM ?? POST_M }];
      case "tree":
        return [{ kind: "tree", ...relative(points[0]), heightM, widthM: widthM ?? CROWN_M }];
      case "wall":
      case "bar":
      case "gap":
        return points.slice(1).map((to, i) => ({
          kind,
          ...relative(middleOf([points[i], to])),
          heightM,
          widthM: Math.max(0.05, between(points[i], to)),
          // An obstacle stands across the heading: its length lies at right angles to it.
          turnedDeg: (((bearingDeg(points[i], to) - headingDeg - 90) % 180) + 180) % 180,
        }));
      case "building": {
        const sides = points.map((point, i) => between(point, points[(i + 1) % points.length]));
        const longest = sides.indexOf(Math.max(...sides));
        const turned = bearingDeg(points[longest], points[(longest + 1) % points.length]) - headingDeg - 90;
        return [
          {
            kind: "building",
            ...relative(middleOf(points)),
            heightM,
            widthM: Math.min(200, sides[longest]),
            turnedDeg: ((turned % 180) + 180) % 180,
          },
        ];
      }
      default:
        return [];
    }
  });
  const off = ({ alongM, acrossM }: Obstacle) => Math.hypot(alongM, acrossM);
  return [...things, ...poles]
    .filter((one) => off(one) - 0.5 * one.widthM < NEAR_M)
    .sort((a, b) => off(a) - off(b))
    .slice(0, MOST_NEAR);
}
