import "server-only";
import {
  latestSetups,
  listAttempts,
  listMilestones,
  type Aircraft,
  type Pilot,
  type Setup,
} from "@/server/repositories";
import { findStep, standingOf, type StepStanding } from "@/syllabus";

export interface BriefData {
  readonly pilot: Pilot;
  readonly aircraft: Aircraft | null;
  readonly setup: Setup | null;
  readonly standing: StepStanding;
  readonly direction: string;
  /** The step asked for is the pilot's current one. */
  readonly isCurrent: boolean;
}

/** The brief of a step for a pilot: the step and direction asked for, else the current step and its weaker side. */
export async function loadBrief(
  pilot: Pilot,
  aircraft: Aircraft | null,
  stepId: string | null,
  direction: string | null,
  nowMs = Date.now(),
): Promise<BriefData | null> {
  const [attempts, milestones, setups] = await Promise.all([
    listAttempts([pilot.id]),
    listMilestones([pilot.id]),
    latestSetups([pilot.id]),
  ]);
  const setup = (aircraft && setups.get(aircraft.id)) ?? null;
  const all = standingOf({
    attempts,
    signedOff: new Set(milestones.map((milestone) => milestone.stepId)),
    setupId: setup?.id ?? null,
    nowMs,
  });
  if (stepId !== null && !findStep(stepId)) return null;
  const wanted = stepId ?? all.current?.step.id ?? all.steps[all.steps.length - 1].step.id;
  const standing = all.steps.find(({ step }) => step.id === wanted)!;
  const weaker = standing.evidence.imbalance?.worse ?? standing.step.directions[0].id;
  const known = standing.step.directions.some(({ id }) => id === direction);
  return {
    pilot,
    aircraft,
    setup,
    standing,
    direction: known ? direction! : weaker,
    isCurrent: all.current?.step.id === wanted,
  };
}
