import {
  completedAirframe,
  MODEL_VERSION,
  type Airframe,
  type AttemptMeasure,
  type Load,
  type Measurement,
  type Outcome,
  type Place,
  type Settings,
} from "@/core";
import { database, type Transaction } from "../database";
import { Refusal } from "../actions/errors";
import type { FlightState, MilestoneEvidence, Grip } from "@/contract";
import type { School } from "@/syllabus";
import { refreshDigestsOf } from "./digests";
import { fromJson, isDuplicate } from "./rows";

interface Named {
  readonly id: string;
  readonly name: string;
}

/** Everything kept about one pilot, as files/pilot-record.schema.json publishes it. Times are RFC 3339 in UTC. */
export interface PilotRecord {
  readonly format: "bathygon-pilot-record";
  readonly version: 1;
  readonly exportedAt: string;
  readonly pilot: Named & {
    readonly stickMode: number;
    readonly grip: Grip;
    readonly settingsFrozen?: boolean;
    readonly reactionS?: number | null;
    readonly referenceAircraftId?: string | null;
    readonly school?: School;
  };
  readonly aircraft: readonly (Named & {
    readonly presetId: string;
    readonly airframe: Airframe;
    readonly flightState: FlightState;
    readonly createdAt: string;
    readonly inBin: boolean;
    /** What was measured on it, and the airframe before that; left out where nothing was. */
    readonly measurements?: readonly Measurement[];
    readonly estimate?: Airframe;
    /** What it carries; left out where nothing was said. */
    readonly loads?: readonly (Named & Load & { readonly createdAt: string; readonly inBin: boolean })[];
    readonly setups: readonly {
      readonly id: string;
      readonly number: number;
      readonly settings: Settings;
      readonly reason: string;
      readonly coach: Named;
      readonly createdAt: string;
    }[];
  })[];
  readonly sessions: readonly {
    readonly id: string;
    readonly place: Place;
    readonly coach: Named | null;
    readonly startedAt: string;
    readonly endedAt: string | null;
    readonly stepId: string;
    readonly setupId: string | null;
    readonly loadId?: string | null;
  }[];
  readonly attempts: readonly {
    readonly id: string;
    readonly sessionId: string;
    readonly stepId: string;
    readonly direction: string;
    readonly place: Place;
    readonly setupId: string | null;
    readonly loadId?: string | null;
    readonly outcome: Outcome;
    readonly faults: readonly string[];
    readonly pack?: number;
    readonly minutes?: number;
    readonly measured?: Readonly<Partial<Record<AttemptMeasure, number>>>;
    readonly flownAt: string;
  }[];
  readonly milestones: readonly {
    readonly id: string;
    readonly stepId: string;
    readonly coach: Named;
    readonly evidence: MilestoneEvidence;
    readonly note: string;
    readonly signedAt: string;
  }[];
  readonly notes: readonly {
    readonly id: string;
    readonly coach: Named;
    readonly text: string;
    readonly writtenAt: string;
  }[];
  /** By when steps are to be signed off; left out where nothing is. */
  readonly targets?: readonly { readonly id: string; readonly stepId: string; readonly dueAt: string }[];
  readonly requests: readonly {
    readonly id: string;
    readonly stepId: string;
    readonly message: string;
    readonly askedAt: string;
    readonly answeredAt: string | null;
    readonly answer: string | null;
  }[];
}

type Row = Record<string, never>;
const iso = (date: Date) => date.toISOString();
const isoOrNull = (date: Date | null) => date?.toISOString() ?? null;

