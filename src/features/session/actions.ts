import { action, badField, missing } from "@/server/actions";
import {
  findAttempt,
  findSession,
  findSetup,
  insertAttempt,
  insertSession,
  inTransaction,
  listPilots,
  setSessionEnd,
  setUndone,
  updateFaults,
} from "@/server/repositories";
import { findStep } from "@/syllabus";
import { ByIdInput, LogAttemptInput, SetFaultsInput, StartSessionInput } from "./inputs";

const setEnd = (endedAt: () => Date | null) =>
  action(ByIdInput, async ({ id }) => {
    if (!(await findSession(id))) throw missing("That session");
    await inTransaction((transaction) => setSessionEnd(transaction, id, endedAt()));
  });

const setAttemptUndone = (undoneAt: () => Date | null) =>
  action(ByIdInput, ({ id }) =>
    inTransaction(async (transaction) => {
      if (!(await findAttempt(transaction, id))) throw missing("That attempt");
      await setUndone(transaction, id, undoneAt());
    }),
  );

export const sessionActions = {
  "start-session": action(StartSessionInput, async ({ id, place, pilots }, { coachId }) => {
    const known = new Set((await listPilots()).map((pilot) => pilot.id));
    for (const { pilotId, setupId } of pilots) {
      if (!known.has(pilotId)) throw missing("One of those pilots");
      if (setupId && !(await findSetup(setupId))) throw missing("One of those setups");
    }
    const members = pilots.map(({ pilotId, stepId, setupId }) => ({ pilotId, stepId, setupId: setupId ?? null }));
    await inTransaction((transaction) =>
      insertSession(transaction, { id, coachId, place, startedAtMs: Date.now(), pilots: members }),
    );
  }),

  "end-session": setEnd(() => new Date()),
  "reopen-session": setEnd(() => null),

  /** Taken also after the session has ended: a phone may come back into the network late. */
  "log-attempt": action(LogAttemptInput, async ({ id, sessionId, pilotId, stepId, direction, outcome, flownAtMs }) => {
    const session = await findSession(sessionId);
    if (!session) throw missing("That session");
    const member = session.pilots.find((one) => one.pilotId === pilotId);
    if (!member) throw badField("pilotId", "That pilot does not fly in this session.");
    if (!findStep(stepId)!.directions.some((one) => one.id === direction))
      throw badField("direction", "That step is not flown in this direction.");
    await inTransaction((transaction) =>
      insertAttempt(transaction, {
        id,
        sessionId,
        pilotId,
        stepId,
        direction,
        outcome,
        place: session.place,
        setupId: member.setupId,
        faults: [],
        atMs: flownAtMs,
      }),
    );
  }),

  "set-faults": action(SetFaultsInput, ({ id, faults }) =>
    inTransaction(async (transaction) => {
      const attempt = await findAttempt(transaction, id);
      if (!attempt) throw missing("That attempt");
      const known = findStep(attempt.stepId)?.faults.map((fault) => fault.id) ?? [];
      const stranger = faults.find((fault) => !known.includes(fault));
      if (stranger !== undefined) throw badField("faults", "That fault is not one of this step.");
      await updateFaults(transaction, id, faults);
    }),
  ),

  "undo-attempt": setAttemptUndone(() => new Date()),
  "restore-attempt": setAttemptUndone(() => null),
};
