import { DomainError, requireNumber } from "../numbers";
import { between, requirePoint, type PlanPoint } from "./point";

export interface Pole extends PlanPoint {
  readonly id: string;
  /** Its height, m; null for a mark on the ground. */
  readonly heightM: number | null;
}

/** Two poles to fly between. */
export interface Gate {
  readonly left: string;
  readonly right: string;
  readonly widthM: number;
  /** Height of a bar across, m; null for none. */
  readonly barM: number | null;
}

/** A piece of the course from one pole to the next. */
export interface CourseLeg {
  readonly from: string;
  readonly to: string;
  readonly lengthM: number;
  /** What the aircraft does where the piece ends. */
  readonly end: "stop" | "turn" | "pass";
}

export const courseKinds = [
  "stop-line",
  "square",
  "slalom",
  "eight",
  "orbit-post",
  "ring",
  "step-circle",
  "walked-eight",
  "landing-spot",
  "bail-wall",
  "gap-ladder",
  "knife-edge-pair",
  "loop-bar",
] as const;
export type CourseKind = (typeof courseKinds)[number];

/** Poles and the way along them. */
export interface Course {
  readonly kind: CourseKind | "own";
  readonly poles: readonly Pole[];
  readonly legs: readonly CourseLeg[];
  readonly gates: readonly Gate[];
  /** Direction of the first leg, ° from north, clockwise. */
  readonly headingDeg: number;
  /** Clear ground wanted round every pole and leg, and beyond the ends along the heading, m. */
  readonly aroundM: number;
  readonly runOutM: number;
}

/** How a course is to be; each kind reads what concerns it. */
export interface CourseParameters {
  /** Middle of the course; the origin if not said. */
  readonly at?: PlanPoint;
  /** Direction of the first leg, ° from north, clockwise; 0 if not said. */
  readonly headingDeg?: number;
  /** How many poles stand in line: stop line and slalom; gates of the ladder. */
  readonly count?: number;
  /** From pole to pole, or gate to gate, m. */
  readonly spacingM?: number;
  /** Side of the square, m. */
  readonly sideM?: number;
  /** Of the ring, the circle or the orbit, m. */
  readonly radiusM?: number;
  /** Tip to tip of the aircraft, m, by which gaps are told. */
  readonly aircraftWidthM?: number;
  /** Width of a gap in widths of the aircraft: the widest of the ladder, or of the pair. */
  readonly widths?: number;
  /** Width of the narrowest gate of the ladder, in widths of the aircraft. */
  readonly narrowestWidths?: number;
  /** Height of the bar or the wall, or from which a landing begins, m. */
  readonly heightM?: number;
}

export const courseRanges = {
  headingDeg: [-360, 360],
  count: [2, 12],
  spacingM: [2, 60],
  sideM: [3, 100],
  radiusM: [0.5, 60],
  aircraftWidthM: [0.05, 1.5],
  widths: [1.2, 20],
  narrowestWidths: [1.2, 20],
  heightM: [0.5, 40],
} as const satisfies Record<Exclude<keyof CourseParameters, "at">, readonly [number, number]>;

/** Throws a DomainError naming the first parameter out of range. */
export function requireCourseParameters(parameters: CourseParameters): CourseParameters {
  if (parameters.at !== undefined) requirePoint("at", parameters.at);
  for (const name of Object.keys(courseRanges) as (keyof typeof courseRanges)[]) {
    const [least, most] = courseRanges[name];
    if (parameters[name] !== undefined) requireNumber(name, parameters[name], least, most);
  }
  if (parameters.count !== undefined && !Number.isInteger(parameters.count))
    throw new DomainError("count", parameters.count, "a whole number");
  return parameters;
}

/** Legs through poles in this order. */
export function legsThrough(poles: readonly Pole[], order: readonly string[], end: CourseLeg["end"]): CourseLeg[] {
  const known = new Map(poles.map((pole) => [pole.id, pole]));
  return order.slice(1).map((to, i) => {
    const [a, b] = [known.get(order[i]), known.get(to)];
    if (!a || !b) throw new DomainError("legs", a ? to : order[i], "ids of the poles");
    return { from: order[i], to, lengthM: between(a, b), end };
  });
}

/** The same course the other way round. */
export function courseReversed(course: Course): Course {
  const legs = [...course.legs].reverse().map((leg) => ({ ...leg, from: leg.to, to: leg.from }));
  const gates = course.gates.map((gate) => ({ ...gate, left: gate.right, right: gate.left }));
  return { ...course, legs, gates, headingDeg: (course.headingDeg + 180) % 360 };
}
