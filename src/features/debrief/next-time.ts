import { advise, weighEvidence, type Advice } from "@/core";
import type { LoggedAttempt, TallyPilot, TallyStep } from "@/contract";
import { findStep, pathOf, stepBefore, type Step, type Syllabus } from "@/syllabus";

/** The advice for a pilot at a step with what was flown before and in this session. */
export function adviceAt(
  pilot: TallyPilot,
  known: TallyStep,
  step: Step,
  syllabus: Syllabus,
  today: readonly LoggedAttempt[],
): Advice {
  const attempts = [...known.earlier, ...today.filter(({ stepId }) => stepId === step.id)];
  return advise({
    evidence: weighEvidence(
      attempts,
      step.mark,
      step.directions.map(({ id }) => id),
      undefined,
      pilot.rules,
    ),
    mark: step.mark,
    attempts,
    latestDay: today,
    setupId: pilot.setupId,
    previousStepId: stepBefore(syllabus, step, pilot.route)?.id ?? null,
    signedOff: pilot.signedOff.includes(step.id),
    rules: pilot.rules,
  });
}

/** What to fly next time, from what was flown now: the furthest step on the pilot's way that is still open, or what comes after it. Null where nothing was flown. */
export function nextTimeWords(pilot: TallyPilot, syllabus: Syllabus, today: readonly LoggedAttempt[]): string | null {
  const own = new Set(today.map(({ stepId }) => stepId));
  const path = pathOf(syllabus, pilot.route).filter(({ id, optional }) => !optional || own.has(id));
  const flown = pilot.steps
    .filter(({ stepId }) => own.has(stepId))
    .flatMap((known) => {
      const step = findStep(syllabus, known.stepId);
      return step ? [{ known, step, at: path.indexOf(step) }] : [];
    })
    .sort((a, b) => a.at - b.at);
  const furthest = flown.filter(({ known }) => !pilot.signedOff.includes(known.stepId)).at(-1) ?? flown.at(-1);
  if (!furthest) return null;
  const { known, step, at } = furthest;
  // What lies beside the way has nothing after it.
  const after = at < 0 ? undefined : path[at + 1];
  if (pilot.signedOff.includes(step.id)) {
    const open = pilot.currentStepId === step.id ? after : findStep(syllabus, pilot.currentStepId ?? "");
    return open ? `Next time: ${open.name}.` : "Next time: whatever is due for another go.";
  }
  const { kind } = adviceAt(pilot, known, step, syllabus, today);
  if (kind === "advance")
    return after
      ? `Next time: ${after.name}, once ${step.name.toLowerCase()} is signed off.`
      : `Next time: sign off ${step.name.toLowerCase()}.`;
  const before = stepBefore(syllabus, step, pilot.route);
  if (kind === "step-back" && before) return `Next time: back to ${before.name.toLowerCase()}.`;
  if (kind === "rest") return `Next time: rested, ${step.name.toLowerCase()} again, few at a time.`;
  return `Next time: ${step.name.toLowerCase()} again.`;
}
