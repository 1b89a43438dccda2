import fc from "fast-check";
import {
  bisect,
  goldenMinimum,
  itpRoot,
  nonNegativeLeastSquares,
  requireNumber,
  requireOneOf,
  risingCubicRoot,
  seededNormal,
  seededRandom,
  wrapDeg,
} from ".";

it("finds where a rising cubic comes to a value, from a straight line to a pure cube", () => {
  // s³ + 6s = 20 is 2, worked by Cardano, Ars magna (1545), chapter 11.
  expect(risingCubicRoot(1, 6, 20)).toBeCloseTo(2, 14);
  expect(risingCubicRoot(0, 4, 3)).toBe(0.75);
  expect(risingCubicRoot(2, 0, 54)).toBeCloseTo(3, 14);
  for (const hardly of [1e-300, 1e-90, 1e-16]) {
    expect(risingCubicRoot(1, hardly, 27)).toBeCloseTo(3, 9);
    expect(risingCubicRoot(hardly, 1, 27)).toBeCloseTo(27, 9);
  }
  const share = fc.double({ min: 0, max: 1, noNaN: true });
  fc.assert(
    fc.property(share, share, (cubic, s) => {
      const linear = 1 - cubic;
      expect(risingCubicRoot(cubic, linear, cubic * s ** 3 + linear * s)).toBeCloseTo(s, 9);
    }),
  );
});

it("finds roots to the tolerance asked for, and says when there is no change of sign", () => {
  expect(bisect((x) => x * x - 2, 0, 2, 1e-12)).toBeCloseTo(Math.SQRT2, 11);
  expect(bisect((x) => x, 0, 1, 1e-9)).toBe(0);
  expect(bisect((x) => x - 1, 0, 1, 1e-9)).toBe(1);
  expect(bisect((x) => x * x + 1, -1, 1, 1e-9)).toBeNull();
  // A jump has no root; bisection still ends, at the jump.
  expect(bisect((x) => (x < 0.3 ? -1 : 1), 0, 1, 1e-9)).toBeCloseTo(0.3, 8);
});

it("finds a root that is dear to work out in few steps, and in hardly more than by halves where the function jumps", () => {
  /** The root, and how often the function was asked for. */
  const asked = (find: typeof itpRoot, f: (x: number) => number, ...within: [number, number, number, number?]) => {
    let times = 0;
    const root = find((x) => (times++, f(x)), ...within);
    return { root, times };
  };
  // The omega constant, where x·eˣ is 1 (DLMF 4.13, its decimals from memory).
  const omega = (x: number) => x * Math.exp(x) - 1;
  const { root, times } = asked(itpRoot, omega, -1, 1, 1e-10);
  expect(root).toBeCloseTo(0.5671432904, 9);
  expect(times).toBeLessThan(0.4 * asked(bisect, omega, -1, 1, 1e-10).times);
  expect(asked(itpRoot, omega, -1, 1, 1e-10, 0.56).times).toBeLessThan(times);
  expect(itpRoot((x) => x * x + 1, -1, 1, 1e-9)).toBeNull();
  expect(itpRoot((x) => x, 0, 1, 1e-9)).toBe(0);
  const place = fc.double({ min: 0.001, max: 0.999, noNaN: true });
  fc.assert(
    fc.property(place, place, place, (at, before, guess) => {
      const jump = (x: number) => (x < at ? -before : 1 - before);
      const found = asked(itpRoot, jump, 0, 1, 1e-6, guess);
      expect(Math.abs(found.root! - at)).toBeLessThanOrEqual(0.500001e-6);
      expect(found.times).toBeLessThanOrEqual(asked(bisect, jump, 0, 1, 1e-6).times + 3);
    }),
  );
});

it("finds the minimum of a valley", () => {
  expect(goldenMinimum((x) => (x - 0.37) ** 2, 0, 1, 1e-9)).toBeCloseTo(0.37, 6);
  expect(goldenMinimum((x) => x, 0, 1, 1e-9)).toBeCloseTo(0, 6);
});

it("least squares gives back non-negative coefficients that made the data, and never beats its own optimum with others", () => {
  const share = fc.double({ min: 0, max: 3, noNaN: true });
  const xs = Array.from({ length: 30 }, (_, i) => (i + 1) / 30);
  const columns = [xs, xs.map((x) => x ** 2), xs.map((x) => x ** 6)];
  const mix = (c: readonly number[]) => xs.map((_, i) => c.reduce((sum, weight, j) => sum + weight * columns[j][i], 0));
  const error = (c: readonly number[], target: readonly number[]) =>
    mix(c).reduce((sum, y, i) => sum + (y - target[i]) ** 2, 0);
  fc.assert(
    fc.property(fc.tuple(share, share, share), (made) => {
      const { coefficients, squaredError } = nonNegativeLeastSquares(columns, mix(made));
      expect(squaredError).toBeLessThan(1e-9);
      expect(Math.min(...coefficients)).toBeGreaterThanOrEqual(0);
    }),
  );
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: -2, max: 2, noNaN: true }), { minLength: 30, maxLength: 30 }),
      fc.tuple(share, share, share),
      (target, other) => {
        const { coefficients, squaredError } = nonNegativeLeastSquares(columns, target);
        expect(error(coefficients, target)).toBeCloseTo(squaredError, 6);
        expect(squaredError).toBeLessThanOrEqual(error(other, target) + 1e-9);
      },
    ),
  );
});

it("random sources repeat with their seed and have the moments they should", () => {
  const draw = (seed: number, count: number) => {
    const next = seededRandom(seed);
    return Array.from({ length: count }, next);
  };
  expect(draw(5, 20)).toEqual(draw(5, 20));
  expect(draw(5, 20)).not.toEqual(draw(6, 20));
  const uniform = draw(1, 20_000);
  expect(Math.min(...uniform)).toBeGreaterThanOrEqual(0);
  expect(Math.max(...uniform)).toBeLessThan(1);
  expect(uniform.reduce((a, b) => a + b) / uniform.length).toBeCloseTo(0.5, 1);
  const next = seededNormal(seededRandom(2));
  const normal = Array.from({ length: 20_000 }, next);
  const mean = normal.reduce((a, b) => a + b) / normal.length;
  expect(Math.abs(mean)).toBeLessThan(0.03);
  expect(normal.reduce((sum, x) => sum + (x - mean) ** 2, 0) / normal.length).toBeCloseTo(1, 1);
});

it("wraps angles into (−180, 180]", () => {
  expect([190, -190, 540, -540, 0, 180, -180].map(wrapDeg)).toEqual([-170, 170, 180, 180, 0, 180, 180]);
});

it.each([Number.NaN, Infinity, -Infinity, "3", null, undefined, {}, [], 5.1, -0.1])(
  "refuses %p as a number from 0 to 5, naming the field",
  (value) => {
    expect(() => requireNumber("tiltDeg", value, 0, 5)).toThrow(/^tiltDeg is .*; allowed: 0 to 5$/);
    try {
      requireNumber("tiltDeg", value, 0, 5);
    } catch (error) {
      expect(error).toBeInstanceOf(RangeError);
      expect(error).toMatchObject({ field: "tiltDeg" });
    }
  },
);

it("keeps hostile text out of its messages", () => {
  const long = "<script>".repeat(100);
  expect(() => requireOneOf("family", long, ["a", "b"])).toThrow(/allowed: a, b$/);
  try {
    requireOneOf("family", long, ["a"]);
  } catch (error) {
    expect((error as Error).message.length).toBeLessThan(100);
  }
});
