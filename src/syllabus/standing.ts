import { advise, reviewOf, weighEvidence, type Advice, type Attempt, type Review, type StepEvidence } from "@/core";
import { currentStep, directionNames, skillOf, stepBefore, steps } from "./catalogue";
import type { Step } from "./types";

export type StepState = "signed-off" | "being-learnt" | "not-begun";

/** Where a pilot stands at one step. */
export interface StepStanding {
  readonly step: Step;
  readonly state: StepState;
  readonly evidence: StepEvidence;
  readonly attempts: number;
  readonly advice: Advice;
  /** Of signed-off steps: when it wants flying again. */
  readonly review: Review | null;
  readonly reviewDue: boolean;
}

export interface PilotStanding {
  readonly steps: readonly StepStanding[];
  /** Where the pilot is; null when nothing is open after what was signed off last. */
  readonly current: StepStanding | null;
  readonly reviewsDue: readonly StepStanding[];
  readonly lastFlownMs: number | null;
}

export interface StandingInput {
  readonly attempts: readonly (Attempt & { readonly stepId: string })[];
  /** Ids of the steps signed off. */
  readonly signedOff: ReadonlySet<string>;
  /** The setup the pilot flies now. */
  readonly setupId: string | null;
  readonly nowMs: number;
}

const REST_MEMORY_MS = 12 * 3_600_000;

/** Evidence, advice and state of every step for one pilot. */
export function standingOf({ attempts, signedOff, setupId, nowMs }: StandingInput): PilotStanding {
  const byTime = [...attempts].sort((a, b) => a.atMs - b.atMs);
  const lastFlownMs = byTime.at(-1)?.atMs ?? null;
  // A hard day matters while it is fresh; after a night the pilot has rested.
  const latestDay = byTime.filter(({ atMs }) => nowMs - atMs < REST_MEMORY_MS);
  const firstOpen = currentStep(signedOff, new Set(byTime.map(({ stepId }) => stepId)));
  const all = steps.map((step): StepStanding => {
    const own = byTime.filter((attempt) => attempt.stepId === step.id);
    const evidence = weighEvidence(
      own,
      step.mark,
      step.directions.map((direction) => direction.id),
    );
    const signed = signedOff.has(step.id);
    // A later step of the same skill flown clean keeps the earlier ones fresh: they are contained in it.
    const contains = new Set(
      skillOf(step)
        .steps.slice(skillOf(step).steps.indexOf(step))
        .map((later) => later.id),
    );
    const review = signed
      ? reviewOf(
          byTime.filter(({ stepId, outcome }) => stepId === step.id || (contains.has(stepId) && outcome === "clean")),
          nowMs,
        )
      : null;
    return {
      step,
      state: signed ? "signed-off" : own.length > 0 || step === firstOpen ? "being-learnt" : "not-begun",
      evidence,
      attempts: own.length,
      advice: advise({
        evidence,
        mark: step.mark,
        attempts: own,
        latestDay,
        setupId,
        previousStep: stepBefore(step)?.name ?? null,
        directionNames: directionNames(step),
      }),
      review,
      reviewDue: review !== null && review.dueMs <= nowMs,
    };
  });
  return {
    steps: all,
    current: all.find((one) => one.step === firstOpen) ?? null,
    reviewsDue: all.filter((one) => one.reviewDue),
    lastFlownMs,
  };
}
