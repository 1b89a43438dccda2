/** Straight between the values of a column at equal steps, at a place counted in steps; its ends beyond them. */
export function interpolate(values: ArrayLike<number>, place: number): number {
  const i = Math.max(0, Math.min(values.length - 1, Math.floor(place)));
  const next = Math.min(values.length - 1, i + 1);
  return values[i] + (values[next] - values[i]) * Math.min(1, Math.max(0, place - i));
}
