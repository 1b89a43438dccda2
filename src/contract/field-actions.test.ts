import { tallyData, tallyPilot } from "./testing/made-up-pilot";
import { tallyAfter, type FieldAction } from "./field-actions";

const tally = tallyData(
  { pilots: [tallyPilot("p", "Odo Fenn", ["flip-slow"])] },
  { begun: false, pilots: [{ pilotId: "p", stepId: "flip-slow", setupId: "setup" }] },
);
const tap = {
  id: "a",
  sessionId: "s",
  pilotId: "p",
  stepId: "flip-slow",
  direction: "back",
  outcome: "rough",
  flownAtMs: 5,
} as const;
it("shows a tap with the place and setup of the session, once however often it is applied", () => {
  const once = tallyAfter(tally, { action: "log-attempt", input: tap });
  expect(once.attempts).toMatchObject([{ id: "a", setupId: "setup", place: "field", atMs: 5, undone: false }]);
  expect(once.session).toMatchObject({ begun: true, startedAtMs: 5 });
  expect(tallyAfter(once, { action: "log-attempt", input: tap })).toEqual(once);
});

it("shows a note with its pilot, once however often it is applied", () => {
  const note = { id: "n", sessionId: "s", pilotId: "odo", text: "Thumb slips.", writtenAtMs: 6 };
  const once = tallyAfter(tally, { action: "add-session-note", input: note });
  expect(once.notes).toEqual([{ id: "n", pilotId: "odo", text: "Thumb slips.", writtenAtMs: 6 }]);
  expect(tallyAfter(once, { action: "add-session-note", input: note })).toEqual(once);
});

it("keeps faults and measurements with their attempt, and takes it away and back", () => {
  const done: readonly FieldAction[] = [
    { action: "log-attempt", input: tap },
    { action: "set-faults", input: { id: "a", faults: ["dropped"] } },
    { action: "set-measured", input: { id: "a", minutes: 2, measured: { heightLostM: 3 } } },
    { action: "undo-attempt", input: { id: "a" } },
  ];
  expect(done.reduce(tallyAfter, tally).attempts).toMatchObject([
    { id: "a", faults: ["dropped"], minutes: 2, measured: { heightLostM: 3 }, undone: true },
  ]);
  const back = [...done, { action: "restore-attempt", input: { id: "a" } } as const].reduce(tallyAfter, tally);
  expect(back.attempts[0].undone).toBe(false);
});

it("begins, ends and opens again, signs off, and takes up a step that was not planned", () => {
  const begun = tallyAfter(tally, { action: "begin-session", input: { id: "s", atMs: 7 } });
  expect(begun.session).toMatchObject({ begun: true, startedAtMs: 7 });
  expect(tallyAfter(begun, { action: "begin-session", input: { id: "s", atMs: 9 } })).toEqual(begun);
  const ended = tallyAfter(begun, { action: "end-session", input: { id: "s", atMs: 8 } });
  expect(ended.session.endedAtMs).toBe(8);
  expect(tallyAfter(ended, { action: "reopen-session", input: { id: "s" } }).session.endedAtMs).toBeNull();
  const other = tallyAfter(begun, {
    action: "log-attempt",
    input: { ...tap, stepId: "roll-pure", direction: "left" },
  });
  expect(other.pilots[0].steps.map(({ stepId, unknownBefore = false }) => [stepId, unknownBefore])).toEqual([
    ["flip-slow", false],
    ["roll-pure", true],
  ]);
  const signed = tallyAfter(other, {
    action: "sign-off",
    input: { id: "m", pilotId: "p", stepId: "flip-slow", note: "" },
  });
  expect(signed.pilots[0].signedOff).toEqual(["flip-slow"]);
});
