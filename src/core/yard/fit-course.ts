import { DomainError, wrapDeg } from "../numbers";
import type { Course, CourseKind, CourseParameters } from "./course";
import { courses } from "./courses";
import { ahead, between, middleOf, requirePoint, type PlanPoint } from "./point";
import { depthInside, distanceToLine, inside } from "./polygon";
import { intoSun, type Sun } from "./sun";

/** Ground to set a course out on. */
export interface Room {
  /** The ring that is not left. */
  readonly boundary: readonly PlanPoint[];
  /** Rings that are not flown over. */
  readonly noGo?: readonly (readonly PlanPoint[])[];
  /** What is kept clear of, with how far. */
  readonly keepOff?: readonly { readonly line: readonly PlanPoint[]; readonly m: number }[];
  /** Where the wind comes from, ° from north; null or absent for calm. */
  readonly windFromDeg?: number | null;
  readonly sun?: Sun | null;
}

export interface FittedCourse {
  readonly course: Course;
  /** Ground left over beyond what the course wants, where there is least, m. */
  readonly spareM: number;
  /** Its first leg against the wind, °: 0 into it; null in calm. */
  readonly offWindDeg: number | null;
  /** Its first leg, or the way back, looks into a low sun. */
  readonly intoSun: boolean;
}

/** A course that finds no room, with what it lacks where it lies best. */
export class NoRoom extends DomainError {
  constructor(
    readonly kind: CourseKind,
    /** What it lacks on the best place found, m. */
    readonly lacksM: number,
    /** Along and across its heading, with clear ground and run-out, m. */
    readonly lengthM: number,
    readonly widthM: number,
  ) {
    super(
      "boundary",
      kind,
      "room for the course",
      `boundary has no room for ${kind}: it wants ${lengthM.toFixed(0)} m by ${widthM.toFixed(0)} m; where it lies best ${lacksM.toFixed(1)} m are missing`,
    );
    this.name = "NoRoom";
  }
}

/** Headings tried, °, and places each way. Ours. */
const HEADING_STEP_DEG = 10;
const PLACES = 15;
/** What a degree out of the wind, and a low sun in the eyes, are worth in metres of spare ground. Ours. */
const PER_DEGREE_M = 1;
const SUN_M = 1000;
/** More spare ground than this is worth nothing more, m. Ours. */
const SPARE_ENOUGH_M = 10;
/** Legs are looked at this far apart, m. */
const LOOK_EVERY_M = 3;

/** Places of a course with the clear ground each wants, m. */
function wants(course: Course): readonly (readonly [PlanPoint, number])[] {
  const poles = new Map(course.poles.map((pole) => [pole.id, pole]));
  const spots: (readonly [PlanPoint, number])[] = course.poles.map((pole) => [pole, course.aroundM]);
  for (const { from, to, lengthM } of course.legs) {
    const [a, b] = [poles.get(from)!, poles.get(to)!];
    const pieces = Math.ceil(lengthM / LOOK_EVERY_M);
    for (let i = 1; i < pieces; i++) {
      const share = i / pieces;
      spots.push([
        { eastM: a.eastM + share * (b.eastM - a.eastM), northM: a.northM + share * (b.northM - a.northM) },
        course.aroundM,
      ]);
    }
  }
  // Beyond both ends along the heading, since it is flown both ways.
  for (const pole of course.poles)
    for (const way of [0, 180]) spots.push([ahead(pole, course.headingDeg + way, course.runOutM), 0]);
  return spots;
}

/** Ground that is left over where a course has least, m; negative where it lacks. */
function spareGroundM(course: Course, { boundary, noGo = [], keepOff = [] }: Room): number {
  let least = Infinity;
  for (const [spot, clearM] of wants(course)) {
    least = Math.min(least, depthInside(spot, boundary) - clearM);
    for (const ring of noGo) least = Math.min(least, -depthInside(spot, ring) - clearM);
    for (const { line, m } of keepOff) least = Math.min(least, distanceToLine(spot, line) - m);
  }
  return least;
}

/** The sizes of a course along and across its heading, with what it wants about it, m. */
export function courseSize(course: Course): { readonly lengthM: number; readonly widthM: number } {
  const across = (turnDeg: number, beyondM: number) => {
    const unit = ahead({ eastM: 0, northM: 0 }, course.headingDeg + turnDeg, 1);
    const all = course.poles.map(({ eastM, northM }) => eastM * unit.eastM + northM * unit.northM);
    return Math.max(...all) - Math.min(...all) + 2 * beyondM;
  };
  return { lengthM: across(0, Math.max(course.runOutM, course.aroundM)), widthM: across(90, course.aroundM) };
}

