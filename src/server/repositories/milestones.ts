import type { Milestone } from "@/contract";
import { database, type Transaction } from "../database";
import { fromJson, insertOnce } from "./rows";

export interface MilestoneRow {
  id: string;
  pilot_id: string;
  step_id: string;
  coach_id: string;
  coach_name: string;
  evidence: unknown;
  note: string;
  signed_at: Date;
  brought_in_at: Date | null;
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
  broughtIn: row.brought_in_at !== null,
});

/** Milestones of some pilots that stand, oldest first. */
export async function listMilestones(pilotIds: readonly string[]): Promise<Milestone[]> {
  const rows: MilestoneRow[] = await database()("milestone")
    .join("coach", "coach.id", "milestone.coach_id")
    .select("milestone.*", "coach.name as coach_name")
    .whereIn("pilot_id", [...pilotIds])
    .whereNull("withdrawn_at")
    .orderBy("signed_at");
  return rows.map(milestoneFrom);
}

/** Ids of the steps that are signed off, by pilot. */
export async function listSignedOff(pilotIds: readonly string[]): Promise<ReadonlyMap<string, ReadonlySet<string>>> {
  const rows: { pilot_id: string; steps: string }[] = await database()("milestone")
    // Of those that are not withdrawn, from the index alone.
    .select("pilot_id", database().raw("group_concat(standing_step order by standing_step separator ' ') as steps"))
    .whereIn("pilot_id", [...pilotIds])
    .whereNotNull("standing_step")
    .groupBy("pilot_id");
  const signed = new Map(rows.map(({ pilot_id, steps }) => [pilot_id, stepsIn(pilot_id, steps)]));
  return new Map(pilotIds.map((id) => [id, signed.get(id) ?? NONE]));
}

const NONE: ReadonlySet<string> = new Set();
const MOST_PILOTS = 500;
const lastSigned = new Map<string, { readonly steps: string; readonly signedOff: ReadonlySet<string> }>();

/** One and the same for as long as nothing is signed off or withdrawn, so that what is worked out from it is found again. */
function stepsIn(pilotId: string, steps: string): ReadonlySet<string> {
  const before = lastSigned.get(pilotId);
  if (before?.steps === steps) return before.signedOff;
  if (lastSigned.size >= MOST_PILOTS) lastSigned.clear();
  const signedOff = new Set(steps.split(" "));
  lastSigned.set(pilotId, { steps, signedOff });
  return signedOff;
}

/** The standing milestone of a pilot at a step. Locks the pilot until the transaction ends, so that two sign-offs cannot both stand. */
export async function lockMilestone(
  transaction: Transaction,
  pilotId: string,
  stepId: string,
): Promise<{ id: string } | undefined> {
  await transaction("pilot").where({ id: pilotId }).forUpdate().first();
  // Read as it is now, not as it was when the transaction began to wait.
  return transaction("milestone")
    .where({ pilot_id: pilotId, step_id: stepId })
    .whereNull("withdrawn_at")
    .forUpdate()
    .first();
}

export async function insertMilestone(
  transaction: Transaction,
  milestone: Omit<Milestone, "coachName" | "broughtIn">,
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

/** A milestone, standing or taken back. */
export async function findMilestone(
  transaction: Transaction,
  id: string,
): Promise<{ readonly pilotId: string; readonly stepId: string } | undefined> {
  const row: { pilot_id: string; step_id: string } | undefined = await transaction("milestone")
    .where({ id })
    .first("pilot_id", "step_id");
  return row && { pilotId: row.pilot_id, stepId: row.step_id };
}

/** Takes a sign-off back, or restores it with null. */
export async function setWithdrawn(transaction: Transaction, id: string, withdrawnAt: Date | null): Promise<void> {
  await transaction("milestone").where({ id }).update({ withdrawn_at: withdrawnAt });
}
