import "server-only";
import { entryOf, measuredOn, type Attempt, type MeasuredByDirection, type StartHeight } from "@/core";
import { loadDay, loadProgress, loadStartHeights, type Progress } from "@/server/progress";
import type { Aircraft, Pilot, Setup } from "@/contract";
import { latestSetups } from "@/server/repositories";
import {
  currentStepOf,
  type Day,
  findStep,
  type OwnVariant,
  type School,
  standingAt,
  startHeightInputsOf,
  type StepStanding,
  type Syllabus,
} from "@/syllabus";

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
  /** The air it is worked out for. */
  readonly day: Day;
  /** Minimum start heights kept for this air, by direction. */
  readonly startHeights: Readonly<Record<string, StartHeight>>;
}

type Unheighted = Omit<BriefData, "startHeights">;

/** The brief of a step for a pilot: the step and direction asked for, else the current step and its weaker side. */
export async function loadBrief(
  pilot: Pilot,
  aircraft: Aircraft | null,
  stepId: string | null,
  direction: string | null,
  nowMs = Date.now(),
): Promise<BriefData | null> {
  const [all, setups, day] = await Promise.all([
    loadProgress([pilot]),
    latestSetups([pilot.id]),
    loadDay(pilot.squadId, nowMs),
  ]);
  const setup = (aircraft && setups.get(aircraft.id)) ?? null;
  const progress = entryOf(all, pilot.id);
  const brief = briefFrom({ pilot, aircraft, setup, progress, stepId, direction, nowMs, day });
  return brief && (await withStartHeights([[brief, progress.syllabus]]))[0];
}

/** The same briefs with the minimum start heights that are kept for them. */
export async function withStartHeights(
  briefs: readonly (readonly [brief: Unheighted, syllabus: Syllabus])[],
): Promise<BriefData[]> {
  const asked = briefs.flatMap(([brief, syllabus], i) => {
    const { aircraft, setup, pilot, standing, day } = brief;
    const step = findStep(syllabus, standing.stepId);
    if (!aircraft || !setup || !step) return [];
    const { airframe } = aircraft;
    const flownWith = { airframe, settings: setup.settings, manner: brief, day: day.air, reactionS: pilot.reactionS };
    return step.directions.map(({ id }) => [`${i} ${id}`, startHeightInputsOf(syllabus, step, id, flownWith)] as const);
  });
  const kept = await loadStartHeights(asked);
  return briefs.map(([brief], i) => ({
    ...brief,
    startHeights: Object.fromEntries(
      [...kept].flatMap(([name, startHeight]) => {
        const [at, direction] = name.split(" ");
        return at === String(i) ? [[direction, startHeight]] : [];
      }),
    ),
  }));
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
  day,
}: Pick<BriefData, "pilot" | "aircraft" | "setup" | "day"> & {
  readonly progress: Progress;
  readonly stepId: string | null;
  readonly direction: string | null;
  readonly nowMs: number;
}): Unheighted | null {
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
    day,
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
