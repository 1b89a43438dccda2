import { tzOffset } from "@date-fns/tz";
import { DAY_MS, DomainError } from "../numbers";

const MINUTE_MS = 60_000;
/** No zone changes its clocks within a quarter of an hour but at its beginning. */
const QUARTER_MS = 15 * MINUTE_MS;
const offsets = new Map<string, number>();
const MOST_OFFSETS = 20_000;

/** True for the name of a time zone in the IANA time zone database. */
export const isTimeZone = (name: string): boolean => name === "UTC" || !Number.isNaN(tzOffset(name, new Date(0)));

function offsetMs(atMs: number, timeZone: string): number {
  if (timeZone === "UTC") return 0;
  const quarter = Math.floor(atMs / QUARTER_MS);
  const key = `${timeZone} ${quarter}`;
  const before = offsets.get(key);
  if (before !== undefined) return before;
  const minutes = tzOffset(timeZone, new Date(quarter * QUARTER_MS));
  if (Number.isNaN(minutes))
    throw new DomainError("timeZone", timeZone, "the name of a time zone, such as Europe/Lisbon");
  if (offsets.size >= MOST_OFFSETS) offsets.clear();
  offsets.set(key, minutes * MINUTE_MS);
  return minutes * MINUTE_MS;
}

/** The day something is on where a squad flies: days since 1 January 1970 by the clocks of the zone. */
export const dayIn = (timeZone: string, atMs: number): number => Math.floor((atMs + offsetMs(atMs, timeZone)) / DAY_MS);

/** When a day begins in a zone, ms since 1970 (UTC); where midnight is left out, with the first moment there is. */
export function dayBegins(timeZone: string, day: number): number {
  const midnightMs = day * DAY_MS;
  // Twice, for the clocks may change between the guess and the moment.
  const guess = midnightMs - offsetMs(midnightMs, timeZone);
  const better = midnightMs - offsetMs(guess, timeZone);
  return dayIn(timeZone, better) < day ? guess : better;
}

/** A day as it is written in files: "2026-11-28". */
export const dayText = (timeZone: string, atMs: number): string =>
  new Date(dayIn(timeZone, atMs) * DAY_MS).toISOString().slice(0, 10);
