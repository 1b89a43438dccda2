import { RAD_PER_DEG, requireNumber, wrapDeg } from "../numbers";
import type { PlanPoint } from "./point";

/** A place on the earth, WGS 84. */
export interface EarthPlace {
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
}

/** Half the long axis of WGS 84, m, and the square of its eccentricity (NGA.STND.0036, table 3.1). */
const SEMI_MAJOR_M = 6378137;
const ECCENTRICITY2 = 6.69437999014e-3;

/** Farther toward a pole the plane's east runs too far off. Ours. */
const MOST_LATITUDE_DEG = 85;

/** Throws a DomainError naming the field that is no place where a plan can lie. */
export function requireEarthPlace(place: EarthPlace, name = "place"): EarthPlace {
  requireNumber(`${name}.latitudeDeg`, place?.latitudeDeg, -MOST_LATITUDE_DEG, MOST_LATITUDE_DEG);
  requireNumber(`${name}.longitudeDeg`, place.longitudeDeg, -180, 180);
  return place;
}

/** Metres of ground for a degree north and a degree east, by the ellipsoid's radii of curvature (Snyder, USGS Professional Paper 1395, equations 4-18 and 4-20). */
function metresPerDegree({ latitudeDeg }: EarthPlace): { north: number; east: number } {
  const sin = Math.sin(RAD_PER_DEG * latitudeDeg);
  const w2 = 1 - ECCENTRICITY2 * sin * sin;
  const across = SEMI_MAJOR_M / Math.sqrt(w2);
  const along = (across * (1 - ECCENTRICITY2)) / w2;
  return { north: RAD_PER_DEG * along, east: RAD_PER_DEG * across * Math.cos(RAD_PER_DEG * latitudeDeg) };
}

/** Where a place on the earth lies on the plan whose origin is there: equirectangular, true to scale at the origin. */
export function toPlan(origin: EarthPlace, place: EarthPlace): PlanPoint {
  const { north, east } = metresPerDegree(requireEarthPlace(origin, "origin"));
  requireNumber("place.latitudeDeg", place?.latitudeDeg, -90, 90);
  requireNumber("place.longitudeDeg", place.longitudeDeg, -360, 360);
  return {
    eastM: east * wrapDeg(place.longitudeDeg - origin.longitudeDeg),
    northM: north * (place.latitudeDeg - origin.latitudeDeg),
  };
}

/** The way back. */
export function toEarth(origin: EarthPlace, { eastM, northM }: PlanPoint): EarthPlace {
  const { north, east } = metresPerDegree(requireEarthPlace(origin, "origin"));
  return {
    latitudeDeg: origin.latitudeDeg + northM / north,
    longitudeDeg: wrapDeg(origin.longitudeDeg + eastM / east),
  };
}

/**
 * How far a place may stand wrong on the plan at a distance from its origin, m: meridians come together by tan φ over the radius, and the
 * meridian's own radius changes with latitude; both grow with the square of the distance.
 */
export function planeErrorM(origin: EarthPlace, distanceM: number): number {
  const latitude = RAD_PER_DEG * requireEarthPlace(origin, "origin").latitudeDeg;
  const d = requireNumber("distanceM", distanceM, 0, 100_000);
  // East off by x·y and north by x²/2, times tan φ over the radius: at most 1/√3 of the square of the distance.
  const meeting = Math.abs(Math.tan(latitude)) / Math.sqrt(3) / SEMI_MAJOR_M;
  const bending = (0.75 * ECCENTRICITY2 * Math.abs(Math.sin(2 * latitude))) / SEMI_MAJOR_M;
  return (meeting + bending) * d * d + d ** 3 / (3 * SEMI_MAJOR_M ** 2 * Math.cos(latitude) ** 2);
}
