import { airframePresets } from "../airframe";
import { firstSettings } from "../flight";
import { rateDps } from "../rates";
import { CALM_AIR, fly, recipes, startTrim, type Flight, type Guard, type Phase, type Recipe } from "../recipes";
import {
  figureAt,
  handlesOf,
  mirrorImage,
  otherDirection,
  phaseNotes,
  phaseSpans,
  recipeFaults,
  requireRecipe,
  withEndAt,
  withFigureAt,
  withHandleAt,
  withoutPhase,
  withPhase,
  withPhaseAdded,
  withPhaseSplit,
  withValueAt,
  type FigurePlace,
} from ".";

const aircraft = airframePresets["five-inch-freestyle"].airframe;
const high = { ...CALM_AIR, entryHeightM: 150 };
const settings = firstSettings;
const flown = (recipe: Recipe) => fly(recipe, aircraft, settings, high);
const figuresFor = (recipe: Recipe) => startTrim(recipe, aircraft, settings, high).figures;
const contextFor = (recipe: Recipe) => ({ aircraft, settings, figures: figuresFor(recipe) });
const built = Object.entries(recipes);
const columns = ["timeS", "northM", "eastM", "heightM", "qw", "qx", "qy", "qz", "stickPitch", "stickThrottle"] as const;

/** From the hover, throttle at `throttle`, until the guards. */
function one(until: readonly Guard[], more: Partial<Phase> = {}): Recipe {
  const phase: Phase = { id: "only", label: "Only", throttle: { kind: "thrust", g: 1 }, until, maxS: 2, ...more };
  return {
    id: "made-up",
    label: "Made up",
    start: { kind: "hover" },
    parameters: {},
    phases: [phase],
    turn: null,
    solveFor: [],
    abort: [{ ...phase, id: "out", until: [{ kind: "time", s: 1 }] }],
    slip: {},
  };
}

const bothSided = built.filter(
  ([id]) => /-right$/.test(id) || (/-back$/.test(id) && recipes[id.replace(/back$/, "front")]),
);

describe("built-in recipes", () => {
  it.each(built)("%s has nothing that a recipe may not have", (_, recipe) => {
    expect(recipeFaults(recipe)).toEqual([]);
  });

  it.each(bothSided)("%s mirrored is the other direction", (id, recipe) => {
    const [, direction] = /-(back|right)$/.exec(id)!;
    const other = recipes[id.replace(direction, otherDirection(direction))];
    // Mirroring twice gives back the first.
    expect(mirrorImage(mirrorImage(other, otherDirection(direction)), direction)).toStrictEqual(other);
    const [one, mirrored] = [flown(recipe), flown(mirrorImage(recipe, direction))];
    if (direction === "back") {
      // Over the tail and over the nose: what turns, turns the other way as far.
      const most = ({ trace }: Flight) => trace.turnedPitchDeg.reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a));
      expect(Math.sign(most(mirrored))).toBe(-Math.sign(most(one)));
      expect(Math.abs(most(mirrored)) / Math.abs(most(one))).toBeCloseTo(1, 0);
      return;
    }
    // Seen in a mirror along the line of entry: as far to the other side, at the same heights, to the rounding of numbers that grows as it turns.
    expect(mirrored.trace.timeS).toHaveLength(one.trace.timeS.length);
    const off = (column: "northM" | "eastM" | "heightM", sign: 1 | -1) =>
      Math.max(...one.trace[column].map((value, i) => Math.abs(value - sign * mirrored.trace[column][i])));
    expect(Math.max(off("northM", 1), off("eastM", -1), off("heightM", 1))).toBeLessThan(1e-3);
  });

  it.each(built.filter((_, i) => i % 3 === 0))("%s is flown the same when a phase is cut in two", (_, recipe) => {
    const before = flown(recipe);
    const spans = phaseSpans(recipe, before);
    const at = spans.findIndex((span) => span !== null && span.endS - span.startS > 0.1);
    const { startS, endS } = spans[at]!;
    const cut = withPhaseSplit(recipe, at, before, startS + 0.4 * (endS - startS), figuresFor(recipe));
    expect(recipeFaults(cut)).toEqual([]);
    const after = flown(cut);
    for (const column of columns) expect(after.trace[column]).toEqual(before.trace[column]);
    expect(after.measures.complete).toBe(before.measures.complete);
  });
});

it("cuts a ramp where it is, so that the stick moves as before", () => {
  const recipe = one([{ kind: "time", s: 0.8 }], { roll: { kind: "ramp", from: 0, to: 0.4, overS: 0.6 } });
  const before = flown(recipe);
  const cut = withPhaseSplit(recipe, 0, before, 0.3, figuresFor(recipe));
  expect(cut.phases[0].roll).toEqual({ kind: "ramp", from: 0, to: 0.2, overS: 0.3 });
  flown(cut).trace.stickRoll.forEach((at, i) => expect(at).toBeCloseTo(before.trace.stickRoll[i], 9));
});

