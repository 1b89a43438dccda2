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
export type { AxisRates, BaseRiseCurve, CentreEndCurve, EndCubicCurve, RateCurve, RateFamily } from "./curve";
export { curveFeel, dpsPerMillimetre } from "./feel";
export type { CurveFeel } from "./feel";
export { feelDistance } from "./distance";
export type { FeelDistance } from "./distance";
export { equalStickError, equalStickYaw } from "./equal-sticks";
export type { EqualStickYaw } from "./equal-sticks";
export { stickTravelByGrip, tipTravelMm, reachRange, stickLengthRangeMm, stickTravelOf } from "./grip";
export type { StickTravel } from "./grip";
export { fitCurve, fitRates } from "./fit";
export { withRise } from "./old-names";
export type { CurveFit } from "./fit";
