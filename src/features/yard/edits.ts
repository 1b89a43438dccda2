import {
  bestBaseline,
  boundaryOf,
  courses,
  fitCourse,
  legsThrough,
  planShapes,
  requireSitePlan,
  settingOut,
  type Course,
  type CourseKind,
  type CourseParameters,
  type PlanFeature,
  type PlanKind,
  type PlannedCourse,
  type PlannedFlight,
  type PlanPicture,
  type PlanPoint,
  type Room,
  type SitePlan,
  type Sun,
} from "@/core";

/** What is chosen on a plan: a thing, or a course with perhaps one of its poles or pegs. */
export interface Chosen {
  readonly id: string;
  /** Of a course: the id of a pole, or "A" and "B" for its pegs. */
  readonly part?: string;
}

const usual: Partial<Record<PlanKind, Partial<PlanFeature>>> = {
  ground: { ground: "grass" },
  building: { heightM: 6 },
  wall: { heightM: 2 },
  bar: { heightM: 3 },
  gap: { heightM: 3 },
  post: { heightM: 3, widthM: 0.1 },
  tree: { heightM: 8, widthM: 4 },
};

/** A thing as it is first drawn. */
export const newFeature = (id: string, kind: PlanKind, points: readonly PlanPoint[]): PlanFeature => ({
  ...{ id, kind, name: "", points },
  ...{ heightM: null, widthM: null, ground: null, fetchable: true },
  ...usual[kind],
});

/** A thing of usual size about a place, for who puts it there by keys. */
export function usualShape(kind: PlanKind, { eastM, northM }: PlanPoint): readonly PlanPoint[] {
  const at = (east: number, north: number) => ({ eastM: eastM + east, northM: northM + north });
  switch (planShapes[kind]) {
    case "point":
      return [at(0, 0)];
    case "line":
      return [at(-5, 0), at(5, 0)];
    case "area": {
      const half = kind === "boundary" ? 40 : kind === "building" ? 4 : 10;
      return [at(-half, -half), at(half, -half), at(half, half), at(-half, half)];
    }
  }
}

/** The plan with a thing added; a boundary takes the place of the one before. */
export const withFeature = (plan: SitePlan, feature: PlanFeature): SitePlan => ({
  ...plan,
  features: [...plan.features.filter(({ kind }) => feature.kind !== "boundary" || kind !== "boundary"), feature],
});

export const withChangedFeature = (plan: SitePlan, id: string, change: Partial<PlanFeature>): SitePlan => ({
  ...plan,
  features: plan.features.map((feature) => (feature.id === id ? { ...feature, ...change } : feature)),
});

export const withChangedCourse = (plan: SitePlan, id: string, change: Partial<PlannedCourse>): SitePlan => ({
  ...plan,
  courses: plan.courses.map((course) => (course.id === id ? { ...course, ...change } : course)),
});

export const withChangedFlight = (plan: SitePlan, id: string, change: Partial<PlannedFlight>): SitePlan => ({
  ...plan,
  flights: plan.flights?.map((flight) => (flight.id === id ? { ...flight, ...change } : flight)),
});

/** The plan with a picture under it, or without one. */
export function withPicture({ picture: _, ...plan }: SitePlan, picture: PlanPicture | undefined): SitePlan {
  return picture ? { ...plan, picture } : plan;
}

export const without = (plan: SitePlan, id: string): SitePlan => ({
  ...plan,
  features: plan.features.filter((one) => one.id !== id),
  courses: plan.courses.filter((one) => one.id !== id),
  ...(plan.flights && { flights: plan.flights.filter((one) => one.id !== id) }),
});

/** The places of what is chosen put elsewhere. A course of which one pole is moved is somebody's own from then on. */
export function withMovedPoints(plan: SitePlan, { id, part }: Chosen, points: readonly PlanPoint[]): SitePlan {
  const [point] = points;
  if (plan.flights?.some((one) => one.id === id)) return withChangedFlight(plan, id, { at: point });
  const course = plan.courses.find((one) => one.id === id);
  if (!course) return withChangedFeature(plan, id, { points });
  if (part === "A" || part === "B") {
    const [a, b] = course.pegs ?? [point, point];
    return withChangedCourse(plan, id, { pegs: part === "A" ? [point, b] : [a, point] });
  }
  return withChangedCourse(plan, id, {
    kind: "own",
    poles: course.poles.map((pole) => (pole.id === part ? { ...pole, ...point } : pole)),
  });
}

/** What is chosen moved by so many metres. */
export function withNudged(plan: SitePlan, chosen: Chosen, eastM: number, northM: number): SitePlan {
  const moved = (point: PlanPoint): PlanPoint => ({ eastM: point.eastM + eastM, northM: point.northM + northM });
  const course = plan.courses.find(({ id }) => id === chosen.id);
  if (!course) {
    const flight = plan.flights?.find(({ id }) => id === chosen.id);
    if (flight) return withMovedPoints(plan, chosen, [moved(flight.at)]);
    const feature = plan.features.find(({ id }) => id === chosen.id);
    return feature ? withMovedPoints(plan, chosen, feature.points.map(moved)) : plan;
  }
  if (chosen.part === undefined)
    return withChangedCourse(plan, course.id, {
      poles: course.poles.map((pole) => ({ ...pole, ...moved(pole) })),
      pegs: course.pegs && [moved(course.pegs[0]), moved(course.pegs[1])],
      parameters: { ...course.parameters, ...(course.parameters.at && { at: moved(course.parameters.at) }) },
    });
  const point = partOf(course, chosen.part);
  return point ? withMovedPoints(plan, chosen, [moved(point)]) : plan;
}

