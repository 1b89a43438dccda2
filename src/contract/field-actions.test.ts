import { tallyData, tallyPilot } from "./testing/made-up-pilot";
import { tallyAfter, type FieldAction } from "./field-actions";
import type { TallyAircraft } from "./tally";

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
  expect(once.notes).toEqual([{ id: "n", pilotId: "odo", text: "Thumb slips.", writtenAtMs: 6, forCoaches: false }]);
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

describe("an aircraft that crashed", () => {
  const aircraft: TallyAircraft = {
    id: "plank",
    name: "Plank",
    flightState: "flying",
    clearedAtMs: 2,
    openCrashes: [],
    lastTilt: null,
    tiltDeg: 25,
  };
  const flown = tallyData(
    { pilots: [tallyPilot("p", "Odo Fenn", ["flip-slow"], { setupId: "setup", aircraft })] },
    { pilots: [{ pilotId: "p", stepId: "flip-slow", setupId: "setup" }] },
  );
  const after = (...done: FieldAction[]) => done.reduce(tallyAfter, flown).pilots[0];
  const crash = (flownAtMs: number, id = "a") =>
    ({ action: "log-attempt", input: { ...tap, id, outcome: "crashed", flownAtMs } }) as const;
  const check = (atMs: number) =>
    ({
      action: "check-aircraft",
      input: { id: "k", aircraftId: "plank", props: "fine", tiltDeg: 24.5, atMs },
    }) as const;

  it("is marked until a coach clears it, and no longer where the tap is taken back", () => {
    expect(after(crash(5))).toMatchObject({
      checkFirst: ["Plank"],
      aircraft: { openCrashes: [{ attemptId: "a", atMs: 5 }] },
    });
    expect(after(crash(5), { action: "undo-attempt", input: { id: "a" } }).checkFirst).toEqual([]);
    expect(after(crash(5), check(9))).toMatchObject({
      checkFirst: [],
      aircraft: { openCrashes: [], clearedAtMs: 9, lastTilt: { tiltDeg: 24.5, atMs: 9 } },
    });
  });

  it("stays marked after a check from before the crash, and is not by a crash from before the last check", () => {
    expect(after(crash(5), check(4)).checkFirst).toEqual(["Plank"]);
    expect(after(crash(1)).checkFirst).toEqual([]);
    expect(after(crash(5), check(7), crash(6, "b"), crash(8, "c")).aircraft!.openCrashes).toEqual([
      { attemptId: "c", atMs: 8 },
    ]);
  });
});

it("takes pilots in, lets them go and has them back, in the order in which they came", () => {
  const more = tallyData({ others: [tallyPilot("q", "Ida Rook", ["hang"]), tallyPilot("r", "Kit Marl", ["sticks"])] });
  const comes = { action: "take-in", input: { id: "s", pilotId: "q", stepId: "hang", setupId: null } } as const;
  const goes = { action: "let-go", input: { id: "s", pilotId: "q" } } as const;
  const here = tallyAfter(more, comes);
  expect([here.pilots.map(({ id }) => id), here.others.map(({ id }) => id)]).toEqual([["odo", "q"], ["r"]]);
  expect(here.session.pilots.at(-1)).toMatchObject({ pilotId: "q", stepId: "hang" });
  expect(tallyAfter(here, comes)).toEqual(here);
  const gone = tallyAfter(here, goes);
  expect(gone.pilots.map(({ left }) => left)).toEqual([false, true]);
  expect(tallyAfter(gone, comes).pilots.map(({ left }) => left)).toEqual([false, false]);
});
