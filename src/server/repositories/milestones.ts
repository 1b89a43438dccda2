import type { AdviceKind } from "@/core";
import { database, type Transaction } from "../database";
import { fromJson, insertOnce } from "./rows";

/** What stood when a step was signed off. */
export interface MilestoneEvidence {
  readonly advice: AdviceKind;
  readonly sentence: string;
  readonly directions: readonly {
    readonly direction: string;
    readonly cleanOfLast: number;
    readonly lookedAt: number;
    readonly attempts: number;
    readonly low: number;
    readonly high: number;
  }[];
}

export interface Milestone {
  readonly id: string;
  readonly pilotId: string;
  readonly stepId: string;
  readonly coachId: string;
  readonly coachName: string;
  readonly evidence: MilestoneEvidence;
  readonly note: string;
  readonly signedAtMs: number;
}

interface MilestoneRow {
  id: string;
  pilot_id: string;
  step_id: string;
  coach_id: string;
  coach_name: string;
  evidence: unknown;
  note: string;
  signed_at: Date;
}

const milestoneFrom = (row: MilestoneRow): Milestone => ({
  id: row.id,
  pilotId: row.pilot_id,
  stepId: row.step_id,
  coachId: row.coach_id,
  coachName: row.coach_name,
  evidence: fromJson(row.evidence),
  note: row.note,
  signedAtMs: row.signed_at.getTime(),
});

/** Milestones that stand, of everybody or of one pilot, oldest first. */
export async function listMilestones(pilotId?: string): Promise<Milestone[]> {
  const query = database()("milestone")
    .join("coach", "coach.id", "milestone.coach_id")
    .select("milestone.*", "coach.name as coach_name")
    .whereNull("withdrawn_at")
    .orderBy("signed_at");
  const rows: MilestoneRow[] = await (pilotId ? query.where({ pilot_id: pilotId }) : query);
  return rows.map(milestoneFrom);
}

/** The standing milestone of a pilot at a step. Locks the pilot until the transaction ends, so that two sign-offs cannot both stand. */
export async function lockMilestone(
  transaction: Transaction,
  pilotId: string,
  stepId: string,
): Promise<{ id: string } | undefined> {
  await transaction("pilot").where({ id: pilotId }).forUpdate().first();
  return transaction("milestone").where({ pilot_id: pilotId, step_id: stepId }).whereNull("withdrawn_at").first();
}

export async function insertMilestone(
  transaction: Transaction,
  milestone: Omit<Milestone, "coachName">,
): Promise<void> {
  await insertOnce(transaction, "milestone", {
    id: milestone.id,
    pilot_id: milestone.pilotId,
    step_id: milestone.stepId,
    coach_id: milestone.coachId,
    evidence: JSON.stringify(milestone.evidence),
    note: milestone.note,
    signed_at: new Date(milestone.signedAtMs),
  });
}

/** Takes a sign-off back, or restores it with null. Returns whether there was one. */
export async function setWithdrawn(transaction: Transaction, id: string, withdrawnAt: Date | null): Promise<boolean> {
  return (await transaction("milestone").where({ id }).update({ withdrawn_at: withdrawnAt })) === 1;
}