/** The whole record of a pilot. What lies in the bin is left out, but for aircraft: attempts were flown with their setups. */
export async function readRecord(pilotId: string, now: Date): Promise<PilotRecord | undefined> {
  const db = database();
  const pilot: Row | undefined = await db("pilot").where({ id: pilotId }).first();
  if (!pilot) return undefined;
  const coaches: Named[] = await db("coach").select("id", "name");
  const nameOf = new Map(coaches.map((coach) => [coach.id, coach]));
  const coach = (id: string) => nameOf.get(id)!;
  const own = { pilot_id: pilotId };
  const [aircraft, setups, sessions, attempts, milestones, notes, requests, targets, loads]: Row[][] =
    await Promise.all([
      db("aircraft").where(own).orderBy(["created_at", "id"]),
      db("setup")
        .select("setup.*")
        .join("aircraft", "aircraft.id", "aircraft_id")
        .where(own)
        .orderBy(["setup.number", "setup.id"]),
      db("session")
        .whereNotNull("begun_at")
        .join("session_pilot", "session_id", "session.id")
        .where(own)
        .select("session.*", "step_id", "setup_id", "load_id")
        .orderBy(["started_at", "session.id"]),
      db("attempt").where(own).whereNull("undone_at").orderBy(["flown_at", "id"]),
      db("milestone").where(own).whereNull("withdrawn_at").orderBy(["signed_at", "id"]),
      db("note").where(own).whereNull("removed_at").orderBy(["written_at", "id"]),
      db("sign_off_request").where(own).orderBy(["asked_at", "id"]),
      db("target").where(own).whereNull("removed_at").orderBy(["due_at", "id"]),
      db("aircraft_load")
        .select("aircraft_load.*")
        .join("aircraft", "aircraft.id", "aircraft_id")
        .where(own)
        .orderBy(["aircraft_load.created_at", "aircraft_load.id"]),
    ]);
  return {
    format: "bathygon-pilot-record",
    version: 1,
    exportedAt: iso(now),
    pilot: {
      id: pilot.id,
      name: pilot.name,
      stickMode: pilot.stick_mode,
      grip: pilot.grip,
      settingsFrozen: Boolean(pilot.settings_frozen),
      ...(pilot.reaction_s !== null && { reactionS: pilot.reaction_s }),
      referenceAircraftId: pilot.reference_aircraft_id,
      ...(pilot.school !== null && { school: fromJson<School>(pilot.school) }),
    },
    aircraft: aircraft.map((row) => ({
      id: row.id,
      name: row.name,
      presetId: row.preset_id,
      airframe: fromJson(row.airframe),
      flightState: row.flight_state,
      createdAt: iso(row.created_at),
      inBin: row.removed_at !== null,
      ...(row.measurements !== null && {
        measurements: fromJson<Measurement[]>(row.measurements),
        estimate: fromJson<Airframe>(row.estimate),
      }),
      ...withLoads(loads.filter((load) => load.aircraft_id === row.id)),
      setups: setups
        .filter((setup) => setup.aircraft_id === row.id)
        .map((setup) => ({
          id: setup.id,
          number: setup.number,
          settings: fromJson(setup.settings),
          reason: setup.reason,
          coach: coach(setup.coach_id),
          createdAt: iso(setup.created_at),
        })),
    })),
    sessions: sessions.map((row) => ({
      id: row.id,
      place: row.place,
      coach: row.coach_id === null ? null : coach(row.coach_id),
      startedAt: iso(row.started_at),
      endedAt: isoOrNull(row.ended_at),
      stepId: row.step_id,
      setupId: row.setup_id,
      ...(row.load_id !== null && { loadId: row.load_id }),
    })),
    attempts: attempts.map((row) => ({
      id: row.id,
      sessionId: row.session_id,
      stepId: row.step_id,
      direction: row.direction,
      place: row.place,
      setupId: row.setup_id,
      ...(row.load_id !== null && { loadId: row.load_id }),
      outcome: row.outcome,
      faults: fromJson(row.faults),
      ...(row.pack !== null && { pack: row.pack }),
      ...(row.minutes !== null && { minutes: row.minutes }),
      ...(row.measured !== null && { measured: fromJson<Partial<Record<AttemptMeasure, number>>>(row.measured) }),
      flownAt: iso(row.flown_at),
    })),
    milestones: milestones.map((row) => ({
      id: row.id,
      stepId: row.step_id,
      coach: coach(row.coach_id),
      evidence: fromJson(row.evidence),
      note: row.note,
      signedAt: iso(row.signed_at),
    })),
    notes: notes.map((row) => ({
      id: row.id,
      coach: coach(row.coach_id),
      text: row.text,
      writtenAt: iso(row.written_at),
    })),
    ...(targets.length > 0 && {
      targets: targets.map((row) => ({ id: row.id, stepId: row.step_id, dueAt: iso(row.due_at) })),
    }),
    requests: requests.map((row) => ({
      id: row.id,
      stepId: row.step_id,
      message: row.message,
      askedAt: iso(row.asked_at),
      answeredAt: isoOrNull(row.answered_at),
      answer: row.answer,
    })),
  };
}

