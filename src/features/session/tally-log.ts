import type { Outcome } from "@/core";
import type { LoggedAttempt } from "@/server/repositories";
import type { Outgoing } from "@/ui/outbox/outbox";
import type { TallyData, TallyNote } from "./load";

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

/** A session as it is once everything waiting has arrived. */
export function withWaiting(tally: TallyData, waiting: readonly Outgoing[]): TallyData {
  return waiting
    .filter((item) => item.sessionId === tally.session.id && item.refused === undefined)
    .reduce((known, { action, input }) => applied(known, action, input), tally);
}

/** A session after one more thing was done. Doing the same again changes nothing. */
export function applied(tally: TallyData, action: Outgoing["action"], input: object): TallyData {
  const { session } = tally;
  const change = (part: Partial<LoggedAttempt>) => ({
    ...tally,
    attempts: tally.attempts.map((attempt) =>
      attempt.id === (input as { id: string }).id ? { ...attempt, ...part } : attempt,
    ),
  });
  switch (action) {
    case "begin-session":
      return session.begun
        ? tally
        : { ...tally, session: { ...session, begun: true, startedAtMs: (input as { atMs: number }).atMs } };
    case "end-session":
      return { ...tally, session: { ...session, endedAtMs: (input as { atMs: number }).atMs } };
    case "reopen-session":
      return { ...tally, session: { ...session, endedAtMs: null } };
    case "log-attempt":
      return withTap(tally, input as LoggedTap);
    case "set-faults":
      return change({ faults: (input as { faults: string[] }).faults });
    case "set-measured": {
      const { minutes, measured } = input as Pick<LoggedAttempt, "minutes" | "measured">;
      return change({ minutes, measured });
    }
    case "add-session-note": {
      const { id, pilotId, text, writtenAtMs } = input as TallyNote;
      return tally.notes.some((note) => note.id === id)
        ? tally
        : { ...tally, notes: [...tally.notes, { id, pilotId, text, writtenAtMs }] };
    }
    case "undo-attempt":
      return change({ undone: true });
    case "restore-attempt":
      return change({ undone: false });
    case "sign-off": {
      const { pilotId, stepId } = input as { pilotId: string; stepId: string };
      return withStep(tally, pilotId, stepId, true);
    }
  }
}

function withTap(tally: TallyData, { flownAtMs, ...tap }: LoggedTap): TallyData {
  if (tally.attempts.some((attempt) => attempt.id === tap.id)) return tally;
  const { session } = tally;
  const member = session.pilots.find((one) => one.pilotId === tap.pilotId);
  const attempt: LoggedAttempt = {
    ...tap,
    atMs: flownAtMs,
    place: session.place,
    setupId: member?.setupId ?? null,
    loadId: member?.loadId ?? null,
    minutes: null,
    measured: {},
    faults: [],
    undone: false,
  };
  return withStep(
    { ...tally, session: { ...session, begun: true }, attempts: [...tally.attempts, attempt] },
    tap.pilotId,
    tap.stepId,
    false,
  );
}

/** The step is one of the pilot's in this session, whether or not it was planned. */
function withStep(tally: TallyData, pilotId: string, stepId: string, signedOff: boolean): TallyData {
  const pilots = tally.pilots.map((pilot) => {
    if (pilot.id !== pilotId) return pilot;
    const there = pilot.steps.find((step) => step.stepId === stepId);
    if (there && (!signedOff || there.signedOff)) return pilot;
    const step = there ?? { stepId, earlier: [], signedOff, unknownBefore: true };
    return { ...pilot, steps: [...pilot.steps.filter((one) => one !== there), { ...step, signedOff }] };
  });
  return { ...tally, pilots };
}
