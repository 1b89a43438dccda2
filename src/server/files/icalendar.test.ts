import fc from "fast-check";
import ICAL from "ical.js";
import { calendarText, type CalendarEvent } from "./icalendar";

const now = new Date("2026-11-25T18:00:00Z");
const event = (change: Partial<CalendarEvent> = {}): CalendarEvent => ({
  id: "one@made-up",
  startMs: Date.parse("2026-12-01T09:30:00Z"),
  endMs: Date.parse("2026-12-01T12:00:00Z"),
  summary: "Evaporation pans; bring gloves, tea",
  location: "Evaporation pans",
  description: "Odo Fenn\nIda Rook",
  tentative: true,
  ...change,
});
/** Read by an independent parser (ical.js). */
const read = (text: string) =>
  new ICAL.Component(ICAL.parse(text)).getAllSubcomponents("vevent").map((one) => new ICAL.Event(one));

it("is read by an independent parser as it was meant", () => {
  const text = calendarText("Salt works camp", [event(), event({ id: "two@made-up", tentative: false })], now);
  const [one, two] = read(text);
  expect([one.uid, one.summary, one.location, one.description]).toEqual([
    "one@made-up",
    "Evaporation pans; bring gloves, tea",
    "Evaporation pans",
    "Odo Fenn\nIda Rook",
  ]);
  expect(one.startDate.toJSDate().toISOString()).toBe("2026-12-01T09:30:00.000Z");
  expect(one.endDate.toJSDate().toISOString()).toBe("2026-12-01T12:00:00.000Z");
  expect(two.component.getFirstPropertyValue("status")).toBe("CONFIRMED");
});

it("keeps any text, in lines of at most 75 octets that end with CRLF (RFC 5545, 3.1)", () => {
  fc.assert(
    fc.property(
      fc.string({ unit: "grapheme", maxLength: 300 }),
      fc.string({ unit: "grapheme", maxLength: 80 }),
      (description, summary) => {
        const text = calendarText("x", [event({ description, summary })], now);
        for (const line of text.split("\r\n")) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
        expect(text.replaceAll("\r\n", "")).not.toMatch(/[\r\n]/);
        const [one] = read(text);
        const kept = (words: string) =>
          words.replace(/\r\n|\r/g, "\n").replace(/[\u0000-\u0008\u000b-\u001f\u007f]/g, "");
        expect(one.description ?? "").toBe(kept(description));
        expect(one.summary ?? "").toBe(kept(summary));
      },
    ),
    { numRuns: 200 },
  );
});

it("an empty calendar is still one", () => {
  expect(read(calendarText("nobody", [], now))).toEqual([]);
});
