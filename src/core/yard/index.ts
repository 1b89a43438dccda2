export { adjust } from "./adjust";
export type { Adjusted, AdjustedPole, Measured } from "./adjust";
export { planConflicts } from "./conflicts";
export type { Conflict, PlacedPoint } from "./conflicts";
export { courseKinds, courseRanges, courseReversed, legsThrough } from "./course";
export type { Course, CourseKind, CourseLeg, CourseParameters, Gate, Pole } from "./course";
export { courses, coursesByEye, STEP_M } from "./courses";
export { crab } from "./crab";
export type { Crab } from "./crab";
export { courseSize, fitCourse, NoRoom } from "./fit-course";
export type { FittedCourse, Room } from "./fit-course";
export { fromGeoJson, toGeoJson } from "./geojson";
export type { GeoCollection, GeoFeature } from "./geojson";
export { cloudOnPlan, flyOnPlan, wayOnPlan } from "./laid";
export type { CloudConflict, CloudOnPlan, FlownOnPlan, Laid, LaidWith, WayOnPlan } from "./laid";
export { legTimes } from "./leg-times";
export type { LegTime, LegTimes } from "./leg-times";
export { planeErrorM, toEarth, toPlan } from "./plane";
export type { EarthPlace } from "./plane";
export { alongAndAcross, bearingDeg, between, placedAlong } from "./point";
export type { PlanPoint } from "./point";
export { areaM2, depthInside, distanceToLine, inside } from "./polygon";
export { arcErrorM, bestBaseline, inSteps, settingOut, TAPE_TOLERANCE_M } from "./setting-out";
export type { Baseline, SetPole } from "./setting-out";
export { knownSitePlan, requireSitePlan } from "./check-plan";
export { obstaclesOf } from "./plan-obstacles";
export {
  boundaryOf,
  EMPTY_PLAN,
  groundKinds,
  planKinds,
  planOrigin,
  planShapes,
  shortenedPlan,
  standOf,
} from "./site-plan";
export type {
  GroundKind,
  PlanFeature,
  PlanKind,
  PlannedCourse,
  PlannedFlight,
  PlanPicture,
  SitePlan,
} from "./site-plan";
export { dayLight, intoSun, sunAt } from "./sun";
export type { DayLight, Sun } from "./sun";
export { throwDistanceM } from "./throw";
export type { PowerLost } from "./throw";
