import "server-only";
import {
  dayOfSession,
  sentSyllabi,
  type LoggedAttempt,
  type SessionPilot,
  type TallyData,
  type TallyPilot,
} from "@/contract";
import { entryOf, flownForReal, recentOf, type Attempt } from "@/core";
import { isCoach, type SignedIn } from "./accounts";
import { fieldPilot, loadFieldPilots, memberAtStep } from "./field-pilots";
import {
  findSession,
  findSite,
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
  const alone = session.coachId === null && { alone: true };
  const attempts = (await listSessionAttempts(sessionId))
    .filter(({ pilotId }) => visible.has(pilotId))
    .map((one) => ({ ...one, ...alone }));
  const stepsOf = new Map(members.map((member) => [member.pilotId, stepsIn(member, attempts)]));
  const over = session.endedAtMs !== null;
  // Who else could come in while it runs.
  const absent = !isCoach(who)
    ? []
    : [...visible.values()].filter(
        ({ id, squadId }) => squadId === session.squadId && !members.some(({ pilotId }) => pilotId === id),
      );
  const shown = [...members.map(({ pilotId }) => entryOf(visible, pilotId)), ...absent];
  const [known, squads, syllabus, site, notes, before] = await Promise.all([
    loadFieldPilots(shown, stepsOf),
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
  // What was practised is held against practice, what was flown against flights.
  const alike = (one: Attempt) => flownForReal(one) === flownForReal(session);
  const earlierAt = (pilotId: string, stepId: string): readonly Attempt[] =>
    over
      ? recentOf(before.filter((one) => one.pilotId === pilotId && one.stepId === stepId && alike(one)))
      : (entryOf(known.progress, pilotId).flown.get(stepId)?.recent ?? []).filter(
          (one) => one.sessionId !== sessionId && alike(one),
        );
  const pilotOf = (member: SessionPilot, steps: Iterable<string>): TallyPilot => ({
    ...fieldPilot(known, member),
    steps: [...steps].map((id) => ({ stepId: id, earlier: earlierAt(member.pilotId, id) })),
  });
  return {
    accountId: who.accountId,
    name: who.name,
    session: {
      ...session,
      pilots: members,
      against: (session.against ?? []).filter(({ pilotId }) => visible.has(pilotId)),
    },
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
    pilots: members.map((member) => pilotOf(member, entryOf(stepsOf, member.pilotId))),
    others: absent.map(({ id }) => {
      const member = memberAtStep(known, id);
      return pilotOf(member, [member.stepId]);
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
