import { GAP_DAYS, dayIn } from "@/core";

/** A day in the calendar on which somebody flew or is to fly. */
export interface CalendarDay {
  readonly atMs: number;
  readonly planned: boolean;
}

/** A stretch without a flying day. */
export interface Gap {
  readonly fromMs: number;
  readonly toMs: number;
  readonly days: number;
  /** Still to come: nothing is planned in it, or not soon enough. */
  readonly ahead: boolean;
}

/** Stretches longer than the usual between flying days, planned ones too; the last one reaches to the first plan, or to now where there is none. Days are those of the time zone. */
export function gapsBetween(days: readonly CalendarDay[], nowMs: number, timeZone: string): Gap[] {
  const ordered = [...days].sort((a, b) => a.atMs - b.atMs);
  const ends = [...ordered.map(({ atMs }) => atMs), ...(ordered.some(({ planned }) => planned) ? [] : [nowMs])];
  return ordered.flatMap(({ atMs }, i): Gap[] => {
    const toMs = ends[i + 1];
    if (toMs === undefined) return [];
    const gap = dayIn(timeZone, toMs) - dayIn(timeZone, atMs);
    return gap > GAP_DAYS ? [{ fromMs: atMs, toMs, days: gap, ahead: toMs >= nowMs }] : [];
  });
}
