import { chancePercent } from "@/words";
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

/** Less sure than this of a difference, none is told. Ours. */
const SURE = 0.8;

/** The same in a sentence. */
export function sinceLastWords({ before, after, chanceBetter }: RateChange): string {
  const counts = `Last time ${before.clean} of ${before.attempts} clean, this time ${after.clean} of ${after.attempts}`;
  const chance = Math.max(chanceBetter, 1 - chanceBetter);
  if (chance < SURE) return `${counts}: no clear difference.`;
  return `${counts}: ${chanceBetter > 0.5 ? "better" : "worse"} with ${chancePercent(chance)} chance.`;
}
