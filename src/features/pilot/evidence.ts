import type { MilestoneEvidence } from "@/server/repositories";
import type { StepStanding } from "@/syllabus";

/** What is kept with a sign-off: the advice and the counts as they stand. */
export function evidenceFor({ advice, evidence }: StepStanding): MilestoneEvidence {
  return {
    advice: advice.kind,
    sentence: advice.sentence,
    directions: evidence.directions.map(({ direction, cleanOfLast, lastOutcomes, attempts, posterior }) => ({
      direction,
      cleanOfLast,
      lookedAt: lastOutcomes.length,
      attempts,
      low: posterior.low,
      high: posterior.high,
    })),
  };
}
