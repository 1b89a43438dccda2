import { airframePresets, idealAirframe } from "../airframe";
import { firstSettings } from "../flight";
import { CALM_AIR, fly, recipes } from "../recipes";
import {
  between,
  courseKinds,
  courseReversed,
  courses,
  depthInside,
  distanceToLine,
  fitCourse,
  legTimes,
  NoRoom,
  type PlanPoint,
} from ".";

const field = (width: number, length: number): PlanPoint[] => [
  { eastM: 0, northM: 0 },
  { eastM: width, northM: 0 },
  { eastM: width, northM: length },
  { eastM: 0, northM: length },
];
const standing = (poles: readonly PlanPoint[], a: number, b: number) => between(poles[a], poles[b]);

it("has the sizes of the drills: a stop line of 36 m, a square whose diagonal is 21.2 m, a descent of h over the tangent", () => {
  const line = courses["stop-line"]({ headingDeg: 65 });
  expect(line.poles).toHaveLength(5);
  expect(standing(line.poles, 0, 4)).toBeCloseTo(36, 9);
  expect(standing(courses.square().poles, 0, 2)).toBeCloseTo(15 * Math.SQRT2, 9);
  const [at30, at45, spot] = courses["landing-spot"]({ heightM: 6, headingDeg: 200 }).poles;
  expect(between(at45, spot)).toBeCloseTo(6, 9);
  expect(between(at30, spot)).toBeCloseTo(6 * Math.sqrt(3), 9);
  const { gates } = courses["gap-ladder"]({ aircraftWidthM: 0.4 });
  expect(gates.map(({ widthM }) => widthM / 0.4)).toEqual([5, 4, 3, 2].map((n) => expect.closeTo(n, 9)));
});

it("stands about its middle and in its direction whatever the kind, flies from pole to pole, and back the other way", () => {
  for (const kind of courseKinds) {
    const course = courses[kind]({ at: { eastM: 100, northM: 40 }, headingDeg: 90 });
    const ids = new Set(course.poles.map(({ id }) => id));
    expect(ids.size).toBe(course.poles.length);
    for (const { from, to, lengthM } of course.legs) expect(ids.has(from) && ids.has(to) && lengthM > 0).toBe(true);
    expect(Math.min(...course.poles.map(({ eastM }) => eastM))).toBeLessThanOrEqual(100);
    expect(Math.max(...course.poles.map(({ eastM }) => eastM))).toBeGreaterThanOrEqual(100 - 1e-9);
    const back = courseReversed(course);
    expect(back.legs[0].from).toBe(course.legs.at(-1)!.to);
    expect(back.headingDeg).toBe(270);
  }
  expect(() => courses.square({ sideM: -3 })).toThrow(/^sideM is -3; allowed: 3 to 100$/);
  expect(() => courses.slalom({ count: 3.5 })).toThrow(/^count is 3.5/);
});

it("is flown through its gates, midway between their poles, from a mark before them to one behind", () => {
  for (const kind of ["gap-ladder", "knife-edge-pair", "loop-bar"] as const) {
    const { poles, legs, gates } = courses[kind]({ headingDeg: 70 });
    const at = (id: string) => poles.find((pole) => pole.id === id)!;
    expect(legs).toMatchObject([{ from: "in", to: "out" }]);
    expect(legs[0].lengthM).toBeGreaterThan(29);
    for (const { left, right } of gates) {
      const middle = {
        eastM: 0.5 * (at(left).eastM + at(right).eastM),
        northM: 0.5 * (at(left).northM + at(right).northM),
      };
      expect(distanceToLine(middle, [at("in"), at("out")])).toBeCloseTo(0, 9);
    }
  }
});

it("lies in its room, into the wind where that fits, and turned out of it only as far as the room asks", () => {
  const wide = fitCourse("stop-line", {}, { boundary: field(120, 120), windFromDeg: 230 });
  expect(wide.offWindDeg).toBeCloseTo(0, 9);
  expect(wide.spareM).toBeGreaterThan(0);
  // 36 m and two run-outs of 12 m find no room across 50 m.
  const narrow = fitCourse("stop-line", {}, { boundary: field(50, 140), windFromDeg: 90 });
  expect(narrow.offWindDeg).toBeGreaterThan(10);
  expect(narrow.offWindDeg).toBeLessThan(70);
  for (const pole of narrow.course.poles) expect(depthInside(pole, field(50, 140))).toBeGreaterThanOrEqual(5);
});

