import { DEG_PER_RAD, RAD_PER_DEG, requireNumber } from "../numbers";

/** A place on a site's plan: m east and north of its origin. */
export interface PlanPoint {
  readonly eastM: number;
  readonly northM: number;
}

/** Nothing on a plan is farther from its origin, m: beyond it the plane bends too far from the ground. Ours. */
export const FARTHEST_M = 5000;

/** Throws a DomainError naming the field that is no place on a plan. */
export function requirePoint(field: string, point: PlanPoint): PlanPoint {
  requireNumber(`${field}.eastM`, point?.eastM, -FARTHEST_M, FARTHEST_M);
  requireNumber(`${field}.northM`, point.northM, -FARTHEST_M, FARTHEST_M);
  return point;
}

export const between = (a: PlanPoint, b: PlanPoint): number => Math.hypot(b.eastM - a.eastM, b.northM - a.northM);

/** Direction from one place to another, ° from north, clockwise, 0 to under 360. */
export const bearingDeg = (from: PlanPoint, to: PlanPoint): number =>
  (DEG_PER_RAD * Math.atan2(to.eastM - from.eastM, to.northM - from.northM) + 360) % 360;

/** So many metres from a place in a direction. */
export function ahead(from: PlanPoint, directionDeg: number, m: number): PlanPoint {
  const angle = RAD_PER_DEG * directionDeg;
  return { eastM: from.eastM + m * Math.sin(angle), northM: from.northM + m * Math.cos(angle) };
}

/** A place given along and across (to the right) a heading, from an origin. */
export function placedAlong(origin: PlanPoint, headingDeg: number, alongM: number, acrossM: number): PlanPoint {
  return ahead(ahead(origin, headingDeg, alongM), headingDeg + 90, acrossM);
}

/** The way back of `placedAlong`: how far along and across (to the right of) a heading from an origin a place lies, m. */
export function alongAndAcross(
  origin: PlanPoint,
  headingDeg: number,
  point: PlanPoint,
): { readonly alongM: number; readonly acrossM: number } {
  const [m, angle] = [between(origin, point), RAD_PER_DEG * (bearingDeg(origin, point) - headingDeg)];
  return { alongM: m * Math.cos(angle), acrossM: m * Math.sin(angle) };
}

export const middleOf = (points: readonly PlanPoint[]): PlanPoint => ({
  eastM: points.reduce((sum, { eastM }) => sum + eastM, 0) / points.length,
  northM: points.reduce((sum, { northM }) => sum + northM, 0) / points.length,
});
