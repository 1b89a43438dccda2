import type { FieldAction } from "@/contract";
import { tallyData, tallyPilot } from "@/contract/testing/made-up-pilot";
import type { Outgoing } from "@/ui/outbox/outbox";
import { withWaiting } from "./tally-log";

const tally = tallyData(
  { pilots: [tallyPilot("p", "Odo Fenn", ["flip-slow"])] },
  { begun: false, pilots: [{ pilotId: "p", stepId: "flip-slow", setupId: "setup" }] },
);
const tap = (id: string): FieldAction => ({
  action: "log-attempt",
  input: {
    id,
    sessionId: "s",
    pilotId: "p",
    stepId: "flip-slow",
    direction: "back",
    outcome: "rough",
    flownAtMs: 5,
  },
});
const item = (done: FieldAction, more: { sessionId?: string; refused?: string } = {}): Outgoing => ({
  key: done.action,
  accountId: "account",
  sessionId: "s",
  ...done,
  ...more,
});

it("replays what waits on the device over what the server knows, leaving out other sessions and refusals", () => {
  const waiting = [
    item(tap("a")),
    item({ action: "set-faults", input: { id: "a", faults: ["dropped"] } }),
    item({ action: "undo-attempt", input: { id: "a" } }),
    item({ action: "restore-attempt", input: { id: "a" } }),
    item(tap("b"), { sessionId: "other" }),
    item(tap("c"), { refused: "no" }),
  ];
  const known = withWaiting(tally, waiting);
  expect(known.attempts.map(({ id, faults, undone }) => ({ id, faults, undone }))).toEqual([
    { id: "a", faults: ["dropped"], undone: false },
  ]);
  expect(withWaiting(known, waiting.slice(0, 3)).attempts[0].undone).toBe(true);
});
