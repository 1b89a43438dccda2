/** One number a row for each axis; roll right, nose up and yaw right positive. */
export interface PerAxis<T> {
  readonly roll: T;
  readonly pitch: T;
  readonly yaw: T;
}
export type TapeAxis = keyof PerAxis<unknown>;
export const tapeAxes: readonly TapeAxis[] = ["roll", "pitch", "yaw"];

/** A stretch without rows, longer than three usual steps. */
export interface TapeGap {
  readonly fromS: number;
  readonly toS: number;
}

/** What is odd in a recording, with its place; nothing of it was changed but rows out of order, which are left out. */
export type TapeWarning =
  /** Rows whose time is that of the row before, or earlier: left out. `row` is the first of them, counted with the line of names as 1. */
  | { readonly kind: "time-repeated" | "time-backward"; readonly rows: number; readonly row: number }
  | { readonly kind: "gaps"; readonly count: number; readonly longestS: number; readonly atS: number }
  /** Steps that differ from the usual one by more than a quarter, as a share of all. */
  | { readonly kind: "uneven"; readonly share: number }
  /** A gyro that jumps between two rows by more than any aircraft can turn. */
  | { readonly kind: "jump"; readonly axis: TapeAxis; readonly count: number; readonly atS: number }
  /** A gyro that stands at its end. */
  | {
      readonly kind: "clipped";
      readonly axis: TapeAxis;
      readonly atDps: number;
      readonly atS: number;
      readonly forS: number;
    }
  /** The aircraft turns against the stick. */
  | { readonly kind: "sign"; readonly axis: TapeAxis; readonly correlation: number }
  /** A stick or gyro that says the same from one time to another. */
  | {
      readonly kind: "silent";
      readonly what: "stick" | "gyro";
      readonly axis: TapeAxis;
      readonly fromS: number;
      readonly toS: number;
    };

/** A recording of sticks and gyro: one column per quantity, all of the same length, rows in the order of time. */
export interface Tape {
  readonly timeS: Float64Array;
  /** Sticks −1..1, pitch back positive; throttle 0..1. */
  readonly stick: PerAxis<Float32Array> & { readonly throttle: Float32Array };
  readonly gyroDps: PerAxis<Float32Array>;
  /** The rate asked for; null where the recording has none. */
  readonly rateDps: PerAxis<Float32Array> | null;
  /** Specific force along the body axes forward, right, down: −9.81 on z at hover. */
  readonly accelMps2: { readonly x: Float32Array; readonly y: Float32Array; readonly z: Float32Array } | null;
  /** Four of them, or none. */
  readonly motors: readonly Float32Array[];
  readonly batteryV: Float32Array | null;
  /** Rows from which on a mode is in force. */
  readonly modes: readonly { readonly fromRow: number; readonly mode: string }[];
  /** Rows in a second, by the usual step. */
  readonly sampleHz: number;
  readonly gaps: readonly TapeGap[];
  readonly warnings: readonly TapeWarning[];
}
