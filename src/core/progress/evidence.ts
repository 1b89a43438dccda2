import type { Attempt, PassMark } from "./attempt";
import { betaCdf, betaQuantile } from "./beta";

/** The clean rate as far as the attempts tell: a Beta distribution, recent attempts weighing more. */
export interface Posterior {
  readonly a: number;
  readonly b: number;
  readonly mean: number;
  /** 90 % interval. */
  readonly low: number;
  readonly high: number;
  /** Chance that the clean rate is above the pass mark's share. */
  readonly chanceAboveMark: number;
}

export interface DirectionEvidence {
  readonly direction: string;
  /** Attempts that count, all of them. */
  readonly attempts: number;
  readonly cleanAttempts: number;
  /** The attempts the pass mark looks at, oldest first. */
  readonly lastOutcomes: readonly Attempt["outcome"][];
  readonly cleanOfLast: number;
  readonly passes: boolean;
  readonly posterior: Posterior;
}

/** How sure it is that one direction is better than the other. */
export interface Imbalance {
  readonly better: string;
  readonly worse: string;
  readonly difference: number;
  readonly chance: number;
}

export interface StepEvidence {
  readonly directions: readonly DirectionEvidence[];
  readonly passes: boolean;
  readonly imbalance: Imbalance | null;
}

/** An attempt this many attempts ago counts half. Our choice; shown beside the figure. */
export const RECENCY_HALF_LIFE_ATTEMPTS = 10;
/** An imbalance between directions below this chance is noise and is not spoken of. Our choice. */
export const TELLING_IMBALANCE = 0.8;
/** Uniform prior of the clean rate. */
const PRIOR = { a: 1, b: 1 };

/** Evidence per direction and over all, from the attempts at one step in any order. */
export function weighEvidence(
  attempts: readonly Attempt[],
  mark: PassMark,
  directions: readonly string[],
): StepEvidence {
  const counting = attempts.filter((attempt) => mark.places.includes(attempt.place)).sort((a, b) => a.atMs - b.atMs);
  const each = directions.map((direction) =>
    weighDirection(
      direction,
      counting.filter((attempt) => attempt.direction === direction),
      mark,
    ),
  );
  return { directions: each, passes: each.every((one) => one.passes), imbalance: imbalanceOf(each) };
}

function weighDirection(direction: string, attempts: readonly Attempt[], mark: PassMark): DirectionEvidence {
  const lastOutcomes = attempts.slice(-mark.n).map((attempt) => attempt.outcome);
  const cleanOfLast = lastOutcomes.filter((outcome) => outcome === "clean").length;
  return {
    direction,
    attempts: attempts.length,
    cleanAttempts: attempts.filter((attempt) => attempt.outcome === "clean").length,
    lastOutcomes,
    cleanOfLast,
    passes: cleanOfLast >= mark.k,
    posterior: posteriorOf(attempts, mark.k / mark.n),
  };
}

/** Beta posterior with each attempt weighted 0.5^(attempts since / half-life). */
export function posteriorOf(attempts: readonly Pick<Attempt, "outcome">[], markShare: number): Posterior {
  let { a, b } = PRIOR;
  attempts.forEach((attempt, i) => {
    const weight = 0.5 ** ((attempts.length - 1 - i) / RECENCY_HALF_LIFE_ATTEMPTS);
    if (attempt.outcome === "clean") a += weight;
    else b += weight;
  });
  return {
    a,
    b,
    mean: a / (a + b),
    low: betaQuantile(0.05, a, b),
    high: betaQuantile(0.95, a, b),
    chanceAboveMark: 1 - betaCdf(markShare, a, b),
  };
}

function imbalanceOf(each: readonly DirectionEvidence[]): Imbalance | null {
  const flown = each.filter((one) => one.attempts > 0);
  if (flown.length < 2) return null;
  const sorted = [...flown].sort((x, y) => y.posterior.mean - x.posterior.mean);
  const better = sorted[0];
  const worse = sorted[sorted.length - 1];
  return {
    better: better.direction,
    worse: worse.direction,
    difference: better.posterior.mean - worse.posterior.mean,
    chance: chanceGreater(better.posterior, worse.posterior),
  };
}

/** P(X > Y) for independent Beta variables: the mean of Y's distribution function over equal shares of X. */
export function chanceGreater(x: { a: number; b: number }, y: { a: number; b: number }): number {
  const parts = 100;
  let sum = 0;
  for (let i = 0; i < parts; i++) sum += betaCdf(betaQuantile((i + 0.5) / parts, x.a, x.b), y.a, y.b);
  return sum / parts;
}
