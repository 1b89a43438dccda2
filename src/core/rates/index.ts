export {
  rateAtStick,
  rateDps,
  rateFamilies,
  rateParameters,
  rateRanges,
  requireRateCurve,
  stickForRate,
  stickForRateClamped,
} from "./curve";
export type { AxisRates, BaseSuperCurve, CentreEndCurve, EndCubicCurve, RateCurve, RateFamily } from "./curve";
export { curveFeel, dpsPerMillimetre } from "./feel";
export type { CurveFeel } from "./feel";
export { fitCurve } from "./fit";
export type { CurveFit } from "./fit";
