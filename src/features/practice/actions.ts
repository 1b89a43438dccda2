import { need } from "@/server/access";
import { badField, ByIdInput, coachAction, conflict, memberAction, requireLineTry } from "@/server/actions";
import { byServerClock } from "@/server/device-clock";
import {
  extendSession,
  findAircraft,
  findLoad,
  findSession,
  findSetup,
  insertAttempt,
  insertHomework,
  insertKeptTry,
  insertSession,
  inTransaction,
  setHomeworkRemoved,
  syllabusOf,
} from "@/server/repositories";
import { builtInSyllabus, findStep } from "@/syllabus";
import { LogTryInput, LONGEST_TRY_BYTES, SetHomeworkInput } from "./inputs";
import { keptTry } from "./kept-try";

const someHomework = ({ id }: ByIdInput) => [need("coach", "homework", id)];

/** A setup and a load that are gone are left out: what was flown was flown. Those of another pilot are refused. */
async function flownWith({ pilotId, setupId, loadId }: LogTryInput) {
  const setup = setupId ? await findSetup(setupId) : undefined;
  const aircraft = setup && (await findAircraft(setup.aircraftId));
  if (aircraft && aircraft.pilotId !== pilotId)
    throw badField("setupId", "That setup is not of an aircraft of this pilot.");
  const load = loadId ? await findLoad(loadId) : undefined;
  return { setupId: setup?.id ?? null, loadId: load && load.aircraftId === aircraft?.id ? load.id : null };
}

export const practiceActions = {
  /** One try; the first of a sitting begins its session, each moves its end. May arrive late, and twice. */
  "log-try": {
    ...memberAction(
      LogTryInput,
      ({ pilotId }) => [need("reader", "pilot", pilotId)],
      async (input, who, { deviceNowMs, squadOf }) => {
        const { id, sittingId, pilotId, stepId, direction, outcome, seconds, measured, line, packed } = input;
        const squadId = squadOf(pilotId);
        const step = findStep(await syllabusOf(squadId), stepId) ?? findStep(builtInSyllabus, stepId);
        if (!step) throw badField("stepId", "That step is not in the squad's syllabus.");
        if (!step.directions.some((one) => one.id === direction))
          throw badField("direction", "That step is not flown in this direction.");
        if (line) requireLineTry(line, stepId);
        const atMs = byServerClock(input.flownAtMs, deviceNowMs, Date.now());
        const sitting = await findSession(sittingId);
        const own =
          sitting?.place === "simulator" &&
          sitting.coachId === who.coachId &&
          sitting.pilots.some((one) => one.pilotId === pilotId);
        if (sitting && !own) throw conflict("There is another session with this id.");
        const sticks = packed === undefined ? null : await keptTry(packed);
        const used = await flownWith(input);
        await inTransaction(async (transaction) => {
          if (!sitting)
            await insertSession(transaction, {
              ...{ id: sittingId, squadId, coachId: who.coachId, place: "simulator", startedAtMs: atMs },
              pilots: [{ pilotId, stepId, ...used }],
            });
          await extendSession(transaction, sittingId, new Date(atMs + 1000 * seconds));
          await insertAttempt(transaction, {
            ...{ id, sessionId: sittingId, pilotId, stepId, direction, outcome, place: "simulator", ...used },
            ...{ pack: null, minutes: Math.round((seconds / 60) * 100) / 100, measured, faults: [], atMs },
            ...(line && { line: { ...line } }),
          });
          if (sticks) await insertKeptTry(transaction, { attemptId: id, pilotId, packed: sticks });
        });
      },
    ),
    longestBytes: LONGEST_TRY_BYTES,
  },

  "set-homework": coachAction(
    SetHomeworkInput,
    ({ pilotId }) => [need("coach", "pilot", pilotId)],
    async (homework, _, { squadOf }) => {
      if (!findStep(await syllabusOf(squadOf(homework.pilotId)), homework.stepId))
        throw badField("stepId", "That step is not in the squad's syllabus.");
      await inTransaction((transaction) => insertHomework(transaction, homework, new Date()));
    },
  ),
  "remove-homework": coachAction(ByIdInput, someHomework, ({ id }) =>
    inTransaction((transaction) => setHomeworkRemoved(transaction, id, new Date())),
  ),
  "restore-homework": coachAction(ByIdInput, someHomework, ({ id }) =>
    inTransaction((transaction) => setHomeworkRemoved(transaction, id, null)),
  ),
};
