import { mean } from "../numbers";
import { rateAtStick, requireRateCurve, type AxisRates, type RateCurve } from "./curve";

const STICKS = Array.from({ length: 20 }, (_, i) => (i + 1) / 20);
const AXES = ["roll", "pitch", "yaw"] as const;

/** How much another set of curves feels different. */
export interface FeelDistance {
  /** Mean over the stick and the axes of the difference in turning rate at the same stick, in percent of the mean of both. */
  readonly percent: number;
  /** The same with its sign: positive when `b` turns faster. */
  readonly fasterPercent: number;
  /** The axis that differs most, and by how much. */
  readonly worstAxis: (typeof AXES)[number];
  readonly worstPercent: number;
}

/**
 * Distance in feel from one set of curves to another. Relative rather than absolute, as hands judge a turning rate by its share and not by its
 * degrees: 10 °/s are much at the centre and nothing at the end.
 */
export function feelDistance(a: AxisRates, b: AxisRates): FeelDistance {
  const each = AXES.map((axis) => ({ axis, ...curveDistance(a[axis], b[axis]) }));
  const worst = each.reduce((most, one) => (one.percent > most.percent ? one : most));
  return {
    percent: mean(each.map(({ percent }) => percent)),
    fasterPercent: mean(each.map(({ fasterPercent }) => fasterPercent)),
    worstAxis: worst.axis,
    worstPercent: worst.percent,
  };
}

function curveDistance(a: RateCurve, b: RateCurve): { percent: number; fasterPercent: number } {
  requireRateCurve(a, "a");
  requireRateCurve(b, "b");
  const shares = STICKS.map((stick) => {
    const [first, second] = [rateAtStick(a, stick), rateAtStick(b, stick)];
    return first + second > 0 ? (200 * (second - first)) / (first + second) : 0;
  });
  return { percent: mean(shares.map(Math.abs)), fasterPercent: mean(shares) };
}
