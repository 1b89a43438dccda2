import { standardDay } from "@/syllabus";
import type { Outgoing } from "@/ui/outbox/outbox";
import type { TallyData } from "./load";
import { tallyPilot } from "./made-up-pilot";
import { applied, withWaiting } from "./tally-log";

const tally: TallyData = {
  accountId: "account",
  session: {
    id: "s",
    squadId: "q",
    coachId: "k",
    place: "field",
    startedAtMs: 0,
    begun: false,
    endedAtMs: null,
    pilots: [{ pilotId: "p", stepId: "flip-slow", setupId: "setup" }],
  },
  pilots: [tallyPilot("p", "Odo Fenn", ["flip-slow"])],
  attempts: [],
  notes: [],
  mayKeep: true,
  coaches: true,
  site: null,
  syllabi: [],
  day: standardDay,
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
  accountId: "account",
  sessionId: "s",
  action,
  input,
  ...more,
});

it("shows a tap with the place and setup of the session, once however often it is applied", () => {
  const once = applied(tally, "log-attempt", tap);
  expect(once.attempts).toMatchObject([{ id: "a", setupId: "setup", place: "field", atMs: 5, undone: false }]);
  expect(once.session.begun).toBe(true);
  expect(applied(once, "log-attempt", tap)).toEqual(once);
});

it("shows a note with its pilot, once however often it is applied", () => {
  const note = { id: "n", sessionId: "s", pilotId: "odo", text: "Thumb slips.", writtenAtMs: 6 };
  const once = applied(tally, "add-session-note", note);
  expect(once.notes).toEqual([{ id: "n", pilotId: "odo", text: "Thumb slips.", writtenAtMs: 6 }]);
  expect(applied(once, "add-session-note", note)).toEqual(once);
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
  const known = withWaiting(tally, waiting);
  expect(known.attempts.map(({ id, faults, undone }) => ({ id, faults, undone }))).toEqual([
    { id: "a", faults: ["dropped"], undone: false },
  ]);
  expect(withWaiting(known, waiting.slice(0, 3)).attempts[0].undone).toBe(true);
});

it("begins, ends and opens again, signs off, and takes up a step that was not planned", () => {
  const begun = applied(tally, "begin-session", { id: "s", atMs: 7 });
  expect(begun.session).toMatchObject({ begun: true, startedAtMs: 7 });
  expect(applied(begun, "begin-session", { id: "s", atMs: 9 })).toEqual(begun);
  const ended = applied(begun, "end-session", { id: "s", atMs: 8 });
  expect(ended.session.endedAtMs).toBe(8);
  expect(applied(ended, "reopen-session", { id: "s" }).session.endedAtMs).toBeNull();
  const other = applied(begun, "log-attempt", { ...tap, stepId: "roll-pure", direction: "left" });
  expect(other.pilots[0].steps.map(({ stepId, unknownBefore = false }) => [stepId, unknownBefore])).toEqual([
    ["flip-slow", false],
    ["roll-pure", true],
  ]);
  const signed = applied(other, "sign-off", { id: "m", pilotId: "p", stepId: "flip-slow", note: "" });
  expect(signed.pilots[0].steps.find(({ stepId }) => stepId === "flip-slow")!.signedOff).toBe(true);
});
