import { nonNegativeLeastSquares, seededNormal, seededRandom } from "../numbers";

/** Variance that was seen of a measure, over so many values. */
export interface SeenVariance {
  readonly variance: number;
  readonly values: number;
}

/** By how much the variance of each error is that of the usual one, with the interval that holds nine in ten. */
export interface VarianceFit {
  readonly shares: readonly number[];
  readonly low: readonly number[];
  readonly high: readonly number[];
}

/** How far the variance of an error is thought to be from the usual, as a share of it, before anything is measured. Ours. */
const DOUBT = 4;
/** Linearised so often, each time where the last solution was. */
const ROUNDS = 2;
/** Samples of the bootstrap. */
const DRAWN = 400;
const TAIL = 0.05;
const SEED = 4711;

/**
 * Finds the variances of independent errors, as shares of the usual ones and none negative, that make a model scatter as was seen. `varianceAt` gives the
 * variance of each measure at some shares, null for one the model does not come to, known to about √(2/`runs`) of itself. Least squares, each measure weighed
 * by its own standard error v·√(2/(n−1)) of a normal sample and by the model's, and what the measures do not tell drawn to the usual; linearised
 * again at each solution but the last (Gauss and Newton). The interval is that of a parametric bootstrap of the last fit (Efron and Tibshirani 1993, ch. 6.5, from memory):
 * the true variances drawn as they may be for what was seen, s²(n−1)/χ², and what is thought beforehand drawn as far as it is doubted. Null where no measure tells anything.
 */
export function fitVariances(
  errors: number,
  seen: readonly SeenVariance[],
  varianceAt: (shares: readonly number[]) => readonly (number | null)[],
  runs: number,
): VarianceFit | null {
  let shares: readonly number[] = new Array<number>(errors).fill(1);
  let model = linearised(shares, varianceAt);
  // A measure that the model does not come to, or that never varied, says nothing.
  const telling = seen.map((_, m) => m).filter((m) => seen[m].variance > 0 && model.base[m] !== null);
  if (telling.length === 0) return null;
  for (let round = 0; ; round++) {
    shares = solved(
      model,
      telling,
      telling.map((m) => seen[m].variance),
      seen,
      new Array<number>(errors).fill(1),
      runs,
    );
    if (round === ROUNDS - 1) break;
    model = linearised(shares, varianceAt);
  }
  const normal = seededNormal(seededRandom(SEED));
  const drawn = Array.from({ length: DRAWN }, () =>
    solved(
      model,
      telling,
      telling.map((m) => {
        const free = seen[m].values - 1;
        return (
          (seen[m].variance / Math.max(0.05, chiSquareShare(free, normal()))) * (1 + Math.sqrt(2 / runs) * normal())
        );
      }),
      seen,
      Array.from({ length: errors }, () => 1 + DOUBT * normal()),
      runs,
    ),
  );
  const quantile = (share: number) =>
    Array.from({ length: errors }, (_, k) => {
      const sorted = drawn.map((one) => one[k]).sort((a, b) => a - b);
      return sorted[Math.min(DRAWN - 1, Math.floor(share * DRAWN))];
    });
  const [low, high] = [quantile(TAIL), quantile(1 - TAIL)];
  return {
    shares,
    low: low.map((value, k) => Math.min(value, shares[k])),
    high: high.map((value, k) => Math.max(value, shares[k])),
  };
}

/** A model about some shares: its variances there, and how each grows with each share. */
interface Linear {
  readonly at: readonly number[];
  readonly base: readonly (number | null)[];
  /** By error, then by measure. */
  readonly slopes: readonly (readonly number[])[];
}

function linearised(
  at: readonly number[],
  varianceAt: (shares: readonly number[]) => readonly (number | null)[],
): Linear {
  const base = varianceAt(at);
  const slopes = at.map((share, k) => {
    const step = 0.5 * Math.max(0.5, share);
    const up = varianceAt(at.map((one, j) => (j === k ? one + step : one)));
    return base.map((value, m) => (value === null ? 0 : Math.max(0, ((up[m] ?? value) - value) / step)));
  });
  return { at, base, slopes };
}

function solved(
  { at, base, slopes }: Linear,
  telling: readonly number[],
  variances: readonly number[],
  seen: readonly SeenVariance[],
  before: readonly number[],
  runs: number,
): readonly number[] {
  const rows = telling.map((m, i) => {
    const here = base[m]!;
    const error = Math.hypot(
      Math.max(variances[i], 1e-12) * Math.sqrt(2 / (seen[m].values - 1)),
      here * Math.sqrt(2 / runs),
    );
    const known = here - at.reduce((sum, share, k) => sum + slopes[k][m] * share, 0);
    return { columns: slopes.map((slope) => slope[m] / error), target: (variances[i] - known) / error };
  });
  const columns = at.map((_, k) => [
    ...rows.map((row) => row.columns[k]),
    ...at.map((__, other) => (other === k ? 1 / DOUBT : 0)),
  ]);
  const target = [...rows.map((row) => row.target), ...before.map((share) => share / DOUBT)];
  return nonNegativeLeastSquares(columns, target).coefficients;
}

/** Chi-square over its degrees of freedom from a standard normal value (Wilson and Hilferty 1931, PNAS 17). */
function chiSquareShare(free: number, z: number): number {
  return Math.max(0, 1 - 2 / (9 * free) + z * Math.sqrt(2 / (9 * free))) ** 3;
}