const withLoads = (loads: readonly Row[]) =>
  loads.length === 0
    ? {}
    : {
        loads: loads.map((row) => ({
          id: row.id,
          name: row.name,
          massKg: row.mass_kg,
          thrustToWeight: row.thrust_to_weight,
          createdAt: iso(row.created_at),
          inBin: row.removed_at !== null,
        })),
      };

const CHUNK = 500;

/**
 * Adds everything of a checked record that is not here yet to a squad; what is here already stays as it is. Returns how many things are new.
 * Throws a Refusal when an id of the record belongs to something else here.
 */
export async function writeRecord(
  transaction: Transaction,
  record: PilotRecord,
  squadId: string,
  now: Date,
): Promise<number> {
  const { pilot } = record;
  const pilotId = pilot.id;
  const at = (text: string) => new Date(text);
  const atOrNull = (text: string | null) => (text === null ? null : at(text));
  const setups = record.aircraft.flatMap((one) => one.setups.map((setup) => ({ ...setup, aircraftId: one.id })));
  let added = 0;
  const add = async (
    table: string,
    rows: readonly Readonly<Record<string, unknown>>[],
    /** Columns in which a row that is here already has to agree, lest it be somebody else's. */
    same: readonly string[] = ["pilot_id"],
  ) => {
    added += await insertNew(transaction, table, rows, same);
  };

  const here: { squad_id: string } | undefined = await transaction("pilot").where({ id: pilotId }).forUpdate().first();
  // Coaches come as names: a row without an account opens nothing.
  const coaches = new Map(
    [...setups, ...record.sessions, ...record.milestones, ...record.notes].flatMap(({ coach }) =>
      coach ? [[coach.id, coach] as const] : [],
    ),
  );
  await insertNew(
    transaction,
    "coach",
    [...coaches.values()].map(({ id, name }) => ({ id, name, created_at: now })),
    [],
  );
  if (!here) {
    await add(
      "pilot",
      [
        {
          id: pilotId,
          squad_id: squadId,
          name: pilot.name,
          stick_mode: pilot.stickMode,
          grip: pilot.grip,
          settings_frozen: pilot.settingsFrozen ?? false,
          reaction_s: pilot.reactionS ?? null,
          reference_aircraft_id: pilot.referenceAircraftId ?? null,
          school: pilot.school ? JSON.stringify(pilot.school) : null,
          created_at: now,
        },
      ],
      [],
    );
  }
  await add(
    "aircraft",
    record.aircraft.map((one) => ({
      id: one.id,
      pilot_id: pilotId,
      name: one.name,
      preset_id: one.presetId,
      airframe: JSON.stringify(completedAirframe(one.airframe, one.presetId)),
      model_version: MODEL_VERSION,
      flight_state: one.flightState,
      created_at: at(one.createdAt),
      removed_at: one.inBin ? now : null,
      measurements: one.measurements ? JSON.stringify(one.measurements) : null,
      estimate: one.estimate ? JSON.stringify(completedAirframe(one.estimate, one.presetId)) : null,
    })),
  );
  await add(
    "setup",
    setups.map((one) => ({
      id: one.id,
      aircraft_id: one.aircraftId,
      number: one.number,
      settings: JSON.stringify(one.settings),
      reason: one.reason,
      coach_id: one.coach.id,
      created_at: at(one.createdAt),
    })),
    ["aircraft_id"],
  );
  await add(
    "aircraft_load",
    record.aircraft.flatMap(({ id, loads = [] }) =>
      loads.map((one) => ({
        id: one.id,
        aircraft_id: id,
        name: one.name,
        mass_kg: one.massKg,
        thrust_to_weight: one.thrustToWeight,
        created_at: at(one.createdAt),
        removed_at: one.inBin ? now : null,
      })),
    ),
    ["aircraft_id"],
  );
  // Sessions this pilot is in here already stay where they are, also when the pilot changed squads since.
  const flown: { session_id: string }[] = await transaction("session_pilot")
    .select("session_id")
    .where({ pilot_id: pilotId });
  const joined = new Set(flown.map(({ session_id }) => session_id));
  const newSessions = record.sessions.filter(({ id }) => !joined.has(id));
  await add(
    "session",
    newSessions.map((one) => ({
      id: one.id,
      squad_id: here?.squad_id ?? squadId,
      coach_id: one.coach?.id ?? null,
      place: one.place,
      started_at: at(one.startedAt),
      begun_at: at(one.startedAt),
      ended_at: atOrNull(one.endedAt),
    })),
    ["squad_id"],
  );
  for (const one of newSessions) {
    const member = { session_id: one.id, pilot_id: pilotId };
    const last = await transaction("session_pilot").where({ session_id: one.id }).max({ position: "position" }).first();
    await transaction("session_pilot").insert({
      ...member,
      step_id: one.stepId,
      setup_id: one.setupId,
      load_id: one.loadId ?? null,
      position: Math.min(255, (last?.position ?? -1) + 1),
    });
    added++;
  }
  await add(
    "attempt",
    record.attempts.map((one) => ({
      id: one.id,
      session_id: one.sessionId,
      pilot_id: pilotId,
      step_id: one.stepId,
      direction: one.direction,
      place: one.place,
      setup_id: one.setupId,
      load_id: one.loadId ?? null,
      outcome: one.outcome,
      faults: JSON.stringify(one.faults),
      pack: one.pack ?? null,
      minutes: one.minutes ?? null,
      measured: one.measured ? JSON.stringify(one.measured) : null,
      flown_at: at(one.flownAt),
    })),
  );
  await refreshDigestsOf(transaction, pilotId);
  await add(
    "milestone",
    (await withoutStanding(transaction, pilotId, record.milestones)).map((one) => ({
      id: one.id,
      pilot_id: pilotId,
      step_id: one.stepId,
      coach_id: one.coach.id,
      evidence: JSON.stringify(one.evidence),
      note: one.note,
      signed_at: at(one.signedAt),
      brought_in_at: now,
    })),
  );
  await add(
    "note",
    record.notes.map((one) => ({
      id: one.id,
      pilot_id: pilotId,
      coach_id: one.coach.id,
      text: one.text,
      written_at: at(one.writtenAt),
    })),
  );
  await add(
    "target",
    (record.targets ?? []).map((one) => ({
      id: one.id,
      pilot_id: pilotId,
      step_id: one.stepId,
      due_at: at(one.dueAt),
      created_at: at(record.exportedAt),
    })),
  );
  await add(
    "sign_off_request",
    record.requests.map((one) => ({
      id: one.id,
      pilot_id: pilotId,
      step_id: one.stepId,
      message: one.message,
      asked_at: at(one.askedAt),
      answered_at: atOrNull(one.answeredAt),
      answer: one.answer,
    })),
  );
  return added;
}

