import { outcomeCounted } from "@/core";
import { toBeChecked, type LoggedAttempt } from "./records";
import type { ActionInput } from "./actions";
import type { LineTry } from "./lines";
import type { TallyAircraft, TallyData, TallyPilot } from "./tally";

/** What may wait on a device until the server answers, by name, with what is sent. */
interface FieldInputs {
  /** The device shows it from the squad it knows: see tallyBegun. */
  "begin-in-field": ActionInput<"begin-in-field">;
  /** Times are the device's. */
  "begin-session": { readonly id: string; readonly atMs: number };
  "end-session": { readonly id: string; readonly atMs: number };
  "reopen-session": ActionInput<"reopen-session">;
  "log-attempt": ActionInput<"log-attempt">;
  "set-faults": ActionInput<"set-faults">;
  "set-held": ActionInput<"set-held">;
  "set-measured": ActionInput<"set-measured">;
  "undo-attempt": ActionInput<"undo-attempt">;
  "restore-attempt": ActionInput<"restore-attempt">;
  "add-session-note": ActionInput<"add-session-note">;
  "sign-off": ActionInput<"sign-off">;
  "take-in": ActionInput<"take-in">;
  "let-go": ActionInput<"let-go">;
  "check-aircraft": ActionInput<"check-aircraft">;
  /** Of practice: no session of the field knows of it. */
  "log-try": ActionInput<"log-try">;
}

/** One thing done in a session in the field. */
export type FieldAction = {
  readonly [Name in keyof FieldInputs]: { readonly action: Name; readonly input: FieldInputs[Name] };
}[keyof FieldInputs];

/** A session after one more thing was done, as the server shows it once that arrived. Doing the same again changes nothing. */
export function tallyAfter(tally: TallyData, done: FieldAction): TallyData {
  const { session } = tally;
  switch (done.action) {
    case "begin-in-field":
    case "log-try":
      return tally;
    case "begin-session":
      return begunAt(tally, done.input.atMs);
    case "end-session":
      return {
        ...tally,
        session: { ...session, endedAtMs: done.input.atMs, endedBy: { accountId: tally.accountId, name: tally.name } },
      };
    case "reopen-session":
      return { ...tally, session: { ...session, endedAtMs: null, endedBy: null } };
    case "log-attempt":
      return withTap(tally, done.input);
    case "set-faults":
      return withChange(tally, done.input.id, { faults: done.input.faults });
    case "set-held":
      return withHeld(tally, done.input);
    case "set-measured":
      return withMeasured(tally, done.input);
    case "add-session-note":
      return withNote(tally, done.input);
    case "undo-attempt":
      return withCrashes(withChange(tally, done.input.id, { undone: true }), done.input.id);
    case "restore-attempt":
      return withCrashes(withChange(tally, done.input.id, { undone: false }), done.input.id);
    case "sign-off":
      return withSignOff(tally, done.input);
    case "take-in":
      return takenIn(tally, done.input);
    case "let-go":
      return withLeft(tally, done.input.pilotId, true);
    case "check-aircraft":
      return withCheck(tally, done.input);
  }
}

/** A prepared session begins; one that was begun stays as it is. */
const begunAt = (tally: TallyData, startedAtMs: number): TallyData =>
  tally.session.begun ? tally : { ...tally, session: { ...tally.session, begun: true, startedAtMs } };

const withChange = (tally: TallyData, id: string, part: Partial<LoggedAttempt>): TallyData => ({
  ...tally,
  attempts: tally.attempts.map((attempt) => (attempt.id === id ? { ...attempt, ...part } : attempt)),
});

/** What was touched or missed makes a clean attempt a rough one; taking that back does not make it clean again. */
const withMeasured = (tally: TallyData, { id, minutes, measured }: ActionInput<"set-measured">): TallyData => ({
  ...tally,
  attempts: tally.attempts.map((attempt) =>
    attempt.id === id ? { ...attempt, minutes, measured, outcome: outcomeCounted(attempt.outcome, measured) } : attempt,
  ),
});

/** Held parts of a try at a copied line, in the order of its parts. */
export const heldIn = (line: LineTry, held: readonly string[]): LineTry => ({
  ...line,
  held: (line.parts ?? []).map(({ id }) => id).filter((id) => held.includes(id)),
});

