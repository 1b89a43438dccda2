/** Milliseconds of a day without a change of the clock. */
export const DAY_MS = 86_400_000;
/** The normal quantile that leaves 5 % on each side (Abramowitz and Stegun 1964, table 26.5). */
export const Z90 = 1.6449;
