import "server-only";
import { isCoach, type SignedIn } from "@/server/accounts";
import type {
  LoggedAttempt,
  PlannedBlock,
  TallyData,
  Session,
  SessionPilot,
  Setup,
  Aircraft,
  PlannedSession,
  Site,
} from "@/contract";
import {
  countAttemptsIn,
  findSession,
  findSite,
  latestSetups,
  carrying,
  listAircraft,
  listLoads,
  listAttemptsBefore,
  listCoaches,
  listPilots,
  listSessionAttempts,
  listSessionNotes,
  listSessions,
  listPlanned,
  listSites,
  listSquads,
  syllabusOf,
} from "@/server/repositories";
import { dayOfSession, loadProgressBriefly } from "@/server/progress";
import {
  currentStepOf,
  offersOf,
  type OwnVariant,
  type ReasonedOffer,
  routeOf,
  type School,
  simulatorLacking,
} from "@/syllabus";
import { recentOf, type Attempt } from "@/core";
import { sentSyllabi } from "@/ui/syllabus/sent";

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
  /** Steps that were never flown and are not signed off are new. */
  readonly known: readonly string[];
  /** What could be flown next time, with the reasons. */
  readonly offers: readonly ReasonedOffer[];
  readonly setups: readonly {
    readonly id: string;
    readonly name: string;
    /** Kept with the session: the setup, and what the aircraft carries. */
    readonly setupId: string;
    readonly loadId: string | null;
    readonly airframe: Aircraft["airframe"];
    readonly settings: Setup["settings"];
  }[];
  /** Sides the pilot takes where practitioners disagree. */
  readonly school: School;
  /** Ways of a coach's own that were chosen for the pilot. */
  readonly own: readonly OwnVariant[];
  /** From the coach's call to the stick, measured; null where it was not. */
  readonly reactionS: number | null;
  /** Aircraft to be flown by eye before goggles go on. */
  readonly checkFirst: readonly string[];
}

export interface PlanData {
  /** The one who looks is a coach; else a pilot who practises alone. */
  readonly coaches: boolean;
  readonly candidates: readonly Candidate[];
  readonly sites: readonly Site[];
  /** The planned session that is begun now: who was to come, and where. */
  readonly plan: Pick<PlannedSession, "pilotIds" | "siteId" | "minutes"> | null;
  readonly recent: readonly {
    readonly session: Session;
    readonly coachName: string;
    readonly pilotNames: readonly string[];
    readonly attempts: number;
  }[];
}

const RECENT = 8;
const DAY_MS = 86_400_000;

