import { airframePresets } from "../airframe";
import { firstSettings } from "../flight";
import { steadyTurn } from "../sustained";
import { SEA_LEVEL_AIR } from "../atmosphere";
import { wrapDeg } from "../numbers";
import {
  draftBrief,
  CALM_AIR,
  distanceTo,
  fitCircle,
  fly,
  flyUncaught,
  marginsBySpeed,
  missedMarks,
  recipes,
  resolve,
  solve,
  whyNot,
  withParameters,
  type Recipe,
} from ".";

const five = airframePresets["five-inch-freestyle"].airframe;
/** A well-set aircraft at the stages in which most of these are flown. */
const settings = { ...firstSettings, tiltDeg: 25 };
const high = { ...CALM_AIR, entryHeightM: 100 };
const ids = Object.keys(recipes);
const mirrorOf = (id: string) => (id === "look-back" ? id : id.replace(/-right$/, "-left").replace(/-back$/, "-front"));
const oneSide = ids.filter((id) => !id.endsWith("-left") && !id.endsWith("-front"));

/** What a preset cannot fly, and what the brief says of it. */
const tooLittle = /needs [34]\.\d g of thrust; the aircraft has \d\.\d g there/;
const cannot: Readonly<Record<string, Readonly<Record<string, RegExp>>>> = Object.fromEntries(
  ["orbit-back-right", "orbit-back-roll-right", "orbit-back-fall-right"].map((id) => [
    id,
    { "indoor-65": tooLittle, "ducted-two-and-half-inch": tooLittle, "seven-inch": tooLittle },
  ]),
);

const others = Object.keys(airframePresets).filter((preset) => preset !== "five-inch-freestyle");
/** All of them with the usual aircraft, a quarter with each of the others: each trick with at least one other, and what cannot be flown with all. */
const flownWith = (preset: string) =>
  oneSide.filter(
    (id, i) => preset === "five-inch-freestyle" || cannot[id]?.[preset] || i % others.length === others.indexOf(preset),
  );

describe.each(Object.keys(airframePresets))("well set, the preset %s", (preset) => {
  const { airframe } = airframePresets[preset];
  it.each(flownWith(preset))("flies %s upright to its end, or says why not", (id) => {
    const expected = cannot[id]?.[preset];
    const said = () => draftBrief(recipes[id], airframe, settings, CALM_AIR);
    if (expected) {
      const problem = (() => {
        try {
          return said().problem?.kind;
        } catch (error) {
          return (error as Error).message;
        }
      })();
      expect(problem).toMatch(expected);
      return;
    }
    const { flight, problem, recipe } = said();
    expect(problem).toBeNull();
    expect(flight.measures.complete).toBe(true);
    if (preset === "five-inch-freestyle")
      expect(missedMarks(recipe.marks ?? [], flight.measures, recipe.parameters)).toEqual([]);
    for (const { aim } of recipe.solveFor) {
      if (aim.kind === "stop-on-mark") expect(Math.abs(flight.measures.stopErrorDeg!)).toBeLessThan(3);
      if (aim.kind === "return-to-entry-height") expect(Math.abs(flight.measures.heightGainedM)).toBeLessThan(0.5);
      if (aim.kind === "stop-at")
        expect(Math.abs(flight.measures.alongM - resolve(recipe, aim.alongM))).toBeLessThan(0.5);
      if (aim.kind === "heading")
        // A tight half roll is caught one way or the other: on the smallest there is nothing between.
        expect(Math.abs(wrapDeg(flight.measures.headingChangeDeg - resolve(recipe, aim.deg)))).toBeLessThan(
          preset === "indoor-65" ? 15 : 3,
        );
    }
  });
});

