import { airframePresets, idealAirframe } from "../airframe";
import { firstSettings } from "../flight";
import { CALM_AIR, fly, recipes, type Recipe } from "../recipes";
import { Gusts } from "../recipes/gusts";
import { NO_SLIP } from "../recipes/slips";
import {
  createPractice,
  madeUpRadio,
  packTry,
  replay,
  scoreTry,
  unpackTry,
  type Drill,
  type StampedSticks,
  type Sticks,
  type Task,
} from ".";

const five = airframePresets["five-inch-freestyle"].airframe;
const settings = { ...firstSettings, tiltDeg: 25 };
const high = { ...CALM_AIR, entryHeightM: 40 };
const flip = recipes["flip-one-move-back"];
const centred = { roll: 0, pitch: 0, yaw: 0 };
const record = (recipe: Recipe, radio: readonly StampedSticks[], framesS: (frame: number) => number = () => 1 / 60) => {
  const practice = createPractice(recipe, five, settings, high);
  let [at, clockS] = [0, 0];
  for (let frame = 0; at < radio.length; frame++) {
    const elapsedS = framesS(frame);
    clockS += elapsedS;
    const readings: StampedSticks[] = [];
    while (at < radio.length && radio[at].timeS <= clockS) readings.push(radio[at++]);
    practice.advance(elapsedS, readings);
  }
  practice.advance(0.1, [{ ...radio.at(-1)!, timeS: clockS + 0.1 }]);
  return practice.record();
};

it.each([
  "flip-one-move-back",
  "roll-level-right",
  "loop-open-power",
  "hang-right",
  "split-s-tight-right",
  "pitch-brake",
])("fed with the hands of the model at 500 Hz it flies the path of the model: %s", (id) => {
  const { trace: model } = fly(recipes[id], five, settings, high);
  const radio = madeUpRadio(recipes[id], five, settings, high);
  const { trace } = replay(record(recipes[id], radio), five, settings, high);
  const last = Math.min(model.timeS.length, trace.timeS.length) - 2;
  for (const column of ["northM", "eastM", "heightM"] as const)
    expect(Math.abs(trace[column][last] - model[column][last])).toBeLessThan(0.12);
  for (const column of ["turnedRollDeg", "turnedPitchDeg", "turnedYawDeg"] as const) {
    // The model counts afresh where its turn begins: held against each other from the last sample on backwards.
    const span = (of: readonly number[]) => of[last] - of[last - 20];
    expect(Math.abs(span(trace[column]) - span(model[column]))).toBeLessThan(1.5);
  }
});

it("flies the same to the last bit in whatever frames the readings come: 30, 60, 144 a second, stuttering, all at once", () => {
  const radio = madeUpRadio(flip, five, settings, high);
  const last = ({ commands, steps }: ReturnType<typeof record>) => ({
    steps,
    commands: Array.from(commands.slice(0, 4 * 1000)),
  });
  const whole = record(flip, radio);
  const flown = replay(whole, five, settings, high).trace;
  for (const frames of [() => 1 / 30, () => 1 / 144, (frame: number) => (frame % 7 === 0 ? 0.3 : 0.004), () => 0.45]) {
    const other = record(flip, radio, frames);
    expect(last(other).commands).toEqual(last(whole).commands);
    const { northM, heightM } = replay(other, five, settings, high).trace;
    const common = Math.min(northM.length, flown.northM.length) - 12;
    expect(northM.slice(0, common)).toEqual(flown.northM.slice(0, common));
    expect(heightM.slice(0, common)).toEqual(flown.heightM.slice(0, common));
  }
  // Plain sticks held still: the same whatever the frames.
  const held = (elapsedS: number) => {
    const practice = createPractice(flip, five, settings, high);
    for (let i = 0; i < Math.round(1.2 / elapsedS); i++)
      practice.advance(elapsedS, { ...centred, pitch: 0.2, throttle: 0.4 });
    return practice.state();
  };
  const [a, b] = [held(1 / 30), held(1 / 120)];
  expect([a.timeS, a.northM, a.heightM, a.attitude]).toEqual([b.timeS, b.northM, b.heightM, b.attitude]);
});

it("flies nothing of the time behind a hidden tab, and goes on from where it was", () => {
  const practice = createPractice(flip, five, settings, high);
  const sticks = { ...centred, throttle: 0.35 };
  practice.advance(0.1, sticks);
  const before = practice.state();
  expect(practice.advance(40, sticks)).toEqual(before);
  expect(practice.advance(0.1, sticks).timeS).toBeCloseTo(0.2, 9);
});

