import { airframePresets } from "../airframe";
import { type Settings, firstSettings } from "../flight";

import {
  CALM_AIR,
  draftBrief,
  fly,
  flyUncaught,
  freezeLosses,
  recipes,
  solve,
  STEP_S,
  wayOut,
  withoutCatch,
  withParameters,
  type Environment,
  type Phase,
  type Recipe,
} from ".";
import { flyToStop } from "./fly";

const five = airframePresets["five-inch-freestyle"].airframe;
const high: Environment = { ...CALM_AIR, entryHeightM: 100 };
const closed = { kind: "hold", at: 0 } as const;

/** A recipe made for one test, from the hover. */
function choreography(phases: readonly Phase[], turn: Recipe["turn"] = null): Recipe {
  return {
    id: "test",
    label: "test",
    start: { kind: "hover" },
    parameters: {},
    phases,
    turn,
    solveFor: [],
    abort: [],
    slip: {},
  };
}
const forTime = (id: string, s: number, rest: Omit<Phase, "id" | "label" | "until" | "maxS">): Phase => ({
  id,
  label: id,
  until: [{ kind: "time", s }],
  maxS: 10,
  ...rest,
});
const untilTurned = (
  id: string,
  axis: "roll" | "pitch",
  deg: number,
  rest: Omit<Phase, "id" | "label" | "until" | "maxS">,
): Phase => ({
  id,
  label: id,
  until: [{ kind: "turned", axis, deg }],
  maxS: 3,
  ...rest,
});

function solved(id: string, settings: Settings = firstSettings, airframe = five): Recipe {
  const stopped = solve(recipes[id], { kind: "stop-on-mark" }, airframe, settings, high).recipe;
  const back = solve(stopped, { kind: "return-to-entry-height" }, airframe, settings, high).recipe;
  return solve(back, { kind: "stop-on-mark" }, airframe, settings, high).recipe;
}

