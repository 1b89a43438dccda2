import "server-only";
import {
  entryOf,
  flownForReal,
  learningCurve,
  type LearningCurve,
  type Outcome,
  type Place,
  type Tallied,
  DAY_MS,
} from "@/core";
import { isCoach, type SignedIn } from "@/server/accounts";
import type { Homework, Milestone, Note, Pilot, Setup, SignOffRequest, Squad } from "@/contract";
import {
  countAlone,
  countOutcomesIn,
  type FlownInSession,
  listHomework,
  listMilestones,
  listNotes,
  listRequests,
  listSetups,
  listSquads,
  listStepAttempts,
  newestSessionIds,
  schoolsOf,
} from "@/server/repositories";
import { loadProgress } from "@/server/progress";
import { findStep, standingAt, standingOf, type School, type StepStanding } from "@/syllabus";
import { shownStanding, type ShownStanding } from "./sounded";

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

/** The step somebody looks at, more closely than the others. */
export interface LookedAt {
  readonly one: StepStanding;
  readonly curve: LearningCurve;
  /** Raw counts by direction and place. */
  readonly tallies: readonly Tallied[];
  /** What the setups of the curve are called, by id. */
  readonly setupNames: Readonly<Record<string, string>>;
}

export interface PilotData extends ShownStanding {
  readonly pilot: Pilot;
  readonly lookedAt: LookedAt | null;
  /** Sides the pilot takes where practitioners disagree: their own over the squad's. */
  readonly school: School;
  readonly squadSchool: School;
  readonly milestones: readonly Milestone[];
  readonly notes: readonly Note[];
  readonly history: readonly HistoryLine[];
  /** What of it is sent: all of late, or only the newest lines, there being older ones or not. */
  readonly historyShown: "all" | "newest" | "newest-of-more";
  /** Steps the pilot asks to have signed off, newest first; the answered ones of the last weeks too. */
  readonly requests: readonly SignOffRequest[];
  /** How many of a step's attempts the pilot logged practising without a coach, by step id. */
  readonly loggedAlone: Readonly<Record<string, number>>;
  /** What was asked for to be practised, and how far it has come. */
  readonly homework: readonly Homework[];
  /** Squads the pilot could be moved to. */
  readonly squads: readonly Squad[];
  /** The one who looks is a coach; else it is the pilot. */
  readonly coaches: boolean;
  readonly nowMs: number;
}

const HISTORY_LINES = 40;
const NEWEST_LINES = 6;
/** Sessions looked through for the newest lines: in some a pilot who was there flew nothing. */
const NEWEST_SESSIONS = 10;
const ANSWERS_SHOWN_MS = 21 * DAY_MS;

export async function loadPilot(
  who: SignedIn,
  pilot: Pilot,
  aircraftId: string | null,
  {
    stepId = null,
    asList = false,
    wholeHistory = false,
  }: { readonly stepId?: string | null; readonly asList?: boolean; readonly wholeHistory?: boolean } = {},
  nowMs = Date.now(),
): Promise<PilotData> {
  const [all, milestones, notes, setups, requests, alone, squads, schools, sessionIds, homework] = await Promise.all([
    loadProgress([pilot]),
    listMilestones([pilot.id]),
    listNotes(pilot.id, isCoach(who)),
    listSetups(pilot.id),
    listRequests([pilot.id]),
    countAlone(pilot.id),
    who.coachId === null ? [] : listSquads(who.coachId),
    schoolsOf([pilot.squadId]),
    newestSessionIds(pilot.id, wholeHistory ? HISTORY_LINES : NEWEST_SESSIONS),
    listHomework([pilot.id]),
  ]);
  const progress = entryOf(all, pilot.id);
  const input = { ...progress, setupId: newestSetupOf(aircraftId, setups)?.id ?? null, nowMs };
  const standing = standingOf(input);
  const step = findStep(progress.syllabus, stepId ?? standing.current?.stepId ?? "");
  const [flown, ofStep] = await Promise.all([
    countOutcomesIn(sessionIds, pilot.id),
    step ? listStepAttempts(pilot.id, step.id) : [],
  ]);
  const history: HistoryLine[] = [
    ...sessionLines(flown),
    ...setups.map(({ id, createdAtMs, number, reason, coachName }) => ({
      kind: "setup" as const,
      id,
      atMs: createdAtMs,
      number,
      reason,
      coachName,
    })),
  ];
  const more = sessionIds.length === NEWEST_SESSIONS || history.length > NEWEST_LINES;
  return {
    pilot,
    ...shownStanding(standing, asList),
    lookedAt: step
      ? {
          one: standing.steps.find((one) => one.stepId === step.id) ?? standingAt(step, input),
          curve: learningCurve(ofStep.filter(flownForReal), progress.rules.timeZone),
          tallies: progress.flown.get(step.id)?.digest.tallies ?? [],
          setupNames: Object.fromEntries(setups.map(({ id, number }) => [id, `setup ${number}`])),
        }
      : null,
    school: progress.school,
    squadSchool: schools.get(pilot.squadId) ?? {},
    milestones: [...milestones].reverse(),
    notes,
    history: history.sort((a, b) => b.atMs - a.atMs).slice(0, wholeHistory ? HISTORY_LINES : NEWEST_LINES),
    historyShown: wholeHistory ? "all" : more ? "newest-of-more" : "newest",
    requests: requests.filter(
      ({ answeredAtMs, answer }) => answeredAtMs === null || (answer !== "" && nowMs - answeredAtMs < ANSWERS_SHOWN_MS),
    ),
    loggedAlone: alone,
    homework,
    squads,
    coaches: isCoach(who),
    nowMs,
  };
}

const newestSetupOf = (id: string | null, setups: readonly Setup[]) =>
  setups
    .filter(({ aircraftId }) => aircraftId === id)
    .reduce<Setup | null>((newest, one) => (one.number > (newest?.number ?? 0) ? one : newest), null);

/** A line for each session, as of its first attempt; what was flown of a step in one direction counts together, wherever that was. */
function sessionLines(flown: readonly FlownInSession[]): HistoryLine[] {
  const sessions = new Map<string, FlownInSession[]>();
  for (const one of flown) {
    const own = sessions.get(one.sessionId);
    if (own) own.push(one);
    else sessions.set(one.sessionId, [one]);
  }
  return [...sessions].map(([id, own]) => {
    const steps = new Map<string, Extract<HistoryLine, { kind: "session" }>["steps"][number]>();
    for (const { stepId, direction, outcomes } of own) {
      const key = `${stepId} ${direction}`;
      const before = steps.get(key)?.outcomes;
      steps.set(key, { stepId, direction, outcomes: before ? added(before, outcomes) : outcomes });
    }
    return { kind: "session", id, atMs: own[0].firstMs, place: own[0].place, steps: [...steps.values()] };
  });
}

type Outcomes = Readonly<Record<Outcome, number>>;
const added = (one: Outcomes, other: Outcomes): Outcomes => ({
  clean: one.clean + other.clean,
  rough: one.rough + other.rough,
  bailed: one.bailed + other.bailed,
  crashed: one.crashed + other.crashed,
});
