import { goldenMinimum, nonNegativeLeastSquares, requireOneOf } from "../numbers";
import {
  baseForEffective,
  rateAtStick,
  rateFamilies,
  rateRanges,
  requireRateCurve,
  type RateCurve,
  type RateFamily,
} from "./curve";

/** A curve of another family and how far it strays from the original. */
export interface CurveFit {
  readonly curve: RateCurve;
  readonly rmsErrorDps: number;
  readonly worstErrorDps: number;
  /** Stick position 0..1 of the worst error. */
  readonly worstAtStick: number;
}

const STICKS = Array.from({ length: 100 }, (_, i) => (i + 1) / 100);

/**
 * The curve of `family` nearest to `from` in least squares over 100 equally spaced stick positions.
 * Two families are linear in their parameters; base and rise is linear once rise is fixed, so rise is searched
 * (variable projection, Golub and Pereyra 1973).
 */
export function fitCurve(from: RateCurve, family: RateFamily): CurveFit {
  requireRateCurve(from, "from");
  requireOneOf("family", family, rateFamilies);
  const target = STICKS.map((x) => rateAtStick(from, x));
  return withErrors(family === from.family ? from : fitFamily(target, family), target);
}

/** The curve of `family` nearest to any rising function of the stick, °/s at stick 0..1, by the same least squares. */
export function fitRates(ratesAt: (stick: number) => number, family: RateFamily): CurveFit {
  requireOneOf("family", family, rateFamilies);
  const target = STICKS.map(ratesAt);
  return withErrors(fitFamily(target, family), target);
}

function fitFamily(target: readonly number[], family: RateFamily): RateCurve {
  switch (family) {
    case "end-cubic": {
      const [line, cube] = nonNegativeLeastSquares([STICKS, STICKS.map((x) => x ** 3)], target).coefficients;
      return { family, endDps: within("endDps", line + cube), expo: share(cube, line + cube) };
    }
    case "centre-end": {
      const columns = [STICKS, STICKS.map((x) => x * x), STICKS.map((x) => x ** 6)];
      const [centre, square, sixth] = nonNegativeLeastSquares(columns, target).coefficients;
      return {
        family,
        centreDps: within("centreDps", centre),
        endDps: within("endDps", centre + square + sixth),
        expo: share(sixth, square + sixth),
      };
    }
    case "base-rise": {
      const solveFor = (rise: number) => {
        const gain = (x: number) => 200 / Math.max(0.01, 1 - x * rise);
        return nonNegativeLeastSquares([STICKS.map((x) => x * gain(x)), STICKS.map((x) => x ** 4 * gain(x))], target);
      };
      const best = goldenMinimum((s) => solveFor(s).squaredError, ...rateRanges.rise, 1e-7);
      const [line, bend] = solveFor(best).coefficients;
      return {
        family,
        base: within("base", baseForEffective(line + bend)),
        rise: within("rise", best),
        expo: share(bend, line + bend),
      };
    }
  }
}

function withErrors(curve: RateCurve, target: readonly number[]): CurveFit {
  let squares = 0;
  let worstErrorDps = 0;
  let worstAtStick = 0;
  STICKS.forEach((x, i) => {
    const error = Math.abs(rateAtStick(curve, x) - target[i]);
    squares += error * error;
    if (error > worstErrorDps) {
      worstErrorDps = error;
      worstAtStick = x;
    }
  });
  return { curve, rmsErrorDps: Math.sqrt(squares / target.length), worstErrorDps, worstAtStick };
}

function within(name: keyof typeof rateRanges, value: number): number {
  const [min, max] = rateRanges[name];
  return Math.min(max, Math.max(min, value));
}

function share(part: number, whole: number): number {
  return whole > 0 ? part / whole : 0;
}
