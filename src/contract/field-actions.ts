import type { LoggedAttempt } from "./records";
import type { ActionInput } from "./actions";
import type { TallyData } from "./tally";

/** What may wait on a device until the server answers, by name, with what is sent. */
interface FieldInputs {
  /** Times are the device's. */
  "begin-session": { readonly id: string; readonly atMs: number };
  "end-session": { readonly id: string; readonly atMs: number };
  "reopen-session": ActionInput<"reopen-session">;
  "log-attempt": ActionInput<"log-attempt">;
  "set-faults": ActionInput<"set-faults">;
  "set-measured": ActionInput<"set-measured">;
  "undo-attempt": ActionInput<"undo-attempt">;
  "restore-attempt": ActionInput<"restore-attempt">;
  "add-session-note": ActionInput<"add-session-note">;
  "sign-off": ActionInput<"sign-off">;
}

/** One thing done in a session in the field. */
export type FieldAction = {
  readonly [Name in keyof FieldInputs]: { readonly action: Name; readonly input: FieldInputs[Name] };
}[keyof FieldInputs];

/** A session after one more thing was done, as the server shows it once that arrived. Doing the same again changes nothing. */
export function tallyAfter(tally: TallyData, done: FieldAction): TallyData {
  const { session } = tally;
  switch (done.action) {
    case "begin-session":
      return begunAt(tally, done.input.atMs);
    case "end-session":
      return { ...tally, session: { ...session, endedAtMs: done.input.atMs } };
    case "reopen-session":
      return { ...tally, session: { ...session, endedAtMs: null } };
    case "log-attempt":
      return withTap(tally, done.input);
    case "set-faults":
      return withChange(tally, done.input.id, { faults: done.input.faults });
    case "set-measured":
      return withChange(tally, done.input.id, { minutes: done.input.minutes, measured: done.input.measured });
    case "add-session-note":
      return withNote(tally, done.input);
    case "undo-attempt":
      return withChange(tally, done.input.id, { undone: true });
    case "restore-attempt":
      return withChange(tally, done.input.id, { undone: false });
    case "sign-off":
      return withSignOff(tally, done.input);
  }
}

/** A prepared session begins; one that was begun stays as it is. */
const begunAt = (tally: TallyData, startedAtMs: number): TallyData =>
  tally.session.begun ? tally : { ...tally, session: { ...tally.session, begun: true, startedAtMs } };

const withChange = (tally: TallyData, id: string, part: Partial<LoggedAttempt>): TallyData => ({
  ...tally,
  attempts: tally.attempts.map((attempt) => (attempt.id === id ? { ...attempt, ...part } : attempt)),
});

function withTap(tally: TallyData, { flownAtMs, pack = null, ...tap }: ActionInput<"log-attempt">): TallyData {
  if (tally.attempts.some(({ id }) => id === tap.id)) return tally;
  const member = tally.session.pilots.find(({ pilotId }) => pilotId === tap.pilotId);
  const attempt: LoggedAttempt = {
    ...tap,
    pack,
    atMs: flownAtMs,
    place: tally.session.place,
    setupId: member?.setupId ?? null,
    loadId: member?.loadId ?? null,
    minutes: null,
    measured: {},
    faults: [],
    undone: false,
  };
  const begun = begunAt(tally, flownAtMs);
  return withStep({ ...begun, attempts: inOrder([...begun.attempts, attempt]) }, tap.pilotId, tap.stepId);
}

/** In the order flown, whatever came in first. */
const inOrder = (attempts: readonly LoggedAttempt[]) =>
  [...attempts].sort((a, b) => a.atMs - b.atMs || (a.id < b.id ? -1 : 1));

function withNote(tally: TallyData, { id, pilotId, text, writtenAtMs }: ActionInput<"add-session-note">): TallyData {
  return tally.notes.some((note) => note.id === id)
    ? tally
    : { ...tally, notes: [...tally.notes, { id, pilotId, text, writtenAtMs }] };
}

/** A step that was tapped is one of the pilot's in this session, whether or not it was planned; its past is not on the device. */
const withStep = (tally: TallyData, pilotId: string, stepId: string): TallyData => ({
  ...tally,
  pilots: tally.pilots.map((pilot) =>
    pilot.id !== pilotId || pilot.steps.some((step) => step.stepId === stepId)
      ? pilot
      : { ...pilot, steps: [...pilot.steps, { stepId, earlier: [], unknownBefore: true }] },
  ),
});

const withSignOff = (tally: TallyData, { pilotId, stepId }: ActionInput<"sign-off">): TallyData => ({
  ...tally,
  pilots: tally.pilots.map((pilot) =>
    pilot.id !== pilotId || pilot.signedOff.includes(stepId)
      ? pilot
      : { ...pilot, signedOff: [...pilot.signedOff, stepId] },
  ),
});
