import { randomBytes } from "node:crypto";
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
export type Flown = ReadonlyMap<string, FlownSteps>;
type FlownSteps = ReadonlyMap<string, DigestedStep>;

/** Digests of all steps of some pilots, with the recent attempts of each: for a few pilots. */
export async function listFlown(pilotIds: readonly string[]): Promise<Flown> {
  const read = await readOf(pilotIds, "whole");
  return new Map(pilotIds.map((id) => [id, read.get(id)?.steps ?? NOTHING_FLOWN]));
}

/**
 * The same without recent attempts but for the steps that are asked for: for a whole squad. Three queries at most, whatever their number; one where nothing
 * changed since the last look.
 */
export async function listFlownBriefly(
  pilotIds: readonly string[],
  recentOfSteps: (counts: Flown) => readonly (readonly [pilotId: string, stepId: string])[],
): Promise<Flown> {
  const counts = await readOf(pilotIds, "counts");
  const wanted = recentOfSteps(new Map(pilotIds.map((id) => [id, counts.get(id)?.steps ?? NOTHING_FLOWN])));
  const recent = await readRecent(counts, wanted);
  const stepsOf = new Map<string, string[]>();
  for (const [pilotId, stepId] of wanted) stepsOf.set(pilotId, [...(stepsOf.get(pilotId) ?? []), stepId]);
  return new Map(
    pilotIds.map((id) => {
      const own = counts.get(id);
      return [id, own ? briefOf(own, stepsOf.get(id) ?? [], (stepId) => recent.get(`${id} ${stepId}`)) : NOTHING_FLOWN];
    }),
  );
}

/**
 * What was read of a pilot's digests, and at which revision of them: to read a squad's all anew is most of the work of a look at it, and hardly one changes.
 * The revision is that of the rows themselves: another node of a cluster may know less than the one that was asked first.
 */
interface Read {
  readonly revision: string;
  readonly steps: FlownSteps;
  /** Of each step by itself. */
  readonly revisions: ReadonlyMap<string, string>;
  readonly recent: Map<string, readonly Attempt[]>;
  /** As it was last put together, and of what. */
  brief?: { readonly recent: readonly (readonly Attempt[])[]; readonly asked: string; readonly flown: FlownSteps };
}
/** All of the digests, or only what is counted. */
type Depth = "whole" | "counts";

/** A pilot's recent attempts at all steps are a megabyte or two, the counts a fiftieth of it. */
const MOST_PILOTS: Readonly<Record<Depth, number>> = { whole: 16, counts: 200 };
const lastRead: Readonly<Record<Depth, Map<string, Read>>> = { whole: new Map(), counts: new Map() };
const NOTHING_FLOWN: FlownSteps = new Map();
const NO_RECENT: readonly Attempt[] = [];

interface DigestRow {
  pilot_id: string;
  step_id: string;
  digest: string;
  recent?: string;
  revision: string;
}

/** The digests of pilots of whom anything was flown; from the database only those that changed since they were read. */
async function readOf(pilotIds: readonly string[], depth: Depth): Promise<ReadonlyMap<string, Read>> {
  const now: { pilot_id: string; revision: string }[] = await database()("step_digest")
    .select("pilot_id", database().raw("concat(count(*), ' ', bit_xor(revision)) as revision"))
    .whereIn("pilot_id", [...pilotIds])
    .groupBy("pilot_id");
  const last = lastRead[depth];
  const read = new Map<string, Read>();
  const missing: string[] = [];
  for (const { pilot_id, revision } of now) {
    const before = last.get(pilot_id);
    if (before?.revision === revision) read.set(pilot_id, before);
    else missing.push(pilot_id);
  }
  if (missing.length === 0) return read;
  const rows: DigestRow[] = await database()("step_digest")
    .select("pilot_id", "step_id", "digest", ...(depth === "whole" ? ["recent"] : []))
    .select(database().raw("cast(revision as char) as revision"))
    .whereIn("pilot_id", missing);
  if (last.size + missing.length > MOST_PILOTS[depth]) last.clear();
  for (const pilotId of missing) {
    const own = readFrom(rows.filter(({ pilot_id }) => pilot_id === pilotId));
    read.set(pilotId, own);
    last.set(pilotId, own);
  }
  return read;
}

function readFrom(rows: readonly DigestRow[]): Read {
  const steps = new Map<string, DigestedStep>();
  for (const row of rows) {
    const digest = digestFrom(row.digest);
    if (digest.attempts > 0)
      steps.set(row.step_id, { digest, recent: row.recent ? recentFrom(row.recent) : NO_RECENT });
  }
  return {
    revision: `${rows.length} ${rows.reduce((all, { revision }) => all ^ BigInt(revision), BigInt(0))}`,
    steps,
    revisions: new Map(rows.map(({ step_id, revision }) => [step_id, revision])),
    recent: new Map(),
  };
}

/** Recent attempts of some steps of pilots, by "pilot step". */
async function readRecent(
  counts: ReadonlyMap<string, Read>,
  wanted: readonly (readonly [pilotId: string, stepId: string])[],
): Promise<ReadonlyMap<string, readonly Attempt[]>> {
  const found = new Map<string, readonly Attempt[]>();
  const missing = wanted.filter(([pilotId, stepId]) => {
    const known = counts.get(pilotId)?.recent.get(stepId);
    if (known) found.set(`${pilotId} ${stepId}`, known);
    return !known;
  });
  if (missing.length === 0) return found;
  const rows: { pilot_id: string; step_id: string; recent: string; revision: string }[] = await database()(
    "step_digest",
  )
    .select("pilot_id", "step_id", "recent", database().raw("cast(revision as char) as revision"))
    .whereIn(["pilot_id", "step_id"], missing as never[]);
  for (const row of rows) {
    const recent = recentFrom(row.recent);
    found.set(`${row.pilot_id} ${row.step_id}`, recent);
    const own = counts.get(row.pilot_id);
    if (own?.revisions.get(row.step_id) === row.revision) own.recent.set(row.step_id, recent);
  }
  return found;
}

/** One and the same for as long as it holds the same, so that what is worked out from it is found again. */
function briefOf(
  own: Read,
  stepIds: readonly string[],
  recentAt: (stepId: string) => readonly Attempt[] | undefined,
): FlownSteps {
  const asked = stepIds.join();
  const recent = stepIds.map((stepId) => recentAt(stepId) ?? NO_RECENT);
  if (own.brief?.asked === asked && recent.every((one, i) => one === own.brief!.recent[i])) return own.brief.flown;
  const byStep = new Map(stepIds.map((stepId, i) => [stepId, recent[i]]));
  const flown = new Map(
    [...own.steps].map(([stepId, { digest }]) => [stepId, { digest, recent: byStep.get(stepId) ?? NO_RECENT }]),
  );
  own.brief = { recent, asked, flown };
  return flown;
}

/** Reads JSON, and keeps what was read by its text: of a pilot who has just flown, all steps but one are as they were. */
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
      // Never one that was there before.
      revision: randomBytes(8).readBigUInt64BE().toString(),
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