describe("the end of a phase", () => {
  const rising: Partial<Phase> = { throttle: { kind: "thrust", g: 2 } };
  const turning: Partial<Phase> = { pitch: { kind: "hold", at: 0.4 }, throttle: { kind: "hold", at: 0.3 } };
  const guards: readonly (readonly [string, Guard, Partial<Phase>])[] = [
    ["a time", { kind: "time", s: 1 }, {}],
    ["an angle turned", { kind: "turned", axis: "pitch", deg: 90 }, turning],
    ["an angle turned, with a lead", { kind: "turned", axis: "pitch", deg: 90, leadS: 0.05 }, turning],
    ["a climb", { kind: "climb", is: "above", mps: 6 }, rising],
    ["a height above the entry", { kind: "height", is: "above", m: 4 }, rising],
    ["a height above the ground", { kind: "ground", is: "above", m: 154 }, rising],
    ["a way along", { kind: "along", is: "above", m: 1 }, { pitch: { kind: "hold", at: -0.1 }, ...rising }],
    ["a speed along", { kind: "ahead", is: "above", mps: 2 }, { pitch: { kind: "hold", at: -0.1 }, ...rising }],
    ["a pitch", { kind: "pitch", is: "above", deg: 50 }, turning],
    ["a heading", { kind: "heading", is: "above", deg: 60 }, { yaw: { kind: "hold", at: 0.4 } }],
    [
      "an attitude",
      { kind: "upright", withinDeg: 40 },
      { pitch: { kind: "eye", see: "pitch", targetDeg: 20, gainPerS: 4, delayS: 0.1 }, ...rising },
    ],
  ];
  const leaning: Phase = { ...one([{ kind: "time", s: 0.8 }]).phases[0], ...turning, id: "lean" };

  it.each(guards)("of %s is dragged to where it is then flown", (name, guard, more) => {
    const recipe: Recipe = { ...one([guard], more) };
    const phases = name === "an attitude" ? [leaning, ...recipe.phases] : recipe.phases;
    const asSet = { ...recipe, phases };
    const at = phases.length - 1;
    const before = flown(asSet);
    const { startS, endS, timedOut } = phaseSpans(asSet, before)[at]!;
    expect(timedOut).toBe(false);
    for (const share of [0.7, 1, 1.15]) {
      const wantedS = startS + share * (endS - startS);
      const moved = withEndAt(asSet, at, before, wantedS, figuresFor(asSet));
      const span = phaseSpans(moved, flown(moved))[at]!;
      // Later than flown is a guess from how it went at the end; the rest is what was watched, to the last digit people set.
      expect(Math.abs(span.endS - wantedS)).toBeLessThan(share > 1 ? 0.15 * (endS - startS) : 0.05);
      expect(span.timedOut).toBe(false);
    }
  });

  it("moves a parameter by hand, no further than its range, and has it worked out no more", () => {
    const recipe = recipes["flip-one-move-back"];
    const before = flown(recipe);
    const at = recipe.phases.findIndex(({ id }) => id === "turn");
    const { startS, endS } = phaseSpans(recipe, before)[at]!;
    const moved = withEndAt(recipe, at, before, startS + 0.8 * (endS - startS), figuresFor(recipe));
    expect(moved.phases).toEqual(recipe.phases);
    expect(moved.parameters.centreDeg.value).toBeLessThan(recipe.parameters.centreDeg.value);
    expect(moved.solveFor.map(({ param }) => param)).toEqual(["punchS"]);
    const far = withEndAt(recipe, at, before, startS + 9, figuresFor(recipe));
    expect(far.parameters.centreDeg.value).toBe(recipe.parameters.centreDeg.max);
  });

  it("gives a phase that nothing ended a time of its own", () => {
    const stuck = one([{ kind: "turned", axis: "pitch", deg: 360 }]);
    const before = flown(stuck);
    const moved = withEndAt(stuck, 0, before, 1.2, figuresFor(stuck));
    expect(moved.phases[0].until).toContainEqual({ kind: "time", s: 1.2 });
    expect(phaseSpans(moved, flown(moved))[0]).toMatchObject({ timedOut: false, endS: expect.closeTo(1.2, 2) });
  });
});

