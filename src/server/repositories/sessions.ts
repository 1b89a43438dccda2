import type { Attempt, Outcome, Place } from "@/core";
import { database, type Transaction } from "../database";
import { fromJson, insertOnce } from "./rows";

export interface SessionPilot {
  readonly pilotId: string;
  readonly stepId: string;
  readonly setupId: string | null;
}

export interface Session {
  readonly id: string;
  readonly squadId: string;
  /** Who runs it; null when a pilot practises without a coach. */
  readonly coachId: string | null;
  readonly place: Place;
  readonly startedAtMs: number;
  readonly endedAtMs: number | null;
  /** In the order in which they take turns. */
  readonly pilots: readonly SessionPilot[];
}

/** An attempt as it is kept. */
export interface LoggedAttempt extends Attempt {
  readonly id: string;
  readonly sessionId: string;
  readonly pilotId: string;
  readonly stepId: string;
  readonly faults: readonly string[];
  readonly undone: boolean;
}

interface SessionRow {
  id: string;
  squad_id: string;
  coach_id: string | null;
  place: Place;
  started_at: Date;
  ended_at: Date | null;
}

interface AttemptRow {
  id: string;
  session_id: string;
  pilot_id: string;
  step_id: string;
  direction: string;
  place: Place;
  setup_id: string | null;
  outcome: Outcome;
  faults: unknown;
  flown_at: Date;
  undone_at: Date | null;
}

const attemptFrom = (row: AttemptRow): LoggedAttempt => ({
  id: row.id,
  sessionId: row.session_id,
  pilotId: row.pilot_id,
  stepId: row.step_id,
  direction: row.direction,
  place: row.place,
  setupId: row.setup_id,
  outcome: row.outcome,
  faults: fromJson(row.faults),
  atMs: row.flown_at.getTime(),
  undone: row.undone_at !== null,
});

async function withPilots(rows: readonly SessionRow[]): Promise<Session[]> {
  const members: { session_id: string; pilot_id: string; step_id: string; setup_id: string | null }[] =
    await database()("session_pilot")
      .whereIn(
        "session_id",
        rows.map((row) => row.id),
      )
      .orderBy("position");
  return rows.map((row) => ({
    id: row.id,
    squadId: row.squad_id,
    coachId: row.coach_id,
    place: row.place,
    startedAtMs: row.started_at.getTime(),
    endedAtMs: row.ended_at?.getTime() ?? null,
    pilots: members
      .filter((member) => member.session_id === row.id)
      .map((member) => ({ pilotId: member.pilot_id, stepId: member.step_id, setupId: member.setup_id })),
  }));
}

/** The newest sessions in which any of some pilots flies, newest first. */
export async function listSessions(pilotIds: readonly string[], limit: number): Promise<Session[]> {
  return withPilots(
    await database()("session")
      .whereIn(
        "id",
        database()("session_pilot")
          .select("session_id")
          .whereIn("pilot_id", [...pilotIds]),
      )
      .orderBy("started_at", "desc")
      .limit(limit),
  );
}

export async function findSession(id: string): Promise<Session | undefined> {
  const row: SessionRow | undefined = await database()("session").where({ id }).first();
  return row && (await withPilots([row]))[0];
}

/** The attempts of one session in the order flown, undone ones too. */
export async function listSessionAttempts(sessionId: string): Promise<LoggedAttempt[]> {
  const rows: AttemptRow[] = await database()("attempt").where({ session_id: sessionId }).orderBy(["flown_at", "id"]);
  return rows.map(attemptFrom);
}

/** Attempts of some pilots that stand, in the order flown. */
export async function listAttempts(pilotIds: readonly string[]): Promise<LoggedAttempt[]> {
  const rows: AttemptRow[] = await database()("attempt")
    .whereIn("pilot_id", [...pilotIds])
    .whereNull("undone_at")
    .orderBy(["flown_at", "id"]);
  return rows.map(attemptFrom);
}

/** The steps that each of some pilots has tried, by pilot id. */
export async function triedSteps(pilotIds: readonly string[]): Promise<ReadonlyMap<string, ReadonlySet<string>>> {
  const rows: { pilot_id: string; step_id: string }[] = await database()("attempt")
    .distinct("pilot_id", "step_id")
    .whereIn("pilot_id", [...pilotIds])
    .whereNull("undone_at");
  const tried = new Map<string, Set<string>>(pilotIds.map((id) => [id, new Set()]));
  for (const { pilot_id, step_id } of rows) tried.get(pilot_id)?.add(step_id);
  return tried;
}

/** Which of some sessions pilots fly by themselves. */
export async function practiceSessionIds(pilotIds: readonly string[]): Promise<ReadonlySet<string>> {
  const rows: { session_id: string }[] = await database()("session_pilot")
    .join("session", "session.id", "session_pilot.session_id")
    .select("session_pilot.session_id")
    .whereIn("session_pilot.pilot_id", [...pilotIds])
    .whereNull("session.coach_id");
  return new Set(rows.map((row) => row.session_id));
}

/** Whether a session is over. */
export async function sessionEnded(transaction: Transaction, id: string): Promise<boolean> {
  return (await transaction("session").where({ id }).whereNotNull("ended_at").first("id")) !== undefined;
}

export async function findAttempt(transaction: Transaction, id: string): Promise<LoggedAttempt | undefined> {
  const row: AttemptRow | undefined = await transaction("attempt").where({ id }).forUpdate().first();
  return row && attemptFrom(row);
}

export async function insertSession(transaction: Transaction, session: Omit<Session, "endedAtMs">): Promise<void> {
  const there = await insertOnce(transaction, "session", {
    id: session.id,
    squad_id: session.squadId,
    coach_id: session.coachId,
    place: session.place,
    started_at: new Date(session.startedAtMs),
  });
  if (there) return;
  await transaction("session_pilot").insert(
    session.pilots.map((member, position) => ({
      session_id: session.id,
      pilot_id: member.pilotId,
      step_id: member.stepId,
      setup_id: member.setupId,
      position,
    })),
  );
}

/** Closes a session, or opens it again with null. */
export async function setSessionEnd(transaction: Transaction, id: string, endedAt: Date | null): Promise<void> {
  await transaction("session").where({ id }).update({ ended_at: endedAt });
}

/** Keeps an attempt once; an attempt with this id that is already there stays as it is. */
export async function insertAttempt(transaction: Transaction, attempt: Omit<LoggedAttempt, "undone">): Promise<void> {
  await insertOnce(transaction, "attempt", {
    id: attempt.id,
    session_id: attempt.sessionId,
    pilot_id: attempt.pilotId,
    step_id: attempt.stepId,
    direction: attempt.direction,
    place: attempt.place,
    setup_id: attempt.setupId,
    outcome: attempt.outcome,
    faults: JSON.stringify(attempt.faults),
    flown_at: new Date(attempt.atMs),
  });
}

export async function updateFaults(transaction: Transaction, id: string, faults: readonly string[]): Promise<void> {
  await transaction("attempt")
    .where({ id })
    .update({ faults: JSON.stringify(faults) });
}

export async function setUndone(transaction: Transaction, id: string, undoneAt: Date | null): Promise<void> {
  await transaction("attempt").where({ id }).update({ undone_at: undoneAt });
}
