import { outcomeCounted } from "@/core";
import { heldIn, type SessionPilot } from "@/contract";
import { need } from "@/server/access";
import {
  badField,
  ByIdInput,
  coachAction,
  conflict,
  memberAction,
  requireLineTry,
  there,
  type Asker,
} from "@/server/actions";
import {
  findAircraft,
  findAttempt,
  findLoad,
  findSession,
  findSetup,
  insertAttempt,
  insertCheck,
  insertNote,
  insertSession,
  inTransaction,
  leavePilotTrail,
  sessionEnded,
  setSessionBegun,
  setLeft,
  setSessionEnd,
  setUndone,
  syllabusOf,
  takeIn,
  updateAttempt,
} from "@/server/repositories";
import { builtInSyllabus, findStep, stepName, type Step, type Syllabus } from "@/syllabus";
import { byServerClock } from "@/server/device-clock";
import {
  AtMomentInput,
  BeginInFieldInput,
  CheckAircraftInput,
  LetGoInput,
  LogAttemptInput,
  SessionNoteInput,
  SetFaultsInput,
  SetHeldInput,
  SetMeasuredInput,
  TakeInInput,
} from "./inputs";
import { sessionFromField } from "./session-from-field";

const aSession = ({ id }: ByIdInput) => [need("keeper", "session", id)];
const anAttempt = ({ id }: { id: string }) => [need("keeper", "attempt", id)];

/** When something was done in the field, by this server's clock. */
const moment = ({ atMs }: AtMomentInput, { deviceNowMs }: Asker) =>
  new Date(byServerClock(atMs ?? Date.now(), deviceNowMs, Date.now()));

/** While a session runs, an undone tap is everyday; later it changes the record, and the trail says so. */
const setAttemptUndone = (undoneAt: () => Date | null, kind: "removed" | "restored") =>
  memberAction(ByIdInput, anAttempt, ({ id }, { name }, { squadOf }) =>
    inTransaction(async (transaction) => {
      const attempt = there(await findAttempt(transaction, id), "That attempt");
      const { pilotId, sessionId, stepId, outcome } = attempt;
      await setUndone(transaction, attempt, undoneAt());
      if (!(await sessionEnded(transaction, sessionId))) return;
      const step = stepName(await syllabusOf(squadOf(id)), stepId);
      const done = { kind, thing: "attempt", step, outcome } as const;
      await leavePilotTrail(transaction, { who: name, done, pilotId }, new Date());
    }),
  );

