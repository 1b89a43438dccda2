import { entryOf } from "@/core";
import type { Pilot, PilotPlan, SessionPilot } from "@/contract";
import type { Place } from "@/core";
import { need, type Need } from "@/server/access";
import { badField, ByIdInput, conflict, memberAction, Refusal, there } from "@/server/actions";
import {
  deleteEmpty,
  findAircraft,
  findLoad,
  findPilots,
  findSession,
  findSetup,
  findSite,
  insertSession,
  inTransaction,
  syllabusOf,
} from "@/server/repositories";
import { loadProgressBriefly } from "@/server/progress";
import { refusalWords } from "@/words";
import { findStep, simulatorLacking, siteRefusal, skillOf } from "@/syllabus";
import { PilotPlanInput, StartSessionInput } from "./inputs";

/** Coaches take any of their pilots into a session; a pilot starts one only alone. */
const mayStart = ({ pilots, siteId }: StartSessionInput): Need[] => [
  ...pilots.map(({ pilotId }) => need("reader", "pilot", pilotId)),
  ...(siteId ? [need("reader", "site", siteId)] : []),
];

/** Sessions as they are planned: prepared at the desk or begun at once, and let go of unflown. */
export const planActions = {
  "start-session": memberAction(StartSessionInput, mayStart, async (input, who, { squadOf }) => {
    const { id, place, siteId = null, temperatureC = null, windMps = null, pilots, prepared = false } = input;
    const members = pilots.map(({ pilotId, stepId, setupId, loadId, plan }) => ({
      pilotId,
      stepId,
      setupId: setupId ?? null,
      loadId: loadId ?? null,
      ...(plan && { plan: planFrom(plan) }),
    }));
    const squadIds = new Set(members.map(({ pilotId }) => squadOf(pilotId)));
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
    if (siteId && squadOf(siteId) !== squadId) throw badField("siteId", "That site is another squad's.");
    await requireOpenSteps(members, await findPilots(members.map(({ pilotId }) => pilotId)), place);
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

  /** A session in which nothing was flown is deleted; one with attempts or notes stays. */
  "drop-session": memberAction(
    ByIdInput,
    ({ id }) => [need("keeper", "session", id)],
    ({ id }) =>
      inTransaction(async (transaction) => {
        if (!(await deleteEmpty(transaction, id)))
          throw conflict("Something was flown or noted in that session; it is kept.");
      }),
  ),
};

/** What is kept of a plan: its fields and no others. */
const planFrom = ({ blocks, turns }: PilotPlanInput): PilotPlan => ({
  blocks: blocks.map(({ kind, stepId, minutes, firstDirection, lineId, reason = null, why = "" }) => ({
    kind,
    stepId: stepId ?? null,
    minutes,
    firstDirection: firstDirection ?? null,
    ...(lineId && { lineId }),
    // A page that was opened before reasons had kinds sends a sentence.
    reason: reason ?? (why === "" ? null : { kind: "said", says: why }),
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

/** Steps have to be in the squad's syllabus, and flown in the simulator first where the pilot's school wants that. */
async function requireOpenSteps(
  members: readonly SessionPilot[],
  pilots: readonly Pilot[],
  place: Place,
): Promise<void> {
  const progress = await loadProgressBriefly(pilots, Date.now());
  members.forEach((member, i) => {
    const pilot = there(
      pilots.find(({ id }) => id === member.pilotId),
      "That pilot",
    );
    const { syllabus, school, flown, signedOff } = entryOf(progress, member.pilotId);
    for (const { stepId, field } of stepsAsked(member, i)) {
      const step = findStep(syllabus, stepId);
      if (!step) throw badField(field, "One of those steps is not in the squad's syllabus.");
      if (place === "simulator" || signedOff.has(stepId)) continue;
      if (simulatorLacking(step, school, flown.get(stepId)?.recent ?? []))
        throw badField(
          field,
          `${step.name} needs its pass mark met in the simulator first (${pilot.name}'s coaching choices).`,
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
  if (place === "simulator") return;
  const [found, syllabus] = await Promise.all([findSite(siteId), syllabusOf(squadId)]);
  const site = there(found, "That site");
  members.forEach((member, i) => {
    for (const { stepId, field } of stepsAsked(member, i)) {
      const step = findStep(syllabus, stepId);
      const why = step && siteRefusal(step, skillOf(syllabus, step), site);
      if (why) throw badField(field, refusalWords(why, "metric"));
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