/** A pole or a peg of a course. */
function partOf(course: PlannedCourse, part: string): PlanPoint | null {
  if (part === "A" || part === "B") return course.pegs?.[part === "A" ? 0 : 1] ?? null;
  return course.poles.find(({ id }) => id === part) ?? null;
}

/** The ground of a plan for a course to lie in; null where no boundary is drawn. */
export function roomOf(
  plan: SitePlan,
  { windFromDeg, sun, throwM }: { windFromDeg: number | null; sun: Sun | null; throwM: number },
): Room | null {
  const boundary = boundaryOf(plan);
  if (!boundary) return null;
  const closed = plan.features.filter(
    ({ kind, ground, fetchable }) =>
      kind === "no-go" || kind === "building" || (kind === "ground" && (ground === "water" || !fetchable)),
  );
  return {
    boundary,
    noGo: closed.map(({ points }) => points),
    keepOff: plan.features
      .filter(({ kind }) => kind === "people" || kind === "road")
      .map(({ points }) => ({ line: points, m: throwM })),
    windFromDeg,
    sun,
  };
}

/** A course put on the plan: fitted into its boundary where one is drawn, else about a place. Throws `NoRoom` where it fits nowhere. */
export function withNewCourse(
  plan: SitePlan,
  { id, kind, parameters, at }: { id: string; kind: CourseKind; parameters: CourseParameters; at: PlanPoint },
  room: Room | null,
): SitePlan {
  const course = room ? fitCourse(kind, parameters, room).course : courses[kind]({ at, ...parameters });
  return requireSitePlan({ ...plan, courses: [...plan.courses, plannedFrom(id, kind, parameters, course, plan)] });
}

/** Poles that are drawn one by one and belong to no course yet, in the order in which they were drawn. */
export const loosePoles = (plan: SitePlan): readonly PlanFeature[] =>
  plan.features.filter(({ kind }) => kind === "pole");

/** Nothing is told of a pole's height that was drawn without one, m. Common practice, no source. */
const USUAL_POLE_M = 2;

/** The loose poles as a course of one's own, flown in the order in which they were drawn; two and more of them. */
export function withOwnCourse(plan: SitePlan, id: string): SitePlan {
  const loose = loosePoles(plan);
  const poles = loose.map(({ points: [at], heightM }, i) => ({
    ...{ id: String(i + 1), eastM: at.eastM, northM: at.northM },
    heightM: heightM ?? USUAL_POLE_M,
  }));
  const course: PlannedCourse = {
    ...{ id, kind: "own", name: "", parameters: {}, poles, order: poles.map((pole) => pole.id) },
    pegs: bestBaseline(poles, { boundary: boundaryOf(plan) ?? undefined }).pegs,
  };
  const features = plan.features.filter((feature) => !loose.includes(feature));
  return requireSitePlan({ ...plan, features, courses: [...plan.courses, course] });
}

function plannedFrom(
  id: string,
  kind: CourseKind,
  parameters: CourseParameters,
  { poles, legs, headingDeg }: Course,
  plan: SitePlan,
): PlannedCourse {
  return {
    id,
    kind,
    name: "",
    parameters: { ...parameters, headingDeg },
    poles,
    order: legs.length > 0 ? [legs[0].from, ...legs.map(({ to }) => to)] : poles.map((pole) => pole.id),
    pegs: bestBaseline(poles, { boundary: boundaryOf(plan) ?? undefined }).pegs,
  };
}

/** A course as it is flown: the legs of its kind, or from pole to pole. */
export function flownCourse(course: PlannedCourse): Pick<Course, "legs"> {
  const end = course.kind === "own" ? "stop" : (courses[course.kind]().legs[0]?.end ?? "pass");
  return { legs: legsThrough(course.poles, course.order, end).filter(({ lengthM }) => lengthM > 0.1) };
}

/** The pole that is set out next: the first in the order of walking that does not stand; null where all do. */
export function nextPole({ poles, pegs }: PlannedCourse, standing: readonly string[]): string | null {
  const order = pegs ? settingOut(poles, { pegs }).map(({ pole }) => pole) : poles.map(({ id }) => id);
  return order.find((id) => !standing.includes(id)) ?? null;
}

/** A few places along a course, at a height: what is held against the plan. */
export function wayOf(course: PlannedCourse, heightM: number) {
  const poles = new Map(course.poles.map((pole) => [pole.id, pole]));
  return flownCourse(course).legs.flatMap(({ from, to, lengthM }) => {
    const [a, b] = [poles.get(from)!, poles.get(to)!];
    const pieces = Math.max(1, Math.ceil(lengthM / 2));
    return Array.from({ length: pieces + 1 }, (_, i) => ({
      eastM: a.eastM + (i / pieces) * (b.eastM - a.eastM),
      northM: a.northM + (i / pieces) * (b.northM - a.northM),
      heightM,
    }));
  });
}