it.each(oneSide.filter((id) => recipes[mirrorOf(id)] && id.endsWith("-right")))(
  "%s mirrored flies exactly the mirrored path",
  (id) => {
    const [right, left] = [recipes[id], recipes[mirrorOf(id)]].map((recipe) => fly(recipe, five, settings, high).trace);
    expect(left.timeS.length).toBe(right.timeS.length);
    for (const [column, sense] of [
      ["northM", 1],
      ["eastM", -1],
      ["heightM", 1],
      ["rollDps", -1],
      ["pitchDps", 1],
      ["yawDps", -1],
      ["stickRoll", -1],
      ["throttle", 1],
    ] as const) {
      // Nothing but the sign differs, so that not even rounding may; but a heading of 180° has none.
      const within = id.startsWith("track-inverted") ? 1e-6 : 0;
      expect(left[column].every((value, i) => Math.abs(value - sense * right[column][i]) <= within)).toBe(true);
    }
  },
);

it("every recipe has its other side", () => {
  expect(oneSide.every((id) => mirrorOf(id) === id || recipes[mirrorOf(id)])).toBe(true);
  expect(ids.length).toBeGreaterThan(60);
});

describe("loops", () => {
  const { phases } = recipes["loop-open-power"];
  /** Speed along the line of entry of a loop whose turning and power end after so many degrees. */
  const speeds = (deg: number) => {
    const [rise, pull] = phases;
    const cut: Recipe = {
      ...recipes["loop-open-power"],
      phases: [rise, { ...pull, until: [{ kind: "turned", axis: "pitch", deg }] }, phases[phases.length - 1]],
    };
    return fly(cut, five, settings, high).measures.loopExitMps!;
  };

  it("left too early it still moves forward, held long enough it is thrown back (common practice, no source)", () => {
    expect(speeds(70)).toBeGreaterThan(1);
    expect(speeds(170)).toBeLessThan(-2);
  });

  it("is as wide as asked for, and taller: over the top no thrust points up", () => {
    const brief = draftBrief(recipes["loop-open-power"], five, settings, CALM_AIR);
    expect(brief.flight.measures.loopWidthM! / 2).toBeCloseTo(1.8, 1);
    const wide = withParameters(recipes["loop-open-power"], { radiusM: 2.5 });
    const larger = draftBrief(wide, five, settings, CALM_AIR).flight.measures;
    expect(Math.abs(larger.loopWidthM! / 2 / 2.5 - 1)).toBeLessThan(0.05);
    expect(larger.peakM - larger.entryHeightM).toBeGreaterThan(brief.flight.measures.peakM - brief.entryHeightM);
  });

  it("a floated one has its throttle closed upside down, a powered one has not", () => {
    const inverted = (id: string) =>
      draftBrief(recipes[id], five, settings, CALM_AIR).flight.measures.throttleInvertedMean!;
    expect(inverted("loop-open-float")).toBeLessThan(0.6 * inverted("loop-open-power"));
  });

  it("goes round its bar without touching it; a loop too small for the bar hits it", () => {
    const brief = draftBrief(recipes["loop-over-power"], five, settings, CALM_AIR);
    expect(brief.flight.measures.clearanceM!).toBeGreaterThan(0.5);
    const bar = brief.flight.obstacles[0];
    expect(bar.heightM).toBeGreaterThan(brief.entryHeightM);
    const low = withParameters(brief.recipe, { barAboveM: brief.recipe.parameters.barAboveM.value + 3 });
    const hit = fly(low, five, settings, { ...CALM_AIR, entryHeightM: brief.entryHeightM });
    expect(whyNot(low, hit)).toMatchObject({ kind: "flies-into", into: "bar" });
  });
});

it("a roll about the view keeps the view within 15° of the path; a pure one dips by twice the tilt (common practice, no source)", () => {
  const off = (id: string) => draftBrief(recipes[id], five, settings, CALM_AIR).flight.measures.viewOffPathDeg!;
  expect(off("roll-level-right")).toBeLessThan(15);
  // Twice the tilt, less what the nose stands higher after the pop.
  expect(off("roll-pure-right")).toBeCloseTo(2 * 25 - 0.28 * 25, -1);
});

