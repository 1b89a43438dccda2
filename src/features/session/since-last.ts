import { rateChange, type Attempt, type RateChange } from "@/core";

/** Today against the last session in which the step was flown; null where there is nothing to compare. */
export function sinceLastTime(earlier: readonly Attempt[], today: readonly Attempt[]): RateChange | null {
  const lastId = earlier.at(-1)?.sessionId;
  if (lastId === undefined || today.length === 0) return null;
  const counted = (attempts: readonly Attempt[]) => ({
    attempts: attempts.length,
    clean: attempts.filter(({ outcome }) => outcome === "clean").length,
  });
  return rateChange(counted(earlier.filter(({ sessionId }) => sessionId === lastId)), counted(today));
}

/** The same in a sentence. */
export function sinceLastWords({ before, after, chanceBetter }: RateChange): string {
  const share = Math.round(100 * chanceBetter);
  const verdict =
    share >= 50 ? `better with ${Math.min(99, share)} % chance` : `worse with ${Math.min(99, 100 - share)} % chance`;
  return `Last time ${before.clean} of ${before.attempts} clean, today ${after.clean} of ${after.attempts}: ${verdict}.`;
}
