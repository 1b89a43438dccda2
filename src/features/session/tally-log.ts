import type { Outcome } from "@/core";
import type { LoggedAttempt, Session } from "@/server/repositories";
import type { Outgoing } from "./outbox";

/** A tap as it is sent. */
export interface LoggedTap {
  readonly id: string;
  readonly sessionId: string;
  readonly pilotId: string;
  readonly stepId: string;
  readonly direction: string;
  readonly outcome: Outcome;
  readonly flownAtMs: number;
  readonly pack: number | null;
}

/** The attempts of a session as they are once everything waiting has arrived. */
export function withWaiting(
  attempts: readonly LoggedAttempt[],
  waiting: readonly Outgoing[],
  session: Session,
): LoggedAttempt[] {
  return waiting
    .filter((item) => item.sessionId === session.id && item.refused === undefined)
    .reduce((known, { action, input }) => applied(known, action, input, session), [...attempts]);
}

/** The attempts after one more thing was done. Doing the same again changes nothing. */
export function applied(
  attempts: readonly LoggedAttempt[],
  action: Outgoing["action"],
  input: object,
  session: Session,
): LoggedAttempt[] {
  const change = (part: Partial<LoggedAttempt>) =>
    attempts.map((attempt) => (attempt.id === (input as { id: string }).id ? { ...attempt, ...part } : attempt));
  switch (action) {
    case "log-attempt": {
      const { flownAtMs, ...tap } = input as LoggedTap;
      if (attempts.some((attempt) => attempt.id === tap.id)) return [...attempts];
      const member = session.pilots.find((one) => one.pilotId === tap.pilotId);
      return [
        ...attempts,
        {
          ...tap,
          atMs: flownAtMs,
          place: session.place,
          setupId: member?.setupId ?? null,
          minutes: null,
          measured: {},
          faults: [],
          undone: false,
        },
      ];
    }
    case "set-faults":
      return change({ faults: (input as { faults: string[] }).faults });
    case "set-measured": {
      const { minutes, measured } = input as Pick<LoggedAttempt, "minutes" | "measured">;
      return change({ minutes, measured });
    }
    case "undo-attempt":
      return change({ undone: true });
    case "restore-attempt":
      return change({ undone: false });
  }
}