it("a helix turns its way by more than half a turn between the push and the exit, over the top", () => {
  const { trace, events } = draftBrief(recipes["helix-pitch-right"], five, settings, CALM_AIR).flight;
  const at = (id: string) =>
    Math.round(events.find((event) => event.kind === "phase" && event.detail === id)!.timeS / trace.sampleS);
  let turned = 0;
  let before = Math.atan2(trace.climbMps[at("push")], trace.vNorthMps[at("push")]);
  for (let i = at("push"); i <= at("catch"); i++) {
    const now = Math.atan2(trace.climbMps[i], trace.vNorthMps[i]);
    turned += Math.atan2(Math.sin(now - before), Math.cos(now - before));
    before = now;
  }
  expect((turned * 180) / Math.PI).toBeGreaterThan(180);
  // The yaw is reversed as it comes upside down, without a rest.
  expect(trace.stickYaw[at("yaw-round") + 10]).toBeGreaterThan(0.3);
  expect(trace.stickYaw[at("yaw-on") + 15]).toBeLessThan(-0.3);
});

it("a brake by turning keeps its height within 1 m and a bit, and from 25° of tilt stops shorter than leaning back with the horizon in view", () => {
  const half = 0.5 * settings.camera.verticalFovDeg;
  for (const tiltDeg of [10, 15, 25, 40]) {
    const tilted = { ...settings, tiltDeg };
    const turning = fly(recipes["turn-brake-right"], five, tilted, high).measures;
    expect(turning.peakM - 100).toBeLessThan(1.3);
    expect(100 - turning.lowestM).toBeLessThan(1);
    const lean = withParameters(recipes["pitch-brake"], { leanDeg: half - tiltDeg });
    const leaning = fly(lean, five, tilted, high).measures;
    if (tiltDeg >= 25) expect(turning.stoppingDistanceM!).toBeLessThan(leaning.stoppingDistanceM ?? Infinity);
    else expect(turning.stoppingDistanceM!).toBeGreaterThan(leaning.stoppingDistanceM!);
  }
});

it("a longer punch hangs longer", () => {
  const hang = (punchS: number) =>
    flyUncaught(withParameters(recipes["hang-right"], { punchS }), five, settings, high).flight.measures.hangTimeS!;
  expect(hang(0.9)).toBeGreaterThan(hang(0.6) + 0.2);
});

it("a floated split-S carries farther and falls farther than a tight one (common practice, no source)", () => {
  const [float, tight] = ["split-s-float-right", "split-s-tight-right"].map(
    (id) => fly(recipes[id], five, settings, high).measures,
  );
  expect(float.alongM).toBeGreaterThan(tight.alongM);
  expect(float.heightLostM).toBeGreaterThan(tight.heightLostM);
});

it("comes down to land at 30 to 45° and touches gently on its spot (common practice, no source)", () => {
  for (const id of ["land-stop", "land-stop-cut", "land-short"]) {
    const { measures } = draftBrief(recipes[id], five, settings, CALM_AIR).flight;
    expect(measures.descentDeg!).toBeGreaterThan(30);
    expect(measures.descentDeg!).toBeLessThan(46);
    expect(measures.touchdownMps!).toBeLessThan(2);
    expect(measures.offSpotM!).toBeLessThan(0.5);
  }
});

it("keeps the landing spot in the picture all the way down at the stage's 10° of tilt; at 25° it is lost from the start, and that is said", () => {
  const landed = (id: string, tiltDeg: number) =>
    draftBrief(recipes[id], five, { ...settings, tiltDeg }, CALM_AIR).flight;
  for (const id of ["land-pass", "land-stop", "land-coast"]) expect(landed(id, 10).measures.objectSeenShare).toBe(1);
  // Greatest lean with the spot in the picture: half the view less tilt less its depression.
  const steep = landed("land-short", 10).looksAt!.out[0];
  const halfView = settings.camera.verticalFovDeg / 2;
  const depressionDeg = (Math.atan2(6, steep.fromDistanceM) * 180) / Math.PI;
  expect(Math.abs(halfView - 10 - depressionDeg)).toBeLessThan(8);
  expect(landed("land-stop", 25).looksAt!.out[0]).toMatchObject({ fromS: 0 });
  // A coast sees it longer than leaning back does.
  const lastSeenM = (id: string) => landed(id, 10).looksAt!.out.at(-1)!.fromDistanceM;
  expect(lastSeenM("land-stop")).toBeLessThan(4);
  expect(landed("land-coast", 10).measures.stoppingDistanceM!).toBeGreaterThan(
    landed("land-stop", 10).measures.stoppingDistanceM!,
  );
});

