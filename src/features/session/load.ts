import "server-only";
import { isCoach, type SignedIn } from "@/server/accounts";
import {
  countAttemptsIn,
  findSession,
  findSite,
  latestSetups,
  listAircraft,
  listCoaches,
  listPilots,
  listSessionAttempts,
  listSessions,
  listPlanned,
  listSites,
  listSquads,
  syllabusOf,
  type LoggedAttempt,
  type Session,
  type Setup,
  type Aircraft,
  type PlannedSession,
  type Site,
} from "@/server/repositories";
import { loadProgressBriefly } from "@/server/progress";
import { currentStepOf, simulatorLacking, type School } from "@/syllabus";
import type { Attempt } from "@/core";
import { sentSyllabi, type SentSyllabus } from "@/ui/syllabus/sent";

/** A pilot who may be taken into a session, with the step that is due and the setups at hand. */
export interface Candidate {
  readonly id: string;
  readonly name: string;
  readonly squadId: string;
  /** Where there are several squads: a session is of one. */
  readonly squadName: string | null;
  readonly currentStepId: string;
  /** Steps the pilot's school wants flown in the simulator first, their mark not met there yet. */
  readonly simulatorFirst: readonly string[];
  readonly setups: readonly {
    readonly id: string;
    readonly name: string;
    readonly airframe: Aircraft["airframe"];
    readonly settings: Setup["settings"];
  }[];
  /** Sides the pilot takes where practitioners disagree. */
  readonly school: School;
  /** Aircraft to be flown by eye before goggles go on. */
  readonly checkFirst: readonly string[];
}

export interface PlanData {
  /** The one who looks is a coach; else a pilot who practises alone. */
  readonly coaches: boolean;
  readonly candidates: readonly Candidate[];
  readonly sites: readonly Site[];
  /** The planned session that is begun now: who was to come, and where. */
  readonly plan: Pick<PlannedSession, "pilotIds" | "siteId"> | null;
  readonly recent: readonly {
    readonly session: Session;
    readonly coachName: string;
    readonly pilotNames: readonly string[];
    readonly attempts: number;
  }[];
}

const RECENT = 8;
const DAY_MS = 86_400_000;

export async function loadPlan(who: SignedIn, plannedId: string | null = null): Promise<PlanData> {
  const pilots = await listPilots(who);
  const pilotIds = pilots.map(({ id }) => id);
  const [aircraft, setups, progress, coaches, sessions, squads] = await Promise.all([
    listAircraft(pilotIds),
    latestSetups(pilotIds),
    loadProgressBriefly(pilots, Date.now()),
    listCoaches(),
    listSessions(pilotIds, RECENT),
    who.coachId === null ? [] : listSquads(who.coachId),
  ]);
  const squadIds = [...new Set(pilots.map(({ squadId }) => squadId))];
  const [attempts, sites, planned] = await Promise.all([
    countAttemptsIn(sessions.map(({ id }) => id)),
    listSites(squadIds),
    plannedId === null ? [] : listPlanned(squadIds, new Date(Date.now() - DAY_MS)),
  ]);
  return {
    coaches: isCoach(who),
    sites,
    plan: planned.find(({ id }) => id === plannedId) ?? null,
    candidates: pilots.map(({ id, name, squadId }) => {
      const fleet = aircraft.filter((one) => one.pilotId === id);
      const own = progress.get(id)!;
      const { syllabus, school, flown, signedOff } = own;
      const open = currentStepOf(own) ?? syllabus.steps[syllabus.steps.length - 1];
      return {
        id,
        name,
        squadId,
        squadName: squads.length > 1 ? (squads.find((squad) => squad.id === squadId)?.name ?? null) : null,
        currentStepId: open.id,
        simulatorFirst: syllabus.steps
          .filter((step) => !signedOff.has(step.id) && simulatorLacking(step, school, flown.get(step.id)?.recent ?? []))
          .map((step) => step.id),
        school,
        setups: fleet.flatMap((one) => {
          const setup = setups.get(one.id);
          return setup
            ? [
                {
                  id: setup.id,
                  name: `${one.name} · setup ${setup.number}`,
                  airframe: one.airframe,
                  settings: setup.settings,
                },
              ]
            : [];
        }),
        checkFirst: fleet.filter((one) => one.flightState !== "flying").map((one) => one.name),
      };
    }),
    recent: sessions.map((session) => ({
      session,
      coachName: coaches.find((coach) => coach.id === session.coachId)?.name ?? "practised alone",
      pilotNames: session.pilots.flatMap((one) => pilots.find((pilot) => pilot.id === one.pilotId)?.name ?? []),
      attempts: attempts.get(session.id) ?? 0,
    })),
  };
}

export interface TallyPilot {
  readonly id: string;
  readonly name: string;
  readonly stepId: string;
  readonly setupId: string | null;
  /** Attempts at this step in earlier sessions: the evidence counts them too. */
  readonly earlier: readonly Attempt[];
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
  /** Where it is flown, if that was said. */
  readonly site: Site | null;
  /** The syllabus of the session's squad, where it is not the built-in one. */
  readonly syllabi: readonly SentSyllabus[];
}

/** A session as somebody may see it: only with the pilots whose records they may read. Null when there is none for them. */
export async function loadTally(who: SignedIn, sessionId: string): Promise<TallyData | null> {
  const session = await findSession(sessionId);
  if (!session) return null;
  const visible = new Map((await listPilots(who)).map((pilot) => [pilot.id, pilot]));
  const members = session.pilots.filter(({ pilotId }) => visible.has(pilotId));
  if (members.length === 0) return null;
  const [attempts, progress, squads, syllabus, site] = await Promise.all([
    listSessionAttempts(sessionId),
    loadProgressBriefly(
      members.map(({ pilotId }) => visible.get(pilotId)!),
      Date.now(),
      new Map(members.map(({ pilotId, stepId }) => [pilotId, stepId])),
    ),
    who.coachId === null ? [] : listSquads(who.coachId),
    syllabusOf(session.squadId),
    session.siteId ? findSite(session.siteId) : null,
  ]);
  return {
    session: { ...session, pilots: members },
    attempts: attempts.filter(({ pilotId }) => visible.has(pilotId)),
    // A pilot who changed squads brings old sessions along to be read, not to be written into.
    mayKeep: isCoach(who) ? squads.some(({ id }) => id === session.squadId) : session.coachId === null,
    coaches: isCoach(who),
    site: site ?? null,
    syllabi: sentSyllabi(new Map([[session.squadId, syllabus]])),
    pilots: members.map(({ pilotId, stepId, setupId }) => ({
      id: pilotId,
      name: visible.get(pilotId)!.name,
      stepId,
      setupId,
      earlier: (progress.get(pilotId)!.flown.get(stepId)?.recent ?? []).filter((one) => one.sessionId !== sessionId),
      signedOff: progress.get(pilotId)!.signedOff.has(stepId),
    })),
  };
}
