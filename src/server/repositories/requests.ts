import type { SignOffRequest } from "@/contract";
import { database, type Transaction } from "../database";
import { insertOnce } from "./rows";

export interface RequestRow {
  id: string;
  pilot_id: string;
  step_id: string;
  message: string;
  asked_at: Date;
  answered_at: Date | null;
  answer: string | null;
}

const fromRow = (row: RequestRow): SignOffRequest => ({
  id: row.id,
  pilotId: row.pilot_id,
  stepId: row.step_id,
  message: row.message,
  askedAtMs: row.asked_at.getTime(),
  answeredAtMs: row.answered_at?.getTime() ?? null,
  answer: row.answer,
});

/** The requests of some pilots, newest first. */
export async function listRequests(pilotIds: readonly string[]): Promise<SignOffRequest[]> {
  const rows: RequestRow[] = await database()("sign_off_request")
    .whereIn("pilot_id", [...pilotIds])
    .orderBy("asked_at", "desc");
  return rows.map(fromRow);
}

/** The open request of a pilot at a step. Locks the pilot until the transaction ends, so that one step is asked for once. */
export async function lockOpenRequest(
  transaction: Transaction,
  pilotId: string,
  stepId: string,
): Promise<{ id: string } | undefined> {
  await transaction("pilot").where({ id: pilotId }).forUpdate().first();
  // Read as it is now, not as it was when the transaction began to wait.
  return transaction("sign_off_request")
    .where({ pilot_id: pilotId, step_id: stepId })
    .whereNull("answered_at")
    .forUpdate()
    .first("id");
}

export async function insertRequest(
  transaction: Transaction,
  request: { readonly id: string; readonly pilotId: string; readonly stepId: string; readonly message: string },
  now: Date,
): Promise<void> {
  await insertOnce(transaction, "sign_off_request", {
    id: request.id,
    pilot_id: request.pilotId,
    step_id: request.stepId,
    message: request.message,
    asked_at: now,
  });
}

export async function findRequest(transaction: Transaction, id: string): Promise<SignOffRequest | undefined> {
  const row: RequestRow | undefined = await transaction("sign_off_request").where({ id }).forUpdate().first();
  return row && fromRow(row);
}

/** Answers the open requests of a pilot for a step, all of them or one. */
export async function answerRequests(
  transaction: Transaction,
  which: { readonly id: string } | { readonly pilotId: string; readonly stepId: string },
  answer: string,
  now: Date,
): Promise<void> {
  const open = transaction("sign_off_request").whereNull("answered_at");
  await (
    "id" in which ? open.where({ id: which.id }) : open.where({ pilot_id: which.pilotId, step_id: which.stepId })
  ).update({
    answered_at: now,
    answer,
  });
}
