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
  const takes = `about ${attempts.median} more attempts (${attempts.high} if it goes slowly) over ${openSteps === 1 ? "this step" : `${openSteps} open steps`}: ${counted(sessions, "session")} of ${attemptsASession}.`;
  if (kind === "past") return `The date is past. It takes ${takes} Move the date or remove the target.`;
  const there = planned === 0 ? "None planned until then" : `${planned} planned until then`;
  if (kind === "enough") return `On course: ${takes} ${there}.`;
  const more = sessions - planned;
  return `Not by then at this pace: ${takes} ${there}. Plan ${more} more, ${Math.round((10 * sessions) / Math.max(1, weeks)) / 10} a week, or move the date.`;
}
