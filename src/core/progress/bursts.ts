import { remembering, requireFinite } from "../numbers";
import { GAP_DAYS } from "./curve";
import type { FlyingDay } from "./digest";

/** Flying days close together, then a long time without one. */
export interface Burst {
  readonly flyingDays: number;
  /** From the first to the last of them, both counted. */
  readonly withinDays: number;
  /** Days without flying after them; still going on where nobody has flown since. */
  readonly gapDays: number;
}

/** So many flying days in so few are a burst. Common practice, no source: one flying day a week keeps what it brings. */
const LEAST_DAYS = 3;
const MOST_APART = 2;
/** A burst that ended longer ago is over and done with. Ours. */
const TOLD_DAYS = 60;

/** The days of several lists in order, each once, in order. A mark for each day of the time they span: there are thousands of days and few years. */
export function distinctDays(lists: readonly (readonly FlyingDay[])[]): number[] {
  const flown = lists.filter(({ length }) => length > 0).map((days) => dayNumbers(days));
  if (flown.length === 0) return [];
  const first = Math.min(...flown.map((days) => days[0]));
  const last = Math.max(...flown.map((days) => days[days.length - 1]));
  const marked = new Uint8Array(last - first + 1);
  for (const days of flown) for (let i = 0; i < days.length; i++) marked[days[i] - first] = 1;
  const distinct: number[] = [];
  for (let at = 0; at < marked.length; at++) if (marked[at]) distinct.push(first + at);
  return distinct;
}

/** Side by side in memory: a squad's are looked at a hundred thousand at a time. */
const dayNumbers = remembering((days: readonly FlyingDay[]) => Int32Array.from(days, ([day]) => day));

/** The last burst and the gap after it, from flying days in order and today; null where the days are spread. The gap is longer than ten days. */
export function burstOf(days: readonly number[], today: number): Burst | null {
  requireFinite("today", today);
  let from = 0;
  let found: Burst | null = null;
  for (let i = 0; i < days.length; i++) {
    const gapDays = (days[i + 1] ?? today) - days[i];
    const recent = today - days[i] <= TOLD_DAYS;
    if (recent && gapDays > GAP_DAYS && i - from + 1 >= LEAST_DAYS)
      found = { flyingDays: i - from + 1, withinDays: days[i] - days[from] + 1, gapDays };
    if (gapDays > MOST_APART) from = i + 1;
  }
  return found;
}