describe("what is said of a phase", () => {
  const notes = (recipe: Recipe, flight: Flight = flown(recipe)) => phaseNotes(recipe, flight, contextFor(recipe));

  it("is how near a guard came that is never reached", () => {
    const recipe = one([{ kind: "turned", axis: "yaw", deg: 720 }], { yaw: { kind: "rate", dps: 90 } });
    const [note] = notes(recipe);
    if (note.kind !== "never-ends") throw new Error(note.kind);
    expect(note).toMatchObject({ phase: 0, afterS: expect.closeTo(2, 2) });
    // 90 °/s for 2 s, less what the start of the turn takes.
    expect(note.misses[0]).toMatchObject({ wanted: 720 });
    expect(note.misses[0].nearest).toBeGreaterThan(165);
    expect(note.misses[0].nearest).toBeLessThan(181);
    expect(note.misses[0].last).toBeCloseTo(note.misses[0].nearest, 6);
  });

  it("is a time longer than the phase is let go on", () => {
    expect(notes(one([{ kind: "time", s: 5 }]))[0]).toMatchObject({ kind: "never-ends", misses: [{ wanted: 5 }] });
  });

  it("is an end that holds from the beginning, the ground, and what comes after it", () => {
    const recipe = one([{ kind: "time", s: 2 }], { throttle: { kind: "hold", at: 0 } });
    const low = { ...recipe, phases: [...recipe.phases, { ...recipe.phases[0], id: "after" }] };
    const flight = fly(low, aircraft, settings, { ...CALM_AIR, entryHeightM: 3 });
    expect(notes(low, flight)).toEqual([
      { phase: 0, kind: "met", met: expect.objectContaining({ kind: "crash", into: "ground" }) },
      { phase: 1, kind: "not-reached" },
    ]);
    const atOnce = one([{ kind: "climb", is: "above", mps: -1 }]);
    const two = { ...atOnce, phases: [...atOnce.phases, ...one([{ kind: "time", s: 0.2 }]).phases] };
    two.phases[1] = { ...two.phases[1], id: "after" };
    expect(notes(two)).toEqual([{ phase: 0, kind: "ends-at-once", guard: atOnce.phases[0].until[0] }]);
  });

  it("is a rate beyond the curve and a thrust beyond the motors", () => {
    // Common practice, no source: base 1.0 and rise 0.70 end at 667 °/s.
    const curve = { family: "base-rise", base: 1, rise: 0.7, expo: 0 } as const;
    const recipe = one([{ kind: "time", s: 0.3 }], {
      roll: { kind: "rate", dps: 900 },
      throttle: { kind: "thrust", g: 19 },
    });
    const rates = { roll: curve, pitch: curve, yaw: curve };
    const context = { ...contextFor(recipe), settings: { ...settings, rates } };
    expect(phaseNotes(recipe, flown(recipe), context)).toEqual([
      { phase: 0, kind: "rate-beyond", axis: "roll", askedDps: 900, mostDps: expect.closeTo(667, 0) },
      { phase: 0, kind: "thrust-beyond", askedG: 19, mostG: expect.closeTo(aircraft.thrustToWeight, 6) },
    ]);
  });

  it("says nothing of what goes as planned, and nothing of a landing that lands", () => {
    expect(notes(recipes["flip-slow-back"])).toEqual([]);
    const landing = recipes["land-stop"];
    const flight = fly(landing, aircraft, settings, { ...CALM_AIR, entryHeightM: 6 });
    expect(flight.measures.complete).toBe(true);
    expect(notes(landing, flight)).toEqual([]);
  });
});

describe("stick targets", () => {
  const recipe = one([{ kind: "time", s: 0.5 }], {
    roll: { kind: "rate", dps: 200 },
    pitch: { kind: "ramp", from: 0.1, to: 0.6, overS: 0.3 },
    yaw: { kind: "hold", at: -0.25 },
  });
  const context = contextFor(recipe);

  it("stand where the stick goes", () => {
    const handles = handlesOf(recipe, 0, context);
    expect(handles.map(({ place, where }) => [place.part, place.name, where])).toEqual([
      ["throttle", "g", "middle"],
      ["roll", "dps", "middle"],
      ["pitch", "from", "start"],
      ["pitch", "to", "end"],
      ["yaw", "at", "middle"],
    ]);
    const { trace } = flown(recipe);
    const last = trace.timeS.length - 2;
    const at = (part: string) => handles.filter(({ place }) => place.part === part).at(-1)!.at;
    expect(trace.stickRoll[last]).toBeCloseTo(at("roll"), 6);
    expect(trace.stickPitch[last]).toBeCloseTo(at("pitch"), 6);
    expect(trace.stickYaw[last]).toBeCloseTo(at("yaw"), 6);
    expect(trace.stickThrottle[last]).toBeCloseTo(at("throttle"), 6);
  });

  it("are there for a stick at rest, which is held where it is moved to", () => {
    const still = one([{ kind: "time", s: 0.5 }]);
    const [, , pitch] = handlesOf(still, 0, context);
    expect(pitch).toMatchObject({ place: { part: "pitch", name: "at" }, at: 0, rests: true });
    const moved = withHandleAt(still, pitch.place, -0.4, context);
    expect(moved.phases[0].pitch).toEqual({ kind: "hold", at: -0.4 });
    expect(handlesOf(moved, 0, context)[2]).toMatchObject({ at: -0.4, rests: false });
  });

  it("move to what the stick gives there, through the curve and the motors", () => {
    for (const { place } of handlesOf(recipe, 0, context)) {
      const moved = withHandleAt(recipe, place, 0.52, context);
      const handle = handlesOf(moved, 0, context).find(
        (other) => other.place.part === place.part && other.place.name === place.name,
      )!;
      // As near as the digits in which rates and thrusts are set.
      expect(Math.abs(handle.at - 0.52)).toBeLessThan(0.012);
    }
    const roll: FigurePlace = { phase: 0, part: "roll", guard: null, name: "dps" };
    expect(figureAt(withHandleAt(recipe, roll, 1, context), roll).value).toBeCloseTo(
      rateDps(settings.rates.roll, 1),
      -1,
    );
  });
});

