import fc from "fast-check";
import { outcomes } from "@/core";
import { tallyAfter, type FieldAction } from "./field-actions";
import type { TallyData } from "./tally";
import { tallyData, tallyPilot } from "./testing/made-up-pilot";

const tally = tallyData(
  { pilots: [tallyPilot("odo", "Odo Fenn", ["flip-slow"]), tallyPilot("ida", "Ida Rook", ["hang"])] },
  {
    begun: false,
    startedAtMs: 100,
    pilots: [
      { pilotId: "odo", stepId: "flip-slow", setupId: "setup" },
      { pilotId: "ida", stepId: "hang", setupId: null, loadId: "heavy" },
    ],
  },
);

const id = fc.constantFrom("a", "b", "c", "d");
const pilotId = fc.constantFrom("odo", "ida");
const stepId = fc.constantFrom("flip-slow", "hang", "roll-pure");
const atMs = fc.integer({ min: 0, max: 1000 });
const direction = fc.constantFrom("back", "front");
const input = <Of extends object>(fields: { [Name in keyof Of]: fc.Arbitrary<Of[Name]> }) => fc.record(fields);
const sessionId = fc.constant("s");

/** Anything that may be done in the field, of few pilots and taps so that they meet. */
const action: fc.Arbitrary<FieldAction> = fc.oneof(
  fc.record({
    action: fc.constant("log-attempt" as const),
    input: input({ id, sessionId, pilotId, stepId, direction, outcome: fc.constantFrom(...outcomes), flownAtMs: atMs }),
  }),
  fc.record({
    action: fc.constant("set-faults" as const),
    input: input({ id, faults: fc.subarray(["sky-at-stop", "dropped"]) }),
  }),
  fc.record({
    action: fc.constant("set-measured" as const),
    input: input({ id, minutes: fc.option(fc.nat(10)), measured: fc.constant({ heightLostM: 2 }) }),
  }),
  fc.record({ action: fc.constantFrom("undo-attempt" as const, "restore-attempt" as const), input: input({ id }) }),
  fc.record({
    action: fc.constantFrom("begin-session" as const, "end-session" as const),
    input: input({ id: sessionId, atMs }),
  }),
  fc.record({ action: fc.constant("reopen-session" as const), input: input({ id: sessionId }) }),
  fc.record({
    action: fc.constant("add-session-note" as const),
    input: input({ id, sessionId, pilotId, text: fc.string(), writtenAtMs: atMs }),
  }),
  fc.record({
    action: fc.constant("sign-off" as const),
    input: input({ id, pilotId, stepId, note: fc.constant("") }),
  }),
);
const done = fc.array(action, { maxLength: 25 });

function frozen<Value>(value: Value): Value {
  if (typeof value === "object" && value !== null) {
    Object.freeze(value);
    Object.values(value).forEach(frozen);
  }
  return value;
}

it("changes nothing that was, and nothing when the same is done once more", () => {
  fc.assert(
    fc.property(done, action, (before, last) => {
      const known = frozen(before.reduce(tallyAfter, frozen(tally)));
      const after = tallyAfter(known, last);
      expect(tallyAfter(frozen(after), last)).toEqual(after);
    }),
  );
});

it("has every tap once, in the order flown whatever came in first, with what its pilot flew with", () => {
  fc.assert(
    fc.property(done, (all) => {
      const { attempts, pilots } = all.reduce(tallyAfter, tally);
      expect(new Set(attempts.map((one) => one.id)).size).toBe(attempts.length);
      expect(attempts.map((one) => one.atMs)).toEqual(attempts.map((one) => one.atMs).sort((a, b) => a - b));
      for (const { pilotId: who, stepId: step, setupId, loadId } of attempts) {
        expect([setupId, loadId]).toEqual(who === "odo" ? ["setup", null] : [null, "heavy"]);
        expect(pilots.find((pilot) => pilot.id === who)!.steps.some((known) => known.stepId === step)).toBe(true);
      }
    }),
  );
});

it("begins once, with whatever was first, and stays begun", () => {
  fc.assert(
    fc.property(done, (all) => {
      const begins = all.find((one) => one.action === "begin-session" || one.action === "log-attempt");
      const { session } = all.reduce(tallyAfter, tally);
      expect(session.begun).toBe(begins !== undefined);
      const first = begins && (begins.action === "log-attempt" ? begins.input.flownAtMs : begins.input.atMs);
      expect(session.startedAtMs).toBe(first ?? tally.session.startedAtMs);
    }),
  );
});

it("leaves what is another pilot's alone", () => {
  fc.assert(
    fc.property(done, (all) => {
      const odos = all.filter((one) => !("pilotId" in one.input) || one.input.pilotId === "odo");
      const ida = (after: TallyData) => after.pilots.find((pilot) => pilot.id === "ida");
      expect(ida(odos.reduce(tallyAfter, tally))).toEqual(ida(tally));
    }),
  );
});
