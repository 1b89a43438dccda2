import { requireNumber } from "../numbers";
import type { Attempt } from "./attempt";
import { betaCdf, betaDensity, betaQuantile } from "./beta";
import { luckOfRule } from "./luck";
import type { Tallied } from "./digest";
import { judge, placesOf, rulesAsked, windowOf, type Judged, type PassMark } from "./mark";
import { ATTEMPTS_WEIGHED, rateAfterEach } from "./rate";
import type { SquadRules } from "./rules";

/** The clean rate now as far as the attempts tell: the Beta distribution with mean and variance of a rate that may drift. */
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
  /** Chance that what passes was luck, the greatest of its rules; null where it does not pass, or nobody can say. */
  readonly luck: number | null;
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
  /** Chance that each rule, in the order of `leavesOf`, was met by luck; null where it is not met, or nobody can say. */
  readonly lucks: readonly (number | null)[];
  readonly passes: boolean;
  readonly imbalance: Imbalance | null;
  /** It passes, and would not without what the pilot flew and logged alone. */
  readonly aloneDecides: boolean;
}

/**
 * Evidence per direction and over all, from the attempts at one step in any order. With `tallies` the attempts may be the recent ones only; the
 * counts are then the whole ones. Where the rules ask for it, only what was flown with a coach there counts.
 */
export function weighEvidence(
  attempts: readonly Attempt[],
  mark: PassMark,
  directions: readonly string[],
  tallies?: readonly Tallied[],
  { attendedOnly }: Pick<SquadRules, "attendedOnly"> = { attendedOnly: false },
): StepEvidence {
  const counted = placesOf(mark);
  const flown = attempts.filter(({ place }) => counted.includes(place)).sort((a, b) => a.atMs - b.atMs);
  const attended = flown.filter(({ alone }) => !alone);
  const counting = attendedOnly ? attended : flown;
  const each = directions.map((direction) =>
    weighDirection(
      direction,
      counting.filter((attempt) => attempt.direction === direction),
      mark,
    ),
  );
  const judged = judge(mark, counting, directions);
  const whole = attendedOnly ? undefined : tallies?.filter(({ place }) => counted.includes(place));
  const full = each.map((one) => ({ ...one, ...(whole && countIn(whole, one.direction)) }));
  const older = (direction: string | null) =>
    full.reduce(
      (sum, one, i) => sum + ((direction ?? one.direction) === one.direction ? one.attempts - each[i].attempts : 0),
      0,
    );
  return {
    directions: full.map((one) => {
      const own = counting.filter((attempt) => attempt.direction === one.direction);
      return { ...one, luck: greatest(lucksOf(mark, own, [one.direction], () => older(one.direction))) };
    }),
    judged,
    lucks: lucksOf(mark, counting, directions, older),
    passes: judged.met,
    imbalance: imbalanceOf(each),
    aloneDecides: judged.met && attended.length < counting.length && !judge(mark, attended, directions).met,
  };
}

/** Luck of each simple rule of a mark; null where it is not met, or nobody can say. `older` attempts of a direction, or of all, are not among those here. */
const lucksOf = (
  mark: PassMark,
  attempts: readonly Attempt[],
  directions: readonly string[],
  older: (direction: string | null) => number,
) =>
  rulesAsked(mark, attempts, directions).map(({ rule, attempts: asked, direction }) =>
    luckOfRule(rule, asked, older(direction)),
  );

const greatest = (lucks: readonly (number | null)[]): number | null => {
  const known = lucks.flatMap((luck) => luck ?? []);
  return known.length > 0 ? Math.max(...known) : null;
};

function countIn(tallies: readonly Tallied[], direction: string) {
  const own = tallies.filter((one) => one.direction === direction);
  return {
    attempts: own.reduce((sum, { counts }) => sum + Object.values(counts).reduce((a, b) => a + b), 0),
    cleanAttempts: own.reduce((sum, { counts }) => sum + counts.clean, 0),
  };
}

function weighDirection(direction: string, attempts: readonly Attempt[], mark: PassMark) {
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

const known = new Map<string, { readonly a: number; readonly b: number }>();
const MOST_KNOWN = 10_000;

/** The rate after all of some attempts, oldest first: the Beta distribution with the mean and variance of a rate that may drift. */
export function posteriorOf(attempts: readonly Pick<Attempt, "outcome">[], markShare: number): Posterior {
  const key = attempts
    .slice(-ATTEMPTS_WEIGHED)
    .map(({ outcome }) => (outcome === "clean" ? "1" : "0"))
    .join("");
  let found = known.get(key);
  if (!found) {
    const moments = rateAfterEach([...key].map((one) => one === "1"));
    found = betaOf(moments[moments.length - 1]);
    if (known.size >= MOST_KNOWN) known.clear();
    known.set(key, found);
  }
  return posteriorFrom(found, markShare);
}

/** The Beta distribution of a mean and a variance. */
export function betaOf({ mean, variance }: { readonly mean: number; readonly variance: number }) {
  const weight = (mean * (1 - mean)) / variance - 1;
  return { a: mean * weight, b: (1 - mean) * weight };
}

/** A Beta distribution with its interval and what it says of a mark. */
export function posteriorFrom({ a, b }: { readonly a: number; readonly b: number }, markShare: number): Posterior {
  return {
    a,
    b,
    mean: a / (a + b),
    low: betaQuantile(0.05, a, b),
    high: betaQuantile(0.95, a, b),
    chanceAboveMark: 1 - betaCdf(markShare, a, b),
  };
}

function imbalanceOf(each: readonly Omit<DirectionEvidence, "luck">[]): Imbalance | null {
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
