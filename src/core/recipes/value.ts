/**
 * A number of a recipe: fixed, or times a factor plus an offset a parameter (and with `timesOf` times a figure of the start trim too), the camera
 * tilt (°), the pitch (°) or bank (°) of the start trim, the speed of the start trim (m/s), or the static thrust (over weight) of its throttle.
 */
export type Value =
  | number
  | { readonly param: string; readonly timesOf?: TrimFigure; readonly times?: number; readonly plus?: number }
  | { readonly of: TrimFigure; readonly times?: number; readonly plus?: number };

export type TrimFigure =
  | "tiltDeg"
  | "trimPitchDeg"
  | "trimBankDeg"
  | "trimSpeedMps"
  | "trimThrustG"
  /** Pitch of the lead-in of a circle; that of the trim where there is none. */
  | "leadInPitchDeg";

/** The figures of the start trim that values may refer to. */
export type TrimFigures = Readonly<Record<TrimFigure, number>>;
