import { remembering, requireFinite, requireNumber } from "../numbers";
import { fsrs, Rating, type FSRSState, type Grade } from "ts-fsrs";
import { dayBegins, dayIn } from "./day";
import type { FlyingDay } from "./digest";

/** When a signed-off skill wants flying again before it fades. */
export interface Review {
  readonly dueMs: number;
  /** Estimated chance 0..1 that it is still remembered: memory, not a clean rate. */
  readonly memory: number;
}

const scheduler = fsrs({ request_retention: 0.9, enable_fuzz: false, enable_short_term: false });

/**
 * Review date of a step from the days it was flown on, each one repetition graded by its share of clean attempts (spaced repetition, FSRS). Days
 * in order, each once, by the clocks of the time zone. Null when it was never flown.
 */
export function reviewOf(days: readonly FlyingDay[], nowMs: number, timeZone: string): Review | null {
  if (days.length === 0) return null;
  requireFinite("nowMs", nowMs);
  const last = days[days.length - 1][0];
  const stability = stabilityAfter(days);
  const sinceDays = Math.max(0, dayIn(timeZone, nowMs) - last);
  return {
    dueMs: dayBegins(timeZone, last + scheduler.next_interval(stability, sinceDays)),
    memory: scheduler.forgetting_curve(sinceDays, stability),
  };
}

/** The days of two lists in order as one in order, each day once with the counts of both. */
export function mergedDays(some: readonly FlyingDay[], others: readonly FlyingDay[]): readonly FlyingDay[] {
  if (others.length === 0) return some;
  return some.length === 0 ? others : merged(some, others);
}

// A squad's days are asked for at every look, and only change when somebody flies.
const merged = remembering((some: readonly FlyingDay[], others: readonly FlyingDay[]): readonly FlyingDay[] => {
  const both: FlyingDay[] = [];
  for (let i = 0, k = 0; i < some.length || k < others.length;) {
    const own = some[i]?.[0] ?? Infinity;
    const other = others[k]?.[0] ?? Infinity;
    if (own < other) both.push(some[i++]);
    else if (other < own) both.push(others[k++]);
    else both.push([own, some[i][1] + others[k][1], some[i++][2] + others[k++][2]]);
  }
  return both;
});

/** Stability, days, after repetitions on days in order. */
const stabilityAfter = remembering((days: readonly FlyingDay[]): number => {
  days.forEach(([day], i) => requireNumber("days", day, i === 0 ? -1e6 : days[i - 1][0] + 1, 1e6));
  let memory: FSRSState | null = null;
  for (const [i, [day, clean, all]] of days.entries())
    memory = scheduler.next_state(memory, i === 0 ? 0 : day - days[i - 1][0], gradeOf(clean / all));
  return memory!.stability;
});

function gradeOf(cleanShare: number): Grade {
  if (cleanShare >= 0.75) return Rating.Good;
  return cleanShare >= 0.4 ? Rating.Hard : Rating.Again;
}
