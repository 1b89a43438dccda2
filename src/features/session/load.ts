import "server-only";
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
  type LoggedAttempt,
  type Session,
} from "@/server/repositories";
import { steps } from "@/syllabus";

/** A pilot who may be taken into a session, with the step that is due and the setups at hand. */
export interface Candidate {
  readonly id: string;
  readonly name: string;
  readonly currentStepId: string;
  readonly setups: readonly { readonly id: string; readonly name: string }[];
  /** Aircraft to be flown by eye before goggles go on. */
  readonly checkFirst: readonly string[];
}

export interface PlanData {
  readonly candidates: readonly Candidate[];
  readonly recent: readonly {
    readonly session: Session;
    readonly coachName: string;
    readonly pilotNames: readonly string[];
    readonly attempts: number;
  }[];
}

const RECENT = 8;

export async function loadPlan(): Promise<PlanData> {
  const [pilots, aircraft, setups, milestones, coaches, sessions, attempts] = await Promise.all([
    listPilots(),
    listAircraft(),
    latestSetups(),
    listMilestones(),
    listCoaches(),
    listSessions(RECENT),
    listAttempts(),
  ]);
  return {
    candidates: pilots.map(({ id, name }) => {
      const own = aircraft.filter((one) => one.pilotId === id);
      const open = steps.find((step) => !milestones.some((one) => one.pilotId === id && one.stepId === step.id));
      return {
        id,
        name,
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
      coachName: coaches.find((coach) => coach.id === session.coachId)?.name ?? "",
      pilotNames: session.pilots.map((one) => pilots.find((pilot) => pilot.id === one.pilotId)?.name ?? ""),
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
}

export async function loadTally(sessionId: string): Promise<TallyData | null> {
  const session = await findSession(sessionId);
  if (!session) return null;
  const [pilots, attempts, earlier, milestones] = await Promise.all([
    listPilots(),
    listSessionAttempts(sessionId),
    listAttempts(session.pilots.map((one) => one.pilotId)),
    listMilestones(),
  ]);
  return {
    session,
    attempts,
    pilots: session.pilots.map(({ pilotId, stepId, setupId }) => ({
      id: pilotId,
      name: pilots.find((pilot) => pilot.id === pilotId)?.name ?? "",
      stepId,
      setupId,
      earlier: earlier.filter((one) => one.pilotId === pilotId && one.stepId === stepId && one.sessionId !== sessionId),
      signedOff: milestones.some((one) => one.pilotId === pilotId && one.stepId === stepId),
    })),
  };
}
