/** One entry of a calendar. */
export interface CalendarEvent {
  readonly id: string;
  readonly startMs: number;
  readonly endMs: number;
  readonly summary: string;
  readonly location: string;
  readonly description: string;
  /** Planned, or already over. */
  readonly tentative: boolean;
}

const LONGEST_OCTETS = 75;

/** A calendar as iCalendar (RFC 5545): UTC times, CRLF, lines folded at 75 octets, text escaped (3.1, 3.3.11). */
export function calendarText(name: string, events: readonly CalendarEvent[], now: Date): string {
  const lines = [
    "BEGIN:VCALENDAR",
    "VERSION:2.0",
    "PRODID:-//Bathygon//Sessions//EN",
    "CALSCALE:GREGORIAN",
    `NAME:${escaped(name)}`,
    `X-WR-CALNAME:${escaped(name)}`,
    ...events.flatMap(({ id, startMs, endMs, summary, location, description, tentative }) => [
      "BEGIN:VEVENT",
      `UID:${id}`,
      `DTSTAMP:${utc(now)}`,
      `DTSTART:${utc(new Date(startMs))}`,
      `DTEND:${utc(new Date(Math.max(endMs, startMs + 60_000)))}`,
      `SUMMARY:${escaped(summary)}`,
      ...(location ? [`LOCATION:${escaped(location)}`] : []),
      ...(description ? [`DESCRIPTION:${escaped(description)}`] : []),
      `STATUS:${tentative ? "TENTATIVE" : "CONFIRMED"}`,
      "END:VEVENT",
    ]),
    "END:VCALENDAR",
  ];
  return lines.map((line) => `${folded(line)}\r\n`).join("");
}

const utc = (date: Date) => date.toISOString().replace(/[-:]|\.\d{3}/g, "");

function escaped(text: string): string {
  return text
    .replace(/[\\;,]/g, (sign) => `\\${sign}`)
    .replace(/\r\n|\r|\n/g, "\\n")
    .replace(/[\u0000-\u0008\u000b-\u001f\u007f]/g, "");
}

/** Splits a line so that no part is longer than 75 octets and no letter is cut; parts after the first begin with a space. */
function folded(line: string): string {
  const parts: string[] = [];
  let part = "";
  let octets = 0;
  for (const letter of line) {
    const size = Buffer.byteLength(letter);
    if (octets + size > LONGEST_OCTETS) {
      parts.push(part);
      part = " ";
      octets = 1;
    }
    part += letter;
    octets += size;
  }
  return [...parts, part].join("\r\n");
}
