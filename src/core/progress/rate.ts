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
const LAST = SIZE - 1;
const rates = Float64Array.from({ length: SIZE }, (_, i) => 1 / (1 + Math.exp(TOP - i * STEP)));
const ratesOfFailing = rates.map((rate) => 1 - rate);
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
  const filters = courses.map(({ weight }, k) => ({
    chances: Float64Array.from(uniform),
    spare: new Float64Array(SIZE),
    move: moves[k],
    weight: weight / TOTAL_WEIGHT,
  }));
  const after = [withVariance(momentsOf(uniform))];
  clean.forEach((one, n) => {
    const chanceOfIt = one ? rates : ratesOfFailing;
    let all = 0;
    let mean = 0;
    let square = 0;
    for (const filter of filters) {
      if (n > 0) {
        moveOn(filter.chances, filter.spare, filter.move);
        [filter.chances, filter.spare] = [filter.spare, filter.chances];
      }
      const own = learn(filter.chances, chanceOfIt);
      filter.weight *= own.chance;
      all += filter.weight;
      mean += filter.weight * own.mean;
      square += filter.weight * own.square;
    }
    for (const filter of filters) filter.weight /= all;
    after.push(withVariance({ mean: mean / all, square: square / all }));
  });
  return after;
}

/** Past its ends nothing goes. */
function moveOn(from: Float64Array, into: Float64Array, [down, stay, up]: readonly [number, number, number]): void {
  into[0] = (down + stay) * from[0] + down * from[1];
  for (let i = 1; i < LAST; i++) into[i] = up * from[i - 1] + stay * from[i] + down * from[i + 1];
  into[LAST] = up * from[LAST - 1] + (stay + up) * from[LAST];
}

/** Takes in what came: the chances are changed in place; tells how likely it was and the moments after it. */
function learn(chances: Float64Array, chanceOfIt: Float64Array) {
  let chance = 0;
  for (let i = 0; i < SIZE; i++) chance += chances[i] *= chanceOfIt[i];
  for (let i = 0; i < SIZE; i++) chances[i] /= chance;
  return { chance, ...momentsOf(chances) };
}

function momentsOf(chances: Float64Array) {
  let mean = 0;
  let square = 0;
  for (let i = 0; i < SIZE; i++) {
    const part = chances[i] * rates[i];
    mean += part;
    square += part * rates[i];
  }
  return { mean, square };
}

const withVariance = ({ mean, square }: { mean: number; square: number }): RateMoments => ({
  mean,
  variance: square - mean ** 2,
});

function normalised(values: Float64Array): Float64Array {
  const sum = values.reduce((a, b) => a + b);
  return values.map((value) => value / sum);
}
