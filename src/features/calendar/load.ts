import { dayBegins, dayIn, entryOf, usualRules, DAY_MS } from "@/core";
import "server-only";
import { isCoach, type SignedIn } from "@/server/accounts";
import type { PlannedSession, Session, Site, Target } from "@/contract";
import {
  countAttemptsIn,
  listPilots,
  listPlanned,
  listHeldSince,
  listSites,
  listSquads,
  listTargets,
  waysOf,
} from "@/server/repositories";
import { loadProgress } from "@/server/progress";
import { findStep } from "@/syllabus";
import { attendanceOf, type Attendance } from "./attendance";
import { gapsBetween, type Gap } from "./gaps";
import type { Outlook } from "@/words";
import { outlookOf } from "./outlook";

export interface PastSession extends Pick<
  Session,
  "id" | "squadId" | "siteId" | "place" | "startedAtMs" | "endedAtMs"
> {
  readonly pilots: number;
  readonly attendance: Attendance;
  readonly attempts: number;
}

export interface CalendarData {
  readonly squads: readonly { readonly id: string; readonly name: string }[];
  readonly pilots: readonly { readonly id: string; readonly name: string; readonly squadId: string }[];
  readonly sites: readonly Site[];
  readonly planned: readonly PlannedSession[];
  /** Newest first. */
  readonly past: readonly PastSession[];
  readonly gaps: readonly Gap[];
  /** The nearest first, with what it takes. */
  readonly targets: readonly (Target & { readonly outlook: Outlook })[];
  readonly mayChange: boolean;
  readonly nowMs: number;
}

const BACK_DAYS = 180;

/** Sessions of the last half year and those planned, of every squad somebody coaches, or those a pilot flew in or is to fly in. */
export async function loadCalendar(who: SignedIn, nowMs = Date.now()): Promise<CalendarData> {
  const [squads, pilots] = await Promise.all([who.coachId === null ? [] : listSquads(who.coachId), listPilots(who)]);
  const squadIds = isCoach(who) ? squads.map(({ id }) => id) : pilots.map(({ squadId }) => squadId);
  const pilotIds = pilots.map(({ id }) => id);
  // The calendar of several squads is one: its days are those of the first.
  const ways = await waysOf(squadIds);
  const { timeZone } = ways.get(squadIds[0] ?? "")?.rules ?? usualRules;
  const today = dayBegins(timeZone, dayIn(timeZone, nowMs));
  const [targets, planned, sessions, sites] = await Promise.all([
    listTargets(pilotIds),
    listPlanned(squadIds, new Date(today)),
    listHeldSince(pilotIds, new Date(nowMs - BACK_DAYS * DAY_MS)),
    listSites(squadIds),
  ]);
  const seen = new Set(pilotIds);
  const pilotIdsIn = (squadId: string) => pilots.filter((one) => one.squadId === squadId).map(({ id }) => id);
  const own = isCoach(who) ? planned : planned.filter(({ pilotIds: to }) => to.some((id) => seen.has(id)));
  const aimed = new Set(targets.map(({ pilotId }) => pilotId));
  const [attempts, progress] = await Promise.all([
    countAttemptsIn(
      sessions.map(({ id }) => id),
      pilots.map(({ id }) => id),
    ),
    loadProgress(pilots.filter(({ id }) => aimed.has(id))),
  ]);
  return {
    squads: squads.map(({ id, name }) => ({ id, name })),
    pilots: pilots.map(({ id, name, squadId }) => ({ id, name, squadId })),
    sites,
    // A pilot is told who else comes by nobody but the coach.
    planned: own.map((one) => ({ ...one, pilotIds: one.pilotIds.filter((id) => seen.has(id)) })),
    past: sessions.map(({ id, squadId, siteId, place, startedAtMs, endedAtMs, pilotIds: there }) => ({
      id,
      squadId,
      siteId,
      place,
      startedAtMs,
      endedAtMs,
      pilots: there.length,
      attendance: attendanceOf(there, pilotIdsIn(squadId)),
      attempts: attempts.get(id) ?? 0,
    })),
    gaps: gapsBetween(
      [
        ...sessions.map(({ startedAtMs }) => ({ atMs: startedAtMs, planned: false })),
        ...own.map(({ startsAtMs }) => ({ atMs: startsAtMs, planned: true })),
      ],
      nowMs,
      timeZone,
    ),
    targets: targets.flatMap((target) => {
      const known = entryOf(progress, target.pilotId);
      const step = findStep(known.syllabus, target.stepId);
      if (!step) return [];
      const until = planned.filter(
        ({ startsAtMs, pilotIds: to }) => startsAtMs <= target.dueAtMs && to.includes(target.pilotId),
      );
      return [{ ...target, outlook: outlookOf(step, target.dueAtMs, { ...known, nowMs }, until.length) }];
    }),
    mayChange: isCoach(who),
    nowMs,
  };
}
