import "server-only";
import {
  sentSyllabi,
  toBeChecked,
  type LoggedAttempt,
  type PlannedBlock,
  type SessionPilot,
  type TallyAircraft,
  type TallyData,
  type TallyPilot,
} from "@/contract";
import { entryOf, recentOf, type Attempt } from "@/core";
import { currentStepOf, routeOf } from "@/syllabus";
import { isCoach, type SignedIn } from "./accounts";
import { dayOfSession, loadProgressBriefly } from "./progress";
import {
  findSession,
  findSite,
  aircraftOfSetups,
  latestSetups,
  listAircraft,
  listAttemptsBefore,
  listPilots,
  listSessionAttempts,
  listSessionNotes,
  listSquads,
  syllabusOf,
} from "./repositories";

/** A session as somebody may see it: only with the pilots whose records they may read. Null when there is none for them. */
export async function loadTally(who: SignedIn, sessionId: string): Promise<TallyData | null> {
  const session = await findSession(sessionId);
  if (!session) return null;
  const visible = new Map((await listPilots(who)).map((pilot) => [pilot.id, pilot]));
  const members = session.pilots.filter(({ pilotId }) => visible.has(pilotId));
  if (members.length === 0) return null;
  const attempts = (await listSessionAttempts(sessionId)).filter(({ pilotId }) => visible.has(pilotId));
  const stepsOf = new Map(members.map((member) => [member.pilotId, stepsIn(member, attempts)]));
  const over = session.endedAtMs !== null;
  // Who else could come in while it runs.
  const absent = !isCoach(who)
    ? []
    : [...visible.values()].filter(
        ({ id, squadId }) => squadId === session.squadId && !members.some(({ pilotId }) => pilotId === id),
      );
  const shown = [...members.map(({ pilotId }) => entryOf(visible, pilotId)), ...absent];
  const shownIds = shown.map(({ id }) => id);
  const [progress, aircraft, setups, aircraftOf, squads, syllabus, site, notes, before] = await Promise.all([
    loadProgressBriefly(shown, Date.now(), stepsOf),
    listAircraft(shownIds),
    latestSetups(shownIds),
    aircraftOfSetups(shownIds),
    who.coachId === null ? [] : listSquads(who.coachId),
    syllabusOf(session.squadId),
    // A pilot who changed squads brings the session along, not the old squad's site.
    session.siteId && [...visible.values()].some(({ squadId }) => squadId === session.squadId)
      ? findSite(session.siteId)
      : null,
    listSessionNotes(sessionId),
    // A session that is over is looked at as it was then: what was flown since is no part of it.
    over
      ? listAttemptsBefore(
          members.map(({ pilotId }) => pilotId),
          [...new Set([...stepsOf.values()].flatMap((steps) => [...steps]))],
          new Date(session.startedAtMs),
        )
      : [],
  ]);
  const earlierAt = (pilotId: string, stepId: string): readonly Attempt[] =>
    over
      ? recentOf(before.filter((one) => one.pilotId === pilotId && one.stepId === stepId))
      : (entryOf(progress, pilotId).flown.get(stepId)?.recent ?? []).filter((one) => one.sessionId !== sessionId);
  const fleetOf = (pilotId: string) => aircraft.filter((one) => one.pilotId === pilotId);
  /** The aircraft one of whose setups is flown. */
  const flownBy = (setupId: string | null): TallyAircraft | null => {
    const flown = aircraft.find(({ id }) => id === aircraftOf.get(setupId ?? ""));
    const setup = flown && setups.get(flown.id);
    if (!setup) return null;
    const { id, name, flightState, clearedAtMs, openCrashes, lastTilt } = flown;
    return { id, name, flightState, clearedAtMs, openCrashes, lastTilt, tiltDeg: setup.settings.tiltDeg };
  };
  const pilotOf = (
    { pilotId, setupId, loadId = null, plan, left = false }: SessionPilot,
    steps: Iterable<string>,
    oneStep: string,
  ): TallyPilot => {
    const own = entryOf(progress, pilotId);
    return {
      id: pilotId,
      name: entryOf(visible, pilotId).name,
      setupId,
      loadId,
      aircraft: flownBy(setupId),
      left,
      blocks: plan && plan.blocks.length > 0 ? plan.blocks : [oneBlock(oneStep)],
      turns: plan?.turns ?? [],
      checkFirst: fleetOf(pilotId).flatMap((one) => (toBeChecked(one) ? [one.name] : [])),
      route: routeOf(own.school),
      currentStepId: currentStepOf(own)?.id ?? null,
      signedOff: [...own.signedOff],
      steps: [...steps].map((id) => ({ stepId: id, earlier: earlierAt(pilotId, id) })),
    };
  };
  return {
    accountId: who.accountId,
    name: who.name,
    session: { ...session, pilots: members },
    attempts,
    notes: notes
      .filter(({ pilotId, forCoaches }) => visible.has(pilotId) && (isCoach(who) || !forCoaches))
      .map(({ id, pilotId, text, writtenAtMs, forCoaches }) => ({ id, pilotId, text, writtenAtMs, forCoaches })),
    // A pilot who changed squads brings old sessions along to be read, not to be written into.
    mayKeep: isCoach(who) ? squads.some(({ id }) => id === session.squadId) : session.coachId === null,
    coaches: isCoach(who),
    site: site ?? null,
    day: dayOfSession(session, site ?? null),
    syllabi: sentSyllabi(new Map([[session.squadId, syllabus]])),
    pilots: members.map((member) => pilotOf(member, entryOf(stepsOf, member.pilotId), member.stepId)),
    others: absent.flatMap(({ id: pilotId }) => {
      const step = currentStepOf(entryOf(progress, pilotId)) ?? syllabus.steps.at(-1);
      const setup = fleetOf(pilotId).flatMap(({ id }) => setups.get(id) ?? [])[0];
      const member = { pilotId, stepId: step?.id ?? "", setupId: setup?.id ?? null };
      return step ? [pilotOf(member, [step.id], step.id)] : [];
    }),
  };
}

/** The steps of a pilot in a session: the one worked at, those planned, those tapped, undone or not. */
const stepsIn = ({ pilotId, stepId, plan }: SessionPilot, attempts: readonly LoggedAttempt[]): ReadonlySet<string> =>
  new Set([
    stepId,
    ...(plan?.blocks ?? []).flatMap((block) => block.stepId ?? []),
    ...attempts.filter((one) => one.pilotId === pilotId).map((one) => one.stepId),
  ]);

const oneBlock = (stepId: string): PlannedBlock => ({
  kind: "main",
  stepId,
  minutes: 0,
  firstDirection: null,
  reason: null,
});
