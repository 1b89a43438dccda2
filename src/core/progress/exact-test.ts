import { requireWhole } from "../numbers";

/**
 * Fisher's exact test, one-sided: the chance that of `marked` things of which `all` are drawn from two heaps at least `late` lie in the second heap, of
 * `lateAll`, where it is chance alone which ones are marked (Fisher 1922, J. R. Stat. Soc. 85; hypergeometric tail).
 */
export function chanceOfSoManyLate(late: number, lateAll: number, marked: number, all: number): number {
  requireWhole("all", all, 0, 100_000);
  requireWhole("lateAll", lateAll, 0, all);
  requireWhole("marked", marked, 0, all);
  requireWhole("late", late, 0, Math.min(lateAll, marked));
  let chance = 0;
  for (let n = late; n <= Math.min(lateAll, marked); n++) {
    if (marked - n > all - lateAll) continue;
    chance += Math.exp(lnChoose(lateAll, n) + lnChoose(all - lateAll, marked - n) - lnChoose(all, marked));
  }
  return Math.min(1, chance);
}

function lnChoose(n: number, k: number): number {
  let sum = 0;
  for (let i = 1; i <= k; i++) sum += Math.log((n - k + i) / i);
  return sum;
}
