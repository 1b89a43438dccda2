import type { LoggedAttempt } from "@/contract";
import { outcomes, type Counted, type Outcome, type Place } from "@/core";
import { LINES_STEP } from "@/syllabus";
import { database, type Transaction } from "../database";
import { attemptFrom, type AttemptRow } from "./attempt-row";
import { lockDigest, refreshDigest } from "./digests";
import { insertOnce } from "./rows";

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

/** What was flown of one step with one setup. */
export interface FlownWithSetup extends Counted {
  readonly setupId: string;
  readonly stepId: string;
}

/** What a pilot flew for real with each setup, counted by step; those begun first stand first. */
export async function countWithSetups(pilotId: string): Promise<FlownWithSetup[]> {
  const rows: { setup_id: string; step_id: string; attempts: number; clean: number | string }[] = await database()(
    "attempt",
  )
    .select("setup_id", "step_id")
    .count({ attempts: "*" })
    .sum({ clean: database().raw("outcome = 'clean'") })
    .where({ pilot_id: pilotId })
    .whereNotNull("setup_id")
    .whereNull("undone_at")
    .whereNot({ place: "simulator" })
    .groupBy("setup_id", "step_id")
    .orderByRaw("min(flown_at), min(id)");
  return rows.map(({ setup_id, step_id, attempts, clean }) => ({
    setupId: setup_id,
    stepId: step_id,
    attempts: Number(attempts),
    clean: Number(clean),
  }));
}

export async function findAttempt(transaction: Transaction, id: string): Promise<LoggedAttempt | undefined> {
  const row: AttemptRow | undefined = await transaction("attempt").where({ id }).first();
  return row && attemptFrom(row);
}

/** What a pilot flew of one step in one direction in one session. */
export interface FlownInSession {
  readonly sessionId: string;
  readonly stepId: string;
  readonly direction: string;
  readonly place: Place;
  readonly firstMs: number;
  readonly outcomes: Readonly<Record<Outcome, number>>;
}

/** What a pilot flew in some sessions, counted; in the order begun. */
export async function countOutcomesIn(sessionIds: readonly string[], pilotId: string): Promise<FlownInSession[]> {
  const of = ["session_id", "step_id", "direction", "place"] as const;
  type Row = Readonly<Record<(typeof of)[number], string> & Record<Outcome, number | string>> & {
    readonly first: Date;
  };
  const rows: Row[] = await database()("attempt")
    .select(...of)
    .min({ first: "flown_at" })
    .sum(Object.fromEntries(outcomes.map((outcome) => [outcome, database().raw("outcome = ?", [outcome])])))
    .whereIn("session_id", [...sessionIds])
    .where({ pilot_id: pilotId })
    .whereNull("undone_at")
    .groupBy(...of)
    .orderByRaw("min(flown_at), min(id)");
  return rows.map((row) => ({
    sessionId: row.session_id,
    stepId: row.step_id,
    direction: row.direction,
    place: row.place as Place,
    firstMs: row.first.getTime(),
    outcomes: byOutcome((outcome) => Number(row[outcome])),
  }));
}

const byOutcome = <Value>(value: (outcome: Outcome) => Value) =>
  // Every outcome is among them.
  Object.fromEntries(outcomes.map((outcome) => [outcome, value(outcome)])) as Record<Outcome, Value>;

/** How many attempts of some pilots stand in each of some sessions. */
export async function countAttemptsIn(
  sessionIds: readonly string[],
  pilotIds: readonly string[],
): Promise<ReadonlyMap<string, number>> {
  const asked = new Set(pilotIds);
  const counts = new Map<string, number>();
  if (asked.size === 0) return counts;
  // Each session is counted through once, from the index: sought by pilot, too, it would be as many searches as there are pairs.
  const rows: { session_id: string; pilot_id: string; count: number }[] = await database()("attempt")
    .select("session_id", "pilot_id")
    .count({ count: "*" })
    .whereIn("session_id", [...sessionIds])
    .whereNull("undone_at")
    .groupBy("session_id", "pilot_id");
  for (const { session_id, pilot_id, count } of rows)
    if (asked.has(pilot_id)) counts.set(session_id, (counts.get(session_id) ?? 0) + count);
  return counts;
}

/** All attempts of a pilot at one step that stand, in the order flown. */
export async function listStepAttempts(pilotId: string, stepId: string): Promise<LoggedAttempt[]> {
  const rows: AttemptRow[] = await database()("attempt")
    .where({ pilot_id: pilotId, step_id: stepId })
    .whereNull("undone_at")
    .orderBy(["flown_at", "id"]);
  return rows.map(attemptFrom);
}

/** Attempts of some pilots at some steps before a moment that stand, in the order flown. */
export async function listAttemptsBefore(
  pilotIds: readonly string[],
  stepIds: readonly string[],
  before: Date,
): Promise<LoggedAttempt[]> {
  const rows: (AttemptRow & { alone: number })[] = await database()("attempt")
    .join("session", "session.id", "attempt.session_id")
    .whereIn("pilot_id", [...pilotIds])
    .whereIn("step_id", [...stepIds])
    .where("flown_at", "<", before)
    .whereNull("undone_at")
    .orderBy(["flown_at", "attempt.id"])
    .select("attempt.*", database().raw("session.coach_id is null as alone"));
  return rows.map(withAlone);
}

