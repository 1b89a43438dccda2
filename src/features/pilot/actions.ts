import { entryOf } from "@/core";
import { byServerClock } from "@/server/device-clock";
import { need } from "@/server/access";
import { ByIdInput, badField, coachAction, conflict, memberAction, there } from "@/server/actions";
import type { MilestoneEvidence } from "@/contract";
import {
  answerRequests,
  findMilestone,
  findRequest,
  insertMilestone,
  insertNote,
  insertRequest,
  inTransaction,
  leavePilotTrail,
  findPilot,
  syllabusOf,
  setPilotSchool,
  lockMilestone,
  lockOpenRequest,
  setRemoved,
  setWithdrawn,
} from "@/server/repositories";
import type { Transaction } from "@/server/database";
import { v5 as idFrom } from "uuid";
import { findStep, pathOf, requireSchool, routeOf, standingAt, stepName } from "@/syllabus";
import { loadProgress } from "@/server/progress";
import { evidenceFor } from "./evidence";
import { AddNoteInput, AnswerInput, AskSignOffInput, PlacingInput, SchoolInput, SignOffInput } from "./inputs";

/** The evidence as it stands now, kept with the milestone. */
async function evidenceNow(pilotId: string, stepId: string, now: Date): Promise<MilestoneEvidence> {
  const progress = await progressOf(pilotId);
  const { syllabus, flown } = progress;
  const step = findStep(syllabus, stepId);
  if (!step) throw badField("stepId", "That step is not in the squad's syllabus.");
  const standing = standingAt(step, {
    ...progress,
    // Judged with the setup it was flown with, as the tally does.
    setupId: flown.get(stepId)?.recent.at(-1)?.setupId ?? null,
    nowMs: now.getTime(),
  });
  return evidenceFor(standing, step, syllabus);
}

async function progressOf(pilotId: string) {
  const pilot = there(await findPilot(pilotId), "That pilot");
  return entryOf(await loadProgress([pilot]), pilotId);
}

/** The id of what a placing signs off: of its moment, and the same however often it is sent. */
const placedId = (stepId: string, placingId: string) =>
  `${placingId.slice(0, 15)}${idFrom(stepId, placingId).slice(15)}`;

/** What a step is called in the syllabus of a squad. */
const nameOfStep = async (squadId: string, stepId: string): Promise<string> =>
  stepName(await syllabusOf(squadId), stepId);

const aPilot = ({ pilotId }: { pilotId: string }) => [need("coach", "pilot", pilotId)];
const aNote = ({ id }: ByIdInput) => [need("coach", "note", id)];
const aSignOff = ({ id }: ByIdInput) => [need("coach", "milestone", id)];

/** Takes a sign-off back or lets it stand again. */
const setSignOff = (withdrawnAt: () => Date | null, kind: "took-back" | "let-stand-again") =>
  coachAction(ByIdInput, aSignOff, ({ id }, { name }, { squadOf }) =>
    inTransaction(async (transaction) => {
      const { pilotId, stepId } = there(await findMilestone(transaction, id), "That sign-off");
      const at = withdrawnAt();
      const standing = await lockMilestone(transaction, pilotId, stepId);
      // Taken back or standing already: a repeated send, of which the trail has a line.
      if ((at === null) === (standing?.id === id)) return;
      if (at === null && standing && standing.id !== id)
        throw conflict("This step was signed off again meanwhile; that sign-off stands.");
      await setWithdrawn(transaction, id, at);
      const done = { kind, step: await nameOfStep(squadOf(id), stepId) };
      await leavePilotTrail(transaction, { who: name, done, pilotId }, new Date());
    }),
  );

/** Puts a note into the bin or brings it back. */
const setNote = (removedAt: () => Date | null, kind: "removed" | "restored") =>
  coachAction(ByIdInput, aNote, ({ id }, { name }, { pilotOf }) =>
    inTransaction(async (transaction) => {
      await setRemoved(transaction, id, removedAt());
      await leavePilotTrail(
        transaction,
        { who: name, done: { kind, thing: "note" }, pilotId: pilotOf(id) },
        new Date(),
      );
    }),
  );

async function keepRequest(
  transaction: Transaction,
  squadId: string,
  request: { readonly id: string; readonly pilotId: string; readonly stepId: string; readonly message: string },
): Promise<void> {
  if (!findStep(await syllabusOf(squadId), request.stepId))
    throw badField("stepId", "That step is not in the squad's syllabus.");
  const open = await lockOpenRequest(transaction, request.pilotId, request.stepId);
  if (open && open.id !== request.id) throw conflict("You have asked for this already; your coach sees it.");
  if (await lockMilestone(transaction, request.pilotId, request.stepId))
    throw conflict("This step is signed off already.");
  await insertRequest(transaction, request, new Date());
}

