/** How the hands stray from what a phase asks, in one flight. */
export interface Slip {
  /** The phase is ended so much after its guard would end it, s; negative before. */
  readonly lateS: number;
  /** Stick travel against what was meant, 0 for none: 0.1 is a tenth more. Sticks that are visually held correct themselves and have none. */
  readonly rollGain: number;
  readonly pitchGain: number;
  readonly yawGain: number;
  readonly throttleGain: number;
  /** Where a stick rests that was meant to be somewhere else, share of full stick: a thumb off the middle. */
  readonly rollOffset: number;
  readonly pitchOffset: number;
  readonly yawOffset: number;
}

export const NO_SLIP: Slip = {
  lateS: 0,
  rollGain: 0,
  pitchGain: 0,
  yawGain: 0,
  throttleGain: 0,
  rollOffset: 0,
  pitchOffset: 0,
  yawOffset: 0,
};
