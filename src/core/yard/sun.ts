import { getPosition, getTimes } from "suncalc";
import { requireNumber, wrapDeg } from "../numbers";
import { requireEarthPlace, type EarthPlace } from "./plane";

export interface Sun {
  /** From north, clockwise, 0 to under 360. */
  readonly azimuthDeg: number;
  /** Above the horizon as it is seen, with the bending of the air. */
  readonly elevationDeg: number;
}

/** The first and last moments of years with four digits, within which dates stay dates. */
const [EARLIEST_MS, LATEST_MS] = [Date.UTC(1, 0, 1), Date.UTC(9999, 11, 31)];
/** Lower than this the sun dazzles who looks its way (9.2 of the design). */
const DAZZLES_BELOW_DEG = 25;
/** Half the width of what a camera or an eye takes in toward the sun. Ours. */
const DAZZLES_WITHIN_DEG = 45;

const requireWhen = ({ atMs, ...place }: EarthPlace & { readonly atMs: number }) => {
  requireEarthPlace({ latitudeDeg: place.latitudeDeg, longitudeDeg: place.longitudeDeg });
  return new Date(requireNumber("atMs", atMs, EARLIEST_MS, LATEST_MS));
};

/** Where the sun stands at a moment (ms since 1970, UTC), by the well-known package. Throws a DomainError naming the field out of range. */
export function sunAt(when: EarthPlace & { readonly atMs: number }): Sun {
  const { azimuth, altitude } = getPosition(requireWhen(when), when.latitudeDeg, when.longitudeDeg);
  return { azimuthDeg: (azimuth + 360) % 360, elevationDeg: altitude };
}

/** The light of the day about a moment: ms since 1970, UTC; null for what does not come that day. */
export interface DayLight {
  readonly sunriseMs: number | null;
  readonly sunsetMs: number | null;
  /** The sun 6° below the horizon: the end of civil twilight. */
  readonly duskMs: number | null;
  /** The sun stays up, or down, all day; null where it rises and sets. */
  readonly allDay: "up" | "down" | null;
}

/** Sunrise, sunset and the end of civil twilight of the solar day about a moment. */
export function dayLight(when: EarthPlace & { readonly atMs: number }): DayLight {
  const times = getTimes(requireWhen(when), when.latitudeDeg, when.longitudeDeg);
  const ms = (date: Date | null | undefined) => (date && Number.isFinite(date.getTime()) ? date.getTime() : null);
  return {
    sunriseMs: ms(times.sunrise),
    sunsetMs: ms(times.sunset),
    duskMs: ms(times.dusk),
    allDay: times.alwaysUp ? "up" : times.alwaysDown ? "down" : null,
  };
}

/** Whether who flies or looks in a direction has a low sun in the eyes. */
export function intoSun(directionDeg: number, { azimuthDeg, elevationDeg }: Sun): boolean {
  return (
    elevationDeg > 0 &&
    elevationDeg < DAZZLES_BELOW_DEG &&
    Math.abs(wrapDeg(directionDeg - azimuthDeg)) < DAZZLES_WITHIN_DEG
  );
}
