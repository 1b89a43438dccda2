import { oneSquad } from "@/ui/testing/made-up";
import type { CalendarData } from "../load";

export const nowMs = Date.parse("2026-11-25T12:00:00Z");

/** A made-up calendar of two pilots with nothing in it; tests change what they are about. */
export const calendarData = (change: Partial<CalendarData> = {}): CalendarData => ({
  squads: [oneSquad],
  pilots: [
    { id: "odo", name: "Odo Fenn", squadId: "squad" },
    { id: "ida", name: "Ida Rook", squadId: "squad" },
  ],
  sites: [],
  planned: [],
  past: [],
  targets: [],
  gaps: [],
  mayChange: true,
  nowMs,
  ...change,
});
