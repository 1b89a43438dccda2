import { createEmptyCard, fsrs, Rating, type Grade } from "ts-fsrs";
import type { Attempt } from "./attempt";

/** When a signed-off skill wants flying again before it fades. */
export interface Review {
  readonly dueMs: number;
  /** Estimated chance 0..1 that it would still go clean now. */
  readonly recall: number;
}

const DAY_MS = 86_400_000;
const scheduler = fsrs({ request_retention: 0.9, enable_fuzz: false, enable_short_term: false });

/**
 * Review date of a step from its attempts, each flying day one repetition graded by its share of clean attempts
 * (spaced repetition, FSRS). Null when it was never flown. Days are UTC.
 */
export function reviewOf(attempts: readonly Pick<Attempt, "outcome" | "atMs">[], nowMs: number): Review | null {
  if (attempts.length === 0) return null;
  const days = new Map<number, { clean: number; all: number }>();
  for (const { atMs, outcome } of attempts) {
    const day = Math.floor(atMs / DAY_MS);
    const seen = days.get(day) ?? { clean: 0, all: 0 };
    days.set(day, { clean: seen.clean + (outcome === "clean" ? 1 : 0), all: seen.all + 1 });
  }
  const ordered = [...days].sort(([a], [b]) => a - b);
  let card = createEmptyCard(new Date(ordered[0][0] * DAY_MS));
  for (const [day, { clean, all }] of ordered)
    card = scheduler.next(card, new Date(day * DAY_MS), gradeOf(clean / all)).card;
  const recall = scheduler.get_retrievability(
    card,
    new Date(Math.max(nowMs, card.last_review?.getTime() ?? nowMs)),
    false,
  );
  return { dueMs: card.due.getTime(), recall };
}

function gradeOf(cleanShare: number): Grade {
  if (cleanShare >= 0.75) return Rating.Good;
  return cleanShare >= 0.4 ? Rating.Hard : Rating.Again;
}