it("turns out of a low sun, keeps off what is not flown over, and says what is missing where there is no room", () => {
  const sun = { azimuthDeg: 90, elevationDeg: 10 };
  const { course, intoSun } = fitCourse("stop-line", {}, { boundary: field(120, 120), windFromDeg: 90, sun });
  expect(intoSun).toBe(false);
  expect(Math.abs(course.headingDeg - 90)).toBeGreaterThanOrEqual(45);
  const pond = field(120, 55);
  const clear = fitCourse("square", {}, { boundary: field(120, 120), noGo: [pond] });
  for (const { northM } of clear.course.poles) expect(northM).toBeGreaterThan(55 + 6);
  let refused: unknown;
  try {
    fitCourse("stop-line", {}, { boundary: field(20, 30) });
  } catch (error) {
    refused = error;
  }
  expect(refused).toBeInstanceOf(NoRoom);
  expect(refused).toMatchObject({ kind: "stop-line", lengthM: expect.closeTo(60, 9), widthM: expect.closeTo(10, 9) });
  // Along the diagonal of 36 m about 60 m are wanted: some 12 m at each end.
  expect((refused as NoRoom).lacksM).toBeGreaterThan(5);
  expect((refused as NoRoom).lacksM).toBeLessThan(20);
});

describe("times of the legs", () => {
  const { airframe } = airframePresets["five-inch-freestyle"];
  const settings = { ...firstSettings, tiltDeg: 10, camera: { verticalFovDeg: 90, aspect: 4 / 3 } };
  const line = courses["stop-line"]();

  it("stops from the speed of the closed form v² = 2·g·tan(lean)·s, less what turning the nose costs", () => {
    const still = idealAirframe({ ...airframe, dragAreaM2: { x: 0.00005, y: 0.00005, z: 0.00005 } });
    const quick = {
      ...settings,
      rates: { ...settings.rates, pitch: { family: "centre-end", centreDps: 1200, endDps: 1800, expo: 0 } as const },
    };
    const { groundInPictureMps, groundLeanDeg } = legTimes(line, still, quick);
    expect(groundLeanDeg).toBeCloseTo(30, 9);
    const closed = Math.sqrt(2 * 9.80665 * Math.tan(Math.PI / 6) * 4.5);
    expect(groundInPictureMps! / closed).toBeGreaterThan(0.95);
    expect(groundInPictureMps! / closed).toBeLessThan(1.01);
    expect(legTimes(line, still, settings).groundInPictureMps).toBeLessThan(groundInPictureMps!);
  });

  it("stops in the way the flight model takes for it, by the brake of the library at the same speed and lean", () => {
    // As far back as its pilot leans; the levelling at the end, which they fly, is left out here.
    const flown = fly(recipes["pitch-brake"], airframe, settings, { ...CALM_AIR, entryHeightM: 20 });
    const speedMps = Math.hypot(flown.trace.vNorthMps[0], flown.trace.vEastMps[0]);
    const leanDeg = Math.max(...flown.trace.qy.map((qy, i) => (360 / Math.PI) * Math.atan2(qy, flown.trace.qw[i])));
    const flownM = flown.measures.stoppingDistanceM!;
    const limited = { ...settings, modes: { ...settings.modes, bankLimitDeg: Math.round(leanDeg) } };
    const { stopHoldsMps } = legTimes(
      { legs: [{ from: "a", to: "b", lengthM: 2 * flownM, end: "stop" }] },
      airframe,
      limited,
      10,
    );
    expect(stopHoldsMps / speedMps).toBeGreaterThan(0.75);
    expect(stopHoldsMps / speedMps).toBeLessThan(1.3);
  });

  it("takes longer at a slower pace, never exceeds what a leg lets it reach, and loses the ground with more tilt", () => {
    const fast = legTimes(line, airframe, settings);
    const slow = legTimes(line, airframe, settings, 10, { paceMps: 2 });
    expect(slow.lapS).toBeGreaterThan(fast.lapS);
    expect(slow.legs.every(({ speedMps }) => speedMps === 2)).toBe(true);
    expect(fast.stopHoldsMps).toBeGreaterThan(fast.groundInPictureMps!);
    for (const { lengthM, timeS, speedMps } of fast.legs) expect(timeS).toBeGreaterThan(lengthM / speedMps);
    expect(legTimes(line, airframe, settings, 25).groundInPictureMps).toBeLessThan(fast.groundInPictureMps!);
    expect(legTimes(line, airframe, settings, 45).groundInPictureMps).toBeNull();
    const hurried = legTimes(line, airframe, settings, 10, { paceMps: 30 });
    expect(Math.max(...hurried.legs.map(({ speedMps }) => speedMps))).toBeLessThan(12);
  });
});
