import { STATE, STATE_SIZE } from "../flight";
import type { Body } from "./body";
import { flownInto, metGround } from "./contact";
import type { Guards } from "./guards";
import { PhaseRunner, type ChangeOfPlan } from "./phase-runner";
import { recipes } from "./library";
import type { Phase, Recipe } from "./recipe";
import { NO_SLIP, type Slip } from "./slips";

const [model] = recipes["flip-slow-back"].phases;
const phase = (id: string, more: Partial<Phase> = {}): Phase => ({ ...model, id, maxS: 2, mark: false, ...more });
const recipe = (...phases: Phase[]): Recipe => ({ ...recipes["flip-slow-back"], phases });

/** A runner whose guards hold from the time each phase says, counted in the phase; what it notes, and how often the turn was marked. */
function runner(
  phases: readonly Phase[],
  holdsAfterS: Readonly<Record<string, number>>,
  { slips = [], change }: { slips?: readonly Slip[]; change?: ChangeOfPlan } = {},
) {
  const noted: string[] = [];
  const seen = { timeInPhaseS: 0 };
  const mark = jest.fn();
  const guards = {
    heldFor: (one: Phase, { timeInPhaseS }: { timeInPhaseS: number }, lateS: number) =>
      timeInPhaseS >= (holdsAfterS[one.id] ?? Infinity) + lateS - 1e-9 ? 0 : null,
  };
  const run = new PhaseRunner(
    recipe(...phases),
    slips,
    change,
    guards as unknown as Guards,
    { seen, mark } as unknown as Body,
    (kind, detail) => noted.push(`${kind} ${detail}`),
  );
  /** Flown in steps of a tenth until the last phase is over, at most so long. */
  const fly = (untilS = 10): number => {
    for (let i = 0; i <= Math.round(10 * untilS); i++) {
      if (!run.goOn(i / 10)) return i / 10;
      run.look((i + 1) / 10);
    }
    return Infinity;
  };
  return { run, noted, mark, fly };
}

it("goes from phase to phase as each guard holds, and is complete when the last did", () => {
  const { run, noted, fly } = runner([phase("punch"), phase("turn"), phase("catch")], {
    punch: 0.5,
    turn: 0.3,
    catch: 0.2,
  });
  expect(fly()).toBeCloseTo(1, 6);
  expect(noted).toEqual(["phase punch", "phase turn", "phase catch"]);
  expect(run.complete).toBe(true);
});

it("passes at once through phases whose guards hold already, at the same time", () => {
  const { noted, run } = runner([phase("punch"), phase("turn"), phase("catch")], { punch: 0, turn: 0 });
  expect(run.goOn(0)).toBe(true);
  expect(noted).toEqual(["phase punch", "phase turn", "phase catch"]);
  expect(run.startS).toBe(0);
});

it("leaves a phase that does not end when its longest time is up, and is then not complete where it was the last", () => {
  const first = runner([phase("punch", { maxS: 1 }), phase("catch")], { catch: 0.5 });
  expect(first.fly()).toBeCloseTo(1.5, 6);
  expect(first.noted).toEqual(["phase punch", "phase-timeout punch", "phase catch"]);
  expect(first.run.complete).toBe(true);
  const last = runner([phase("punch"), phase("catch", { maxS: 1 })], { punch: 0.5 });
  expect(last.fly()).toBeCloseTo(1.5, 6);
  expect(last.run.complete).toBe(false);
});

it("ends each phase late or early by its own slip, also when it times out", () => {
  const late = (lateS: number): Slip => ({ ...NO_SLIP, lateS });
  const phases = [phase("punch"), phase("catch")];
  expect(runner(phases, { punch: 0.5, catch: 0.5 }, { slips: [late(0.3)] }).fly()).toBeCloseTo(1.3, 6);
  expect(runner(phases, { punch: 0.5, catch: 0.5 }, { slips: [NO_SLIP, late(-0.2)] }).fly()).toBeCloseTo(0.8, 6);
  expect(runner([phase("punch", { maxS: 1 })], {}, { slips: [late(0.4)] }).fly()).toBeCloseTo(1.4, 6);
});

it("marks the beginning of the turn before it is looked at", () => {
  const { mark, fly } = runner([phase("punch"), phase("turn", { mark: true }), phase("catch")], {
    punch: 0.2,
    turn: 0,
    catch: 0.1,
  });
  fly();
  expect(mark).toHaveBeenCalledTimes(1);
});

it("gives up in the middle of a phase for another plan, whose phases nobody slips", () => {
  const change = { atS: 0.7, phases: [phase("stop"), phase("level")] };
  const slips = [NO_SLIP, { ...NO_SLIP, lateS: 5 }];
  const { run, noted, fly } = runner(
    [phase("punch"), phase("turn")],
    { punch: 0.5, stop: 0.2, level: 0.3 },
    { change, slips },
  );
  expect(fly()).toBeCloseTo(1.2, 6);
  expect(noted).toEqual(["phase punch", "phase turn", "gave-up stop", "phase level"]);
  expect(run.complete).toBe(true);
});

describe("contact", () => {
  const body = (change: {
    north?: number;
    east?: number;
    heightM?: number;
    down?: number;
    ahead?: number;
    upright?: number;
  }) => {
    const state = new Float64Array(STATE_SIZE);
    state[STATE.north] = change.north ?? 0;
    state[STATE.east] = change.east ?? 0;
    state[STATE.vDown] = change.down ?? 0;
    state[STATE.vNorth] = change.ahead ?? 0;
    return { state, seen: { upright: change.upright ?? 1 }, heightM: change.heightM ?? 2 } as unknown as Body;
  };

  it.each([
    ["soft and level", { down: 1 }, "touchdown"],
    ["just slow enough", { down: 1.5, ahead: 2 }, "touchdown"],
    ["faster than 2.5 m/s over all", { down: 1.6, ahead: 2 }, "crash"],
    ["leaning 30°", { upright: Math.cos(Math.PI / 6) }, "touchdown"],
    ["leaning 40°", { upright: Math.cos((40 * Math.PI) / 180) }, "crash"],
    ["on its back", { upright: -1 }, "crash"],
  ] as const)("with the ground, %s, is a %s", (_, how, kind) => {
    expect(metGround(body({ heightM: 0, ...how })).kind).toBe(kind);
  });

  it("says how fast and how far off level it was", () => {
    expect(metGround(body({ down: 3, ahead: 4, upright: 0 }))).toEqual({
      kind: "crash",
      into: "ground",
      speedMps: 5,
      tiltDeg: 90,
    });
  });

  it("with what stands about is a crash as soon as the tips of the propellers reach it, however slow", () => {
    const pole = { kind: "pole", alongM: 10, acrossM: 0, heightM: 6, widthM: 0.2 } as const;
    expect(flownInto([pole], body({ north: 9.5 }), 0.2)).toBeNull();
    expect(flownInto([pole], body({ north: 9.75 }), 0.2)).toMatchObject({ kind: "crash", into: "pole", speedMps: 0 });
    expect(flownInto([pole], body({ north: 10, heightM: 7 }), 0.2)).toBeNull();
    expect(flownInto([], body({ north: 10 }), 0.2)).toBeNull();
  });
});
