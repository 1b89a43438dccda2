import { need } from "@/server/access";
import { coachAction, conflict, memberAction } from "@/server/actions";
import {
  answerRequests,
  findMilestone,
  findRequest,
  insertMilestone,
  insertNote,
  insertRequest,
  inTransaction,
  leavePilotTrail,
  listAttempts,
  listMilestones,
  lockMilestone,
  lockOpenRequest,
  pilotOfNote,
  setRemoved,
  setWithdrawn,
  type DeedKind,
  type MilestoneEvidence,
} from "@/server/repositories";
import type { Transaction } from "@/server/database";
import { findStep, standingOf } from "@/syllabus";
import { evidenceFor } from "./evidence";
import { AddNoteInput, AnswerInput, AskSignOffInput, ById, SignOffInput } from "./inputs";

/** The evidence as it stands now, kept with the milestone. */
async function evidenceNow(pilotId: string, stepId: string, now: Date): Promise<MilestoneEvidence> {
  const [attempts, milestones] = await Promise.all([listAttempts([pilotId]), listMilestones([pilotId])]);
  const standing = standingOf({
    attempts,
    signedOff: new Set(milestones.map((milestone) => milestone.stepId)),
    // Judged with the setup it was flown with, as the tally does.
    setupId: attempts.filter((attempt) => attempt.stepId === stepId).at(-1)?.setupId ?? null,
    nowMs: now.getTime(),
  });
  return evidenceFor(standing.steps.find(({ step }) => step.id === stepId)!);
}

const stepName = (stepId: string) => findStep(stepId)?.name.toLowerCase() ?? stepId;
const aPilot = ({ pilotId }: { pilotId: string }) => [need("coach", "pilot", pilotId)];
const aNote = ({ id }: ById) => [need("coach", "note", id)];
const aSignOff = ({ id }: ById) => [need("coach", "milestone", id)];

/** Takes a sign-off back or lets it stand again. */
const setSignOff = (withdrawnAt: () => Date | null, kind: DeedKind, does: string) =>
  coachAction(ById, aSignOff, ({ id }, { name }) =>
    inTransaction(async (transaction) => {
      const { pilotId, stepId } = (await findMilestone(transaction, id))!;
      const at = withdrawnAt();
      const standing = await lockMilestone(transaction, pilotId, stepId);
      if (at === null && standing && standing.id !== id)
        throw conflict("This step was signed off again meanwhile; that sign-off stands.");
      await setWithdrawn(transaction, id, at);
      const says = `${does} the sign-off of ${stepName(stepId)}`;
      await leavePilotTrail(transaction, { who: name, kind, does: says, pilotId }, new Date());
    }),
  );

/** Puts a note into the bin or brings it back. */
const setNote = (removedAt: () => Date | null, kind: DeedKind, does: string) =>
  coachAction(ById, aNote, ({ id }, { name }) =>
    inTransaction(async (transaction) => {
      const pilotId = (await pilotOfNote(transaction, id))!;
      await setRemoved(transaction, id, removedAt());
      await leavePilotTrail(transaction, { who: name, kind, does, pilotId }, new Date());
    }),
  );

async function keepRequest(
  transaction: Transaction,
  request: { readonly id: string; readonly pilotId: string; readonly stepId: string; readonly message: string },
): Promise<void> {
  const open = await lockOpenRequest(transaction, request.pilotId, request.stepId);
  if (open && open.id !== request.id) throw conflict("You have asked for this already; your coach sees it.");
  if (await lockMilestone(transaction, request.pilotId, request.stepId))
    throw conflict("This step is signed off already.");
  await insertRequest(transaction, request, new Date());
}

export const pilotActions = {
  "sign-off": coachAction(SignOffInput, aPilot, async ({ id, pilotId, stepId, note }, { coachId, name }) => {
    const now = new Date();
    const evidence = await evidenceNow(pilotId, stepId, now);
    await inTransaction(async (transaction) => {
      const standing = await lockMilestone(transaction, pilotId, stepId);
      if (standing?.id === id) return;
      if (standing) throw conflict("This step is already signed off. Reload to see by whom and when.");
      await insertMilestone(transaction, { id, pilotId, coachId, stepId, note, evidence, signedAtMs: now.getTime() });
      await answerRequests(transaction, { pilotId, stepId }, "", now);
      const does = `signed off ${stepName(stepId)}`;
      await leavePilotTrail(transaction, { who: name, kind: "signed-off", does, pilotId }, now);
    });
  }),

  "withdraw-sign-off": setSignOff(() => new Date(), "took-back", "took back"),
  "restore-sign-off": setSignOff(() => null, "restored", "restored"),

  /** A pilot asks for their own sign-off; a coach has no need to. */
  "ask-sign-off": memberAction(
    AskSignOffInput,
    ({ pilotId }) => [need("reader", "pilot", pilotId)],
    (request) => inTransaction((transaction) => keepRequest(transaction, request)),
  ),

  /** Not yet, and why. A yes is a sign-off. */
  "answer-request": coachAction(
    AnswerInput,
    ({ id }) => [need("coach", "request", id)],
    ({ id, answer }, { name }) =>
      inTransaction(async (transaction) => {
        const request = (await findRequest(transaction, id))!;
        if (request.answeredAtMs !== null) throw conflict("Somebody has answered this already.");
        const now = new Date();
        await answerRequests(transaction, { id }, answer, now);
        const does = `answered "not yet" to ${stepName(request.stepId)}`;
        await leavePilotTrail(transaction, { who: name, kind: "answered", does, pilotId: request.pilotId }, now);
      }),
  ),

  "add-note": coachAction(AddNoteInput, aPilot, async ({ id, pilotId, text }, { coachId }) => {
    await inTransaction((transaction) => insertNote(transaction, { id, pilotId, coachId, text }, new Date()));
  }),
  "remove-note": setNote(() => new Date(), "removed", "removed a note"),
  "restore-note": setNote(() => null, "restored", "restored a note"),
};
