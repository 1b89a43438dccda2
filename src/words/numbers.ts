/** A share as whole per cent: "45 %". */
export const percent = (share: number): string => `${Math.round(100 * share)}\u202f%`;

/** A share of what did happen, however seldom: "45 %", "under 1 %". */
export const seldomPercent = (share: number): string => (share < 0.01 ? "under 1\u202f%" : percent(share));

/** A chance in per cent; never certain, nor none at all. */
export const chancePercent = (chance: number): string => seldomPercent(Math.min(0.99, chance));

/** An interval of a share: "45–70 %". */
export const percentRange = ({ low, high }: { readonly low: number; readonly high: number }): string =>
  `${Math.round(100 * low)}–${Math.round(100 * high)}\u202f%`;

/** A number of things: "1 pack", "2 packs", "2 tries". */
export const counted = (count: number, noun: string, nouns = `${noun}s`): string =>
  `${count} ${count === 1 ? noun : nouns}`;
