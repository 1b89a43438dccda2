import { seededNormal, seededRandom } from "../numbers";
import { fitVariances } from "./variance-fit";

/** Two measures of two errors, bent: the second error widens the first measure more the larger the first error is. */
const model = ([timing, gain]: readonly number[]) => [
  40 * timing + 4 * gain + 3 * timing * gain,
  0.5 * timing + 6 * gain,
];
/** Sample variance of so many normal values with a known one. */
function sampled(variance: number, values: number, normal: () => number): number {
  const drawn = Array.from({ length: values }, () => Math.sqrt(variance) * normal());
  const mean = drawn.reduce((sum, one) => sum + one, 0) / values;
  return drawn.reduce((sum, one) => sum + (one - mean) ** 2, 0) / (values - 1);
}

it("finds the variances a bent model was made with, from exact ones", () => {
  for (const truth of [
    [1, 1],
    [3, 0.5],
    [0.3, 4],
  ]) {
    const seen = model(truth).map((variance) => ({ variance, values: 100_000 }));
    const { shares } = fitVariances(2, seen, model, 1e9)!;
    shares.forEach((share, k) => expect(Math.abs(share / truth[k] - 1)).toBeLessThan(0.05));
  }
});

it.each([
  [1, 1],
  [2.5, 0.5],
  [0.4, 3],
])("its interval holds the truth %d and %d in at least 85 of 100, for each of them, from 20 values on", (...truth) => {
  const normal = seededNormal(seededRandom(99));
  const trials = 200;
  const held = [0, 0];
  for (let trial = 0; trial < trials; trial++) {
    const seen = model(truth).map((variance) => ({ variance: sampled(variance, 20, normal), values: 20 }));
    const { low, high } = fitVariances(2, seen, model, 1e6)!;
    truth.forEach((share, k) => {
      if (low[k] <= share && share <= high[k]) held[k]++;
    });
  }
  for (const times of held) expect(times / trials).toBeGreaterThanOrEqual(0.85);
});

it("says as little of an error that no measure tells as was known before, and nothing where nothing tells", () => {
  const blind = ([timing]: readonly number[]) => [40 * timing];
  const { shares, low, high } = fitVariances(2, [{ variance: 40, values: 40 }], blind, 1e6)!;
  expect(shares[1]).toBeCloseTo(1, 6);
  expect(high[1] - low[1]).toBeGreaterThan(4);
  expect(high[0] - low[0]).toBeLessThan(1.5);
  expect(fitVariances(2, [{ variance: 0, values: 40 }], blind, 1e6)).toBeNull();
  expect(fitVariances(2, [{ variance: 3, values: 40 }], () => [null], 1e6)).toBeNull();
});