export const pilotActions = {
  /** Who comes with experience: what lies before a step on their way is signed off as from before this record. */
  "place-pilot": coachAction(PlacingInput, aPilot, ({ id, pilotId, stepId }, { coachId, name }) =>
    inTransaction(async (transaction) => {
      const { syllabus, school, signedOff } = await progressOf(pilotId);
      const way = pathOf(syllabus, routeOf(school)).filter(({ optional }) => !optional);
      const to = way.findIndex((step) => step.id === stepId);
      if (to < 0) throw badField("stepId", "That step is not on this pilot's way.");
      const open = way.slice(0, to).filter((step) => !signedOff.has(step.id));
      const now = new Date();
      const sentence = `Signed off before this record: placed at ${stepName(syllabus, stepId).toLowerCase()}.`;
      const evidence: MilestoneEvidence = { advice: "signed-off", sentence, directions: [] };
      let count = 0;
      for (const step of open) {
        // Someone else may have signed it off meanwhile.
        if (await lockMilestone(transaction, pilotId, step.id)) continue;
        const milestone = { id: placedId(step.id, id), pilotId, coachId, stepId: step.id };
        await insertMilestone(transaction, { ...milestone, note: "", evidence, signedAtMs: now.getTime() });
        count++;
      }
      const done = { kind: "placed", step: stepName(syllabus, stepId), count } as const;
      if (count > 0) await leavePilotTrail(transaction, { who: name, done, pilotId }, now);
      return { count };
    }),
  ),

  "unplace-pilot": coachAction(PlacingInput, aPilot, ({ id, pilotId, stepId }, { name }) =>
    inTransaction(async (transaction) => {
      const { syllabus } = await progressOf(pilotId);
      const now = new Date();
      let count = 0;
      for (const step of syllabus.steps) {
        const standing = await lockMilestone(transaction, pilotId, step.id);
        if (standing?.id !== placedId(step.id, id)) continue;
        await setWithdrawn(transaction, standing.id, now);
        count++;
      }
      const done = { kind: "unplaced", step: stepName(syllabus, stepId), count } as const;
      if (count > 0) await leavePilotTrail(transaction, { who: name, done, pilotId }, now);
      return { count };
    }),
  ),

  /** One given in the field without a network is of the day it was given. */
  "sign-off": coachAction(SignOffInput, aPilot, async (input, { coachId, name }, { deviceNowMs, squadOf }) => {
    const { id, pilotId, stepId, note } = input;
    const now = new Date();
    const signedAtMs = input.atMs === undefined ? now.getTime() : byServerClock(input.atMs, deviceNowMs, now.getTime());
    const evidence = await evidenceNow(pilotId, stepId, now);
    await inTransaction(async (transaction) => {
      const standing = await lockMilestone(transaction, pilotId, stepId);
      if (standing?.id === id) return;
      if (standing) throw conflict("This step is already signed off. Reload to see by whom and when.");
      await insertMilestone(transaction, { id, pilotId, coachId, stepId, note, evidence, signedAtMs });
      await answerRequests(transaction, { pilotId, stepId }, "", now);
      const done = { kind: "signed-off", step: await nameOfStep(squadOf(pilotId), stepId) } as const;
      await leavePilotTrail(transaction, { who: name, done, pilotId }, now);
    });
  }),

  "withdraw-sign-off": setSignOff(() => new Date(), "took-back"),
  "restore-sign-off": setSignOff(() => null, "let-stand-again"),

  /** A pilot asks for their own sign-off; a coach has no need to. */
  "ask-sign-off": memberAction(
    AskSignOffInput,
    ({ pilotId }) => [need("reader", "pilot", pilotId)],
    (request, _, { squadOf }) =>
      inTransaction((transaction) => keepRequest(transaction, squadOf(request.pilotId), request)),
  ),

  /** Not yet, and why. A yes is a sign-off. */
  "answer-request": coachAction(
    AnswerInput,
    ({ id }) => [need("coach", "request", id)],
    ({ id, answer }, { name }, { squadOf }) =>
      inTransaction(async (transaction) => {
        const request = there(await findRequest(transaction, id), "That request");
        if (request.answeredAtMs !== null) throw conflict("This was answered already.");
        const now = new Date();
        await answerRequests(transaction, { id }, answer, now);
        const { pilotId, stepId } = request;
        const done = { kind: "answered-not-yet", step: await nameOfStep(squadOf(id), stepId) } as const;
        await leavePilotTrail(transaction, { who: name, done, pilotId }, now);
      }),
  ),

  /** The sides a pilot takes where practitioners disagree. */
  "set-pilot-school": coachAction(
    SchoolInput,
    ({ id }) => [need("coach", "pilot", id)],
    async ({ id, school, version }, { name }) => {
      await inTransaction(async (transaction) => {
        const edited = await setPilotSchool(transaction, { id, school: requireSchool(school), version });
        if (edited === "same") return;
        if (edited === "other")
          throw conflict("Someone else changed this pilot. Reload to see the change; what you chose is still here.");
        await leavePilotTrail(transaction, { who: name, done: { kind: "changed-school" }, pilotId: id }, new Date());
      });
    },
  ),

  "add-note": coachAction(AddNoteInput, aPilot, async ({ id, pilotId, text, forCoaches }, { coachId }) => {
    await inTransaction((transaction) =>
      insertNote(transaction, { id, pilotId, coachId, text, forCoaches }, new Date()),
    );
  }),
  "remove-note": setNote(() => new Date(), "removed"),
  "restore-note": setNote(() => null, "restored"),
};
