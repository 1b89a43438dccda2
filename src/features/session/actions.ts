import type { Place } from "@/core";
import { need, type Need } from "@/server/access";
import { badField, coachAction, conflict, memberAction, Refusal, type Asker } from "@/server/actions";
import type { Pilot, PilotPlan, SessionPilot } from "@/contract";
import {
  deletePrepared,
  findAircraft,
  findAttempt,
  findPilot,
  findSession,
  findLoad,
  findSetup,
  findSite,
  insertAttempt,
  insertNote,
  insertSession,
  inTransaction,
  leavePilotTrail,
  sessionEnded,
  setSessionBegun,
  setSessionEnd,
  setUndone,
  syllabusOf,
  updateAttempt,
} from "@/server/repositories";
import { loadProgressBriefly } from "@/server/progress";
import {
  builtInSyllabus,
  findStep,
  siteRefusal,
  simulatorLacking,
  skillOf,
  stepName,
  type Step,
  type Syllabus,
} from "@/syllabus";
import { byServerClock } from "./device-clock";
import {
  AtMomentInput,
  ByIdInput,
  LogAttemptInput,
  PilotPlanInput,
  SessionNoteInput,
  SetFaultsInput,
  SetMeasuredInput,
  StartSessionInput,
} from "./inputs";

const aSession = ({ id }: ByIdInput) => [need("keeper", "session", id)];
const anAttempt = ({ id }: { id: string }) => [need("keeper", "attempt", id)];

/** When something was done in the field, by this server's clock. */
const moment = ({ atMs }: AtMomentInput, { deviceNowMs }: Asker) =>
  new Date(byServerClock(atMs ?? Date.now(), deviceNowMs, Date.now()));

/** While a session runs, an undone tap is everyday; later it changes the record, and the trail says so. */
const setAttemptUndone = (undoneAt: () => Date | null, kind: "removed" | "restored") =>
  memberAction(ByIdInput, anAttempt, ({ id }, { name }) =>
    inTransaction(async (transaction) => {
      const attempt = (await findAttempt(transaction, id))!;
      const { pilotId, sessionId, stepId, outcome } = attempt;
      await setUndone(transaction, attempt, undoneAt());
      if (!(await sessionEnded(transaction, sessionId))) return;
      const { squadId } = (await findPilot(pilotId))!;
      const does = `${kind} an attempt (${stepName(await syllabusOf(squadId), stepId).toLowerCase()}, ${outcome})`;
      await leavePilotTrail(transaction, { who: name, kind, does, pilotId }, new Date());
    }),
  );

/** Coaches take any of their pilots into a session; a pilot starts one only alone. */
const mayStart = ({ pilots, siteId }: StartSessionInput): Need[] => [
  ...pilots.map(({ pilotId }) => need("reader", "pilot", pilotId)),
  ...(siteId ? [need("reader", "site", siteId)] : []),
];

export const sessionActions = {
  "start-session": memberAction(StartSessionInput, mayStart, async (input, who) => {
    const { id, place, siteId = null, temperatureC = null, windMps = null, pilots, prepared = false } = input;
    const members = pilots.map(({ pilotId, stepId, setupId, loadId, plan }) => ({
      pilotId,
      stepId,
      setupId: setupId ?? null,
      loadId: loadId ?? null,
      ...(plan && { plan: planFrom(plan) }),
    }));
    const flying = await Promise.all(members.map(async ({ pilotId }) => (await findPilot(pilotId))!));
    const squadIds = new Set(flying.map(({ squadId }) => squadId));
    for (const { pilotId, setupId, loadId } of members) {
      if (setupId) await requireOwnSetup(setupId, pilotId);
      if (loadId) await requireLoadOf(setupId, loadId);
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
    await requireOpenSteps(members, flying, place);
    if (siteId) await requireRoom(members, squadId, siteId, place);
    await inTransaction((transaction) =>
      insertSession(transaction, {
        id,
        squadId,
        coachId: who.coachId,
        place,
        siteId,
        temperatureC,
        windMps,
        startedAtMs: Date.now(),
        begun: !prepared,
        pilots: members,
      }),
    );
  }),

  "begin-session": memberAction(AtMomentInput, aSession, (input, _, asker) =>
    inTransaction((transaction) => setSessionBegun(transaction, input.id, moment(input, asker))),
  ),
  "end-session": memberAction(AtMomentInput, aSession, (input, _, asker) =>
    inTransaction((transaction) => setSessionEnd(transaction, input.id, moment(input, asker))),
  ),
  "reopen-session": memberAction(ByIdInput, aSession, ({ id }) =>
    inTransaction((transaction) => setSessionEnd(transaction, id, null)),
  ),
  /** A prepared session that was never flown is let go of; one with attempts stays. */
  "drop-session": memberAction(ByIdInput, aSession, ({ id }) =>
    inTransaction(async (transaction) => {
      if (!(await deletePrepared(transaction, id)))
        throw conflict("That session was begun; what was flown in it is kept.");
    }),
  ),

  /** Taken also after the session has ended: a phone may come back into the network late. */
  "log-attempt": memberAction(
    LogAttemptInput,
    // The pilot may have moved to another squad since the session.
    ({ sessionId, pilotId }) => [need("keeper", "session", sessionId), need("reader", "pilot", pilotId)],
    async ({ id, sessionId, pilotId, stepId, direction, outcome, flownAtMs, pack = null }, _, { deviceNowMs }) => {
      const session = (await findSession(sessionId))!;
      const member = session.pilots.find((one) => one.pilotId === pilotId);
      if (!member) throw badField("pilotId", "That pilot does not fly in this session.");
      const step = knownStep(await syllabusOf(session.squadId), stepId);
      // A step that has been left out since the session began is still logged: what was flown was flown.
      if (!step && member.stepId !== stepId) throw badField("stepId", "That step is not in the squad's syllabus.");
      if (step && !step.directions.some((one) => one.id === direction))
        throw badField("direction", "That step is not flown in this direction.");
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
          atMs,
        });
      });
    },
  ),

  "set-faults": memberAction(SetFaultsInput, anAttempt, ({ id, faults }) =>
    inTransaction(async (transaction) => {
      const attempt = (await findAttempt(transaction, id))!;
      const { squadId } = (await findPilot(attempt.pilotId))!;
      const known = knownStep(await syllabusOf(squadId), attempt.stepId)?.faults.map((fault) => fault.id);
      if (known && faults.some((fault) => !known.includes(fault)))
        throw badField("faults", "That fault is not one of this step.");
      await updateAttempt(transaction, attempt, { faults });
    }),
  ),

  "set-measured": memberAction(SetMeasuredInput, anAttempt, ({ id, minutes, measured }) =>
    inTransaction(async (transaction) => {
      await updateAttempt(transaction, (await findAttempt(transaction, id))!, { minutes: minutes ?? null, measured });
    }),
  ),

  /** A note of the field is one of the pilot's notes, with the session it was written in. */
  "add-session-note": coachAction(
    SessionNoteInput,
    ({ sessionId, pilotId }) => [need("keeper", "session", sessionId), need("reader", "pilot", pilotId)],
    async ({ id, sessionId, pilotId, text, writtenAtMs }, { coachId }, { deviceNowMs }) => {
      const session = (await findSession(sessionId))!;
      if (!session.pilots.some((one) => one.pilotId === pilotId))
        throw badField("pilotId", "That pilot does not fly in this session.");
      const writtenAt = new Date(byServerClock(writtenAtMs, deviceNowMs, Date.now()));
      await inTransaction((transaction) =>
        insertNote(transaction, { id, pilotId, coachId, text, sessionId }, writtenAt),
      );
    },
  ),

  "undo-attempt": setAttemptUndone(() => new Date(), "removed"),
  "restore-attempt": setAttemptUndone(() => null, "restored"),
};

