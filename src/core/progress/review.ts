import { fsrs, Rating, type FSRSState, type Grade } from "ts-fsrs";
import type { FlyingDay } from "./digest";

/** When a signed-off skill wants flying again before it fades. */
export interface Review {
  readonly dueMs: number;
  /** Estimated chance 0..1 that it would still go clean now. */
  readonly recall: number;
}

const DAY_MS = 86_400_000;
const scheduler = fsrs({ request_retention: 0.9, enable_fuzz: false, enable_short_term: false });

/**
 * Review date of a step from the days it was flown on, each one repetition graded by its share of clean attempts (spaced repetition, FSRS). Days
 * may come twice and in any order. Null when it was never flown.
 */
export function reviewOf(days: readonly FlyingDay[], nowMs: number): Review | null {
  if (days.length === 0) return null;
  const merged = new Map<number, { clean: number; all: number }>();
  for (const [day, clean, all] of days) {
    const seen = merged.get(day) ?? { clean: 0, all: 0 };
    merged.set(day, { clean: seen.clean + clean, all: seen.all + all });
  }
  const ordered = [...merged].sort(([a], [b]) => a - b);
  const last = ordered[ordered.length - 1][0];
  const stability = stabilityAfter(
    ordered.map(([day, { clean, all }], i) => [day - (ordered[i - 1]?.[0] ?? day), gradeOf(clean / all)] as const),
  );
  const sinceDays = Math.max(0, Math.floor(nowMs / DAY_MS) - last);
  return {
    dueMs: (last + scheduler.next_interval(stability, sinceDays)) * DAY_MS,
    recall: scheduler.forgetting_curve(sinceDays, stability),
  };
}

/** Stabilities of histories seen before: a squad's are asked for again at every look, and only change when somebody flies. */
const known = new Map<string, number>();
const MOST_KNOWN = 20_000;

/** Stability, days, after repetitions that follow one another by so many days. */
function stabilityAfter(repetitions: readonly (readonly [gapDays: number, grade: Grade])[]): number {
  const key = repetitions.map(([gap, grade]) => `${gap}.${grade}`).join(" ");
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