/** What is done in the field; any of it may arrive late. */
export const fieldActions = {
  "begin-in-field": coachAction(
    BeginInFieldInput,
    ({ squadId }) => [need("coach", "squad", squadId)],
    async (input, who, { deviceNowMs }) => {
      const known = await findSession(input.id);
      if (known) {
        if (known.squadId !== input.squadId) throw conflict("There is another session with this id.");
        return;
      }
      const startedAtMs = byServerClock(input.atMs, deviceNowMs, Date.now());
      const session = await sessionFromField(input, who, startedAtMs);
      await inTransaction((transaction) => insertSession(transaction, session));
    },
  ),
  "begin-session": memberAction(AtMomentInput, aSession, (input, _, asker) =>
    inTransaction((transaction) => setSessionBegun(transaction, input.id, moment(input, asker))),
  ),
  "end-session": memberAction(AtMomentInput, aSession, (input, { accountId }, asker) =>
    inTransaction((transaction) =>
      setSessionEnd(transaction, input.id, { at: moment(input, asker), byAccountId: accountId }),
    ),
  ),
  "reopen-session": memberAction(ByIdInput, aSession, ({ id }) =>
    inTransaction((transaction) => setSessionEnd(transaction, id, null)),
  ),
  /** Taken also after the session has ended: a phone may come back into the network late. */
  "log-attempt": memberAction(
    LogAttemptInput,
    // The pilot may have moved to another squad since the session.
    ({ sessionId, pilotId }) => [need("keeper", "session", sessionId), need("reader", "pilot", pilotId)],
    async (
      { id, sessionId, pilotId, stepId, direction, outcome, flownAtMs, pack = null, line },
      _,
      { deviceNowMs },
    ) => {
      const session = there(await findSession(sessionId), "That session");
      const member = session.pilots.find((one) => one.pilotId === pilotId);
      if (!member) throw badField("pilotId", "That pilot does not fly in this session.");
      const step = knownStep(await syllabusOf(session.squadId), stepId);
      // A step that has been left out since the session began is still logged: what was flown was flown.
      if (!step && !plannedFor(member, stepId)) throw badField("stepId", "That step is not in the squad's syllabus.");
      if (step && !step.directions.some((one) => one.id === direction))
        throw badField("direction", "That step is not flown in this direction.");
      if (line) requireLineTry(line, stepId);
      const atMs = byServerClock(flownAtMs, deviceNowMs, Date.now());
      await inTransaction(async (transaction) => {
        await setSessionBegun(transaction, sessionId, new Date(atMs));
        await insertAttempt(transaction, {
          id,
          sessionId,
          pilotId,
          stepId,
          direction,
          outcome,
          place: session.place,
          setupId: member.setupId,
          loadId: member.loadId ?? null,
          pack,
          minutes: null,
          measured: {},
          faults: [],
          ...(line && { line: { ...line } }),
          atMs,
        });
      });
    },
  ),

  "set-faults": memberAction(SetFaultsInput, anAttempt, ({ id, faults }, _, { squadOf }) =>
    inTransaction(async (transaction) => {
      const attempt = there(await findAttempt(transaction, id), "That attempt");
      const known = knownStep(await syllabusOf(squadOf(id)), attempt.stepId)?.faults.map((fault) => fault.id);
      if (known && faults.some((fault) => !known.includes(fault)))
        throw badField("faults", "That fault is not one of this step.");
      await updateAttempt(transaction, attempt, { faults });
    }),
  ),

  "set-held": memberAction(SetHeldInput, anAttempt, ({ id, held }) =>
    inTransaction(async (transaction) => {
      const attempt = there(await findAttempt(transaction, id), "That attempt");
      if (!attempt.line?.parts) throw badField("held", "That attempt was not at a line that is copied.");
      const known = attempt.line.parts.map((part) => part.id);
      if (held.some((part) => !known.includes(part))) throw badField("held", "That line has no such part.");
      await updateAttempt(transaction, attempt, { line: heldIn(attempt.line, held) });
    }),
  ),

  "set-measured": memberAction(SetMeasuredInput, anAttempt, ({ id, minutes, measured }) =>
    inTransaction(async (transaction) => {
      const attempt = there(await findAttempt(transaction, id), "That attempt");
      const outcome = outcomeCounted(attempt.outcome, measured);
      await updateAttempt(transaction, attempt, { minutes: minutes ?? null, measured, outcome });
    }),
  ),

  /** A note of the field is one of the pilot's notes, with the session it was written in. */
  "add-session-note": coachAction(
    SessionNoteInput,
    ({ sessionId, pilotId }) => [need("keeper", "session", sessionId), need("reader", "pilot", pilotId)],
    async ({ id, sessionId, pilotId, text, writtenAtMs, forCoaches }, { coachId }, { deviceNowMs }) => {
      const session = there(await findSession(sessionId), "That session");
      if (!session.pilots.some((one) => one.pilotId === pilotId))
        throw badField("pilotId", "That pilot does not fly in this session.");
      const writtenAt = new Date(byServerClock(writtenAtMs, deviceNowMs, Date.now()));
      await inTransaction((transaction) =>
        insertNote(transaction, { id, pilotId, coachId, text, sessionId, forCoaches }, writtenAt),
      );
    },
  ),

  /** Somebody came late, or back. */
  "take-in": coachAction(
    TakeInInput,
    ({ id, pilotId }) => [need("keeper", "session", id), need("coach", "pilot", pilotId)],
    async ({ id, pilotId, stepId, setupId, loadId = null }, _, { squadOf }) => {
      if (squadOf(pilotId) !== squadOf(id)) throw badField("pilotId", "A session is of one squad.");
      if (!knownStep(await syllabusOf(squadOf(id)), stepId))
        throw badField("stepId", "That step is not in the squad's syllabus.");
      const setup = setupId ? await findSetup(setupId) : undefined;
      if (setupId && (await findAircraft(setup?.aircraftId ?? ""))?.pilotId !== pilotId)
        throw badField("setupId", "That setup is not of an aircraft of this pilot.");
      if (loadId && (await findLoad(loadId))?.aircraftId !== setup?.aircraftId)
        throw badField("loadId", "That load does not belong to the aircraft of this setup.");
      await inTransaction((transaction) => takeIn(transaction, id, { pilotId, stepId, setupId, loadId }));
    },
  ),
  "let-go": coachAction(LetGoInput, aSession, ({ id, pilotId }) =>
    inTransaction((transaction) => setLeft(transaction, id, pilotId, new Date())),
  ),

  "check-aircraft": coachAction(
    CheckAircraftInput,
    ({ aircraftId }) => [need("coach", "aircraft", aircraftId)],
    ({ id, aircraftId, props, tiltDeg, atMs }, { coachId, name }, { deviceNowMs, pilotOf }) =>
      inTransaction(async (transaction) => {
        const at = new Date(byServerClock(atMs, deviceNowMs, Date.now()));
        if (!(await insertCheck(transaction, { id, aircraftId, coachId, props, tiltDeg }, at))) return;
        const { name: aircraft } = there(await findAircraft(aircraftId), "That aircraft");
        const done = { kind: "checked", aircraft, tiltDeg } as const;
        await leavePilotTrail(transaction, { who: name, done, pilotId: pilotOf(aircraftId) }, new Date());
      }),
  ),

  "undo-attempt": setAttemptUndone(() => new Date(), "removed"),
  "restore-attempt": setAttemptUndone(() => null, "restored"),
};

/** The step of the squad's syllabus, or of the one the program comes with. */
const knownStep = (syllabus: Syllabus, id: string): Step | undefined =>
  findStep(syllabus, id) ?? findStep(builtInSyllabus, id);

const plannedFor = ({ stepId, plan }: SessionPilot, asked: string) =>
  asked === stepId || (plan?.blocks ?? []).some((block) => block.stepId === asked);