it("hands that stand still over the ground do not drift away in a side wind", () => {
  const { measures } = fly(draftBrief(recipes["land-stop"], five, settings, CALM_AIR).recipe, five, settings, {
    ...CALM_AIR,
    entryHeightM: 6,
    windEastMps: 3,
  });
  expect(measures.complete).toBe(true);
  expect(measures.sideDriftM).toBeLessThan(3);
});

it("levelling out of a dive takes more height the steeper and the faster it is, at least what the pull-out asks for", () => {
  const lost = (diveDeg: number, speedMps: number) => {
    const { flight } = draftBrief(
      withParameters(recipes["bail-dive"], { diveDeg, speedMps }),
      five,
      settings,
      CALM_AIR,
    );
    expect(flight.measures.complete).toBe(true);
    return flight.measures.heightLostM - 4;
  };
  expect(lost(45, 6)).toBeGreaterThan(lost(20, 6) + 0.3);
  expect(lost(30, 14)).toBeGreaterThan(lost(30, 4));
});

it("rolled away from a wall it turns out of its way without running into it", () => {
  for (const side of ["right", "left"]) {
    const { flight, problem } = draftBrief(recipes[`bail-roll-${side}`], five, settings, CALM_AIR);
    expect(problem).toBeNull();
    expect(flight.measures.clearanceM!).toBeGreaterThan(1);
    expect(Math.abs(flight.measures.headingChangeDeg)).toBeGreaterThan(30);
  }
});

describe("the wall", () => {
  const brief = (speedMps: number) =>
    draftBrief(withParameters(recipes["bail-wall"], { speedMps }), five, settings, CALM_AIR);

  it("leaves less time and room the faster it is flown at, and none when too fast", () => {
    const [slow, quick] = [brief(4), brief(7)];
    expect(slow.wayOut!.lastAfterCatchS).toBeGreaterThan(quick.wayOut!.lastAfterCatchS);
    expect(slow.wayOut!.lastAlongM).toBeGreaterThan(quick.wayOut!.lastAlongM);
    expect(slow.flight.measures.stoppingDistanceM!).toBeLessThan(quick.flight.measures.stoppingDistanceM!);
    const margins = marginsBySpeed(recipes["bail-wall"], five, settings, { ...CALM_AIR, entryHeightM: 3 })!;
    const reactions = margins.flatMap(({ reactionS }) => (reactionS === null ? [] : [reactionS]));
    expect(reactions.length).toBeGreaterThan(2);
    expect(reactions).toEqual([...reactions].sort((a, b) => b - a));
    expect(margins[margins.length - 1].reactionS).toBeNull();
    expect(brief(14)).toMatchObject({ wayOut: null, problem: { kind: "flies-into", into: "wall" } });
  });
});