export async function loadPlan(who: SignedIn, plannedId: string | null = null, nowMs = Date.now()): Promise<PlanData> {
  const pilots = await listPilots(who);
  const pilotIds = pilots.map(({ id }) => id);
  const [aircraft, setups, progress, coaches, sessions, squads] = await Promise.all([
    listAircraft(pilotIds),
    latestSetups(pilotIds),
    loadProgressBriefly(pilots, nowMs),
    listCoaches(),
    listSessions(pilotIds, RECENT),
    who.coachId === null ? [] : listSquads(who.coachId),
  ]);
  const squadIds = [...new Set(pilots.map(({ squadId }) => squadId))];
  const [attempts, sites, planned, loads] = await Promise.all([
    countAttemptsIn(sessions.map(({ id }) => id)),
    listSites(squadIds),
    plannedId === null ? [] : listPlanned(squadIds, new Date(nowMs - DAY_MS)),
    listLoads(aircraft.map(({ id }) => id)),
  ]);
  return {
    coaches: isCoach(who),
    sites,
    plan: planned.find(({ id }) => id === plannedId) ?? null,
    candidates: pilots.map(({ id, name, squadId, reactionS }) => {
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
        known: [...new Set([...flown.keys(), ...signedOff])],
        offers: offersOf({ ...own, setupId: fleetSetup(fleet, setups)?.id ?? null, nowMs }),
        simulatorFirst: syllabus.steps
          .filter((step) => !signedOff.has(step.id) && simulatorLacking(step, school, flown.get(step.id)?.recent ?? []))
          .map((step) => step.id),
        school,
        own: own.own,
        reactionS,
        setups: fleet.flatMap((one) => {
          const setup = setups.get(one.id);
          return setup
            ? [null, ...loads.filter(({ aircraftId }) => aircraftId === one.id)].map((load) => {
                const { name: called, airframe } = carrying(one, load);
                return {
                  id: load ? `${setup.id} ${load.id}` : setup.id,
                  name: `${called} · setup ${setup.number}`,
                  setupId: setup.id,
                  loadId: load?.id ?? null,
                  airframe,
                  settings: setup.settings,
                };
              })
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

const fleetSetup = (fleet: readonly Aircraft[], setups: ReadonlyMap<string, Setup>) =>
  fleet.flatMap(({ id }) => setups.get(id) ?? [])[0];

/** A session as somebody may see it: only with the pilots whose records they may read. Null when there is none for them. */
export async function loadTally(who: SignedIn, sessionId: string): Promise<TallyData | null> {
  const session = await findSession(sessionId);
  if (!session) return null;
  const visible = new Map((await listPilots(who)).map((pilot) => [pilot.id, pilot]));
  const members = session.pilots.filter(({ pilotId }) => visible.has(pilotId));
  if (members.length === 0) return null;
  const attempts = (await listSessionAttempts(sessionId)).filter(({ pilotId }) => visible.has(pilotId));
  const stepsOf = new Map(members.map((member) => [member.pilotId, stepsIn(member, attempts)]));
  const over = session.endedAtMs !== null;
  const [progress, aircraft, squads, syllabus, site, notes, before] = await Promise.all([
    loadProgressBriefly(
      members.map(({ pilotId }) => visible.get(pilotId)!),
      Date.now(),
      stepsOf,
    ),
    listAircraft(members.map(({ pilotId }) => pilotId)),
    who.coachId === null ? [] : listSquads(who.coachId),
    syllabusOf(session.squadId),
    // A pilot who changed squads brings the session along, not the old squad's site.
    session.siteId && [...visible.values()].some(({ squadId }) => squadId === session.squadId)
      ? findSite(session.siteId)
      : null,
    listSessionNotes(sessionId),
    // A session that is over is looked at as it was then: what was flown since is no part of it.
    over
      ? listAttemptsBefore(
          members.map(({ pilotId }) => pilotId),
          [...new Set([...stepsOf.values()].flatMap((steps) => [...steps]))],
          new Date(session.startedAtMs),
        )
      : [],
  ]);
  const earlierAt = (pilotId: string, stepId: string): readonly Attempt[] =>
    over
      ? recentOf(before.filter((one) => one.pilotId === pilotId && one.stepId === stepId))
      : (progress.get(pilotId)!.flown.get(stepId)?.recent ?? []).filter((one) => one.sessionId !== sessionId);
  return {
    accountId: who.accountId,
    session: { ...session, pilots: members },
    attempts,
    notes: notes
      .filter(({ pilotId }) => visible.has(pilotId))
      .map(({ id, pilotId, text, writtenAtMs }) => ({ id, pilotId, text, writtenAtMs })),
    // A pilot who changed squads brings old sessions along to be read, not to be written into.
    mayKeep: isCoach(who) ? squads.some(({ id }) => id === session.squadId) : session.coachId === null,
    coaches: isCoach(who),
    site: site ?? null,
    day: dayOfSession(session, site ?? null),
    syllabi: sentSyllabi(new Map([[session.squadId, syllabus]])),
    pilots: members.map(({ pilotId, stepId, setupId, loadId = null, plan }) => ({
      id: pilotId,
      name: visible.get(pilotId)!.name,
      setupId,
      loadId,
      blocks: plan && plan.blocks.length > 0 ? plan.blocks : [oneBlock(stepId)],
      turns: plan?.turns ?? [],
      checkFirst: aircraft
        .filter((one) => one.pilotId === pilotId && one.flightState !== "flying")
        .map(({ name }) => name),
      route: routeOf(progress.get(pilotId)!.school),
      currentStepId: currentStepOf(progress.get(pilotId)!)?.id ?? null,
      signedOff: [...progress.get(pilotId)!.signedOff],
      steps: [...stepsOf.get(pilotId)!].map((id) => ({
        stepId: id,
        earlier: earlierAt(pilotId, id),
      })),
    })),
  };
}

/** The steps of a pilot in a session: the one worked at, those planned, those tapped, undone or not. */
const stepsIn = ({ pilotId, stepId, plan }: SessionPilot, attempts: readonly LoggedAttempt[]): ReadonlySet<string> =>
  new Set([
    stepId,
    ...(plan?.blocks ?? []).flatMap((block) => block.stepId ?? []),
    ...attempts.filter((one) => one.pilotId === pilotId).map((one) => one.stepId),
  ]);

const oneBlock = (stepId: string): PlannedBlock => ({
  kind: "main",
  stepId,
  minutes: 0,
  firstDirection: null,
  why: "",
});
