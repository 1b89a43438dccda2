/** A share as whole per cent: "45 %". */
export const percent = (share: number): string => `${Math.round(100 * share)} %`;

/** A chance in per cent; never certain. */
export const chancePercent = (chance: number): string => percent(Math.min(0.99, chance));
