import { requireNumber } from "../numbers";

export interface Interval {
  readonly low: number;
  readonly high: number;
}

/** Wilson score interval for a share (Wilson 1927, J. Am. Stat. Assoc. 22): `successes` of `trials` at normal quantile `z`. */
export function wilsonInterval(successes: number, trials: number, z: number): Interval {
  requireNumber("trials", trials, 1, 1e9);
  requireNumber("successes", successes, 0, trials);
  requireNumber("z", z, 0.01, 10);
  const share = successes / trials;
  const square = (z * z) / trials;
  const middle = (share + square / 2) / (1 + square);
  const half = (z / (1 + square)) * Math.sqrt((share * (1 - share)) / trials + square / (4 * trials));
  return { low: Math.max(0, middle - half), high: Math.min(1, middle + half) };
}
