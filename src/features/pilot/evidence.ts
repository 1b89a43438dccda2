import type { MilestoneEvidence } from "@/contract";
import type { Step, StepStanding, Syllabus } from "@/syllabus";

/** What is kept with a sign-off: the advice and the counts as they stand. */
export function evidenceFor({ advice, evidence }: StepStanding, step: Step, syllabus: Syllabus): MilestoneEvidence {
  return {
    judgedBy: { syllabus: syllabus.number, mark: step.mark },
    advice: advice.kind,
    reason: advice,
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
