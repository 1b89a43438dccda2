/** Indices of at most `most` of `count` things, spread evenly from the first to the last; none of nothing. */
export function evenly(count: number, most: number): readonly number[] {
  const kept = Math.min(most, count);
  return Array.from({ length: kept }, (_, n) => (kept === 1 ? 0 : Math.round((n * (count - 1)) / (kept - 1))));
}