/** Of two sign-offs of one step only one can stand: the one that is here. */
async function withoutStanding(
  transaction: Transaction,
  pilotId: string,
  milestones: PilotRecord["milestones"],
): Promise<PilotRecord["milestones"]> {
  const standing: { id: string; step_id: string }[] = await transaction("milestone")
    .select("id", "step_id")
    .where({ pilot_id: pilotId })
    .whereNull("withdrawn_at");
  return milestones.filter((one) => !standing.some(({ id, step_id }) => step_id === one.stepId && id !== one.id));
}

async function insertNew(
  transaction: Transaction,
  table: string,
  rows: readonly Readonly<Record<string, unknown>>[],
  same: readonly string[],
): Promise<number> {
  let added = 0;
  for (let from = 0; from < rows.length; from += CHUNK) {
    const chunk = rows.slice(from, from + CHUNK);
    const known: Record<string, unknown>[] = await transaction(table)
      .select(["id", ...same])
      .whereIn(
        "id",
        chunk.map((row) => row.id as string),
      );
    const byId = new Map(known.map((row) => [row.id, row]));
    const fresh = chunk.filter((row) => {
      const there = byId.get(row.id);
      if (there && same.some((column) => there[column] !== row[column]))
        throw new Refusal(
          409,
          `The file has a ${table.replaceAll("_", " ")} that belongs to somebody else here: ${row.id as string}.`,
        );
      return !there;
    });
    try {
      if (fresh.length) await transaction(table).insert(fresh);
    } catch (error) {
      // Such as a setup of a number that another one has here.
      if (!isDuplicate(error)) throw error;
      throw new Refusal(409, `The file has a ${table.replaceAll("_", " ")} where there is another one here already.`);
    }
    added += fresh.length;
  }
  return added;
}
