import { entryOf, DAY_MS } from "@/core";
import "server-only";
import { isCoach, type SignedIn } from "@/server/accounts";
import {
  toBeChecked,
  type Session,
  type Setup,
  type Aircraft,
  type Pilot,
  type PlannedSession,
  type Site,
} from "@/contract";
import {
  countAttemptsIn,
  fieldLinesOf,
  latestSetups,
  carrying,
  listAircraft,
  listLoads,
  listCoaches,
  listPilots,
  listSessions,
  listPlanned,
  listSites,
  listSquads,
} from "@/server/repositories";
import { loadProgressBriefly } from "@/server/progress";
import {
  currentStepOf,
  offersOf,
  type OwnVariant,
  type ReasonedOffer,
  type School,
  simulatorLacking,
} from "@/syllabus";

/** A pilot who may be taken into a session, with what may be flown. */
export interface CandidateEntry {
  readonly id: string;
  readonly name: string;
  readonly squadId: string;
  /** Where there are several squads: a session is of one. */
  readonly squadName: string | null;
  readonly setups: readonly CandidateSetup[];
  /** Aircraft to be flown by eye before goggles go on. */
  readonly checkFirst: readonly string[];
}

/** A setup at hand, with what the aircraft carries. */
export interface CandidateSetup {
  readonly id: string;
  readonly name: string;
  /** Kept with the session: the setup, and what the aircraft carries. */
  readonly setupId: string;
  readonly loadId: string | null;
}

/** All that a pilot's part of a session is planned from: the step that is due, and what there is to fly it with. */
export interface Candidate extends CandidateEntry {
  readonly currentStepId: string;
  /** Steps the pilot's school wants flown in the simulator first, their mark not met there yet. */
  readonly simulatorFirst: readonly string[];
  /** Steps that were never flown and are not signed off are new. */
  readonly known: readonly string[];
  /** What could be flown next time, with the reasons. */
  readonly offers: readonly ReasonedOffer[];
  readonly setups: readonly (CandidateSetup & {
    readonly airframe: Aircraft["airframe"];
    readonly settings: Setup["settings"];
  })[];
  /** Sides the pilot takes where practitioners disagree. */
  readonly school: School;
  /** Ways of a coach's own that were chosen for the pilot. */
  readonly own: readonly OwnVariant[];
  /** From the coach's call to the stick, measured; null where it was not. */
  readonly reactionS: number | null;
  /** Lines given to the pilot. */
  readonly lines: readonly { readonly id: string; readonly name: string }[];
}