const withHeld = (tally: TallyData, { id, held }: ActionInput<"set-held">): TallyData => ({
  ...tally,
  attempts: tally.attempts.map((attempt) =>
    attempt.id === id && attempt.line ? { ...attempt, line: heldIn(attempt.line, held) } : attempt,
  ),
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
    ...(tally.session.coachId === null && { alone: true }),
  };
  const begun = begunAt(tally, flownAtMs);
  const tapped = withStep(
    { ...begun, attempts: inOrder([...begun.attempts, attempt], ({ id }) => id) },
    tap.pilotId,
    tap.stepId,
  );
  return withCrashes(tapped, tap.id);
}

/** Marks the aircraft of an attempt that was a crash, or no longer where the attempt was taken back. */
function withCrashes(tally: TallyData, attemptId: string): TallyData {
  const attempt = tally.attempts.find(({ id }) => id === attemptId);
  if (attempt?.outcome !== "crashed" || attempt.place === "simulator") return tally;
  return withPilot(tally, attempt.pilotId, (pilot) => {
    if (!pilot.aircraft || pilot.setupId !== attempt.setupId) return pilot;
    const { clearedAtMs } = pilot.aircraft;
    const others = pilot.aircraft.openCrashes.filter((one) => one.attemptId !== attemptId);
    const open = !attempt.undone && attempt.atMs > clearedAtMs;
    const openCrashes = open ? inOrder([...others, { attemptId, atMs: attempt.atMs }], (one) => one.attemptId) : others;
    return withAircraft(pilot, { ...pilot.aircraft, openCrashes });
  });
}

const withPilot = (tally: TallyData, pilotId: string, change: (pilot: TallyPilot) => TallyPilot): TallyData => ({
  ...tally,
  pilots: tally.pilots.map((pilot) => (pilot.id === pilotId ? change(pilot) : pilot)),
});

/** The aircraft as it is now, and among those to be flown by eye first where it is to be. */
function withAircraft(pilot: TallyPilot, aircraft: TallyAircraft): TallyPilot {
  const others = pilot.checkFirst.filter((name) => name !== aircraft.name);
  return { ...pilot, aircraft, checkFirst: toBeChecked(aircraft) ? [...others, aircraft.name] : others };
}

function withCheck(tally: TallyData, { aircraftId, tiltDeg, atMs }: ActionInput<"check-aircraft">): TallyData {
  const checked = (aircraft: TallyAircraft): TallyAircraft => {
    // One that comes late takes nothing back of a later one.
    const clearedAtMs = Math.max(aircraft.clearedAtMs, atMs);
    const known = aircraft.lastTilt;
    return {
      ...aircraft,
      flightState: "flying",
      clearedAtMs,
      openCrashes: aircraft.openCrashes.filter((one) => one.atMs > clearedAtMs),
      lastTilt: known && known.atMs > atMs ? known : { tiltDeg, atMs },
    };
  };
  return {
    ...tally,
    pilots: tally.pilots.map((pilot) =>
      pilot.aircraft?.id === aircraftId ? withAircraft(pilot, checked(pilot.aircraft)) : pilot,
    ),
  };
}

const withLeft = (tally: TallyData, pilotId: string, left: boolean): TallyData =>
  withPilot(
    {
      ...tally,
      session: {
        ...tally.session,
        pilots: tally.session.pilots.map((one) => (one.pilotId === pilotId ? { ...one, left } : one)),
      },
    },
    pilotId,
    (pilot) => ({ ...pilot, left }),
  );

/** A pilot comes in, or back. */
function takenIn(tally: TallyData, { pilotId, stepId, setupId, loadId }: ActionInput<"take-in">): TallyData {
  if (tally.pilots.some(({ id }) => id === pilotId)) return withLeft(tally, pilotId, false);
  const pilot = tally.others.find(({ id }) => id === pilotId);
  if (!pilot) return tally;
  const member = { pilotId, stepId, setupId, loadId: loadId ?? null, left: false };
  return {
    ...tally,
    session: { ...tally.session, pilots: [...tally.session.pilots, member] },
    pilots: [...tally.pilots, pilot],
    others: tally.others.filter(({ id }) => id !== pilotId),
  };
}

/** In the order flown, whatever came in first. */
const inOrder = <One extends { readonly atMs: number }>(all: readonly One[], idOf: (one: One) => string) =>
  [...all].sort((a, b) => a.atMs - b.atMs || (idOf(a) < idOf(b) ? -1 : 1));

function withNote(tally: TallyData, note: ActionInput<"add-session-note">): TallyData {
  const { id, pilotId, text, writtenAtMs, forCoaches = false } = note;
  return tally.notes.some((known) => known.id === id)
    ? tally
    : { ...tally, notes: [...tally.notes, { id, pilotId, text, writtenAtMs, forCoaches }] };
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
