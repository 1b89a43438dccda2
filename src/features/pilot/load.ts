import "server-only";
import type { Outcome, Place } from "@/core";
import { isCoach, type SignedIn } from "@/server/accounts";
import {
  latestSetups,
  listAttempts,
  listMilestones,
  listNotes,
  listRequests,
  listSetups,
  listSquads,
  practiceSessionIds,
  type Aircraft,
  type LoggedAttempt,
  type Milestone,
  type Note,
  type Pilot,
  type SignOffRequest,
  type Squad,
} from "@/server/repositories";
import { standingOf, type PilotStanding } from "@/syllabus";

/** One line of a pilot's history, newest first. */
export type HistoryLine =
  | {
      readonly kind: "session";
      readonly id: string;
      readonly atMs: number;
      readonly place: Place;
      readonly steps: readonly {
        readonly stepId: string;
        readonly direction: string;
        readonly outcomes: Readonly<Record<Outcome, number>>;
      }[];
    }
  | {
      readonly kind: "setup";
      readonly id: string;
      readonly atMs: number;
      readonly number: number;
      readonly reason: string;
      readonly coachName: string;
    };

export interface PilotData {
  readonly pilot: Pilot;
  readonly standing: PilotStanding;
  readonly milestones: readonly Milestone[];
  readonly notes: readonly Note[];
  readonly history: readonly HistoryLine[];
  /** Steps the pilot asks to have signed off, newest first; the answered ones of the last weeks too. */
  readonly requests: readonly SignOffRequest[];
  /** How many of a step's attempts the pilot logged practising without a coach, by step id. */
  readonly loggedAlone: Readonly<Record<string, number>>;
  /** Squads the pilot could be moved to. */
  readonly squads: readonly Squad[];
  /** The one who looks is a coach; else it is the pilot. */
  readonly coaches: boolean;
  readonly nowMs: number;
}

const HISTORY_LINES = 40;
const ANSWERS_SHOWN_MS = 21 * 86_400_000;

export async function loadPilot(
  who: SignedIn,
  pilot: Pilot,
  aircraft: Aircraft | null,
  nowMs = Date.now(),
): Promise<PilotData> {
  const [attempts, milestones, notes, setups, latest, requests, alone, squads] = await Promise.all([
    listAttempts([pilot.id]),
    listMilestones([pilot.id]),
    listNotes(pilot.id),
    listSetups(pilot.id),
    latestSetups([pilot.id]),
    listRequests([pilot.id]),
    practiceSessionIds([pilot.id]),
    who.coachId === null ? [] : listSquads(who.coachId),
  ]);
  const history: HistoryLine[] = [
    ...sessionLines(attempts),
    ...setups.map(({ id, createdAtMs, number, reason, coachName }) => ({
      kind: "setup" as const,
      id,
      atMs: createdAtMs,
      number,
      reason,
      coachName,
    })),
  ];
  return {
    pilot,
    standing: standingOf({
      attempts,
      signedOff: new Set(milestones.map((milestone) => milestone.stepId)),
      setupId: (aircraft && latest.get(aircraft.id)?.id) ?? null,
      nowMs,
    }),
    milestones: [...milestones].reverse(),
    notes,
    history: history.sort((a, b) => b.atMs - a.atMs).slice(0, HISTORY_LINES),
    requests: requests.filter(
      ({ answeredAtMs, answer }) => answeredAtMs === null || (answer !== "" && nowMs - answeredAtMs < ANSWERS_SHOWN_MS),
    ),
    loggedAlone: countBy(attempts.filter(({ sessionId }) => alone.has(sessionId))),
    squads,
    coaches: isCoach(who),
    nowMs,
  };
}

function countBy(attempts: readonly LoggedAttempt[]): Readonly<Record<string, number>> {
  const counts: Record<string, number> = {};
  for (const { stepId } of attempts) counts[stepId] = (counts[stepId] ?? 0) + 1;
  return counts;
}

function sessionLines(attempts: readonly LoggedAttempt[]): HistoryLine[] {
  const sessions = new Map<string, LoggedAttempt[]>();
  for (const attempt of attempts)
    sessions.set(attempt.sessionId, [...(sessions.get(attempt.sessionId) ?? []), attempt]);
  return [...sessions].map(([id, flown]) => {
    const groups = new Map<string, { stepId: string; direction: string; outcomes: Record<Outcome, number> }>();
    for (const { stepId, direction, outcome } of flown) {
      const key = `${stepId} ${direction}`;
      const group = groups.get(key) ?? { stepId, direction, outcomes: { clean: 0, rough: 0, bailed: 0, crashed: 0 } };
      group.outcomes[outcome]++;
      groups.set(key, group);
    }
    return { kind: "session" as const, id, atMs: flown[0].atMs, place: flown[0].place, steps: [...groups.values()] };
  });
}
