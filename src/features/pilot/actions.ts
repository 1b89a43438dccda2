import { action, conflict, missing } from "@/server/actions";
import {
  findPilot,
  insertMilestone,
  insertNote,
  inTransaction,
  listAttempts,
  listMilestones,
  lockMilestone,
  setRemoved,
  setWithdrawn,
  type MilestoneEvidence,
} from "@/server/repositories";
import { standingOf } from "@/syllabus";
import { evidenceFor } from "./evidence";
import { AddNoteInput, ById, SignOffInput } from "./inputs";

async function requirePilot(pilotId: string): Promise<void> {
  if (!(await findPilot(pilotId))) throw missing("That pilot");
}

/** The evidence as it stands now, kept with the milestone. */
async function evidenceNow(pilotId: string, stepId: string, now: Date): Promise<MilestoneEvidence> {
  const [attempts, milestones] = await Promise.all([listAttempts([pilotId]), listMilestones(pilotId)]);
  const standing = standingOf({
    attempts,
    signedOff: new Set(milestones.map((milestone) => milestone.stepId)),
    // Judged with the setup it was flown with, as the tally does.
    setupId: attempts.filter((attempt) => attempt.stepId === stepId).at(-1)?.setupId ?? null,
    nowMs: now.getTime(),
  });
  return evidenceFor(standing.steps.find(({ step }) => step.id === stepId)!);
}

export const pilotActions = {
  "sign-off": action(SignOffInput, async ({ id, pilotId, stepId, note }, { coachId }) => {
    await requirePilot(pilotId);
    const now = new Date();
    const evidence = await evidenceNow(pilotId, stepId, now);
    await inTransaction(async (transaction) => {
      const standing = await lockMilestone(transaction, pilotId, stepId);
      if (standing && standing.id !== id)
        throw conflict("This step is already signed off. Reload to see by whom and when.");
      await insertMilestone(transaction, { id, pilotId, coachId, stepId, note, evidence, signedAtMs: now.getTime() });
    });
  }),

  "withdraw-sign-off": action(ById, async ({ id }) => {
    if (!(await inTransaction((transaction) => setWithdrawn(transaction, id, new Date()))))
      throw missing("That sign-off");
  }),

  "restore-sign-off": action(ById, async ({ id }) => {
    if (!(await inTransaction((transaction) => setWithdrawn(transaction, id, null)))) throw missing("That sign-off");
  }),

  "add-note": action(AddNoteInput, async ({ id, pilotId, text }, { coachId }) => {
    await requirePilot(pilotId);
    await inTransaction((transaction) => insertNote(transaction, { id, pilotId, coachId, text }, new Date()));
  }),

  "remove-note": action(ById, async ({ id }) => {
    if (!(await inTransaction((transaction) => setRemoved(transaction, id, new Date())))) throw missing("That note");
  }),

  "restore-note": action(ById, async ({ id }) => {
    if (!(await inTransaction((transaction) => setRemoved(transaction, id, null)))) throw missing("That note");
  }),
};
