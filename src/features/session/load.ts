import "server-only";
import { isCoach, type SignedIn } from "@/server/accounts";
import {
  findSession,
  latestSetups,
  listAircraft,
  listAttempts,
  listCoaches,
  listMilestones,
  listPilots,
  listSessionAttempts,
  listSessions,
  listSquads,
  type LoggedAttempt,
  type Session,
} from "@/server/repositories";
import { currentStep, steps } from "@/syllabus";

/** A pilot who may be taken into a session, with the step that is due and the setups at hand. */
export interface Candidate {
  readonly id: string;
  readonly name: string;
  readonly squadId: string;
  /** Where there are several squads: a session is of one. */
  readonly squadName: string | null;
  readonly currentStepId: string;
  readonly setups: readonly { readonly id: string; readonly name: string }[];
  /** Aircraft to be flown by eye before goggles go on. */
  readonly checkFirst: readonly string[];
}

export interface PlanData {
  /** The one who looks is a coach; else a pilot who practises alone. */
  readonly coaches: boolean;
  readonly candidates: readonly Candidate[];
  readonly recent: readonly {
    readonly session: Session;
    readonly coachName: string;
    readonly pilotNames: readonly string[];
    readonly attempts: number;
  }[];
}

const RECENT = 8;

export async function loadPlan(who: SignedIn): Promise<PlanData> {
  const pilots = await listPilots(who);
  const pilotIds = pilots.map(({ id }) => id);
  const [aircraft, setups, milestones, coaches, sessions, attempts, squads] = await Promise.all([
    listAircraft(pilotIds),
    latestSetups(pilotIds),
    listMilestones(pilotIds),
    listCoaches(),
    listSessions(pilotIds, RECENT),
    listAttempts(pilotIds),
    who.coachId === null ? [] : listSquads(who.coachId),
  ]);
  return {
    coaches: isCoach(who),
    candidates: pilots.map(({ id, name, squadId }) => {
      const own = aircraft.filter((one) => one.pilotId === id);
      const open = currentStep(
        new Set(milestones.filter(({ pilotId }) => pilotId === id).map(({ stepId }) => stepId)),
        new Set(attempts.filter(({ pilotId }) => pilotId === id).map(({ stepId }) => stepId)),
      );
      return {
        id,
        name,
        squadId,
        squadName: squads.length > 1 ? (squads.find((squad) => squad.id === squadId)?.name ?? null) : null,
        currentStepId: (open ?? steps[steps.length - 1]).id,
        setups: own.flatMap((one) => {
          const setup = setups.get(one.id);
          return setup ? [{ id: setup.id, name: `${one.name} · setup ${setup.number}` }] : [];
        }),
        checkFirst: own.filter((one) => one.flightState !== "flying").map((one) => one.name),
      };
    }),
    recent: sessions.map((session) => ({
      session,
      coachName: coaches.find((coach) => coach.id === session.coachId)?.name ?? "practised alone",
      pilotNames: session.pilots.flatMap((one) => pilots.find((pilot) => pilot.id === one.pilotId)?.name ?? []),
      attempts: attempts.filter((attempt) => attempt.sessionId === session.id).length,
    })),
  };
}

export interface TallyPilot {
  readonly id: string;
  readonly name: string;
  readonly stepId: string;
  readonly setupId: string | null;
  /** Attempts at this step in earlier sessions: the evidence counts them too. */
  readonly earlier: readonly LoggedAttempt[];
  readonly signedOff: boolean;
}

export interface TallyData {
  readonly session: Session;
  readonly pilots: readonly TallyPilot[];
  /** Attempts of this session that stand or were undone, in the order flown. */
  readonly attempts: readonly LoggedAttempt[];
  /** Logs attempts, and opens and closes the session. */
  readonly mayKeep: boolean;
  readonly coaches: boolean;
}

/** A session as somebody may see it: only with the pilots whose records they may read. Null when there is none for them. */
export async function loadTally(who: SignedIn, sessionId: string): Promise<TallyData | null> {
  const session = await findSession(sessionId);
  if (!session) return null;
  const visible = new Map((await listPilots(who)).map((pilot) => [pilot.id, pilot]));
  const members = session.pilots.filter(({ pilotId }) => visible.has(pilotId));
  if (members.length === 0) return null;
  const pilotIds = members.map(({ pilotId }) => pilotId);
  const [attempts, earlier, milestones, squads] = await Promise.all([
    listSessionAttempts(sessionId),
    listAttempts(pilotIds),
    listMilestones(pilotIds),
    who.coachId === null ? [] : listSquads(who.coachId),
  ]);
  return {
    session: { ...session, pilots: members },
    attempts: attempts.filter(({ pilotId }) => visible.has(pilotId)),
    // A pilot who changed squads brings old sessions along to be read, not to be written into.
    mayKeep: isCoach(who) ? squads.some(({ id }) => id === session.squadId) : session.coachId === null,
    coaches: isCoach(who),
    pilots: members.map(({ pilotId, stepId, setupId }) => ({
      id: pilotId,
      name: visible.get(pilotId)!.name,
      stepId,
      setupId,
      earlier: earlier.filter((one) => one.pilotId === pilotId && one.stepId === stepId && one.sessionId !== sessionId),
      signedOff: milestones.some((one) => one.pilotId === pilotId && one.stepId === stepId),
    })),
  };
}
