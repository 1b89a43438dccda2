export { advise, SETTLING_ATTEMPTS } from "./advice";
export type { Advice, AdviceInput, AdviceKind } from "./advice";
export { attemptMeasures, outcomes, places } from "./attempt";
export type { Attempt, AttemptMeasure, Outcome, Place } from "./attempt";
export { betaCdf, betaQuantile } from "./beta";
export { rateChange } from "./change";
export type { Counted, RateChange } from "./change";
export { GAP_DAYS, learningCurve } from "./curve";
export type { CurvePoint, LearningCurve } from "./curve";
export { digestOf, recentOf } from "./digest";
export type { FlyingDay, StepDigest, Tallied } from "./digest";
export { chanceGreater, posteriorOf, RECENCY_HALF_LIFE_ATTEMPTS, TELLING_IMBALANCE, weighEvidence } from "./evidence";
export type { DirectionEvidence, Imbalance, Posterior, StepEvidence } from "./evidence";
export {
  judge,
  leavesOf,
  markIn,
  markWords,
  measureSides,
  measureWords,
  placeWords,
  placesOf,
  requireMark,
  unitOf,
  windowOf,
} from "./mark";
export type { Judged, PassMark } from "./mark";
export { mergedDays, reviewOf } from "./review";
export type { Review } from "./review";
export { wilsonInterval } from "./wilson";
export type { Interval } from "./wilson";
