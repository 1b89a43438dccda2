import { requireFinite, requireNumber } from "../numbers";
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
  days.forEach(([day], i) => requireNumber("days", day, i === 0 ? -1e6 : days[i - 1][0] + 1, 1e6));
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
  if (some.length === 0) return others;
  const merged: FlyingDay[] = [];
  for (let i = 0, k = 0; i < some.length || k < others.length;) {
    const own = some[i]?.[0] ?? Infinity;
    const other = others[k]?.[0] ?? Infinity;
    if (own < other) merged.push(some[i++]);
    else if (other < own) merged.push(others[k++]);
    else merged.push([own, some[i][1] + others[k][1], some[i++][2] + others[k++][2]]);
  }
  return merged;
}

/** Stabilities of histories seen before: a squad's are asked for again at every look, and only change when somebody flies. */
const known = new Map<string, number>();
const MOST_KNOWN = 20_000;
/** Gaps of more than 44 years are all alike; so a gap and a grade fit one character of the key. */
const LONGEST_GAP_DAYS = 2 ** 14 - 1;

/** Stability, days, after repetitions on days in order. */
function stabilityAfter(days: readonly FlyingDay[]): number {
  const repetitions = days.map(([day, clean, all], i): [gapDays: number, grade: Grade] => [
    i === 0 ? 0 : Math.min(LONGEST_GAP_DAYS, day - days[i - 1][0]),
    gradeOf(clean / all),
  ]);
  const key = String.fromCharCode(...repetitions.map(([gap, grade]) => gap * 4 + grade - 1));
  const before = known.get(key);
  if (before !== undefined) return before;
  let memory: FSRSState | null = null;
  for (const [gap, grade] of repetitions) memory = scheduler.next_state(memory, gap, grade);
  if (known.size >= MOST_KNOWN) known.clear();
  known.set(key, memory!.stability);
  return memory!.stability;
}

function gradeOf(cleanShare: number): Grade {
  if (cleanShare >= 0.75) return Rating.Good;
  return cleanShare >= 0.4 ? Rating.Hard : Rating.Again;
}
