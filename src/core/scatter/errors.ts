import { requireNumber } from "../numbers";

/** How far a pilot's hands and the air stray from a recipe: a habit, and standard deviations of independent normal errors. */
export interface PilotErrors {
  /** Each phase ends so much late on the whole, s; negative early. */
  readonly lateS: number;
  /** Each phase ends so much early or late about that, s. */
  readonly timingS: number;
  /** Stick travel against what was meant, share of it. */
  readonly gain: number;
  /** Where a stick rests that was meant to be somewhere else, share of full stick. */
  readonly centring: number;
  /** Each of the two level components of the wind, m/s. */
  readonly windMps: number;
  /** Wandering of the sticks that the eye leads, share of full stick. */
  readonly stickNoise: number;
}

export const NO_ERRORS: PilotErrors = { lateS: 0, timingS: 0, gain: 0, centring: 0, windMps: 0, stickNoise: 0 };

export const errorRanges: Readonly<Record<keyof PilotErrors, readonly [min: number, max: number]>> = {
  lateS: [-0.3, 0.3],
  timingS: [0, 0.5],
  gain: [0, 0.5],
  centring: [0, 0.3],
  windMps: [0, 10],
  stickNoise: [0, 0.3],
};

/** Returns the errors when every field is in range, else throws a DomainError naming the field. */
export function requireErrors(errors: PilotErrors): PilotErrors {
  for (const name of Object.keys(errorRanges) as (keyof PilotErrors)[])
    requireNumber(`errors.${name}`, errors?.[name], ...errorRanges[name]);
  return errors;
}

/** Of somebody at a stage who begins with its steps, from the first to the last stage. Common practice, no source: hands learn to be on time. */
const BEGINNER: PilotErrors = { lateS: 0, timingS: 0.08, gain: 0.15, centring: 0.03, windMps: 1, stickNoise: 0.04 };
const ADVANCED: PilotErrors = { lateS: 0, timingS: 0.025, gain: 0.06, centring: 0.01, windMps: 1.5, stickNoise: 0.02 };
const LAST_STAGE = 7;

/** Errors to expect at a stage of the syllabus, 0 to 7. */
export function usualErrors(stage: number): PilotErrors {
  const share = requireNumber("stage", stage, 0, 100) >= LAST_STAGE ? 1 : stage / LAST_STAGE;
  const between = (name: keyof PilotErrors) => BEGINNER[name] + share * (ADVANCED[name] - BEGINNER[name]);
  return {
    lateS: 0,
    timingS: between("timingS"),
    gain: between("gain"),
    centring: between("centring"),
    windMps: between("windMps"),
    stickNoise: between("stickNoise"),
  };
}

/** What counts as stopped where nothing else is said. Common practice, no source. */
export const USUAL_STOP_DEG = 15;