// Facts of the trade that must come out of the model (common practice, no source).
describe("what pilots know comes out of the model", () => {
  it("a flip at closed throttle without idle authority does not happen", () => {
    const without = { ...firstSettings, modes: { ...firstSettings.modes, idleAuthority: false } };
    const { measures, events, trace } = fly(recipes["flip-one-move-back"], five, without, high);
    expect(measures.complete).toBe(false);
    expect(events.some((event) => event.kind === "phase-timeout" && event.detail === "turn")).toBe(true);
    expect(Math.max(...trace.turnedPitchDeg.map(Math.abs))).toBeLessThan(60);
    expect(fly(recipes["flip-one-move-back"], five, firstSettings, high).measures.complete).toBe(true);
  });

  it("a full-rate roll stops in fewer degrees with the throttle a little up than closed", () => {
    const stopDegrees = (throttle: number) => {
      const recipe = choreography(
        [
          forTime("climb", 0.5, { throttle: { kind: "thrust", g: 2 } }),
          untilTurned("roll", "roll", 300, {
            roll: { kind: "hold", at: 1 },
            throttle: { kind: "hold", at: throttle },
            mark: true,
          }),
          forTime("stop", 0.5, { throttle: { kind: "hold", at: throttle } }),
        ],
        { axis: "roll", deg: 300, stopPhase: "stop", catchPhase: "none" },
      );
      return fly(recipe, five, firstSettings, high).measures.stopErrorDeg!;
    };
    expect(stopDegrees(0.25)).toBeLessThan(stopDegrees(0) - 1);
  });

  it("an inverted yaw spin loses more height than the same time inverted without yaw; an upright one gains height", () => {
    const inverted = (yaw: number) => {
      const recipe = choreography([
        forTime("punch", 0.8, { throttle: { kind: "thrust", g: 2.5 } }),
        untilTurned("over", "pitch", 150, { pitch: { kind: "hold", at: -1 }, throttle: closed, mark: true }),
        forTime("inverted", 0.9, { yaw: { kind: "hold", at: yaw }, throttle: closed }),
      ]);
      return fly(recipe, five, firstSettings, high).measures.heightGainedM;
    };
    expect(inverted(1)).toBeLessThan(inverted(0) - 0.2);
    const upright = choreography([
      forTime("spin", 1, { yaw: { kind: "hold", at: 1 }, throttle: { kind: "thrust", g: 1 } }),
    ]);
    expect(fly(upright, five, firstSettings, high).measures.heightGainedM).toBeGreaterThan(0.2);
  });

  it("rolled to knife edge with the throttle kept it is pulled sideways, cut it barely is", () => {
    const drift = (throttle: Phase["throttle"]) =>
      fly(
        choreography([
          untilTurned("roll", "roll", 80, { roll: { kind: "hold", at: 1 }, throttle, mark: true }),
          forTime("edge", 0.6, { throttle }),
        ]),
        five,
        firstSettings,
        high,
      ).measures.sideDriftM;
    expect(drift({ kind: "thrust", g: 1 })).toBeGreaterThan(1.5);
    expect(drift(closed)).toBeLessThan(0.9);
  });

  it("a fast flip stopped by simply centring overshoots; eased over the last quarter it does not", () => {
    const centredAt360 = (id: string) =>
      fly(withParameters(recipes[id], { centreDeg: 360 }), five, firstSettings, high).measures;
    expect(centredAt360("flip-one-move-back").stopErrorDeg).toBeGreaterThan(15);
    expect(centredAt360("flip-ease-quarter-back").stopErrorDeg).toBeLessThan(8);
    expect(
      Math.abs(fly(solved("flip-ease-quarter-back"), five, firstSettings, high).measures.stopErrorDeg!),
    ).toBeLessThan(2);
  });

  it("too much gain for the eye's delay gives the wobble that looks like a badly tuned aircraft", () => {
    const wobble = (gainPerS: number) => {
      const recipe = choreography([
        forTime("upset", 0.1, { roll: { kind: "hold", at: 0.5 }, throttle: { kind: "thrust", g: 1 } }),
        forTime("hold", 3, {
          roll: { kind: "eye", see: "bank", targetDeg: 0, gainPerS, delayS: 0.25 },
          throttle: { kind: "thrust", g: 1 },
        }),
      ]);
      const { rollDps } = fly(recipe, five, firstSettings, high).trace;
      return Math.max(...rollDps.slice(-100).map(Math.abs));
    };
    expect(wobble(2)).toBeLessThan(2);
    expect(wobble(9)).toBeGreaterThan(30);
  });

  it("left alone, a self-level held stick is an angle and a bank limit holds", () => {
    const bank = (modes: Partial<Settings["modes"]>) => {
      const recipe = choreography([
        forTime("hold", 1.5, { roll: { kind: "hold", at: 0.5 }, throttle: { kind: "thrust", g: 1 } }),
      ]);
      const { qw, qx, qy, qz } = fly(
        recipe,
        five,
        { ...firstSettings, modes: { ...firstSettings.modes, ...modes } },
        high,
      ).trace;
      const i = qw.length - 1;
      return (Math.atan2(2 * (qw[i] * qx[i] + qy[i] * qz[i]), 1 - 2 * (qx[i] ** 2 + qy[i] ** 2)) * 180) / Math.PI;
    };
    expect(bank({ selfLevel: true, bankLimitDeg: 40 })).toBeCloseTo(20, 0);
    expect(bank({ bankLimitDeg: 30 })).toBeCloseTo(30, 0);
  });
});

it("a forward flip is a backward one with the stick reversed", () => {
  const back = fly(recipes["flip-one-move-back"], five, firstSettings, high);
  const front = fly(recipes["flip-one-move-front"], five, firstSettings, high);
  expect(front.measures.stopErrorDeg).toBeCloseTo(back.measures.stopErrorDeg!, 3);
  expect(Math.min(...front.trace.stickPitch)).toBe(-1);
  expect(Math.max(...back.trace.stickPitch)).toBe(1);
});

