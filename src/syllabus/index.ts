export * from "./catalogue";
export { standingOf } from "./standing";
export type { PilotStanding, StandingInput, StepStanding, StepState } from "./standing";
export type { Direction, Fault, Skill, Step } from "./types";
