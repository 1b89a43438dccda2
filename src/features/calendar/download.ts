import "server-only";
import { need, requireAccess } from "@/server/access";
import type { SignedIn } from "@/server/accounts";
import { calendarText, type CalendarEvent } from "@/server/files";
import { squadNames } from "@/server/repositories";
import { presentAt } from "./attendance";
import { loadCalendar } from "./load";

const MINUTE_MS = 60_000;

/** A squad's sessions, past and planned, as iCalendar: all of them for its coaches, their own for its pilots. */
export async function downloadCalendar(who: SignedIn, squadId: string, now = new Date()): Promise<Response> {
  await requireAccess(who, [need("reader", "squad", squadId)]);
  const [{ planned, past, sites, pilots }, names] = await Promise.all([
    loadCalendar(who, now.getTime()),
    squadNames([squadId]),
  ]);
  const inSquad = pilots.filter((one) => one.squadId === squadId).map(({ id }) => id);
  const squadName = names.get(squadId) ?? "";
  const siteName = (id: string | null | undefined) => sites.find((site) => site.id === id)?.name ?? "";
  const namesOf = (ids: readonly string[]) =>
    ids.flatMap((id) => pilots.find((pilot) => pilot.id === id)?.name ?? []).join("\n");
  const events: CalendarEvent[] = [
    ...planned
      .filter((one) => one.squadId === squadId)
      .map((one) => ({
        id: one.id,
        startMs: one.startsAtMs,
        endMs: one.startsAtMs + one.minutes * MINUTE_MS,
        summary: `${squadName}: flying`,
        location: siteName(one.siteId),
        description: [one.note, namesOf(one.pilotIds)].filter(Boolean).join("\n"),
        tentative: true,
      })),
    ...past
      .filter((one) => one.squadId === squadId)
      .map((one) => ({
        id: one.id,
        startMs: one.startedAtMs,
        endMs: one.endedAtMs ?? one.startedAtMs + 60 * MINUTE_MS,
        summary: `${squadName}: flown`,
        location: siteName(one.siteId),
        description: `${one.attempts} attempts\n${namesOf(presentAt(one.attendance, inSquad))}`,
        tentative: false,
      })),
  ];
  return new Response(calendarText(squadName, events, now), {
    headers: {
      "content-type": "text/calendar; charset=utf-8",
      "content-disposition": `attachment; filename="sessions-${squadId.slice(-6)}.ics"`,
      "cache-control": "no-store",
    },
  });
}
