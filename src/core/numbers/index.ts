export { DEG_PER_RAD, RAD_PER_DEG, wrapDeg } from "./angles";
export { nonNegativeLeastSquares } from "./least-squares";
export { seededNormal, seededRandom } from "./random";
export { FieldRangeError, requireNumber, requireOneOf } from "./require";
export { bisect, goldenMinimum, risingCubicRoot } from "./roots";
