import "server-only";
import { entryOf } from "@/core";
import type { Aircraft, Pilot, Setup } from "@/contract";
import { loadDay, loadProgress } from "@/server/progress";
import { latestSetups } from "@/server/repositories";
import { currentStepOf, findStep, recipeOf, type Day, type Manner } from "@/syllabus";

export interface PracticeData {
  readonly pilot: Pilot;
  readonly aircraft: Aircraft | null;
  readonly setup: Setup | null;
  readonly manner: Manner;
  readonly day: Day;
  /** The step that is practised first: the one asked for, else the pilot's own, where it is flown in the model. */
  readonly stepId: string | null;
}

/** What a pilot practises with, and at what they are. Whether the pilot may be seen has been asked before. */
export async function loadPractice(
  pilot: Pilot,
  aircraft: Aircraft | null,
  asked: string | null,
): Promise<PracticeData> {
  const [setups, progress, day] = await Promise.all([
    latestSetups([pilot.id]),
    loadProgress([pilot]),
    loadDay(pilot.squadId),
  ]);
  const entry = entryOf(progress, pilot.id);
  const manner = { school: entry.school, own: entry.own };
  const step = (asked === null ? null : findStep(entry.syllabus, asked)) ?? currentStepOf(entry);
  const flown = step?.directions.some(({ id }) => recipeOf(step, id, manner) !== null);
  return {
    pilot,
    aircraft,
    setup: (aircraft && setups.get(aircraft.id)) ?? null,
    manner,
    day,
    stepId: step && flown ? step.id : null,
  };
}