it("hang time is the textbook 2v/g of the climb at closing, less a little for drag", () => {
  const recipe = withParameters(recipes["flip-slow-back"], { punchS: 0.8 });
  const { hangTimeS, climbAtCutMps } = flyUncaught(recipe, five, firstSettings, high).flight.measures;
  const textbook = (2 * climbAtCutMps!) / 9.80665;
  expect(hangTimeS!).toBeGreaterThan(textbook * 0.95);
  expect(hangTimeS!).toBeLessThan(textbook * 1.12);
});

it("a learner's slow flip wants a punch of about a second and a half (common practice, no source)", () => {
  const { punchS } = solved("flip-slow-back").parameters;
  expect(punchS.value).toBeGreaterThan(1.4);
  expect(punchS.value).toBeLessThan(1.7);
});

it("a faster end rate needs a shorter punch", () => {
  const faster: Settings = {
    ...firstSettings,
    rates: { ...firstSettings.rates, pitch: { family: "base-rise", base: 1, rise: 0.78, expo: 0.1 } },
  };
  const a = solved("flip-one-move-back");
  const b = solved("flip-one-move-back", faster);
  expect(b.parameters.punchS.value).toBeLessThan(a.parameters.punchS.value);
});

it("flown no further than the catch a turn stops where the whole flight says, to the last bit", () => {
  for (const id of ["flip-slow-back", "flip-one-move-back", "roll-pure-left", "roll-level-right"])
    for (const centreDeg of [200, 290, 345]) {
      const tried = withParameters(recipes[id], { centreDeg });
      const whole = fly(tried, five, firstSettings, high).measures.stopErrorDeg;
      expect([id, centreDeg, flyToStop(tried, five, firstSettings, high)]).toEqual([id, centreDeg, whole]);
    }
});

it("freezing before any phase, hands as they were, and bailing out half a second later clears the ground by the margin", () => {
  for (const id of ["flip-slow-back", "loop-open-power", "roll-level-right"]) {
    const { startHeight, recipe } = draftBrief(recipes[id], five, { ...firstSettings, tiltDeg: 25 }, CALM_AIR);
    const { reason, heightM } = startHeight!;
    if (reason.kind !== "freeze") throw new Error("no freeze decided");
    expect(heightM).toBeCloseTo(reason.lostM + 1.5, 9);
    const losses = freezeLosses(recipe, five, { ...firstSettings, tiltDeg: 25 }, high, 0.5);
    expect(losses.map(({ before }) => before)).toEqual(recipe.phases.slice(1).map(({ id: phase }) => phase));
    for (const { lostM } of losses) expect(lostM).toBeLessThanOrEqual(heightM - 1.5 + 0.3);
  }
});

it("a power loop frozen on its way down asks for far more height than the plain flight loses", () => {
  const { minimumStartHeightM, flight } = draftBrief(
    recipes["loop-open-power"],
    five,
    { ...firstSettings, tiltDeg: 25 },
    CALM_AIR,
  );
  expect(flight.measures.heightLostM).toBeLessThan(2);
  expect(minimumStartHeightM!).toBeGreaterThan(6);
});

it("a frozen hand stays where it is", () => {
  const { trace } = fly(
    choreography([
      forTime("roll", 0.3, { roll: { kind: "hold", at: 0.5 }, throttle: { kind: "thrust", g: 1 } }),
      { ...forTime("frozen", 0.3, { throttle: closed }), frozen: true },
    ]),
    five,
    firstSettings,
    high,
  );
  expect(trace.stickRoll.at(-1)).toBe(0.5);
  expect(trace.stickThrottle.at(-1)).toBeCloseTo(trace.stickThrottle[20], 12);
});

