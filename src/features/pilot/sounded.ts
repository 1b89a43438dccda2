import type { PilotStanding, StepStanding } from "@/syllabus";

/** A step as the depth chart shows it: of a hundred steps it needs no evidence. */
export interface SoundedStep extends Pick<StepStanding, "stepId" | "state" | "attempts" | "needsFirst" | "reviewDue"> {
  readonly markMet: boolean;
}

/** Where a pilot stands, as far as their page shows it. */
export interface ShownStanding {
  /** The steps of the pilot's route in order, and what was flown or signed off beside it. */
  readonly steps: readonly SoundedStep[];
  /** The same with the evidence of each, where the list of them is asked for. */
  readonly listed: readonly StepStanding[] | null;
  /** Where the pilot is; null when nothing is open after what was signed off last. */
  readonly current: StepStanding | null;
  readonly reviewsDue: number;
  /** Days since the last flight by the clocks of the squad; null before any. */
  readonly idleDays: number | null;
}

export const shownStanding = (standing: PilotStanding, asList: boolean): ShownStanding => ({
  steps: standing.steps.map(sounded),
  listed: asList ? standing.steps : null,
  current: standing.current,
  reviewsDue: standing.reviewsDue.length,
  idleDays: standing.idleDays,
});

const sounded = ({ stepId, state, attempts, needsFirst, reviewDue, advice }: StepStanding): SoundedStep => ({
  stepId,
  state,
  attempts,
  needsFirst,
  reviewDue,
  markMet: state !== "signed-off" && advice.kind === "advance",
});
