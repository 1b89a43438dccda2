import type { AttemptsToGo } from "@/core";
import { counted } from "./numbers";

/** What it takes to have a step signed off by a date. */
export interface Outlook {
  readonly attempts: AttemptsToGo;
  /** Steps on the way that are still open, the target itself among them. */
  readonly openSteps: number;
  /** What the pilot flies in a session, as a median of the last ones, or the trade's usual where there are none. */
  readonly attemptsASession: number;
  readonly sessions: number;
  /** Sessions in the calendar until then that the pilot is to come to. */
  readonly planned: number;
  /** From now to the date; none where it is past. */
  readonly weeks: number;
  readonly kind: "there" | "enough" | "short" | "past";
}

/** What it takes to have a step signed off by a date, and whether enough is planned. */
export function outlookWords(outlook: Outlook): string {
  const { attempts, openSteps, attemptsASession, sessions, planned, kind, weeks } = outlook;
  if (kind === "there") return "Signed off.";
  const takes = `About ${attempts.median} attempts (nine times in ten no more than ${attempts.high}) over ${openSteps === 1 ? "this step" : `${openSteps} open steps`}, ${sessions === 1 ? "one session" : counted(sessions, "session")} of ${attemptsASession}.`;
  if (kind === "past") return `${takes} The date is past: move it, or let go of it.`;
  const there =
    planned === 0
      ? "None is planned until then"
      : planned === 1
        ? "One is planned until then"
        : `${planned} are planned until then`;
  if (kind === "enough") return `${takes} ${there}: enough.`;
  const more = sessions - planned;
  return `${takes} ${there}: plan ${more} more, ${Math.round((10 * sessions) / Math.max(1, weeks)) / 10} a week, or move the date.`;
}
