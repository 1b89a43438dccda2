import fc from "fast-check";
import { airframePresets, firstSettings, outcomes, places } from "@/core";
import type { PilotRecord } from "./record";
import {
  aircraftOf,
  aircraftRow,
  attemptOf,
  checkOf,
  checkRow,
  defectOf,
  defectRow,
  attemptRow,
  loadOf,
  loadRow,
  milestoneOf,
  milestoneRow,
  noteOf,
  noteRow,
  pilotOf,
  pilotRow,
  requestOf,
  requestRow,
  sessionOf,
  sessionRow,
  setupOf,
  setupRow,
  targetOf,
  targetRow,
} from "./record/record-rows";

const now = new Date("2026-11-28T12:00:00Z");
const coach = { id: "coach", name: "Ann Pell" };
const nameOf = () => coach;
const moment = fc
  .date({ min: new Date("1990-01-01T00:00:00Z"), max: new Date("2100-01-01T00:00:00Z"), noInvalidDate: true })
  .map((date) => date.toISOString());
const text = fc.string({ maxLength: 40 });
const maybe = <T>(value: fc.Arbitrary<T>) => fc.option(value, { nil: null });
/** Left out, as files do it, rather than there and empty. */
const leftOut = <Name extends string, T>(name: Name, value: fc.Arbitrary<T>) =>
  fc.option(
    value.map((one) => ({ [name]: one }) as Record<Name, T>),
    { nil: {} },
  );
const same = <T>(arbitrary: fc.Arbitrary<T>, there: (one: T) => unknown) =>
  fc.assert(fc.property(arbitrary, (one) => expect(there(one)).toEqual(one)));

describe("what is brought in from a file and taken out again is the same", () => {
  it("attempts, with and without what was measured", () => {
    const attempt = fc
      .tuple(
        fc.record({
          id: fc.uuid(),
          sessionId: fc.uuid(),
          stepId: text,
          direction: text,
          place: fc.constantFrom(...places),
          setupId: maybe(fc.uuid()),
          outcome: fc.constantFrom(...outcomes),
          faults: fc.array(text, { maxLength: 3 }),
          flownAt: moment,
        }),
        leftOut("loadId", fc.uuid()),
        leftOut("pack", fc.integer({ min: 1, max: 99 })),
        leftOut("minutes", fc.integer({ min: 1, max: 99 })),
        leftOut("measured", fc.record({ stopErrorDeg: fc.integer() })),
      )
      .map((parts): PilotRecord["attempts"][number] => Object.assign({}, ...parts));
    same(attempt, (one) => attemptOf({ ...attemptRow(one, "odo"), undone_at: null }));
  });

  it("sessions, with or without a coach, ended or not", () => {
    const session = fc.record({
      id: fc.uuid(),
      place: fc.constantFrom(...places),
      coach: maybe(fc.constant(coach)),
      startedAt: moment,
      endedAt: maybe(moment),
      stepId: text,
      setupId: maybe(fc.uuid()),
    });
    same(session, (one) =>
      sessionOf({ ...sessionRow(one, "squad"), step_id: one.stepId, setup_id: one.setupId, load_id: null }, nameOf),
    );
  });

  it("notes, targets and requests", () => {
    const note = { id: fc.uuid(), coach: fc.constant(coach), text, writtenAt: moment };
    for (const kept of [fc.record(note), fc.record({ ...note, forCoaches: fc.constant(true as const) })])
      same<PilotRecord["notes"][number]>(kept, (one) => noteOf(noteRow(one, "odo"), nameOf));
    same(fc.record({ id: fc.uuid(), stepId: text, dueAt: moment }), (one) =>
      targetOf(targetRow(one, "odo", one.dueAt)),
    );
    const request = fc.record({
      id: fc.uuid(),
      stepId: text,
      message: text,
      askedAt: moment,
      answeredAt: maybe(moment),
      answer: maybe(text),
    });
    same(request, (one) => requestOf(requestRow(one, "odo")));
  });

  it("sign-offs with their evidence, of kinds or of sentences", () => {
    const evidence = fc.constantFrom(
      { advice: "advance", sentence: "4 of the last 4", directions: [] } as const,
      {
        judgedBy: { syllabus: 2, mark: { kind: "run", k: 4 } },
        advice: "advance",
        reason: { kind: "advance", counts: [], doubt: null },
        directions: [],
      } as const,
    );
    const milestone = fc.record({
      id: fc.uuid(),
      stepId: text,
      coach: fc.constant(coach),
      evidence,
      note: text,
      signedAt: moment,
    });
    same<PilotRecord["milestones"][number]>(milestone, (one) => milestoneOf(milestoneRow(one, "odo", now), nameOf));
  });

  it("pilots, aircraft in the bin or out of it, their loads and setups", () => {
    const pilot: PilotRecord["pilot"] = {
      id: "odo",
      name: "Odo Fenn",
      stickMode: 2,
      grip: "pinch",
      settingsFrozen: true,
      reactionS: 0.4,
      cruiseMps: 9.5,
      reachShare: 0.93,
      stickLengthMm: 24,
      referenceAircraftId: null,
      school: { simulator: "first" },
    };
    expect(pilotOf(pilotRow(pilot, "squad", now))).toEqual(pilot);
    const { reactionS: _, cruiseMps: ___, reachShare: ____, stickLengthMm: _____, school: __, ...plain } = pilot;
    expect(pilotOf(pilotRow(plain, "squad", now))).toEqual(plain);
    const load = {
      id: "load",
      name: "Camera",
      massKg: 0.7,
      thrustToWeight: null,
      createdAt: "2026-01-01T00:00:00.000Z",
      inBin: true,
    };
    expect(loadOf(loadRow(load, "plank", now))).toEqual(load);
    const check = { id: "c", coach, props: "changed", tiltDeg: 24.6, checkedAt: "2026-02-01T00:00:00.000Z" } as const;
    expect(checkOf(checkRow(check, "plank"), nameOf)).toEqual(check);
    const flight = { sense: "right", drift: "drifts", noise: "smooth", heat: "cool" } as const;
    const { id, checkedAt } = check;
    for (const one of [
      { id, coach, checkedAt, ...flight },
      { id, coach, checkedAt, tiltDeg: 25, tiltSpreadDeg: 0.4 },
    ])
      expect(checkOf(checkRow(one, "plank"), nameOf)).toEqual(one);
    const defect = {
      id: "d",
      coach,
      kind: "drift",
      what: "to the left",
      foundAt: "2026-02-01T00:00:00.000Z",
      mendedAt: null,
    } as const;
    for (const one of [defect, { ...defect, mendedAt: "2026-02-02T00:00:00.000Z" }])
      expect(defectOf(defectRow(one, "plank"), nameOf)).toEqual(one);
    const setup = {
      id: "v1",
      number: 1,
      settings: firstSettings,
      reason: "first",
      coach,
      createdAt: "2026-01-01T00:00:00.000Z",
    };
    expect(setupOf(setupRow(setup, "plank"), nameOf)).toEqual(setup);
    const aircraft: PilotRecord["aircraft"][number] = {
      id: "plank",
      name: "Plank",
      presetId: "five-inch-freestyle",
      airframe: airframePresets["five-inch-freestyle"].airframe,
      flightState: "repaired",
      createdAt: "2026-01-01T00:00:00.000Z",
      inBin: true,
      loads: [load],
      mount: "adjustable",
      checks: [check],
      defects: [defect],
      setups: [setup],
    };
    expect(aircraftOf(aircraftRow(aircraft, "odo", now), [setup], [load], [check], [defect])).toEqual(aircraft);
  });
});
