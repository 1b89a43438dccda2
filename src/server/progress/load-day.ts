import "server-only";
import { STANDARD_DAY } from "@/core";
import { standardDay, type Day } from "@/syllabus";
import { dayOfSession } from "@/contract";
import { latestSessionsOf, listSites } from "../repositories";

/** A session this long ago says nothing of today. */
const DAY_MS = 18 * 3_600_000;

/** The air of a squad's day: that of its newest session of these hours, else the elevation of its only site, else standard air at sea level. */
export async function loadDay(squadId: string, nowMs = Date.now()): Promise<Day> {
  const [sites, [session]] = await Promise.all([
    listSites([squadId]),
    latestSessionsOf(squadId, new Date(nowMs - DAY_MS)),
  ]);
  if (session) {
    const day = dayOfSession(session, sites.find(({ id }) => id === session.siteId) ?? null);
    if (day !== standardDay) return day;
  }
  const [only] = sites;
  if (sites.length !== 1 || only.elevationM === null) return standardDay;
  return {
    air: { ...STANDARD_DAY, elevationM: only.elevationM },
    from: { kind: "site", siteName: only.name },
  };
}
