import { entryOf, DAY_MS } from "@/core";
import "server-only";
import { isCoach, type SignedIn } from "@/server/accounts";
import { toBeChecked, type Session, type Setup, type Aircraft, type PlannedSession, type Site } from "@/contract";
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
  /** Lines given to the pilot. */
  readonly lines: readonly { readonly id: string; readonly name: string }[];
  /** Aircraft to be flown by eye before goggles go on. */
  readonly checkFirst: readonly string[];
}

export interface PlanData {
  readonly nowMs: number;
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

export async function loadPlan(who: SignedIn, plannedId: string | null = null, nowMs = Date.now()): Promise<PlanData> {
  const pilots = await listPilots(who);
  const pilotIds = pilots.map(({ id }) => id);
  const [aircraft, setups, progress, coaches, sessions, squads] = await Promise.all([
    // One crash alone keeps an aircraft on the ground.
    listAircraft(pilotIds, 1),
    latestSetups(pilotIds),
    loadProgressBriefly(pilots, nowMs),
    listCoaches(),
    listSessions(pilotIds, RECENT),
    who.coachId === null ? [] : listSquads(who.coachId),
  ]);
  const squadIds = [...new Set(pilots.map(({ squadId }) => squadId))];
  const [attempts, sites, planned, loads, lines] = await Promise.all([
    countAttemptsIn(
      sessions.map(({ id }) => id),
      pilotIds,
    ),
    listSites(squadIds),
    plannedId === null ? [] : listPlanned(squadIds, new Date(nowMs - DAY_MS)),
    listLoads(aircraft.map(({ id }) => id)),
    fieldLinesOf(pilotIds),
  ]);
  return {
    nowMs,
    coaches: isCoach(who),
    sites,
    plan: planned.find(({ id }) => id === plannedId) ?? null,
    candidates: pilots.map(({ id, name, squadId, reactionS }) => {
      const fleet = aircraft.filter((one) => one.pilotId === id);
      const own = entryOf(progress, id);
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
        lines: entryOf(lines, id).map((line) => ({ id: line.id, name: line.name })),
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
        checkFirst: fleet.filter((one) => toBeChecked(one) !== null).map((one) => one.name),
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
