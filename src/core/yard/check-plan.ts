import { DomainError, requireNumber, requireOneOf, rounded } from "../numbers";
import { courseKinds, courseRanges, requireCourseParameters, type CourseParameters, type Pole } from "./course";
import { requireEarthPlace } from "./plane";
import { requirePoint, type PlanPoint } from "./point";
import { areaM2, selfCrossing } from "./polygon";
import {
  groundKinds,
  MOST_COURSES,
  planKinds,
  planShapes,
  type PlanFeature,
  type PlannedCourse,
  type PlannedFlight,
  type PlanPicture,
  type SitePlan,
} from "./site-plan";

/** A plan has no more corners in all, and an edge that is looked at for crossings no more than that. */
export const MOST_VERTICES = 20_000;
const MOST_EDGE = 2000;
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
