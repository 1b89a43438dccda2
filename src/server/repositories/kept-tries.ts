import type { KeptTryFound, LineTry } from "@/contract";
import type { Outcome } from "@/core";
import { database, type Transaction } from "../database";
import { fromJson } from "./rows";

/** Of a pilot's tries so many keep their sticks; of older ones the attempt stays. Ours: about 3 MB. */
const MOST_KEPT = 500;

/** Keeps the sticks of a try once, and lets go of a pilot's oldest where there are too many. */
export async function insertKeptTry(
  transaction: Transaction,
  { attemptId, pilotId, packed }: { readonly attemptId: string; readonly pilotId: string; readonly packed: Buffer },
): Promise<void> {
  const row = { attempt_id: attemptId, pilot_id: pilotId, packed };
  await transaction("kept_try").insert(row).onConflict("attempt_id").ignore();
  const older: { attempt_id: string }[] = await transaction("kept_try")
    .where({ pilot_id: pilotId })
    .orderBy("attempt_id", "desc")
    .offset(MOST_KEPT)
    .limit(100)
    .select("attempt_id");
  if (older.length > 0)
    await transaction("kept_try")
      .whereIn(
        "attempt_id",
        older.map((one) => one.attempt_id),
      )
      .delete();
}

/** A pilot's newest tries that can be flown again, newest first. */
export async function listKeptTries(pilotId: string, most: number): Promise<KeptTryFound[]> {
  const rows: {
    id: string;
    step_id: string;
    direction: string;
    outcome: Outcome;
    flown_at: Date;
    minutes: number;
    line: unknown;
  }[] = await database()("kept_try")
    .join("attempt", "attempt.id", "kept_try.attempt_id")
    .where("kept_try.pilot_id", pilotId)
    .whereNull("undone_at")
    .orderBy([
      { column: "flown_at", order: "desc" },
      { column: "attempt.id", order: "desc" },
    ])
    .limit(most)
    .select("attempt.id", "step_id", "direction", "outcome", "flown_at", "minutes", "line");
  return rows.map((row) => ({
    id: row.id,
    stepId: row.step_id,
    direction: row.direction,
    outcome: row.outcome,
    atMs: row.flown_at.getTime(),
    seconds: Math.round(60 * row.minutes),
    lineId: row.line === null ? null : fromJson<LineTry>(row.line).id,
  }));
}

/** The packed sticks of a try, or undefined where none are kept. */
export async function findKeptTry(attemptId: string): Promise<Buffer | undefined> {
  const row: { packed: Buffer } | undefined = await database()("kept_try")
    .where({ attempt_id: attemptId })
    .first("packed");
  return row?.packed;
}
