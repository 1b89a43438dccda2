export type { BailCredit } from "./bails";
export { SyllabusError, needsInCircle, requireSyllabus } from "./check";
export { syllabusChanges } from "./compare";
export type { StepField, SyllabusChange } from "./compare";
export {
  asInSchool,
  flownDirections,
  ownVariantOf,
  recipeOf,
  stepsInModel,
  trickFrom,
  variantOf,
  withFiguresSet,
} from "./flown";
export type { Manner } from "./flown";
export { practisedAs, practisedDirections, stepsPractised } from "./practised";
export { requireSchool, routeOf, schoolOf, schoolQuestion, schoolQuestions, sideOf } from "./schools";
export type { School, SchoolQuestion, SchoolSide } from "./schools";
export { flownStep } from "./flown-step";
export type { FlownStep } from "./flown-step";
export { lineDirection, LINES_STEP } from "./lines";
export { stepsOfCourse } from "./courses";
export { lessonOf } from "./lesson";
export type { LessonPart, LessonState } from "./lesson";
export { mostSeenFault } from "./most-seen";
export { offersOf } from "./offers";
export type { OfferReason, ReasonedOffer } from "./offers";
export { ownRecipe } from "./own-variants";
export { requireVariant } from "./require-variant";
export type { OwnVariant, VariantDocument } from "./own-variants";
export {
  currentStepOf,
  digestSteps,
  glanceOf,
  setupFlownLast,
  simulatorLacking,
  standingAt,
  standingOf,
} from "./standing";
export type { DigestedStep } from "./digested-step";
export type { Glance, PilotStanding, Slip, StandingInput, StepStanding, StepState } from "./standing";
export { standardDay } from "./day";
export type { Day } from "./day";
export { startHeightInputsOf } from "./start-height";
export type { FlownWith } from "./start-height";
export { siteRefusal } from "./refusals";
export type { BrokenLimit, LeftOut, SiteLimits, SiteRefusal, StepRefusal } from "./refusals";
export { settingsProposals, settingsToBegin, settingsSchoolOf } from "./stage-settings";
export { usualAt, usualTilt } from "./usual-settings";
export type { Hands, SettingsProposal, SettingsSchool } from "./stage-settings";
export * from "./syllabus";
export { directionWords, findTrick, flownBy, trickOf, tricks } from "./tricks";
export type { FlownBy, MeasureName, Trick, TrickVariant } from "./tricks";
export { families, routes } from "./types";
export type { Direction, Family, Fault, FlownAs, Route, Skill, Step, StepWants, SyllabusDocument } from "./types";
export { onTape } from "./on-tape";
