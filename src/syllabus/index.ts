export * from "./catalogue";
export { standingOf } from "./standing";
export type { PilotStanding, StandingInput, StepStanding, StepState } from "./standing";
export type { Direction, Fault, Skill, Step } from "./types";
export { settingsProposals, usualTilt } from "./stage-settings";
export type { SettingsProposal, SettingsSchool } from "./stage-settings";
export { directionWords, findTrick, trickFrom, tricks } from "./tricks";
export type { MeasureName, Trick, TrickVariant } from "./tricks";