it("flies again from its record as it was flown, to the last bit, also after the way through a file", () => {
  const practice = createPractice(flip, five, settings, { ...high, windNorthMps: 3, shakeSeed: 4 });
  for (let i = 0; i < 240; i++)
    practice.advance(1 / 60, {
      roll: Math.sin(i / 9),
      pitch: Math.cos(i / 14) / 2,
      yaw: Math.sin(i / 31),
      throttle: 0.3 + 0.2 * Math.sin(i / 20),
    });
  const kept = practice.record();
  const environment = { ...high, windNorthMps: 3, shakeSeed: 4 };
  const drill: Drill = { id: "free", recipe: flip, task: { kind: "free" } };
  const packed = packTry({ record: kept, drill, airframe: five, settings, environment });
  const { record: read, ...rest } = unpackTry(packed);
  expect(read).toEqual(kept);
  expect(rest).toEqual({ drill, airframe: five, settings, environment });
  // Of 32 bytes a row of commands, and 16 of sticks, few are left.
  expect(packed.length / kept.steps).toBeLessThan(14);
  for (const cut of [0, 3, 900, packed.length - 1])
    expect(() => unpackTry(packed.slice(0, cut))).toThrow(expect.objectContaining({ field: "bytes" }));
  expect(() => unpackTry(Uint8Array.from([...packed, 0]))).toThrow(/more than its rows/);
  const between = { ...kept, commands: kept.commands.map((one, i) => (i === 9 ? one + 1e-9 : one)) };
  expect(() => packTry({ record: between, drill, airframe: five, settings, environment })).toThrow(/steps of/);
  const { trace, measures } = replay(read, five, settings, environment);
  const state = practice.state();
  const at = trace.timeS.findIndex((s) => Math.abs(s - state.timeS) < 1e-9);
  if (state.ended === null) expect(at).toBe(trace.timeS.length - 1);
  expect([trace.northM.at(-1), trace.eastM.at(-1), trace.heightM.at(-1), trace.qw.at(-1)]).toEqual([
    state.northM,
    state.eastM,
    state.heightM,
    state.attitude.w,
  ]);
  expect(measures.durationS).toBeCloseTo(state.timeS, 9);
  for (const [field, broken] of [
    ["record.version", { ...kept, version: 2 }],
    ["record.commands", { ...kept, commands: kept.commands.slice(4) }],
    ["record.start[3]", { ...kept, start: kept.start.map((one, i) => (i === 3 ? Number.NaN : one)) }],
  ] as const)
    expect(() => replay(broken as typeof kept, five, settings, environment)).toThrow(
      expect.objectContaining({ field }),
    );
});

it("falls as physics says when nobody holds it, and tells a landing at 2.4 m/s from one at 2.6", () => {
  // Nothing but gravity, and the little that idle rotors push.
  const bare = {
    ...idealAirframe(five),
    idleSpeedFraction: 0.01,
    rotorDownS: 0.003,
    dragAreaM2: { x: 5e-5, y: 5e-5, z: 5e-5 },
  };
  const drop = (heightM: number) => {
    const practice = createPractice(
      recipes["hang-right"],
      bare,
      { ...settings, modes: { ...settings.modes, idleAuthority: false } },
      { ...CALM_AIR, entryHeightM: heightM },
    );
    let state = practice.state();
    while (!state.ended && !state.outOfTime) state = practice.advance(1 / 60, { ...centred, throttle: 0 });
    return state;
  };
  const fallen = drop(20);
  expect(fallen.ended).toMatchObject({ kind: "crash", into: "ground" });
  expect(fallen.timeS).toBeGreaterThan(Math.sqrt((2 * 20) / 9.80665));
  expect(fallen.timeS).toBeLessThan(Math.sqrt((2 * 20) / 9.80665) + 0.06);
  const from = (mps: number) => {
    let [low, hi] = [0.1, 1];
    for (let i = 0; i < 30; i++) {
      const middle = 0.5 * (low + hi);
      if ((drop(middle).ended as { speedMps: number }).speedMps < mps) low = middle;
      else hi = middle;
    }
    return drop(low).ended;
  };
  expect(from(2.4)).toMatchObject({ kind: "touchdown" });
  expect(from(2.6)).toMatchObject({ kind: "crash" });
});

