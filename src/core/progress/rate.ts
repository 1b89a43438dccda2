/** The clean rate now, as far as some attempts tell: mean and variance. */
export interface RateMoments {
  readonly mean: number;
  readonly variance: number;
}

/** Ways in which a rate may go from one attempt to the next, on the log-odds scale: how far it moves on average and by chance, and how likely at the start. */
const courses = [
  { drift: -0.06, weight: 1 },
  { drift: 0, weight: 3 },
  { drift: 0.06, weight: 1 },
  { drift: 0.1, weight: 1 },
].flatMap(({ drift, weight }) => [0.13, 0.2].map((spread) => ({ drift, spread, weight })));

/** What a rate was so many attempts ago says nothing any more of a rate that drifts. */
export const ATTEMPTS_WEIGHED = 80;

const STEP = 0.25;
const TOP = 7;
const SIZE = (2 * TOP) / STEP + 1;
const rates = Float64Array.from({ length: SIZE }, (_, i) => 1 / (1 + Math.exp(TOP - i * STEP)));
/** A uniform rate, seen on the log-odds scale. */
const uniform = normalised(rates.map((rate) => rate * (1 - rate)));
/** A move to the cell below, none, and one to the cell above, with just this mean and spread. */
const moves = courses.map(({ drift, spread }) => {
  const square = spread ** 2 + drift ** 2;
  const up = (square + drift * STEP) / (2 * STEP ** 2);
  const down = (square - drift * STEP) / (2 * STEP ** 2);
  return [down, 1 - up - down, up] as const;
});
const TOTAL_WEIGHT = courses.reduce((sum, { weight }) => sum + weight, 0);

/**
 * The clean rate after each of some attempts, oldest first: of a rate that may rise, fall or stay. It starts anywhere with the same chance; from one attempt
 * to the next its log odds go on by one of eight courses, each weighed by how well it told what came. A Bayesian filter on a grid (West and Harrison, Bayesian
 * Forecasting and Dynamic Models, 1997, on dynamic models and mixtures of them). Courses and weights are ours, chosen so that a 90 % interval holds a rate
 * that stays, jumps, falls, or rises from 0.2 to 0.9 over 40 attempts: `npm run bench -- rates`. The first entry is before any attempt.
 */
export function rateAfterEach(clean: readonly boolean[]): RateMoments[] {
  const chances: Float64Array[] = courses.map(() => Float64Array.from(uniform));
  const weights = courses.map(({ weight }) => weight / TOTAL_WEIGHT);
  const after = [momentsOf(chances, weights)];
  clean.forEach((one, n) => {
    courses.forEach((_, k) => {
      const moved = n === 0 ? chances[k] : movedBy(chances[k], moves[k]);
      let sum = 0;
      for (let i = 0; i < SIZE; i++) {
        moved[i] *= one ? rates[i] : 1 - rates[i];
        sum += moved[i];
      }
      for (let i = 0; i < SIZE; i++) moved[i] /= sum;
      chances[k] = moved;
      weights[k] *= sum;
    });
    const all = weights.reduce((a, b) => a + b);
    weights.forEach((weight, k) => (weights[k] = weight / all));
    after.push(momentsOf(chances, weights));
  });
  return after;
}

/** Past its ends nothing goes. */
function movedBy(chances: Float64Array, [down, stay, up]: readonly [number, number, number]): Float64Array {
  const moved = new Float64Array(SIZE);
  for (let i = 0; i < SIZE; i++) {
    moved[i] += stay * chances[i];
    moved[Math.max(0, i - 1)] += down * chances[i];
    moved[Math.min(SIZE - 1, i + 1)] += up * chances[i];
  }
  return moved;
}

function momentsOf(chances: readonly Float64Array[], weights: readonly number[]): RateMoments {
  let mean = 0;
  let square = 0;
  chances.forEach((one, k) => {
    for (let i = 0; i < SIZE; i++) {
      const part = weights[k] * one[i] * rates[i];
      mean += part;
      square += part * rates[i];
    }
  });
  return { mean, variance: square - mean ** 2 };
}

function normalised(values: Float64Array): Float64Array {
  const sum = values.reduce((a, b) => a + b);
  return values.map((value) => value / sum);
}
