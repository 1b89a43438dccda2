export { DEG_PER_RAD, RAD_PER_DEG, turnedLevel, wrapDeg } from "./angles";
export { mean, median, variance } from "./average";
export { DAY_MS, Z90 } from "./constants";
export { entryOf } from "./entry";
export { nonNegativeLeastSquares } from "./least-squares";
export { rounded } from "./rounded";
export { NormalDraws, seededNormal, seededRandom } from "./random";
export { DomainError, requireFinite, requireNumber, requireOneOf, requireWhole } from "./require";
export { bisect, goldenMinimum, risingCubicRoot } from "./roots";
