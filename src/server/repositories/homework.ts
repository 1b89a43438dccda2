import type { Homework } from "@/contract";
import { database, type Transaction } from "../database";
import { insertOnce } from "./rows";

/** Homework of some pilots that stands, the nearest first, with the clean tries since it was set. */
export async function listHomework(pilotIds: readonly string[]): Promise<Homework[]> {
  const rows: {
    id: string;
    pilot_id: string;
    step_id: string;
    tries: number;
    due_at: Date;
    created_at: Date;
    done: number | string;
  }[] = await database()("homework")
    .select("homework.*")
    .select(
      database().raw(
        `(select count(*) from attempt where attempt.pilot_id = homework.pilot_id and attempt.step_id = homework.step_id
          and place = 'simulator' and outcome = 'clean' and undone_at is null and flown_at >= homework.created_at) as done`,
      ),
    )
    .whereIn("pilot_id", [...pilotIds])
    .whereNull("removed_at")
    .orderBy(["due_at", "id"]);
  return rows.map((row) => ({
    id: row.id,
    pilotId: row.pilot_id,
    stepId: row.step_id,
    tries: row.tries,
    dueAtMs: row.due_at.getTime(),
    setAtMs: row.created_at.getTime(),
    done: Number(row.done),
  }));
}

/** Keeps homework once. */
export async function insertHomework(
  transaction: Transaction,
  { id, pilotId, stepId, tries, dueAtMs }: Omit<Homework, "done" | "setAtMs">,
  now: Date,
): Promise<void> {
  const row = { id, pilot_id: pilotId, step_id: stepId, tries, due_at: new Date(dueAtMs), created_at: now };
  await insertOnce(transaction, "homework", row);
}

/** Takes homework back, or brings it back with null. */
export async function setHomeworkRemoved(transaction: Transaction, id: string, removedAt: Date | null): Promise<void> {
  await transaction("homework").where({ id }).update({ removed_at: removedAt });
}
