import fc from "fast-check";
import { curveFeel, dpsPerMillimetre, fitCurve, rateDps, rateFamilies, stickForRate, type RateCurve } from ".";

const expo = fc.double({ min: 0, max: 1, noNaN: true });
const anyCurve: fc.Arbitrary<RateCurve> = fc.oneof(
  fc.record({
    family: fc.constant("base-rise" as const),
    base: fc.double({ min: 0.05, max: 3, noNaN: true }),
    rise: fc.double({ min: 0, max: 0.95, noNaN: true }),
    expo,
  }),
  fc.record({
    family: fc.constant("centre-end" as const),
    centreDps: fc.double({ min: 10, max: 1200, noNaN: true }),
    endDps: fc.double({ min: 30, max: 2000, noNaN: true }),
    expo,
  }),
  fc.record({
    family: fc.constant("end-cubic" as const),
    endDps: fc.double({ min: 30, max: 2000, noNaN: true }),
    expo,
  }),
);

it("ends at 667 °/s for base 1.0 and rise 0.70 (common practice, no source)", () => {
  expect(rateDps({ family: "base-rise", base: 1, rise: 0.7, expo: 0 }, 1)).toBeCloseTo(666.67, 2);
});

it("adds 14.54 per unit of base above 2, as the design's formula says", () => {
  const straight = { family: "base-rise", rise: 0, expo: 0 } as const;
  expect(rateDps({ ...straight, base: 2 }, 1)).toBeCloseTo(400, 9);
  expect(rateDps({ ...straight, base: 3 }, 1)).toBeCloseTo(200 * (3 + 14.54), 9);
});

it("has the worked half-stick values of each family", () => {
  // By hand: ½⁴·0.4 + ½·0.6 = 0.325; 200·0.325/(1 − 0.35) = 100.
  expect(rateDps({ family: "base-rise", base: 1, rise: 0.7, expo: 0.4 }, 0.5)).toBeCloseTo(100, 9);
  // By hand: ½·200 + 400·½·(½⁵·0.5 + ½·0.5) = 153.125.
  expect(rateDps({ family: "centre-end", centreDps: 200, endDps: 600, expo: 0.5 }, 0.5)).toBeCloseTo(153.125, 9);
  // By hand: 600·(0.7·½ + 0.3·⅛) = 232.5.
  expect(rateDps({ family: "end-cubic", endDps: 600, expo: 0.3 }, 0.5)).toBeCloseTo(232.5, 9);
});

it("never finds more than full stick, where rounding would", () => {
  const curve = { family: "end-cubic", endDps: 30, expo: 0.9999999999682926 } as const;
  expect(stickForRate(curve, rateDps(curve, 0.9999999999999988))).toBeLessThanOrEqual(1);
});

it("rises with the stick, is odd, and its inverse finds the stick again", () => {
  fc.assert(
    fc.property(anyCurve, fc.double({ min: 0.02, max: 1, noNaN: true }), (curve, stick) => {
      const rate = rateDps(curve, stick);
      expect(rateDps(curve, -stick)).toBeCloseTo(-rate, 9);
      expect(rateDps(curve, stick * 0.98)).toBeLessThanOrEqual(rate);
      expect(Math.abs(rateDps(curve, stickForRate(curve, rate)) - rate)).toBeLessThan(1e-4);
    }),
  );
});

it("knows the slope at the centre in closed form", () => {
  expect(curveFeel({ family: "base-rise", base: 1, rise: 0.7, expo: 0.4 }).centreSlopeDps).toBeCloseTo(120, 1);
  expect(curveFeel({ family: "centre-end", centreDps: 200, endDps: 600, expo: 0.5 }).centreSlopeDps).toBeCloseTo(
    200,
    1,
  );
  const cubic = curveFeel({ family: "end-cubic", endDps: 720, expo: 0.3 });
  expect(cubic.centreSlopeDps).toBeCloseTo(504, 1);
  expect(cubic.time360S).toBeCloseTo(0.5, 9);
  const perMm = dpsPerMillimetre({ family: "end-cubic", endDps: 720, expo: 0.3 }, 0, {
    stickLengthMm: 30,
    throwDeg: 30,
  });
  expect(perMm).toBeCloseTo(504 / 15, 2);
});

it("fits a family to itself exactly and to the others with the error it states", () => {
  fc.assert(
    fc.property(anyCurve, fc.constantFrom(...rateFamilies), (curve, family) => {
      const fit = fitCurve(curve, family);
      expect(fit.curve.family).toBe(family);
      if (family === curve.family) expect(fit.worstErrorDps).toBeLessThan(1e-9);
      const there = rateDps(fit.curve, fit.worstAtStick || 1) - rateDps(curve, fit.worstAtStick || 1);
      expect(Math.abs(there)).toBeCloseTo(fit.worstErrorDps, 6);
      expect(fit.rmsErrorDps).toBeLessThanOrEqual(fit.worstErrorDps + 1e-9);
    }),
    { numRuns: 60 },
  );
});

it("no nearby curve of the family fits better than the fit", () => {
  const from: RateCurve = { family: "base-rise", base: 1, rise: 0.7, expo: 0.2 };
  for (const family of ["centre-end", "end-cubic"] as const) {
    const { curve, rmsErrorDps } = fitCurve(from, family);
    for (const [name, value] of Object.entries(curve)) {
      if (typeof value !== "number" || value === 0) continue;
      for (const factor of [0.98, 1.02]) {
        const moved = { ...curve, [name]: value * factor } as RateCurve;
        const squares = Array.from(
          { length: 100 },
          (_, i) => (rateDps(moved, (i + 1) / 100) - rateDps(from, (i + 1) / 100)) ** 2,
        );
        expect(Math.sqrt(squares.reduce((a, b) => a + b) / 100)).toBeGreaterThan(rmsErrorDps);
      }
    }
  }
});

it("refuses with the field, the value and the range", () => {
  const curve = { family: "end-cubic", endDps: 600, expo: 0.3 } as const;
  expect(() => rateDps(curve, 1.2)).toThrow("stick is 1.2; allowed: -1 to 1");
  expect(() => rateDps({ ...curve, expo: 3 }, 0)).toThrow("curve.expo is 3; allowed: 0 to 1");
  expect(() => rateDps({ ...curve, family: "wild" } as never, 0)).toThrow(/curve.family is "wild"; allowed: base-rise/);
  expect(() => stickForRate(curve, 700)).toThrow(/rateDps is 700/);
});
