import { RAD_PER_DEG, requireNumber } from "../numbers";

/** What being flat upside down looks like and takes. */
export interface InvertedFlat {
  /** Where the view points, degrees above the horizontal. */
  readonly viewElevationDeg: number;
  /** Share of the picture's height that is ground. */
  readonly groundShare: number;
  /** Pitch needed to get there from level cruise (nose down by the tilt), forward and back, degrees. */
  readonly pitchForwardDeg: number;
  readonly pitchBackDeg: number;
}

/**
 * Inverted flat with a camera tilted by τ: the view drops to −τ and ground fills (1 + tan τ/tan(V/2))/2 of the picture; from nose-down θ the turn
 * over is 180 − θ forward and 180 + θ back. Here θ = τ, the cruise with the horizon centred.
 */
export function invertedFlat(tiltDeg: number, verticalFovDeg: number): InvertedFlat {
  const tilt = RAD_PER_DEG * requireNumber("tiltDeg", tiltDeg, 0, 89);
  const halfView = 0.5 * RAD_PER_DEG * requireNumber("verticalFovDeg", verticalFovDeg, 5, 175);
  return {
    viewElevationDeg: -tiltDeg,
    groundShare: Math.min(1, (1 + Math.tan(tilt) / Math.tan(halfView)) / 2),
    pitchForwardDeg: 180 - tiltDeg,
    pitchBackDeg: 180 + tiltDeg,
  };
}
