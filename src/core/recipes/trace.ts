import type { ObstacleKind } from "./obstacles";
/** A flight sampled at equal times: one column per quantity, all of the same length. */
export interface Trace {
  readonly sampleS: number;
  readonly timeS: number[];
  /** Index of the phase in force. */
  readonly phase: number[];
  /** Stick positions: roll right, pitch back and yaw right positive −1..1, throttle 0..1. */
  readonly stickRoll: number[];
  readonly stickPitch: number[];
  readonly stickYaw: number[];
  readonly stickThrottle: number[];
  /** Motor command 0..1 after the throttle profile. */
  readonly throttle: number[];
  readonly northM: number[];
  readonly eastM: number[];
  readonly heightM: number[];
  readonly vNorthMps: number[];
  readonly vEastMps: number[];
  readonly climbMps: number[];
  readonly qw: number[];
  readonly qx: number[];
  readonly qy: number[];
  readonly qz: number[];
  readonly rollDps: number[];
  readonly pitchDps: number[];
  readonly yawDps: number[];
  /** Angle turned about each body axis since the mark, degrees. */
  readonly turnedRollDeg: number[];
  readonly turnedPitchDeg: number[];
  readonly turnedYawDeg: number[];
  /** The same about the axis of the view. */
  readonly turnedViewDeg: number[];
  /** Speed fractions of the rotors front right, rear right, rear left, front left. */
  readonly rotor0: number[];
  readonly rotor1: number[];
  readonly rotor2: number[];
  readonly rotor3: number[];
  /** Elevation of the camera's axis above the horizon, degrees, and slope of the horizon in the picture. */
  readonly viewElevationDeg: number[];
  /** Heading of the camera's axis against the line of entry, right positive. */
  readonly viewHeadingDeg: number[];
  readonly horizonSlopeDeg: number[];
  /** Thrust over weight. */
  readonly thrustG: number[];
}

export type TraceColumn = Exclude<keyof Trace, "sampleS">;

export type InPhase = "phase" | "throttle-closed" | "apex" | "phase-timeout" | "gave-up";

/** What happened in a flight, and in which phase or how. */
export type Happening =
  | {
      /** `detail` is the id of the phase. */
      readonly [Kind in InPhase]: { readonly kind: Kind; readonly detail: string };
    }[InPhase]
  /** On the ground, slow and level enough. */
  | { readonly kind: "touchdown"; readonly speedMps: number; readonly tiltDeg: number }
  | {
      readonly kind: "crash";
      readonly into: ObstacleKind | "ground";
      readonly speedMps: number;
      /** Between the aircraft's up and the vertical. */
      readonly tiltDeg: number;
    };

export type FlightEvent = Happening & { readonly timeS: number; readonly heightM: number };

export function emptyTrace(sampleS: number): Trace {
  const column = () => [] as number[];
  return {
    sampleS,
    timeS: column(),
    phase: column(),
    stickRoll: column(),
    stickPitch: column(),
    stickYaw: column(),
    stickThrottle: column(),
    throttle: column(),
    northM: column(),
    eastM: column(),
    heightM: column(),
    vNorthMps: column(),
    vEastMps: column(),
    climbMps: column(),
    qw: column(),
    qx: column(),
    qy: column(),
    qz: column(),
    rollDps: column(),
    pitchDps: column(),
    yawDps: column(),
    turnedRollDeg: column(),
    turnedPitchDeg: column(),
    turnedYawDeg: column(),
    turnedViewDeg: column(),
    rotor0: column(),
    rotor1: column(),
    rotor2: column(),
    rotor3: column(),
    viewElevationDeg: column(),
    viewHeadingDeg: column(),
    horizonSlopeDeg: column(),
    thrustG: column(),
  };
}