describe("a drill is scored", () => {
  const drill = (recipe: Recipe, task: Task): Drill => ({ id: "drill", recipe, task });
  const flown = (id: string, task: Task, slips: Parameters<typeof madeUpRadio>[4] = []) =>
    scoreTry(
      drill(recipes[id], task),
      replay(record(recipes[id], madeUpRadio(recipes[id], five, settings, high, slips)), five, settings, high),
      settings,
    );
  const oneFlip = { kind: "trick", trick: { kind: "flip", direction: "back", turns: 1 }, withinDeg: 25 } as const;

  it("a good radio passes its flip, a late one is told by how much it went past, an idle one that nothing was flown", () => {
    expect(flown("flip-one-move-back", oneFlip)).toMatchObject({ passed: true, next: { kind: "passed" } });
    const stop = flip.phases.findIndex(({ until }) => until.some(({ kind }) => kind === "turned"));
    const late = flip.phases.map((_, i) => (i === stop ? { ...NO_SLIP, lateS: 0.12 } : NO_SLIP));
    const { passed, next } = flown("flip-one-move-back", oneFlip, late);
    expect(passed).toBe(false);
    if (next.kind !== "stopped-past") throw new Error(`it was told ${next.kind}`);
    expect(next.deg).toBeGreaterThan(25);
    const idle = createPractice(flip, five, settings, high);
    for (let i = 0; i < 60; i++) idle.advance(1 / 60, { ...centred, throttle: 0.3 });
    expect(scoreTry(drill(flip, oneFlip), replay(idle.record(), five, settings, high), settings).next).toEqual({
      kind: "not-flown",
    });
    expect(flown("flip-one-move-front", oneFlip).next).toEqual({
      kind: "other-trick",
      found: "flip",
      direction: "front",
    });
  });

  it("holding a place by the longest time in it, a spot by how far off it is, places by their order", () => {
    const hover = createPractice(recipes["hang-right"], five, settings, high);
    const still = hover.state().sticks;
    for (let i = 0; i < 120; i++) hover.advance(1 / 60, still);
    const replayed = replay(hover.record(), five, settings, high);
    const hold = (seconds: number, radiusM: number): Task => ({
      ...{
        kind: "hold",
        at: { eastM: 0, northM: 0 },
        radiusM,
        lowestM: 30,
        highestM: 50,
        seconds,
        noseWithinDeg: null,
      },
    });
    expect(scoreTry(drill(flip, hold(1.5, 1)), replayed, settings).passed).toBe(true);
    expect(scoreTry(drill(flip, hold(5, 1)), replayed, settings).next).toMatchObject({
      kind: "left-circle",
      wantsS: 5,
    });
    const course = (m: readonly number[], haltMps: number | null): Task => ({
      ...{
        kind: "course",
        at: m.map((northM) => ({ eastM: 0, northM })),
        withinM: 1,
        haltMps,
        lowestM: 30,
        highestM: 50,
      },
    });
    expect(scoreTry(drill(flip, course([0], 0.5)), replayed, settings).passed).toBe(true);
    expect(scoreTry(drill(flip, course([0, 9], null)), replayed, settings).next).toMatchObject({
      kind: "missed-place",
      place: 2,
    });
    expect(
      scoreTry(drill(flip, { kind: "land", at: { eastM: 0, northM: 0 }, withinM: 1.5 }), replayed, settings).next,
    ).toEqual({
      kind: "not-landed",
    });
  });
});

it("names the field of what can't be flown", () => {
  const practice = createPractice(flip, five, settings, high);
  expect(() => practice.advance(0.01, { ...centred, throttle: 1.2 })).toThrow(
    /^sticks\.throttle is 1\.2; allowed: 0 to 1$/,
  );
  expect(() => practice.advance(-1, { ...centred, throttle: 0 })).toThrow(/^elapsedS is -1/);
  expect(() => practice.advance(0.01, {} as Sticks)).toThrow(/^sticks\.roll is undefined/);
  expect(() => createPractice({ id: "x", recipe: flip, task: { kind: "hold" } as Task }, five, settings, high)).toThrow(
    /^task\.radiusM/,
  );
});

it("gusts come from their seed: the same again, others from another, about as strong as asked for, and a try replays through them to the last bit", () => {
  const blown = (seed: number) => ({ ...high, windNorthMps: -6, gusts: { deviationMps: 1.5, seed } });
  const fly = (seed: number, frames = 360) => {
    const practice = createPractice(recipes["hang-right"], five, settings, blown(seed));
    const { sticks } = practice.state();
    for (let i = 0; i < frames; i++) practice.advance(1 / 60, sticks);
    return practice;
  };
  const [a, again, other] = [fly(7), fly(7), fly(8)].map((one) => one.state().eastM);
  expect(again).toBe(a);
  expect(other).not.toBe(a);
  const { trace } = replay(fly(7).record(), five, settings, blown(7));
  expect(trace.eastM.at(-1)).toBe(a);
  // Standard deviation over a long time: within a fifth of what is asked for, over some 240 memories of the wind.
  const gusts = new Gusts({ deviationMps: 1.5, seed: 3 });
  const seen: number[] = [];
  for (let step = 0; step < 600_000; step++) if (gusts.moveOn(step)) seen.push(gusts.northMps);
  expect(Math.sqrt(seen.reduce((sum, mps) => sum + mps * mps, 0) / seen.length)).toBeGreaterThan(1.2);
  expect(Math.sqrt(seen.reduce((sum, mps) => sum + mps * mps, 0) / seen.length)).toBeLessThan(1.8);
});