function requireRoom(room: Room): void {
  for (const [name, ring] of [
    ["boundary", room.boundary],
    ...(room.noGo ?? []).map((one, i) => [`noGo[${i}]`, one]),
  ] as [string, readonly PlanPoint[]][]) {
    if (!Array.isArray(ring) || ring.length < 3) throw new DomainError(name, ring?.length, "three corners and more");
    ring.forEach((point, i) => requirePoint(`${name}[${i}]`, point));
  }
}

/**
 * A course laid into its room: turned into the wind as far as there is room, out of a low sun, with the most ground to spare. With a heading or a
 * middle in the parameters only those are tried. Throws `NoRoom` with the numbers where it fits nowhere.
 */
export function fitCourse(kind: CourseKind, parameters: CourseParameters, room: Room): FittedCourse {
  requireRoom(room);
  const { boundary, windFromDeg = null, sun = null } = room;
  const start = windFromDeg ?? 0;
  const headings =
    parameters.headingDeg === undefined
      ? Array.from({ length: 360 / HEADING_STEP_DEG }, (_, i) => start + i * HEADING_STEP_DEG)
      : [parameters.headingDeg];
  const valued = (tried: CourseParameters) => {
    const course = courses[kind](tried);
    const spareM = spareGroundM(course, room);
    const offWindDeg = windFromDeg === null ? null : Math.abs(wrapDeg(course.headingDeg - windFromDeg));
    const dazzled = sun !== null && [0, 180].some((way) => intoSun(course.headingDeg + way, sun));
    const worth = Math.min(spareM, SPARE_ENOUGH_M) - PER_DEGREE_M * (offWindDeg ?? 0) - (dazzled ? SUN_M : 0);
    return { course, spareM, offWindDeg, intoSun: dazzled, worth };
  };
  type Valued = ReturnType<typeof valued>;
  const found: { best: Valued | null; roomiest: Valued | null } = { best: null, roomiest: null };
  const look = (at: PlanPoint, headingDeg: number) => {
    const tried = valued({ ...parameters, at, headingDeg: wrapDeg(headingDeg) });
    if (!found.roomiest || tried.spareM > found.roomiest.spareM) found.roomiest = tried;
    if (tried.spareM >= 0 && (!found.best || tried.worth > found.best.worth)) found.best = tried;
  };
  const spots = parameters.at ? [parameters.at] : placesIn(boundary);
  for (const headingDeg of headings) for (const at of spots) look(at, headingDeg);
  // From the best place on in ever smaller steps.
  for (let step = 0.5 * spacing(boundary); step > 0.25 && !parameters.at; step *= 0.5) {
    const from = (found.best ?? found.roomiest)!.course;
    for (let way = 0; way < 360; way += 45) look(ahead(middle(from), way, step), from.headingDeg);
  }
  const { best, roomiest } = found;
  if (best) return { course: best.course, spareM: best.spareM, offWindDeg: best.offWindDeg, intoSun: best.intoSun };
  const { course, spareM } = roomiest!;
  const { lengthM, widthM } = courseSize(course);
  throw new NoRoom(kind, -spareM, lengthM, widthM);
}

/** The middle by which a course is placed. */
function middle({ poles, headingDeg }: Course): PlanPoint {
  const unit = [ahead({ eastM: 0, northM: 0 }, headingDeg, 1), ahead({ eastM: 0, northM: 0 }, headingDeg + 90, 1)];
  const [along, across] = unit.map((one) => {
    const all = poles.map(({ eastM, northM }) => eastM * one.eastM + northM * one.northM);
    return 0.5 * (Math.min(...all) + Math.max(...all));
  });
  return {
    eastM: along * unit[0].eastM + across * unit[1].eastM,
    northM: along * unit[0].northM + across * unit[1].northM,
  };
}

function extent(ring: readonly PlanPoint[]) {
  const east = ring.map(({ eastM }) => eastM);
  const north = ring.map(({ northM }) => northM);
  const low = { eastM: Math.min(...east), northM: Math.min(...north) };
  return { low, high: { eastM: Math.max(...east), northM: Math.max(...north) } };
}

function spacing(ring: readonly PlanPoint[]): number {
  const { low, high } = extent(ring);
  return Math.max(0.5, between(low, high) / PLACES);
}

/** Places to try: a grid over an area, where it is inside, and its middle. */
function placesIn(ring: readonly PlanPoint[]): readonly PlanPoint[] {
  const { low, high } = extent(ring);
  const places: PlanPoint[] = [middleOf(ring)];
  for (let i = 0; i < PLACES; i++)
    for (let j = 0; j < PLACES; j++) {
      const point = {
        eastM: low.eastM + ((i + 0.5) / PLACES) * (high.eastM - low.eastM),
        northM: low.northM + ((j + 0.5) / PLACES) * (high.northM - low.northM),
      };
      if (inside(point, ring)) places.push(point);
    }
  return places;
}
