import { need, type Need } from "@/server/access";
import { badField, conflict, memberAction, Refusal } from "@/server/actions";
import {
  findAircraft,
  findAttempt,
  findPilot,
  findSession,
  findSetup,
  insertAttempt,
  insertSession,
  inTransaction,
  leavePilotTrail,
  sessionEnded,
  setSessionEnd,
  setUndone,
  updateFaults,
} from "@/server/repositories";
import { findStep } from "@/syllabus";
import { ByIdInput, LogAttemptInput, SetFaultsInput, StartSessionInput } from "./inputs";

const aSession = ({ id }: ByIdInput) => [need("keeper", "session", id)];
const anAttempt = ({ id }: { id: string }) => [need("keeper", "attempt", id)];

const setEnd = (endedAt: () => Date | null) =>
  memberAction(ByIdInput, aSession, ({ id }) =>
    inTransaction((transaction) => setSessionEnd(transaction, id, endedAt())),
  );

/** While a session runs, an undone tap is everyday; later it changes the record, and the trail says so. */
const setAttemptUndone = (undoneAt: () => Date | null, kind: "removed" | "restored") =>
  memberAction(ByIdInput, anAttempt, ({ id }, { name }) =>
    inTransaction(async (transaction) => {
      const { pilotId, sessionId, stepId, outcome } = (await findAttempt(transaction, id))!;
      await setUndone(transaction, id, undoneAt());
      if (!(await sessionEnded(transaction, sessionId))) return;
      const does = `${kind} an attempt (${findStep(stepId)?.name.toLowerCase() ?? stepId}, ${outcome})`;
      await leavePilotTrail(transaction, { who: name, kind, does, pilotId }, new Date());
    }),
  );

/** Coaches take any of their pilots into a session; a pilot starts one only alone. */
const mayStart = ({ pilots }: StartSessionInput): Need[] =>
  pilots.map(({ pilotId }) => need("reader", "pilot", pilotId));

export const sessionActions = {
  "start-session": memberAction(StartSessionInput, mayStart, async ({ id, place, pilots }, who) => {
    const members = pilots.map(({ pilotId, stepId, setupId }) => ({ pilotId, stepId, setupId: setupId ?? null }));
    const squadIds = new Set<string>();
    for (const { pilotId, setupId } of members) {
      squadIds.add((await findPilot(pilotId))!.squadId);
      if (setupId) await requireOwnSetup(setupId, pilotId);
    }
    if (squadIds.size > 1) throw badField("pilots", "A session is of one squad; start another for the other squad.");
    const there = await findSession(id);
    if (there) {
      if (
        there.coachId !== who.coachId ||
        there.pilots.some(({ pilotId }) => !members.some((one) => one.pilotId === pilotId))
      )
        throw conflict("There is another session with this id.");
      return;
    }
    const [squadId] = squadIds;
    await inTransaction((transaction) =>
      insertSession(transaction, {
        id,
        squadId,
        coachId: who.coachId,
        place,
        startedAtMs: Date.now(),
        pilots: members,
      }),
    );
  }),

  "end-session": setEnd(() => new Date()),
  "reopen-session": setEnd(() => null),

  /** Taken also after the session has ended: a phone may come back into the network late. */
  "log-attempt": memberAction(
    LogAttemptInput,
    // The pilot may have moved to another squad since the session.
    ({ sessionId, pilotId }) => [need("keeper", "session", sessionId), need("reader", "pilot", pilotId)],
    async ({ id, sessionId, pilotId, stepId, direction, outcome, flownAtMs }) => {
      const session = (await findSession(sessionId))!;
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
    },
  ),

  "set-faults": memberAction(SetFaultsInput, anAttempt, ({ id, faults }) =>
    inTransaction(async (transaction) => {
      const attempt = (await findAttempt(transaction, id))!;
      const known = findStep(attempt.stepId)?.faults.map((fault) => fault.id) ?? [];
      const stranger = faults.find((fault) => !known.includes(fault));
      if (stranger !== undefined) throw badField("faults", "That fault is not one of this step.");
      await updateFaults(transaction, id, faults);
    }),
  ),

  "undo-attempt": setAttemptUndone(() => new Date(), "removed"),
  "restore-attempt": setAttemptUndone(() => null, "restored"),
};

async function requireOwnSetup(setupId: string, pilotId: string): Promise<void> {
  const setup = await findSetup(setupId);
  const aircraft = setup && (await findAircraft(setup.aircraftId));
  if (aircraft?.pilotId !== pilotId) throw new Refusal(404, "One of those setups is not in the records of its pilot.");
}
