import { requireNumber } from "../numbers";
import { betaQuantile, judge, leavesOf, placesOf, windowOf, type Attempt, type PassMark } from "../progress";

/** How many more attempts it is likely to take. */
export interface AttemptsToGo {
  /** As likely fewer as more. */
  readonly median: number;
  /** Nine times in ten no more than this. */
  readonly high: number;
}

/** Attempts after which a run of the future is given up: at this rate the mark is out of reach. */
const LONGEST = 400;
const RUNS = 120;
/** Of a timed step, min. Common practice, no source. */
const MINUTES_AN_ATTEMPT = 2;
const ATTEMPTS_A_PACK = 5;
const FORGET_EVERY = 16;

/**
 * Attempts until a mark is met, from those made so far: futures are flown at random, the clean rate of each direction drawn from what is known of it,
 * and the mark held against each attempt after the other. The directions that lack something take turns. `rates` has the Beta parameters of each direction.
 * `uniform` is a source of numbers in [0, 1). A future that does not meet the mark within 400 attempts counts as 400.
 */
export function attemptsToMeet(
  mark: PassMark,
  attempts: readonly Attempt[],
  rates: readonly { readonly direction: string; readonly a: number; readonly b: number }[],
  uniform: () => number,
): AttemptsToGo {
  for (const { a, b } of rates) {
    requireNumber("a", a, 1e-9, 1e9);
    requireNumber("b", b, 1e-9, 1e9);
  }
  const directions = rates.map(({ direction }) => direction);
  const counting = attempts.filter(({ place }) => placesOf(mark).includes(place));
  if (judge(mark, counting, directions).met) return { median: 0, high: 0 };
  const lookBack = lookBackOf(mark);
  const past = lookBack === null ? counting : newestOf(counting, lookBack);
  const counts = Array.from({ length: RUNS }, () => {
    const drawn = rates.map(({ a, b }) => betaQuantile(uniform(), a, b));
    let future = [...past];
    let judged = judge(mark, future, directions);
    for (let n = 1; n < LONGEST; n++) {
      const lacking = directions.filter((one) =>
        leavesOf(judged).some(({ met, direction }) => !met && (direction ?? one) === one),
      );
      const direction = lacking[(n - 1) % lacking.length];
      const clean = uniform() < drawn[directions.indexOf(direction)];
      future.push(tried(mark, direction, clean, counting.length + n, n));
      judged = judge(mark, future, directions);
      if (judged.met) return n;
      // What the mark no longer looks at is let go now and then.
      if (lookBack !== null && n % FORGET_EVERY === 0) future = newestOf(future, lookBack);
    }
    return LONGEST;
  }).sort((a, b) => a - b);
  return { median: counts[RUNS / 2], high: counts[Math.ceil(0.9 * RUNS) - 1] };
}

/** How far back a mark looks at most, in attempts of one direction and place; null where it counts from the beginning. */
function lookBackOf(mark: PassMark): number | null {
  switch (mark.kind) {
    case "k-of-last":
    case "run":
      return windowOf(mark).attempts;
    case "each-direction":
    case "in-places":
      return lookBackOf(mark.rule);
    case "all":
    case "any":
      return mark.rules
        .map(lookBackOf)
        .reduce((most, one) => (most === null || one === null ? null : Math.max(most, one)), 0);
    default:
      return null;
  }
}

/** The newest attempts of each direction and place, in order. */
function newestOf(attempts: readonly Attempt[], count: number): Attempt[] {
  const seen = new Map<string, number>();
  const isNew = ({ direction, place }: Attempt) => {
    const newer = seen.get(`${direction} ${place}`) ?? 0;
    seen.set(`${direction} ${place}`, newer + 1);
    return newer < count;
  };
  return [...attempts].reverse().filter(isNew).reverse();
}

/** An attempt of the future: clean ones are within every limit, too. */
function tried(mark: PassMark, direction: string, clean: boolean, order: number, n: number): Attempt {
  return {
    direction,
    outcome: clean ? "clean" : "rough",
    place: placesOf(mark)[0],
    setupId: null,
    atMs: order,
    sessionId: "to come",
    pack: Math.ceil(n / ATTEMPTS_A_PACK),
    minutes: MINUTES_AN_ATTEMPT,
    measured: measuredBy(mark, clean),
  };
}

function measuredBy(mark: PassMark, clean: boolean): NonNullable<Attempt["measured"]> {
  switch (mark.kind) {
    case "measured":
      return { [mark.measure]: clean ? 0 : mark.within + 1 };
    case "each-direction":
    case "in-places":
      return measuredBy(mark.rule, clean);
    case "all":
    case "any":
      return Object.assign({}, ...mark.rules.map((rule) => measuredBy(rule, clean))) as NonNullable<
        Attempt["measured"]
      >;
    default:
      return {};
  }
}
