import { STANDARD_GRAVITY_MPS2 } from "@/core";
import { numeral } from "./quantity";

/** What feels wrong about an aircraft. */
export const symptoms = ["height-in-turns", "bounces", "swings", "drifts", "soft-late"] as const;
export type Symptom = (typeof symptoms)[number];

export const symptomNames: Readonly<Record<Symptom, string>> = {
  "height-in-turns": "Floats or dips out of turns",
  bounces: "Bounces up and down in a hover",
  swings: "Swings after a stop",
  drifts: "Drifts off with the sticks at rest",
  "soft-late": "Climbs less late in the pack",
};

/** What this aircraft and its settings say about a symptom. */
export interface SymptomFacts {
  readonly tiltDeg: number;
  /** The last measured tilt, °; null where it never was measured. */
  readonly measuredTiltDeg: number | null;
  /** Throttle stick of the hover, 0..1, and how much a millimetre of it changes the climb, m/s²; null where the limit keeps it out of reach. */
  readonly hoverStick: number | null;
  readonly climbPerMm: number | null;
  readonly mid: number;
  readonly expo: number;
  /** Thrust of a nearly empty pack against a full one. */
  readonly emptyThrustShare: number;
}

/** Tilt that is off by less is not felt, °. Ours. */
const FELT_DEG = 1;

/** What it points to, and what to look at first. Common practice, no source, but for the figures of this aircraft. */
export function symptomWords(symptom: Symptom, facts: SymptomFacts): string {
  const { tiltDeg, measuredTiltDeg, hoverStick, climbPerMm, mid, expo, emptyThrustShare } = facts;
  switch (symptom) {
    case "height-in-turns": {
      if (measuredTiltDeg === null)
        return `Camera tilt: the setup says ${numeral(tiltDeg, 1)}°, and nobody has measured it. Measure it, then mix again.`;
      const off = measuredTiltDeg - tiltDeg;
      return Math.abs(off) < FELT_DEG
        ? `Camera tilt first: measured ${numeral(measuredTiltDeg, 1)}°, as the setup has it. Measure it again; if it stands, look at how roll and yaw are mixed.`
        : `Camera tilt: measured ${numeral(measuredTiltDeg, 1)}°, ${numeral(Math.abs(off), 1)}° ${off > 0 ? "more" : "less"} than the setup has. Save the measured tilt and mix again.`;
    }
    case "bounces": {
      const where =
        hoverStick === null
          ? "the throttle limit keeps the hover out of reach"
          : `the hover is at ${numeral(100 * hoverStick)}\u202f% of the stick, mid at ${numeral(100 * mid)}\u202f%`;
      const fine =
        climbPerMm === null
          ? ""
          : ` A millimetre changes the climb by ${numeral(climbPerMm / STANDARD_GRAVITY_MPS2, 2)} g.`;
      return `Throttle mid and expo: ${where}, expo ${numeral(expo, 2)}.${fine} Put mid at the hover, then more expo.`;
    }
    case "swings":
      return "Watch the stick in a recording. If it goes back and forth, it is the hand: stop by feel, with a softer centre. If it rests, it is the tune, or a loose or bent part: check props and arms first.";
    case "drifts":
      return "Fly it by eye, on a level place, out of the wind. If it still drifts the same way, the aircraft was not level when it was calibrated, or the load sits off centre.";
    case "soft-late":
      return `That is the battery: nearly empty it gives ${numeral(100 * emptyThrustShare)}\u202f% of its full thrust. Punch longer, or land earlier; the minimum start height counts both.`;
  }
}
