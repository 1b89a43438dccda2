import type { Attempt } from "./attempt";
import { rateChange, type RateChange } from "./change";
import { dayIn } from "./day";
import { betaOf, posteriorFrom } from "./evidence";
import { rateAfterEach } from "./rate";

/** The clean rate at the end of one flying day. */
export interface CurvePoint {
  readonly atMs: number;
  readonly mean: number;
  readonly low: number;
  readonly high: number;
  readonly attempts: number;
}

/** How the clean rate at a step went over the days, with what may explain a bend. */
export interface LearningCurve {
  readonly points: readonly CurvePoint[];
  /** First attempt with each setup after the first. */
  readonly setupChanges: readonly { readonly atMs: number; readonly setupId: string | null }[];
  /** Stretches without flying this step. */
  readonly gaps: readonly { readonly fromMs: number; readonly toMs: number; readonly days: number }[];
  /** The later half of the attempts against the earlier; null with fewer than eight. */
  readonly trend: RateChange | null;
}

/** Days between two flying days that are spoken of as a gap. Ours; one flight day a week is common practice. */
export const GAP_DAYS = 10;
const LEAST_FOR_TREND = 8;

/** Learning curve from attempts at one step in the order flown; days by the clocks of a time zone. */
export function learningCurve(attempts: readonly Attempt[], timeZone: string): LearningCurve {
  const rates = rateAfterEach(attempts.map(({ outcome }) => outcome === "clean"));
  const points: CurvePoint[] = [];
  const setupChanges: { atMs: number; setupId: string | null }[] = [];
  const gaps: { fromMs: number; toMs: number; days: number }[] = [];
  attempts.forEach(({ atMs, setupId }, i) => {
    const before = attempts[i - 1];
    if (before && before.setupId !== setupId) setupChanges.push({ atMs, setupId });
    const days = before ? dayIn(timeZone, atMs) - dayIn(timeZone, before.atMs) : 0;
    if (days > GAP_DAYS) gaps.push({ fromMs: before.atMs, toMs: atMs, days });
    const next = attempts[i + 1];
    if (next && dayIn(timeZone, next.atMs) === dayIn(timeZone, atMs)) return;
    const { mean, low, high } = posteriorFrom(betaOf(rates[i + 1]), 0.5);
    points.push({ atMs, mean, low, high, attempts: i + 1 });
  });
  return { points, setupChanges, gaps, trend: trendOf(attempts) };
}

function trendOf(attempts: readonly Attempt[]): RateChange | null {
  if (attempts.length < LEAST_FOR_TREND) return null;
  const half = Math.floor(attempts.length / 2);
  const counted = (part: readonly Attempt[]) => ({
    attempts: part.length,
    clean: part.filter(({ outcome }) => outcome === "clean").length,
  });
  return rateChange(counted(attempts.slice(0, half)), counted(attempts.slice(half)));
}