describe("changing phases", () => {
  it("adds one where the sticks rest and the throttle stays", () => {
    const recipe = recipes["flip-slow-back"];
    const before = flown(recipe);
    const added = withPhaseAdded(recipe, 0, before);
    expect(added.phases.map(({ id }) => id).slice(0, 3)).toEqual(["punch", "phase-1", "close"]);
    const { throttle } = added.phases[1];
    if (throttle.kind !== "hold") throw new Error(throttle.kind);
    expect(throttle.at).toBeCloseTo(before.trace.stickThrottle[20], 2);
    expect(recipeFaults(withPhaseAdded(added, 0, null))).toEqual([]);
  });

  it("keeps what something else hangs on, and moves the count of the turn on", () => {
    const recipe = recipes["flip-ease-quarter-back"];
    const at = (id: string) => recipe.phases.findIndex((phase) => phase.id === id);
    expect(() => withoutPhase(recipe, at("stop"))).toThrow(/turn\.stopPhase/);
    const without = withoutPhase(recipe, at("turn"));
    expect(without.phases[at("turn")]).toMatchObject({ id: "ease", mark: true });
    expect(() => withoutPhase(one([{ kind: "time", s: 1 }]), 0)).toThrow(/at least one phase/);
  });

  it("moves what is added to a figure of the start trim", () => {
    const recipe: Recipe = {
      ...one([{ kind: "time", s: 1 }], {
        pitch: { kind: "eye", see: "pitch", targetDeg: { of: "tiltDeg", times: -1 }, gainPerS: 3, delayS: 0.2 },
      }),
      start: { kind: "cruise" },
    };
    const place: FigurePlace = { phase: 0, part: "pitch", guard: null, name: "targetDeg" };
    const tilted = withFigureAt(recipe, place, 5 - settings.tiltDeg, figuresFor(recipe));
    expect(figureAt(tilted, place).value).toEqual({ of: "tiltDeg", times: -1, plus: 5 });
  });
});

it("refuses what cannot be flown, and says where", () => {
  const good = recipes["flip-slow-back"];
  const place: FigurePlace = { phase: 2, part: "pitch", guard: null, name: "dps" };
  const wrong: readonly (readonly [Recipe, RegExp])[] = [
    [withValueAt(good, place, 4000), /phases\.2\.pitch\.dps: dps is 4000; allowed: -2000 to 2000/],
    [withValueAt(good, place, { param: "speed" }), /phases\.2\.pitch\.dps: speed is no parameter/],
    [{ ...good, start: { kind: "level", speedMps: { param: "constructor" } } }, /start\.speedMps: constructor is no/],
    [withValueAt(good, place, NaN), /phases\.2\.pitch\.dps: NaN is no number/],
    [withPhase(good, 1, (phase) => ({ ...phase, until: [] })), /phases\.1\.until: nothing ends this phase/],
    [withPhase(good, 1, (phase) => ({ ...phase, id: "punch" })), /phases\.1\.id: two phases are called "punch"/],
    [{ ...good, freeze: { before: "nowhere" } }, /freeze\.before: there is no phase "nowhere"/],
    [{ ...good, abort: [] }, /abort: a trick has at least one phase/],
    [{ ...good, solveFor: [{ aim: { kind: "stop-on-mark" }, param: "no" }] }, /solveFor\.0\.param: no is no parameter/],
    [
      { ...good, parameters: { ...good.parameters, punchS: { ...good.parameters.punchS, value: 9 } } },
      /parameters\.punchS: Punch is 9; allowed: 0.05 to 2.5 s/,
    ],
  ];
  for (const [recipe, message] of wrong) expect(() => requireRecipe(recipe)).toThrow(message);
});
