import fc from "fast-check";
import { levenbergMarquardt } from "ml-levenberg-marquardt";
import {
  equalStickError,
  equalStickYaw,
  feelDistance,
  fitCurve,
  fitRates,
  rateAtStick,
  stickTravelByGrip,
  tipTravelMm,
  type AxisRates,
  type RateCurve,
} from ".";

const curve = (change: object = {}): RateCurve => ({ family: "base-rise", base: 1, rise: 0.7, expo: 0.2, ...change });
const all = (one: RateCurve): AxisRates => ({ roll: one, pitch: one, yaw: one });

describe("distance in feel", () => {
  it("is nothing from a setup to itself, alike both ways, and signed by who is faster", () => {
    const [slow, fast] = [all(curve({ base: 1 })), all(curve({ base: 1.1 }))];
    expect(feelDistance(slow, slow)).toMatchObject({ percent: 0, fasterPercent: 0 });
    expect(feelDistance(slow, fast).percent).toBeCloseTo(feelDistance(fast, slow).percent, 9);
    expect(feelDistance(slow, fast).fasterPercent).toBeCloseTo(-feelDistance(fast, slow).fasterPercent, 9);
    // A base a tenth higher turns a tenth faster at every stick: 0.1 over the mean of 1 and 1.1.
    expect(feelDistance(slow, fast).percent).toBeCloseTo(100 * (0.1 / 1.05), 6);
  });

  it("sees a change of shape that leaves the end as it was", () => {
    const difference = feelDistance(all(curve({ expo: 0 })), all(curve({ expo: 0.5 })));
    expect(difference.percent).toBeGreaterThan(15);
    expect(difference.fasterPercent).toBeLessThan(-15);
  });
});

describe("equal sticks make a flat spin", () => {
  it("at 45° the yaw curve is the roll curve, and nothing remains", () => {
    const { curve: yaw, worstTiltOffDeg } = equalStickYaw(curve(), curve({ base: 0.8 }), 45);
    for (const stick of [0.2, 0.5, 1]) expect(rateAtStick(yaw, stick)).toBeCloseTo(rateAtStick(curve(), stick), 0);
    expect(worstTiltOffDeg).toBeLessThan(0.1);
  });

  it("at other tilts equal sticks turn about the upright axis to within what it says remains", () => {
    for (const tiltDeg of [30, 40, 55]) {
      const { curve: yaw, worstTiltOffDeg } = equalStickYaw(curve(), curve(), tiltDeg);
      expect(worstTiltOffDeg).toBeLessThan(1);
      expect(equalStickError(curve(), yaw, tiltDeg)).toBe(worstTiltOffDeg);
      const tan = rateAtStick(curve(), 0.6) / rateAtStick(yaw, 0.6);
      expect(Math.abs((Math.atan(tan) * 180) / Math.PI - tiltDeg)).toBeLessThanOrEqual(worstTiltOffDeg + 1e-9);
    }
  });

  it("says so where no curve is fast enough", () => {
    expect(equalStickYaw(curve(), { family: "end-cubic", endDps: 500, expo: 0 }, 10).worstTiltOffDeg).toBeGreaterThan(
      3,
    );
    expect(() => equalStickYaw(curve(), curve(), 0)).toThrow(/^tiltDeg is 0/);
  });
});

describe("fits, against an independent curve-fitting library (Levenberg–Marquardt)", () => {
  const STICKS = Array.from({ length: 100 }, (_, i) => (i + 1) / 100);
  const squares = (a: RateCurve, b: RateCurve) =>
    STICKS.reduce((sum, stick) => sum + (rateAtStick(a, stick) - rateAtStick(b, stick)) ** 2, 0);

  it("are never worse than what the library finds", () => {
    const sources: RateCurve[] = [
      curve(),
      curve({ base: 1.4, rise: 0.6, expo: 0 }),
      { family: "centre-end", centreDps: 200, endDps: 720, expo: 0.5 },
      { family: "end-cubic", endDps: 600, expo: 0.4 },
    ];
    for (const from of sources) {
      const y = STICKS.map((stick) => rateAtStick(from, stick));
      const cubic = levenbergMarquardt(
        { x: STICKS, y },
        ([end, expo]: number[]) =>
          (stick: number) =>
            end * ((1 - expo) * stick + expo * stick ** 3),
        { initialValues: [500, 0.5], minValues: [30, 0], maxValues: [2000, 1], maxIterations: 300, damping: 0.01 },
      ).parameterValues as number[];
      const theirs: RateCurve = { family: "end-cubic", endDps: cubic[0], expo: Math.min(1, Math.max(0, cubic[1])) };
      const ours = fitCurve(from, "end-cubic").curve;
      expect(squares(ours, from)).toBeLessThanOrEqual(squares(theirs, from) * (1 + 1e-6) + 1e-6);
      const based = levenbergMarquardt(
        { x: STICKS, y },
        ([base, rise, expo]: number[]) =>
          (stick: number) =>
            (200 * base * (stick ** 4 * expo + stick * (1 - expo))) / Math.max(0.01, 1 - stick * rise),
        {
          initialValues: [1, 0.5, 0.2],
          minValues: [0.05, 0, 0],
          maxValues: [2, 0.95, 1],
          maxIterations: 400,
          damping: 0.01,
        },
      ).parameterValues as number[];
      const [base, rise, expo] = based;
      const theirBase: RateCurve = { family: "base-rise", base, rise: rise, expo };
      expect(squares(fitCurve(from, "base-rise").curve, from)).toBeLessThanOrEqual(
        squares(theirBase, from) * 1.001 + 1,
      );
    }
  });

  it("give any curve of a family back when they are asked for that family", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 100, max: 1500, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (endDps, expo) => {
          const made: RateCurve = { family: "end-cubic", endDps, expo };
          expect(fitRates((stick) => rateAtStick(made, stick), "end-cubic").worstErrorDps).toBeLessThan(1e-6);
        },
      ),
      { numRuns: 50 },
    );
  });
});

it("a stick tip goes length times the sine of the throw", () => {
  expect(tipTravelMm({ stickLengthMm: 20, throwDeg: 30 })).toBeCloseTo(10, 9);
  expect(tipTravelMm(stickTravelByGrip.pinch)).toBeGreaterThan(tipTravelMm(stickTravelByGrip.thumbs));
});
