import type { ObstacleKind } from "./obstacles";
/** The columns of a trace. */
const traceColumns = [
  "timeS",
  /** Index of the phase in force. */
  "phase",
  /** Stick positions: roll right, pitch back and yaw right positive −1..1, throttle 0..1. */
  "stickRoll",
  "stickPitch",
  "stickYaw",
  "stickThrottle",
  /** Motor command 0..1 after the throttle profile. */
  "throttle",
  "northM",
  "eastM",
  "heightM",
  "vNorthMps",
  "vEastMps",
  "climbMps",
  "qw",
  "qx",
  "qy",
  "qz",
  "rollDps",
  "pitchDps",
  "yawDps",
  /** Angle turned about each body axis since the mark, degrees. */
  "turnedRollDeg",
  "turnedPitchDeg",
  "turnedYawDeg",
  /** The same about the axis of the view. */
  "turnedViewDeg",
  /** Speed fractions of the rotors front right, rear right, rear left, front left. */
  "rotor0",
  "rotor1",
  "rotor2",
  "rotor3",
  /** Elevation of the camera's axis above the horizon, degrees. */
  "viewElevationDeg",
  /** Heading of the camera's axis against the line of entry, right positive, degrees. */
  "viewHeadingDeg",
  /** Slope of the horizon in the picture, degrees. */
  "horizonSlopeDeg",
  /** Thrust over weight. */
  "thrustG",
] as const;
export type TraceColumn = (typeof traceColumns)[number];

/** A flight sampled at equal times: one column per quantity, all of the same length. */
export type Trace = { readonly sampleS: number } & { readonly [Column in TraceColumn]: number[] };

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

/** A trace without samples. */
export function emptyTrace(sampleS: number): Trace {
  const columns = Object.fromEntries(traceColumns.map((name) => [name, []])) as unknown as Record<
    TraceColumn,
    number[]
  >;
  return { sampleS, ...columns };
}

/** Index of the sample at or just after a time. */
export function indexAt(trace: Pick<Trace, "sampleS" | "timeS">, timeS: number): number {
  return Math.min(trace.timeS.length - 1, Math.max(0, Math.ceil(timeS / trace.sampleS - 1e-6)));
}
