export const mean = (values: readonly number[]): number => values.reduce((sum, one) => sum + one, 0) / values.length;

/** Of values that are a sample, with n − 1. */
export function variance(values: readonly number[]): number {
  const middle = mean(values);
  return values.reduce((sum, one) => sum + (one - middle) ** 2, 0) / (values.length - 1);
}

/** The middle one, or between the two in the middle: one slip does not move the rest. NaN of none. */
export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length / 2;
  return sorted.length % 2 ? sorted[Math.floor(middle)] : 0.5 * (sorted[middle - 1] + sorted[middle]);
}
