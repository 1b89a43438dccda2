import "server-only";
import { entryOf } from "@/core";
import type { Counted } from "@/core";
import { isCoach, type SignedIn } from "@/server/accounts";
import { loadDay, loadProgress } from "@/server/progress";
import { currentStepOf, type Day, type School, skillOf, stepName, type Syllabus } from "@/syllabus";
import type { Aircraft, KeptLoad, Pilot, Setup } from "@/contract";
import {
  checkLog,
  countWithSetups,
  type FlownWithSetup,
  listAircraft,
  listLoads,
  listSetups,
} from "@/server/repositories";

/** Another aircraft of the pilot with its newest setup. */
export interface FleetMember {
  readonly aircraft: Aircraft;
  readonly setup: Setup;
}

/** Attempts at one step with the setup before and with this one. */
export interface SetupChange {
  readonly stepName: string;
  readonly before: Counted;
  readonly after: Counted;
}

export interface SetupData {
  readonly pilot: Pilot;
  readonly aircraft: Aircraft | null;
  /** What it carries besides. */
  readonly loads: readonly KeptLoad[];
  /** How its tilt was read and what flights by eye found, newest first. */
  readonly checks: Awaited<ReturnType<typeof checkLog>>;
  /** Versions of this aircraft, newest first. */
  readonly setups: readonly Setup[];
  /** The newest setup of the pilot's other aircraft, to start a new one from. */
  readonly elsewhere: readonly FleetMember[];
  /** What each setup did to the clean rate of the step that was flown over the change, by setup id. */
  readonly changes: Readonly<Record<string, SetupChange>>;
  /** Stage of the step the pilot is at. */
  readonly stage: number;
  /** Sides the pilot takes where practitioners disagree. */
  readonly school: School;
  /** The air of the squad's day. */
  readonly day: Day;
  /** The one who looks may save; a pilot looks and tries, and the coach saves. */
  readonly mayChange: boolean;
}

const NO_CHECKS = { tilts: [], flights: [] };

export async function loadSetup(who: SignedIn, pilot: Pilot, aircraft: Aircraft | null): Promise<SetupData> {
  const [all, fleet, progresses, flown, day, loads, checks] = await Promise.all([
    listSetups(pilot.id),
    listAircraft([pilot.id]),
    loadProgress([pilot]),
    countWithSetups(pilot.id),
    loadDay(pilot.squadId),
    listLoads(aircraft ? [aircraft.id] : []),
    aircraft ? checkLog(aircraft.id) : NO_CHECKS,
  ]);
  const setups = all.filter((setup) => setup.aircraftId === aircraft?.id);
  const progress = entryOf(progresses, pilot.id);
  const { syllabus, school } = progress;
  const open = currentStepOf(progress) ?? syllabus.steps[syllabus.steps.length - 1];
  return {
    mayChange: isCoach(who),
    stage: skillOf(syllabus, open).stage,
    school,
    day,
    pilot,
    aircraft,
    loads,
    checks,
    setups,
    changes: changesOf(setups, flown, syllabus),
    elsewhere: fleet
      .filter((other) => other.id !== aircraft?.id)
      .flatMap((other) => {
        const setup = all.find((one) => one.aircraftId === other.id);
        return setup ? [{ aircraft: other, setup }] : [];
      }),
  };
}

const counted = ({ attempts, clean }: Counted): Counted => ({ attempts, clean });

/** For each setup after the first, the step flown first with it, counted with the setup before and with this one. */
function changesOf(
  newestFirst: readonly Setup[],
  flown: readonly FlownWithSetup[],
  syllabus: Syllabus,
): Record<string, SetupChange> {
  const changes: Record<string, SetupChange> = {};
  for (const [i, setup] of newestFirst.entries()) {
    const previous = newestFirst[i + 1];
    const after = flown.find(({ setupId }) => setupId === setup.id);
    const before = after && flown.find(({ setupId, stepId }) => setupId === previous?.id && stepId === after.stepId);
    if (before)
      changes[setup.id] = {
        stepName: stepName(syllabus, after.stepId),
        before: counted(before),
        after: counted(after),
      };
  }
  return changes;
}
