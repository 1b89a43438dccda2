import type { CourseKind, CourseParameters, Pole } from "./course";
import type { EarthPlace } from "./plane";
import type { PlanPoint } from "./point";

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

/** Courses on one plan. */
export const MOST_COURSES = 40;
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
