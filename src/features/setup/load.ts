import "server-only";
import type { Counted } from "@/core";
import { currentStep, findStep, skillOf, steps } from "@/syllabus";
import { isCoach, type SignedIn } from "@/server/accounts";
import {
  listAircraft,
  listAttempts,
  listMilestones,
  listSetups,
  type LoggedAttempt,
  type Aircraft,
  type Pilot,
  type Setup,
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
  /** Versions of this aircraft, newest first. */
  readonly setups: readonly Setup[];
  /** The newest setup of the pilot's other aircraft, to start a new one from. */
  readonly elsewhere: readonly FleetMember[];
  /** What each setup did to the clean rate of the step that was flown over the change, by setup id. */
  readonly changes: Readonly<Record<string, SetupChange>>;
  /** Stage of the step the pilot is at. */
  readonly stage: number;
  /** The one who looks may save; a pilot looks and tries, and the coach saves. */
  readonly mayChange: boolean;
}

export async function loadSetup(who: SignedIn, pilot: Pilot, aircraft: Aircraft | null): Promise<SetupData> {
  const [all, fleet, milestones, attempts] = await Promise.all([
    listSetups(pilot.id),
    listAircraft([pilot.id]),
    listMilestones([pilot.id]),
    listAttempts([pilot.id]),
  ]);
  const setups = all.filter((setup) => setup.aircraftId === aircraft?.id);
  const open =
    currentStep(new Set(milestones.map(({ stepId }) => stepId)), new Set(attempts.map(({ stepId }) => stepId))) ??
    steps[steps.length - 1];
  return {
    mayChange: isCoach(who),
    stage: skillOf(open).stage,
    pilot,
    aircraft,
    setups,
    changes: changesOf(setups, attempts),
    elsewhere: fleet
      .filter((other) => other.id !== aircraft?.id)
      .flatMap((other) => {
        const setup = all.find((one) => one.aircraftId === other.id);
        return setup ? [{ aircraft: other, setup }] : [];
      }),
  };
}

/** For each setup after the first, the step flown first with it, counted with the setup before and with this one. */
function changesOf(newestFirst: readonly Setup[], attempts: readonly LoggedAttempt[]): Record<string, SetupChange> {
  const changes: Record<string, SetupChange> = {};
  for (const [i, setup] of newestFirst.entries()) {
    const previous = newestFirst[i + 1];
    const first = attempts.find(({ setupId }) => setupId === setup.id);
    if (!previous || !first) continue;
    const counted = (id: string): Counted => {
      const own = attempts.filter(({ setupId, stepId }) => setupId === id && stepId === first.stepId);
      return { attempts: own.length, clean: own.filter(({ outcome }) => outcome === "clean").length };
    };
    const before = counted(previous.id);
    if (before.attempts === 0) continue;
    changes[setup.id] = { stepName: findStep(first.stepId)?.name ?? first.stepId, before, after: counted(setup.id) };
  }
  return changes;
}
