import "server-only";
import { sentSyllabi, type LoggedAttempt, type PlannedBlock, type SessionPilot, type TallyData } from "@/contract";
import { entryOf, recentOf, type Attempt } from "@/core";
import { currentStepOf, routeOf } from "@/syllabus";
import { isCoach, type SignedIn } from "./accounts";
import { dayOfSession, loadProgressBriefly } from "./progress";
import {
  findSession,
  findSite,
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
  const [progress, aircraft, squads, syllabus, site, notes, before] = await Promise.all([
    loadProgressBriefly(
      members.map(({ pilotId }) => entryOf(visible, pilotId)),
      Date.now(),
      stepsOf,
    ),
    listAircraft(members.map(({ pilotId }) => pilotId)),
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
  return {
    accountId: who.accountId,
    session: { ...session, pilots: members },
    attempts,
    notes: notes
      .filter(({ pilotId }) => visible.has(pilotId))
      .map(({ id, pilotId, text, writtenAtMs }) => ({ id, pilotId, text, writtenAtMs })),
    // A pilot who changed squads brings old sessions along to be read, not to be written into.
    mayKeep: isCoach(who) ? squads.some(({ id }) => id === session.squadId) : session.coachId === null,
    coaches: isCoach(who),
    site: site ?? null,
    day: dayOfSession(session, site ?? null),
    syllabi: sentSyllabi(new Map([[session.squadId, syllabus]])),
    pilots: members.map(({ pilotId, stepId, setupId, loadId = null, plan }) => ({
      id: pilotId,
      name: entryOf(visible, pilotId).name,
      setupId,
      loadId,
      blocks: plan && plan.blocks.length > 0 ? plan.blocks : [oneBlock(stepId)],
      turns: plan?.turns ?? [],
      checkFirst: aircraft
        .filter((one) => one.pilotId === pilotId && one.flightState !== "flying")
        .map(({ name }) => name),
      route: routeOf(entryOf(progress, pilotId).school),
      currentStepId: currentStepOf(entryOf(progress, pilotId))?.id ?? null,
      signedOff: [...entryOf(progress, pilotId).signedOff],
      steps: [...entryOf(stepsOf, pilotId)].map((id) => ({
        stepId: id,
        earlier: earlierAt(pilotId, id),
      })),
    })),
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
