import { digestOf, recentOf, type Attempt, type StepDigest } from "@/core";
import type { DigestedStep } from "@/syllabus";
import { database, type Transaction } from "../database";
import { attemptFrom, type AttemptRow } from "./attempt-row";
import { fromJson } from "./rows";
import { rulesOfPilot } from "./squads";
import { inTransaction } from "./transaction";

/** Counted up whenever a digest changes its shape: those of another number are made anew when the application starts. */
const FORMAT = 3;

/** What was flown at each step by each of some pilots, by pilot and step id. */
export type Flown = ReadonlyMap<string, ReadonlyMap<string, DigestedStep>>;

interface DigestRow {
  pilot_id: string;
  step_id: string;
  digest: string;
  recent?: string;
}

/** Digests of all steps of some pilots, with the recent attempts of each: for a few pilots. */
export async function listFlown(pilotIds: readonly string[]): Promise<Flown> {
  return flownFrom(
    pilotIds,
    await database()("step_digest")
      .select("pilot_id", "step_id", "digest", "recent")
      .whereIn("pilot_id", [...pilotIds]),
  );
}

/** The same without recent attempts but for the steps that are asked for: for a whole squad. Two queries, whatever their number. */
export async function listFlownBriefly(
  pilotIds: readonly string[],
  recentOfSteps: (counts: Flown) => readonly (readonly [pilotId: string, stepId: string])[],
): Promise<Flown> {
  const counts = flownFrom(
    pilotIds,
    await database()("step_digest")
      .select("pilot_id", "step_id", "digest")
      .whereIn("pilot_id", [...pilotIds]),
  );
  const wanted = recentOfSteps(counts);
  const rows: (Pick<DigestRow, "pilot_id" | "step_id"> & { recent: string })[] =
    wanted.length === 0
      ? []
      : await database()("step_digest")
          .select("pilot_id", "step_id", "recent")
          .whereIn(["pilot_id", "step_id"], wanted as never[]);
  const recent = new Map(rows.map((row) => [`${row.pilot_id} ${row.step_id}`, recentFrom(row.recent)]));
  return new Map(
    [...counts].map(([pilotId, steps]) => [
      pilotId,
      new Map(
        [...steps].map(([stepId, one]) => [stepId, { ...one, recent: recent.get(`${pilotId} ${stepId}`) ?? [] }]),
      ),
    ]),
  );
}

/** Reads JSON, and keeps what was read by its text: between two looks at a squad hardly one changes, and to read them all anew is a good part of the work. */
function readOnce<T>(most: number): (text: string) => T {
  const read = new Map<string, T>();
  return (text) => {
    const known = read.get(text);
    if (known !== undefined) return known;
    if (read.size >= most) read.clear();
    const value = fromJson<T>(text);
    read.set(text, value);
    return value;
  };
}
const digestFrom = readOnce<StepDigest>(3000);
const recentFrom = readOnce<readonly Attempt[]>(500);

function flownFrom(pilotIds: readonly string[], rows: readonly DigestRow[]): Flown {
  const flown = new Map(pilotIds.map((id) => [id, new Map<string, DigestedStep>()]));
  for (const row of rows) {
    const digest = digestFrom(row.digest);
    if (digest.attempts > 0)
      flown.get(row.pilot_id)?.set(row.step_id, { digest, recent: row.recent ? recentFrom(row.recent) : [] });
  }
  return flown;
}

/**
 * Keeps others from changing attempts of this pilot at this step until the transaction ends. Taken before the attempt itself, so that two who tap
 * at once wait for one another instead of colliding.
 */
export async function lockDigest(transaction: Transaction, pilotId: string, stepId: string): Promise<void> {
  await transaction("step_digest")
    .insert({ pilot_id: pilotId, step_id: stepId, format: 0, digest: "{}", recent: "[]" })
    .onConflict(["pilot_id", "step_id"])
    .merge({ format: 0 });
}

/** Makes the digest of a step anew from its attempts that stand. The digest must be locked. */
export async function refreshDigest(transaction: Transaction, pilotId: string, stepId: string): Promise<void> {
  const rows: AttemptRow[] = await transaction("attempt")
    .where({ pilot_id: pilotId, step_id: stepId })
    .whereNull("undone_at")
    .orderBy(["flown_at", "id"])
    .forShare();
  const [{ timeZone }, alone] = await Promise.all([
    rulesOfPilot(transaction, pilotId),
    sessionsAlone(transaction, [...new Set(rows.map(({ session_id }) => session_id))]),
  ]);
  const attempts = rows.map((row) => ({
    ...attemptFrom(row),
    ...(alone.has(row.session_id) && { alone: true as const }),
  }));
  const digest = digestOf(attempts, timeZone);
  await transaction("step_digest")
    .where({ pilot_id: pilotId, step_id: stepId })
    .update({
      format: FORMAT,
      digest: JSON.stringify(digest),
      recent: JSON.stringify(recentOf(attempts).map(slim)),
      last_at: digest.lastMs === null ? null : new Date(digest.lastMs),
    });
}

/** Which of some sessions a pilot flew without a coach. */
async function sessionsAlone(transaction: Transaction, sessionIds: readonly string[]): Promise<ReadonlySet<string>> {
  if (sessionIds.length === 0) return new Set();
  const rows: { id: string }[] = await transaction("session")
    .whereIn("id", [...sessionIds])
    .whereNull("coach_id")
    .select("id");
  return new Set(rows.map(({ id }) => id));
}

/** Makes the digests of all pilots of a squad anew: its days are others now. */
export async function refreshDigestsIn(transaction: Transaction, squadId: string): Promise<void> {
  const pilots: { id: string }[] = await transaction("pilot").where({ squad_id: squadId }).select("id");
  for (const { id } of pilots) await refreshDigestsOf(transaction, id);
}

/** Makes all digests of a pilot anew. */
export async function refreshDigestsOf(transaction: Transaction, pilotId: string): Promise<void> {
  const steps: { step_id: string }[] = await transaction("attempt").distinct("step_id").where({ pilot_id: pilotId });
  for (const { step_id } of steps) {
    await lockDigest(transaction, pilotId, step_id);
    await refreshDigest(transaction, pilotId, step_id);
  }
}

/** Makes anew whatever digests are missing or of an older shape. Returns how many. */
export async function rebuildDigests(): Promise<number> {
  const [stale] = (await database().raw(
    `select attempt.pilot_id, attempt.step_id from attempt
      left join step_digest on step_digest.pilot_id = attempt.pilot_id and step_digest.step_id = attempt.step_id
      where step_digest.format is null or step_digest.format <> ?
      group by attempt.pilot_id, attempt.step_id`,
    [FORMAT],
  )) as [{ pilot_id: string; step_id: string }[]];
  for (const { pilot_id, step_id } of stale)
    await inTransaction(async (transaction) => {
      await lockDigest(transaction, pilot_id, step_id);
      await refreshDigest(transaction, pilot_id, step_id);
    });
  return stale.length;
}

/** An attempt without what evidence does not need. */
function slim({
  direction,
  outcome,
  place,
  setupId,
  atMs,
  sessionId,
  alone,
  pack,
  minutes,
  faults,
  measured,
}: Attempt): Attempt {
  return {
    direction,
    outcome,
    place,
    setupId,
    atMs,
    sessionId,
    ...(alone && { alone }),
    ...(pack !== null && { pack }),
    ...(minutes !== null && { minutes }),
    ...(faults?.length && { faults }),
    ...(measured && Object.keys(measured).length > 0 && { measured }),
  };
}