it("stops are exact: a guard does not wait for the next step, so that a parameter moved by little moves the stop by little", () => {
  const stop = (centreDeg: number) =>
    fly(withParameters(recipes["flip-one-move-back"], { centreDeg }), five, firstSettings, high).measures.stopErrorDeg!;
  for (let deg = 318; deg < 319; deg += 0.1) expect(Math.abs(stop(deg + 0.1) - stop(deg))).toBeLessThan(0.2);
  const { flight } = draftBrief(recipes["flip-one-move-back"], five, firstSettings, CALM_AIR);
  expect(Math.abs(flight.measures.stopErrorDeg!)).toBeLessThan(0.1);
});

it("the way out works just before its last instant and not just after", () => {
  const recipe = solved("flip-slow-back");
  const at = { ...CALM_AIR, entryHeightM: 8 };
  const last = wayOut(recipe, five, firstSettings, at)!;
  const cutS = fly(recipe, five, firstSettings, at).measures.throttleClosedAtS!;
  const crashedWhenGivenUpAt = (atS: number) => {
    const { events } = fly(withoutCatch(recipe), five, firstSettings, at, { atS, phases: recipe.abort });
    return events.some((event) => event.kind === "crash" || event.kind === "touchdown");
  };
  expect(crashedWhenGivenUpAt(cutS + last.lastAfterCutS! - 0.03)).toBe(false);
  expect(crashedWhenGivenUpAt(cutS + last.lastAfterCutS! + 0.03)).toBe(true);
});

it("says why when there is no answer", () => {
  const without = { ...firstSettings, modes: { ...firstSettings.modes, idleAuthority: false } };
  const stop = solve(recipes["flip-one-move-back"], { kind: "stop-on-mark" }, five, without, high);
  expect(stop).toMatchObject({ answer: null, problem: { kind: "aim-not-met", aim: "stop-on-mark" } });
});

it("keeps every number finite, under 2 MB and within the longest flight, and repeats exactly with the same seed", () => {
  const noisy = { ...high, stickNoise: 0.1, seed: 7, windNorthMps: 8 };
  const a = fly(recipes["flip-slow-back"], five, firstSettings, noisy);
  expect(fly(recipes["flip-slow-back"], five, firstSettings, noisy)).toEqual(a);
  expect(fly(recipes["flip-slow-back"], five, firstSettings, { ...noisy, seed: 8 }).trace.heightM).not.toEqual(
    a.trace.heightM,
  );
  for (const column of Object.values(a.trace))
    for (const value of [column].flat()) expect(Number.isFinite(value)).toBe(true);
  expect(JSON.stringify(a).length).toBeLessThan(2_000_000);
  const endless = choreography([
    { id: "wait", label: "wait", throttle: { kind: "thrust", g: 1 }, until: [], maxS: 1e9 },
  ]);
  const { trace, measures } = fly(endless, five, firstSettings, high);
  expect(trace.timeS.length * trace.sampleS).toBeLessThan(41);
  expect(measures.complete).toBe(false);
});

it("ends a phase at the pitch, heading, height or climb its guard names", () => {
  const hover = { kind: "thrust", g: 1 } as const;
  const endOf = (until: Phase["until"], rest: Partial<Phase>) => {
    const { trace, measures } = fly(
      choreography([{ id: "one", label: "one", throttle: hover, maxS: 3, until, ...rest }]),
      five,
      firstSettings,
      high,
    );
    expect(measures.durationS).toBeLessThan(3);
    const i = trace.timeS.length - 1;
    return {
      pitchDeg: trace.turnedPitchDeg[i],
      yawDeg: trace.turnedYawDeg[i],
      riseM: trace.heightM[i] - 100,
      climbMps: trace.climbMps[i],
    };
  };
  const push = { kind: "hold", at: -0.3 } as const;
  expect(endOf([{ kind: "pitch", is: "below", deg: -30 }], { pitch: push }).pitchDeg).toBeCloseTo(-30, 0);
  expect(endOf([{ kind: "heading", is: "above", deg: 40 }], { yaw: { kind: "hold", at: 0.3 } }).yawDeg).toBeCloseTo(
    40,
    0,
  );
  const climbing = { throttle: { kind: "thrust", g: 2 } } as const;
  expect(endOf([{ kind: "height", is: "above", m: 3 }], climbing).riseM).toBeCloseTo(3, 1);
  expect(endOf([{ kind: "climb", is: "above", mps: 4 }], climbing).climbMps).toBeCloseTo(4, 1);
});

