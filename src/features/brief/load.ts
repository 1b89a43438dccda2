import "server-only";
import { measuredOn, type Attempt, type MeasuredByDirection } from "@/core";
import { loadProgress, type Progress } from "@/server/progress";
import { latestSetups, type Aircraft, type Pilot, type Setup } from "@/server/repositories";
import { currentStepOf, findStep, standingAt, type OwnVariant, type School, type StepStanding } from "@/syllabus";

export interface BriefData {
  readonly pilot: Pilot;
  readonly aircraft: Aircraft | null;
  readonly setup: Setup | null;
  readonly standing: StepStanding;
  readonly direction: string;
  /** Sides the pilot takes where practitioners disagree. */
  readonly school: School;
  /** Ways of a coach's own to fly this step that were chosen for the pilot. */
  readonly own: readonly OwnVariant[];
  /** How often each fault was tapped among the last attempts at this step, by fault id. */
  readonly faultCounts: Readonly<Record<string, number>>;
  /** What was measured on the last attempts. */
  readonly measured: MeasuredByDirection;
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
  const [all, setups] = await Promise.all([loadProgress([pilot]), latestSetups([pilot.id])]);
  const setup = (aircraft && setups.get(aircraft.id)) ?? null;
  return briefFrom({ pilot, aircraft, setup, progress: all.get(pilot.id)!, stepId, direction, nowMs });
}

/** The same from what was read already: for many briefs at once. */
export function briefFrom({
  pilot,
  aircraft,
  setup,
  progress,
  stepId,
  direction,
  nowMs,
}: Pick<BriefData, "pilot" | "aircraft" | "setup"> & {
  readonly progress: Progress;
  readonly stepId: string | null;
  readonly direction: string | null;
  readonly nowMs: number;
}): BriefData | null {
  const { syllabus, school, own, flown } = progress;
  const current = currentStepOf(progress);
  const step = stepId === null ? (current ?? syllabus.steps[syllabus.steps.length - 1]) : findStep(syllabus, stepId);
  if (!step) return null;
  const standing = standingAt(step, { ...progress, setupId: setup?.id ?? null, nowMs });
  const weaker = standing.evidence.imbalance?.worse ?? step.directions[0].id;
  const known = step.directions.some(({ id }) => id === direction);
  return {
    pilot,
    aircraft,
    setup,
    standing,
    direction: known ? direction! : weaker,
    school,
    own: own.filter(({ trick }) => trick === step.flownAs?.trick),
    faultCounts: countFaults(flown.get(step.id)?.recent ?? []),
    measured: measuredOn(flown.get(step.id)?.recent ?? []),
    isCurrent: current?.id === step.id,
  };
}

/** Attempts over which faults are counted: what went wrong long ago may be mended. */
const FAULT_WINDOW = 20;

function countFaults(attempts: readonly Attempt[]): Record<string, number> {
  const counts: Record<string, number> = {};
  for (const { faults = [] } of attempts.slice(-FAULT_WINDOW))
    for (const fault of faults) counts[fault] = (counts[fault] ?? 0) + 1;
  return counts;
}
