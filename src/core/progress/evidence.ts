import { requireNumber } from "../numbers";
import type { Attempt } from "./attempt";
import { betaCdf, betaDensity, betaQuantile } from "./beta";
import type { Tallied } from "./digest";
import { judge, placesOf, windowOf, type Judged, type PassMark } from "./mark";

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
  /** The mark held against this direction alone. */
  readonly judged: Judged;
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
  readonly judged: Judged;
  readonly passes: boolean;
  readonly imbalance: Imbalance | null;
}

/** An attempt this many attempts ago counts half. Our choice; shown beside the figure. */
export const RECENCY_HALF_LIFE_ATTEMPTS = 10;
/** An imbalance between directions below this chance is noise and is not spoken of. Our choice. */
export const TELLING_IMBALANCE = 0.8;
/** Uniform prior of the clean rate. */
const PRIOR = { a: 1, b: 1 };

/**
 * Evidence per direction and over all, from the attempts at one step in any order. With `tallies` the attempts may be the recent ones only; the
 * counts are then the whole ones.
 */
export function weighEvidence(
  attempts: readonly Attempt[],
  mark: PassMark,
  directions: readonly string[],
  tallies?: readonly Tallied[],
): StepEvidence {
  const counted = placesOf(mark);
  const counting = attempts.filter(({ place }) => counted.includes(place)).sort((a, b) => a.atMs - b.atMs);
  const each = directions.map((direction) =>
    weighDirection(
      direction,
      counting.filter((attempt) => attempt.direction === direction),
      mark,
    ),
  );
  const judged = judge(mark, counting, directions);
  const whole = tallies?.filter(({ place }) => counted.includes(place));
  return {
    directions: whole ? each.map((one) => ({ ...one, ...countIn(whole, one.direction) })) : each,
    judged,
    passes: judged.met,
    imbalance: imbalanceOf(each),
  };
}

function countIn(tallies: readonly Tallied[], direction: string) {
  const own = tallies.filter((one) => one.direction === direction);
  return {
    attempts: own.reduce((sum, { counts }) => sum + Object.values(counts).reduce((a, b) => a + b), 0),
    cleanAttempts: own.reduce((sum, { counts }) => sum + counts.clean, 0),
  };
}

function weighDirection(direction: string, attempts: readonly Attempt[], mark: PassMark): DirectionEvidence {
  const window = windowOf(mark);
  const lastOutcomes = attempts.slice(-window.attempts).map((attempt) => attempt.outcome);
  const judged = judge(mark, attempts, [direction]);
  return {
    direction,
    attempts: attempts.length,
    cleanAttempts: attempts.filter((attempt) => attempt.outcome === "clean").length,
    lastOutcomes,
    cleanOfLast: lastOutcomes.filter((outcome) => outcome === "clean").length,
    judged,
    passes: judged.met,
    posterior: posteriorOf(attempts, window.share),
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

/** P(X > Y) for independent Beta variables: the integral of X's density times Y's distribution function over where X lies. */
export function chanceGreater(x: { a: number; b: number }, y: { a: number; b: number }): number {
  for (const [name, value] of Object.entries({ "x.a": x.a, "x.b": x.b, "y.a": y.a, "y.b": y.b }))
    requireNumber(name, value, 1e-6, 1e7);
  const mean = x.a / (x.a + x.b);
  const spread = Math.sqrt((mean * (1 - mean)) / (x.a + x.b + 1));
  const from = Math.max(0, mean - REACH * spread);
  const width = (Math.min(1, mean + REACH * spread) - from) / PANELS;
  let sum = 0;
  for (let panel = 0; panel < PANELS; panel++) {
    for (const [node, weight] of GAUSS) {
      const at = from + (panel + 0.5 + 0.5 * node) * width;
      sum += 0.5 * weight * width * betaDensity(at, x.a, x.b) * betaCdf(at, y.a, y.b);
    }
  }
  return Math.min(1, Math.max(0, sum));
}

/** How far about the mean the integral reaches, in standard deviations, and in how many pieces. */
const REACH = 12;
const PANELS = 12;
/** Gauss-Legendre nodes and weights of four points (Abramowitz and Stegun, table 25.4). */
const GAUSS = [
  [-0.861136311594053, 0.347854845137454],
  [-0.339981043584856, 0.652145154862546],
  [0.339981043584856, 0.652145154862546],
  [0.861136311594053, 0.347854845137454],
] as const;