it("rolls about the view axis with the opposite yaw: the view stays on its path where a pure roll does not", () => {
  const lookedAway = (yaw: Phase["yaw"]) => {
    const tilted: Settings = { ...firstSettings, tiltDeg: 30, modes: firstSettings.modes };
    const roll = choreography([
      // Nose down by the tilt, so that the roll begins with the horizon in the middle.
      {
        id: "lean",
        label: "lean",
        pitch: { kind: "hold", at: -0.4 },
        throttle: { kind: "thrust", g: 1 },
        until: [{ kind: "pitch", is: "below", deg: -29 }],
        maxS: 2,
      },
      forTime("settle", 0.3, { throttle: closed }),
      untilTurned("roll", "roll", 180, { roll: { kind: "hold", at: 0.6 }, yaw, throttle: closed, mark: true }),
    ]);
    const { viewElevationDeg } = fly(roll, five, tilted, high).trace;
    return Math.abs(viewElevationDeg[viewElevationDeg.length - 1] - viewElevationDeg[viewElevationDeg.length - 25]);
  };
  expect(lookedAway({ kind: "view-roll" })).toBeLessThan(lookedAway(undefined) / 2);
});

it("reports the ground", () => {
  const fall = choreography([forTime("fall", 5, { throttle: closed })]);
  const { measures, events } = fly(fall, five, firstSettings, { ...CALM_AIR, entryHeightM: 5 });
  expect(measures.crashed).toBe(true);
  expect(events.at(-1)!.kind).toBe("crash");
  // Rotors take a moment to run down, so it is a little later than the textbook fall.
  const textbookS = Math.sqrt((2 * 5) / 9.80665);
  expect(events.at(-1)!.timeS - textbookS).toBeGreaterThan(0);
  expect(events.at(-1)!.timeS - textbookS).toBeLessThan(0.12);
});

it("starts a cruise in balance", () => {
  const straight: Recipe = {
    ...choreography([forTime("on", 2, { throttle: { kind: "thrust", g: { of: "trimThrustG" } } })]),
    start: { kind: "cruise" },
  };
  const { trace, measures } = fly(straight, five, firstSettings, high);
  expect(Math.abs(measures.heightGainedM)).toBeLessThan(0.1);
  expect(Math.abs(trace.vNorthMps.at(-1)! - trace.vNorthMps[0])).toBeLessThan(0.1);
  expect(Math.abs(trace.viewElevationDeg[0])).toBeLessThan(1e-6);
});

it("refuses bad input by field, and an aircraft that cannot stay up", () => {
  const recipe = recipes["flip-slow-back"];
  expect(() => fly(recipe, { ...five, thrustToWeight: 0.9 }, firstSettings, high)).toThrow(
    /airframe.thrustToWeight is 0.9/,
  );
  expect(() => fly(recipe, five, { ...firstSettings, tiltDeg: Number.NaN }, high)).toThrow(/tiltDeg is NaN/);
  expect(() => fly(recipe, five, firstSettings, { ...high, windNorthMps: 1e9 })).toThrow(/windNorthMps/);
  const held = {
    ...firstSettings,
    throttle: { ...firstSettings.throttle, limit: { kind: "clip", fraction: 0.25 } as const },
  };
  expect(() => fly(recipe, five, held, high)).toThrow(/too little for this aircraft to stay up/);
  expect(() => withParameters(recipe, { punchS: 99 })).toThrow(/punchS is 99; allowed: 0.05 to 2.5/);
  expect(() => withParameters(recipe, { nonsense: 1 })).toThrow(/no parameter/);
  expect(STEP_S).toBeLessThanOrEqual(1 / 500);
});