describe("circles", () => {
  it("rolls out into an orbit whose sticks come to rest at the radius asked for, and flies away", () => {
    const { measures, looksAt } = fly(recipes["orbit-right"], five, settings, high);
    expect(Math.abs(measures.circleRadiusM! / 6 - 1)).toBeLessThan(0.05);
    expect(measures.circleSpreadM!).toBeLessThan(0.15);
    expect(measures.stickWander!).toBeLessThan(0.05);
    // From entering to leaving it stays in the picture, and is lost only where it is passed.
    expect(measures.objectSeenShare).toBe(1);
    expect(looksAt!.out.map(({ toS }) => toS === null)).toEqual([false]);
  });

  it("looks back at its middle: no bank, nose up, roll and yaw opposed, pitch at rest, 4.3 g at 25° of tilt (section 2.6)", () => {
    const turn = { pitchDeg: 76.5, bankDeg: 0, turnDps: 230 };
    const balance = steadyTurn(five, turn, SEA_LEVEL_AIR);
    expect(balance.thrustG).toBeCloseTo(1 / Math.cos((76.5 * Math.PI) / 180), 0);
    expect(balance.radiusM).toBeCloseTo(2.5, 0);
    expect(balance.throttle).toBeCloseTo(0.75, 1);
    expect(balance.rates.pitchDps).toBeCloseTo(0, 9);
    expect(balance.rates.rollDps).toBeCloseTo(-230 * Math.sin((76.5 * Math.PI) / 180), 6);
    expect(balance.rates.yawDps).toBeCloseTo(230 * Math.cos((76.5 * Math.PI) / 180), 6);
    // The tail points at the middle: what little it is off holds against the drag.
    expect(balance.centreNorthM).toBeLessThan(-2);
    expect(Math.abs(balance.centreEastM)).toBeLessThan(0.6);
    const { measures, trace } = fly(recipes["orbit-back-right"], five, settings, { ...CALM_AIR, entryHeightM: 5 });
    expect(measures.circleRadiusM!).toBeCloseTo(balance.radiusM, 0);
    expect(measures.stickWander!).toBeLessThan(0.02);
    // The camera stands 78.5° up, past straight up.
    expect(trace.viewElevationDeg[50]).toBeGreaterThan(77.5);
    expect(trace.viewElevationDeg[50]).toBeLessThan(79.5);
  });

  it("at 15° of tilt looking back wants 3.9 g or more, at 10° the same attitude does not look back at all", () => {
    const back = (tiltDeg: number, airframe = five) =>
      fly(recipes["orbit-back-right"], airframe, { ...settings, tiltDeg }, high).measures.mostThrustG;
    expect(back(15)).toBeGreaterThan(3.9);
    expect(() => back(10)).toThrow(/looks back only from 80° up, which takes 5\.8 g/);
    expect(() => back(15, { ...five, thrustToWeight: 3.8 })).toThrow(/needs 4\.\d g of thrust/);
  });

  it("says why there is no such turn", () => {
    expect(() => steadyTurn(five, { pitchDeg: 0, bankDeg: 120, turnDps: 100 }, SEA_LEVEL_AIR)).toThrow(
      /no thrust points upward/,
    );
    expect(() => steadyTurn(five, { pitchDeg: 0, bankDeg: 85, turnDps: 100 }, SEA_LEVEL_AIR)).toThrow(/needs 13\.\d g/);
    expect(() => steadyTurn(five, { pitchDeg: 0, bankDeg: 0, turnDps: 0 }, SEA_LEVEL_AIR)).toThrow(/turnDps is 0/);
  });

  it("fits the circle its points lie on, and none to a line", () => {
    const angles = [0, 0.7, 1.9, 3.1, 4.4];
    const circle = fitCircle(
      angles.map((a) => 3 + 2.5 * Math.cos(a)),
      angles.map((a) => -1 + 2.5 * Math.sin(a)),
    )!;
    expect(circle.x).toBeCloseTo(3, 9);
    expect(circle.y).toBeCloseTo(-1, 9);
    expect(circle.radius).toBeCloseTo(2.5, 9);
    expect(circle.rms).toBeLessThan(1e-9);
    expect(fitCircle([0, 1, 2, 3], [0, 1, 2, 3])).toBeNull();
  });
});

