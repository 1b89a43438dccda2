import type { LoggedAttempt, Session } from "@/server/repositories";
import type { Outgoing } from "./outbox";
import { applied, withWaiting } from "./tally-log";

const session: Session = {
  id: "s",
  squadId: "q",
  coachId: "k",
  place: "field",
  startedAtMs: 0,
  endedAtMs: null,
  pilots: [{ pilotId: "p", stepId: "flip-slow", setupId: "setup" }],
};
const tap = {
  id: "a",
  sessionId: "s",
  pilotId: "p",
  stepId: "flip-slow",
  direction: "back",
  outcome: "rough",
  flownAtMs: 5,
} as const;
const item = (action: Outgoing["action"], input: object, more: Partial<Outgoing> = {}): Outgoing => ({
  key: action,
  sessionId: "s",
  action,
  input,
  ...more,
});

it("shows a tap with the place and setup of the session, once however often it is applied", () => {
  const once = applied([], "log-attempt", tap, session);
  expect(once).toMatchObject([{ id: "a", setupId: "setup", place: "field", atMs: 5, undone: false }]);
  expect(applied(once, "log-attempt", tap, session)).toEqual(once);
});

it("replays what waits on the device over what the server knows, leaving out other sessions and refusals", () => {
  const waiting = [
    item("log-attempt", tap),
    item("set-faults", { id: "a", faults: ["dropped"] }),
    item("undo-attempt", { id: "a" }),
    item("restore-attempt", { id: "a" }),
    item("log-attempt", { ...tap, id: "b" }, { sessionId: "other" }),
    item("log-attempt", { ...tap, id: "c" }, { refused: "no" }),
  ];
  const known: LoggedAttempt[] = withWaiting([], waiting, session);
  expect(known.map(({ id, faults, undone }) => ({ id, faults, undone }))).toEqual([
    { id: "a", faults: ["dropped"], undone: false },
  ]);
  expect(withWaiting(known, waiting.slice(0, 3), session)[0].undone).toBe(true);
});