/** What is kept of a plan: its fields and no others. */
const planFrom = ({ blocks, turns }: PilotPlanInput): PilotPlan => ({
  blocks: blocks.map(({ kind, stepId, minutes, firstDirection, why }) => ({
    kind,
    stepId: stepId ?? null,
    minutes,
    firstDirection: firstDirection ?? null,
    why,
  })),
  turns,
});

/** Every step a pilot is to fly, with the field it was said in. */
function stepsAsked({ stepId, plan }: SessionPilot, i: number): { readonly stepId: string; readonly field: string }[] {
  return [
    { stepId, field: `pilots.${i}.stepId` },
    ...(plan?.blocks ?? []).flatMap((block, n) =>
      block.stepId === null || block.stepId === stepId
        ? []
        : [{ stepId: block.stepId, field: `pilots.${i}.plan.blocks.${n}.stepId` }],
    ),
  ];
}

/** The step of the squad's syllabus, or of the one the program comes with. */
const knownStep = (syllabus: Syllabus, id: string): Step | undefined =>
  findStep(syllabus, id) ?? findStep(builtInSyllabus, id);

/** Steps have to be in the squad's syllabus, and flown in the simulator first where the pilot's school wants that. */
async function requireOpenSteps(
  members: readonly SessionPilot[],
  pilots: readonly Pilot[],
  place: Place,
): Promise<void> {
  const progress = await loadProgressBriefly(pilots, Date.now());
  members.forEach((member, i) => {
    const { syllabus, school, flown, signedOff } = progress.get(member.pilotId)!;
    for (const { stepId, field } of stepsAsked(member, i)) {
      const step = findStep(syllabus, stepId);
      if (!step) throw badField(field, "One of those steps is not in the squad's syllabus.");
      if (place === "simulator" || signedOff.has(stepId)) continue;
      if (simulatorLacking(step, school, flown.get(stepId)?.recent ?? []))
        throw badField(
          field,
          `${step.name} wants to be flown in the simulator first by ${pilots[i].name}'s school, until its mark is met there.`,
        );
    }
  });
}

/** A site gives the room and the height that a step needs, or the step is refused with the numbers. */
async function requireRoom(
  members: readonly SessionPilot[],
  squadId: string,
  siteId: string,
  place: Place,
): Promise<void> {
  const [site, syllabus] = await Promise.all([findSite(siteId), syllabusOf(squadId)]);
  if (site!.squadId !== squadId) throw badField("siteId", "That site is another squad's.");
  if (place === "simulator") return;
  members.forEach((member, i) => {
    for (const { stepId, field } of stepsAsked(member, i)) {
      const step = findStep(syllabus, stepId)!;
      const why = siteRefusal(step, skillOf(syllabus, step), site!);
      if (why) throw badField(field, why);
    }
  });
}

async function requireLoadOf(setupId: string | null, loadId: string): Promise<void> {
  const [setup, load] = await Promise.all([setupId === null ? undefined : findSetup(setupId), findLoad(loadId)]);
  if (!load || load.aircraftId !== setup?.aircraftId)
    throw badField("loadId", "That load does not belong to the aircraft of this setup.");
}

async function requireOwnSetup(setupId: string, pilotId: string): Promise<void> {
  const setup = await findSetup(setupId);
  const aircraft = setup && (await findAircraft(setup.aircraftId));
  if (aircraft?.pilotId !== pilotId) throw new Refusal(404, "One of those setups is not in the records of its pilot.");
}