export interface PlanData {
  readonly nowMs: number;
  /** The one who looks is a coach; else a pilot who practises alone. */
  readonly coaches: boolean;
  readonly candidates: readonly CandidateEntry[];
  /** Who of them flies as the screen is opened: all of a planned session, the pilot at hand, or the pilot who looks. */
  readonly taken: readonly string[];
  /** What those could fly. Of the others it is asked when they are taken. */
  readonly ready: readonly Candidate[];
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

/** What a session is planned from; `asked` says which planned session is begun, and which pilot is at hand. */
export async function loadPlan(
  who: SignedIn,
  asked: { readonly plannedId?: string | null; readonly pilotId?: string | null } = {},
  nowMs = Date.now(),
): Promise<PlanData> {
  const { plannedId = null, pilotId = null } = asked;
  const pilots = await listPilots(who);
  const pilotIds = pilots.map(({ id }) => id);
  const squadIds = [...new Set(pilots.map(({ squadId }) => squadId))];
  const [hangar, coaches, sessions, sites, planned] = await Promise.all([
    loadHangar(who, pilots),
    listCoaches(),
    listSessions(pilotIds, RECENT),
    listSites(squadIds),
    plannedId === null ? [] : listPlanned(squadIds, new Date(nowMs - DAY_MS)),
  ]);
  const plan = planned.find(({ id }) => id === plannedId) ?? null;
  const taken = pilots.filter(({ id }) => !isCoach(who) || (plan ? plan.pilotIds.includes(id) : id === pilotId));
  const [attempts, ready] = await Promise.all([
    countAttemptsIn(
      sessions.map(({ id }) => id),
      pilotIds,
    ),
    candidatesOf(taken, hangar, nowMs),
  ]);
  return {
    nowMs,
    coaches: isCoach(who),
    sites,
    plan,
    candidates: pilots.map((pilot) => entryOfHangar(pilot, hangar)),
    taken: taken.map(({ id }) => id),
    ready,
    recent: sessions.map((session) => {
      const flown = attempts.get(session.id) ?? 0;
      return {
        // One in which nothing was flown may be taken out, and put back as it was planned.
        session: flown === 0 ? session : { ...session, pilots: session.pilots.map(({ plan: _, ...one }) => one) },
        coachName: coaches.find((coach) => coach.id === session.coachId)?.name ?? "practised alone",
        pilotNames: session.pilots.flatMap((one) => pilots.find((pilot) => pilot.id === one.pilotId)?.name ?? []),
        attempts: flown,
      };
    }),
  };
}

/** Those pilots as they are planned for; whoever is not theirs to see is left out. */
export async function loadCandidates(
  who: SignedIn,
  pilotIds: readonly string[],
  nowMs = Date.now(),
): Promise<readonly Candidate[]> {
  const pilots = (await listPilots(who)).filter(({ id }) => pilotIds.includes(id));
  return candidatesOf(pilots, await loadHangar(who, pilots), nowMs);
}

type Hangar = Awaited<ReturnType<typeof loadHangar>>;

/** The aircraft of pilots with their setups and loads, and what the squads are called where there are several. */
async function loadHangar(who: SignedIn, pilots: readonly Pilot[]) {
  const pilotIds = pilots.map(({ id }) => id);
  const [aircraft, setups, squads] = await Promise.all([
    // One crash alone keeps an aircraft on the ground.
    listAircraft(pilotIds, 1),
    latestSetups(pilotIds),
    who.coachId === null ? [] : listSquads(who.coachId),
  ]);
  return { aircraft, setups, squads, loads: await listLoads(aircraft.map(({ id }) => id)) };
}

const fleetOf = (pilot: Pilot, { aircraft }: Hangar) => aircraft.filter(({ pilotId }) => pilotId === pilot.id);

/** Every setup a pilot may fly: without and with each load of its aircraft. */
const flyable = (pilot: Pilot, hangar: Hangar) =>
  fleetOf(pilot, hangar).flatMap((one) => {
    const setup = hangar.setups.get(one.id);
    if (!setup) return [];
    return [null, ...hangar.loads.filter(({ aircraftId }) => aircraftId === one.id)].map((load) => ({
      setup,
      load,
      ...carrying(one, load),
    }));
  });

const setupEntryOf = ({ name, setup, load }: ReturnType<typeof flyable>[number]): CandidateSetup => ({
  id: load ? `${setup.id} ${load.id}` : setup.id,
  name: `${name} · setup ${setup.number}`,
  setupId: setup.id,
  loadId: load?.id ?? null,
});

function entryOfHangar(pilot: Pilot, hangar: Hangar): CandidateEntry {
  const { id, name, squadId } = pilot;
  const { squads } = hangar;
  return {
    id,
    name,
    squadId,
    squadName: squads.length > 1 ? (squads.find((squad) => squad.id === squadId)?.name ?? null) : null,
    setups: flyable(pilot, hangar).map(setupEntryOf),
    checkFirst: fleetOf(pilot, hangar)
      .filter((one) => toBeChecked(one) !== null)
      .map((one) => one.name),
  };
}

async function candidatesOf(pilots: readonly Pilot[], hangar: Hangar, nowMs: number): Promise<readonly Candidate[]> {
  if (pilots.length === 0) return [];
  const [progress, lines] = await Promise.all([
    loadProgressBriefly(pilots, nowMs),
    fieldLinesOf(pilots.map(({ id }) => id)),
  ]);
  return pilots.map((pilot) => {
    const own = entryOf(progress, pilot.id);
    const { syllabus, school, flown, signedOff } = own;
    const open = currentStepOf(own) ?? syllabus.steps[syllabus.steps.length - 1];
    return {
      ...entryOfHangar(pilot, hangar),
      currentStepId: open.id,
      known: [...new Set([...flown.keys(), ...signedOff])],
      offers: offersOf({ ...own, setupId: fleetSetup(fleetOf(pilot, hangar), hangar.setups)?.id ?? null, nowMs }),
      simulatorFirst: syllabus.steps
        .filter((step) => !signedOff.has(step.id) && simulatorLacking(step, school, flown.get(step.id)?.recent ?? []))
        .map((step) => step.id),
      school,
      own: own.own,
      reactionS: pilot.reactionS,
      lines: entryOf(lines, pilot.id).map(({ id, name }) => ({ id, name })),
      setups: flyable(pilot, hangar).map((one) => ({
        ...setupEntryOf(one),
        airframe: one.airframe,
        settings: one.setup.settings,
      })),
    };
  });
}

const fleetSetup = (fleet: readonly Aircraft[], setups: ReadonlyMap<string, Setup>) =>
  fleet.flatMap(({ id }) => setups.get(id) ?? [])[0];