/** Tries at lines that stand, in the order flown: at one line by some pilots, or at any line by one. */
export async function listLineTries(
  pilotIds: readonly string[],
  lineId: string | null = null,
): Promise<LoggedAttempt[]> {
  const rows: (AttemptRow & { alone: number })[] = await database()("attempt")
    .join("session", "session.id", "attempt.session_id")
    .whereIn("pilot_id", [...pilotIds])
    .where("step_id", LINES_STEP)
    .whereNotNull("line")
    .whereNull("undone_at")
    .where((asked) => void (lineId === null ? asked : asked.whereRaw("json_value(line, '$.id') = ?", [lineId])))
    .orderBy(["flown_at", "attempt.id"])
    .select("attempt.*", database().raw("session.coach_id is null as alone"));
  return rows.map(withAlone);
}

const withAlone = (row: AttemptRow & { alone: number }): LoggedAttempt => ({
  ...attemptFrom(row),
  ...(row.alone && { alone: true as const }),
});

/** Attempts of a pilot since a moment that stand, in the order flown. */
export async function listAttemptsSince(pilotId: string, since: Date): Promise<LoggedAttempt[]> {
  const rows: AttemptRow[] = await database()("attempt")
    .where({ pilot_id: pilotId })
    .where("flown_at", ">=", since)
    .whereNull("undone_at")
    .orderBy(["flown_at", "id"]);
  return rows.map(attemptFrom);
}

/** How many of a pilot's attempts at each step were flown and logged without a coach. */
export async function countAlone(pilotId: string): Promise<Readonly<Record<string, number>>> {
  const rows: { step_id: string; count: number | string }[] = await database()("attempt")
    .join("session", "session.id", "attempt.session_id")
    .select("step_id")
    .count({ count: "*" })
    .where({ pilot_id: pilotId })
    .whereNot("attempt.place", "simulator")
    .whereNull("undone_at")
    .whereNull("session.coach_id")
    .groupBy("step_id");
  return Object.fromEntries(rows.map(({ step_id, count }) => [step_id, Number(count)]));
}

/** Keeps an attempt once; an attempt with this id that is already there stays as it is. */
export async function insertAttempt(transaction: Transaction, attempt: Omit<LoggedAttempt, "undone">): Promise<void> {
  const { pilotId, stepId } = attempt;
  await lockDigest(transaction, pilotId, stepId);
  const there = await findAttempt(transaction, attempt.id);
  // A clean tap may count as a rough one since, by what was touched or missed: its repeated send is still the same.
  const since = there?.outcome === "rough" && attempt.outcome === "clean";
  await insertOnce(transaction, "attempt", attemptRow(since ? { ...attempt, outcome: "rough" } : attempt));
  await refreshDigest(transaction, pilotId, stepId);
}

/** Keeps many new attempts, without their digests: whoever does this makes those anew. */
export async function insertAttempts(
  transaction: Transaction,
  attempts: readonly Omit<LoggedAttempt, "undone">[],
): Promise<void> {
  await transaction.batchInsert("attempt", attempts.map(attemptRow), 1000);
}

function attemptRow(attempt: Omit<LoggedAttempt, "undone">) {
  return {
    id: attempt.id,
    session_id: attempt.sessionId,
    pilot_id: attempt.pilotId,
    step_id: attempt.stepId,
    direction: attempt.direction,
    place: attempt.place,
    setup_id: attempt.setupId,
    load_id: attempt.loadId ?? null,
    outcome: attempt.outcome,
    faults: JSON.stringify(attempt.faults),
    pack: attempt.pack,
    minutes: attempt.minutes,
    measured: Object.keys(attempt.measured).length > 0 ? JSON.stringify(attempt.measured) : null,
    line: attempt.line ? JSON.stringify(attempt.line) : null,
    flown_at: new Date(attempt.atMs),
  };
}

/** Changes what is kept of an attempt; what is left out stays. */
export async function updateAttempt(
  transaction: Transaction,
  { id, pilotId, stepId }: Pick<LoggedAttempt, "id" | "pilotId" | "stepId">,
  change: Partial<Pick<LoggedAttempt, "faults" | "line" | "measured" | "minutes" | "outcome">>,
): Promise<void> {
  await lockDigest(transaction, pilotId, stepId);
  await transaction("attempt")
    .where({ id })
    .update({
      ...(change.faults && { faults: JSON.stringify(change.faults) }),
      ...(change.line && { line: JSON.stringify(change.line) }),
      ...(change.measured && { measured: JSON.stringify(change.measured) }),
      ...(change.outcome && { outcome: change.outcome }),
      ...(change.minutes !== undefined && { minutes: change.minutes }),
    });
  await refreshDigest(transaction, pilotId, stepId);
}

/** Takes an attempt back, or lets it stand again with null. */
export async function setUndone(
  transaction: Transaction,
  { id, pilotId, stepId }: Pick<LoggedAttempt, "id" | "pilotId" | "stepId">,
  undoneAt: Date | null,
): Promise<void> {
  await lockDigest(transaction, pilotId, stepId);
  await transaction("attempt").where({ id }).update({ undone_at: undoneAt });
  await refreshDigest(transaction, pilotId, stepId);
}