describe("what stands about", () => {
  it.each([
    [{ kind: "pole", widthM: 0.4, heightM: 5 }, [1, 0, 2], 0.8],
    [{ kind: "pole", widthM: 0.4, heightM: 5 }, [0, 0, 7], 2],
    [{ kind: "wall", widthM: 6, heightM: 3 }, [2, 1, 1], 1.85],
    [{ kind: "wall", widthM: 6, heightM: 3 }, [0, 0, 1], -0.15],
    [{ kind: "building", widthM: 8, heightM: 4 }, [0, 7, 8], 5],
    [{ kind: "gap", widthM: 2, heightM: 3 }, [0, 0, 1.5], 1],
    [{ kind: "bar", widthM: 4, heightM: 3 }, [0, 0, 4.04], 1],
    [{ kind: "tree", widthM: 4, heightM: 8 }, [0, 5, 6], 3],
  ] as const)("distance to %j from %j is %d m", (size, [along, across, height], expected) => {
    expect(distanceTo({ ...size, alongM: 0, acrossM: 0 }, along, across, height)).toBeCloseTo(expected, 6);
  });

  it("a flight into it is a crash, and one begun in it is refused", () => {
    const wall = { kind: "wall", alongM: 12, acrossM: 0, heightM: 200, widthM: 20 } as const;
    const flown = fly(recipes["roll-pure-right"], five, settings, { ...high, obstacles: [wall] });
    expect(flown.measures.crashed).toBe(true);
    expect(flown.measures.alongM).toBeLessThan(12);
    expect(() =>
      fly(recipes["flip-slow-back"], five, settings, { ...high, obstacles: [{ ...wall, alongM: 0 }] }),
    ).toThrow(/begin inside the wall/);
  });
});

describe("what cannot be flown is said", () => {
  const refuses = (change: object, message: RegExp, recipe: Recipe = recipes["roll-pure-right"], airframe = five) =>
    expect(() => fly(recipe, airframe, settings, { ...high, ...change })).toThrow(message);

  it.each([
    [{ ceilingM: 50 }, /ceilingM is 50; the flight begins at 100 m, already above the local ceiling/],
    [{ windNorthMps: 61 }, /windNorthMps is 61/],
    [{ windEastMps: Number.NaN }, /windEastMps is NaN/],
    [{ obstacles: [{ kind: "moat", alongM: 1, acrossM: 0, heightM: 1, widthM: 1 }] }, /obstacles\[0\]\.kind is "moat"/],
    [{ obstacles: [{ kind: "pole", alongM: 9, acrossM: 0, heightM: -1, widthM: 1 }] }, /obstacles\[0\]\.heightM is -1/],
  ])("%j", (change, message) => refuses(change, message));

  it("an aircraft that cannot hover, or has no inertia", () => {
    refuses({}, /thrustToWeight/, recipes["hang-right"], { ...five, thrustToWeight: 0.8 });
    refuses({}, /inertia/, recipes["hang-right"], { ...five, inertiaKgM2: { x: 0, y: 0, z: 0 } });
  });

  it("stays finite in a storm, and ends", () => {
    for (const id of oneSide) {
      const { trace, measures } = fly(recipes[id], five, settings, { ...high, windNorthMps: -60, windEastMps: 60 });
      expect(trace.timeS.length).toBeLessThan(4100);
      expect(Object.values(measures).every((value) => typeof value !== "number" || Number.isFinite(value))).toBe(true);
      expect(trace.northM.every(Number.isFinite)).toBe(true);
    }
  });

  it("a goal without an answer says what it would take", () => {
    const far = withParameters(recipes["stop-course"], { legM: 40, leanDeg: 60, brakeAtM: 1 });
    expect(solve(far, { kind: "loop-radius", radiusM: 2 }, five, settings, high)).toMatchObject({
      answer: null,
      problem: { kind: "no-parameter", aim: "loop-radius" },
    });
    const weak = { ...settings, throttle: { ...settings.throttle, limit: { kind: "clip", fraction: 0.3 } as const } };
    expect(draftBrief(recipes["hang-right"], five, weak, CALM_AIR).problem).toMatchObject({
      kind: "too-little-punch",
    });
  });
});
