import type { Target } from "@/contract";
import { database, type Transaction } from "../database";
import { insertOnce } from "./rows";

/** Targets of some pilots, the nearest first, without those in the bin. */
export async function listTargets(pilotIds: readonly string[]): Promise<Target[]> {
  const rows: { id: string; pilot_id: string; step_id: string; due_at: Date }[] = await database()("target")
    .whereIn("pilot_id", [...pilotIds])
    .whereNull("removed_at")
    .orderBy(["due_at", "id"]);
  return rows.map((row) => ({ id: row.id, pilotId: row.pilot_id, stepId: row.step_id, dueAtMs: row.due_at.getTime() }));
}

/** Keeps a target once. */
export async function insertTarget(transaction: Transaction, target: Target, now: Date): Promise<void> {
  await insertOnce(transaction, "target", {
    id: target.id,
    pilot_id: target.pilotId,
    step_id: target.stepId,
    due_at: new Date(target.dueAtMs),
    created_at: now,
  });
}

/** Puts a target into the bin, or brings it back with null. */
export async function setTargetRemoved(transaction: Transaction, id: string, removedAt: Date | null): Promise<void> {
  await transaction("target").where({ id }).update({ removed_at: removedAt });
}
