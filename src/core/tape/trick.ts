import type { TapeAxis } from "./tape";

/** What a figure is called. */
export const trickKinds = [
  "flip",
  "roll",
  "spin",
  "half-turn",
  "hang",
  "split",
  "loop",
  "spin-inverted",
  "tumble",
  "knife-edge",
  "turn-about",
  "brake",
  "orbit",
  "orbit-back",
  "helix",
  "punch",
  "unknown",
] as const;
export type TrickKind = (typeof trickKinds)[number];

/** Kinds that end where they began: of these a stop error means something. */
const roundKinds: readonly TrickKind[] = ["flip", "roll", "spin", "hang"];
const SURE = 0.5;

export const isSure = ({ confidence }: Pick<FoundTrick, "confidence">): boolean => confidence >= SURE;
export const endsRound = ({ kind }: Pick<FoundTrick, "kind">): boolean => roundKinds.includes(kind);

/** Throttle upside down that is no longer closed, in what wants it closed: a roll stops better with the throttle a little up. */
export const OPEN_THROTTLE = 0.08;
const closedKinds: readonly TrickKind[] = ["flip", "hang", "split"];
export const wantsClosed = ({ kind }: Pick<FoundTrick, "kind">): boolean => closedKinds.includes(kind);

/** What is measured of a turn. Angles about the axis it was turned about, positive the way it went. */
export interface TurnMeasures {
  readonly turnedDeg: number;
  /** Turned at the furthest point minus the turn asked for; positive is past. */
  readonly stopErrorDeg: number;
  /** Swung back after that within half a second. */
  readonly swingBackDeg: number;
  readonly turnTimeS: number;
  readonly peakDps: number;
  /** Share of the turn from which the rate stays below four fifths of its peak. */
  readonly easeFromShare: number;
  /** Rate by the share of the turn, °/s at the middle of equal parts of it. */
  readonly rateByShareDps: readonly number[];
  /** Full throttle just before, s. */
  readonly punchS: number;
  /** From closed throttle to the first two degrees; negative where it is closed only later, null where it never is. */
  readonly closedBeforeS: number | null;
  /** Share of the turn with the throttle closed. */
  readonly closedShare: number;
  readonly invertedS: number;
  readonly throttleInvertedMean: number | null;
  readonly throttleInvertedMost: number | null;
  /** Turned about what is across the axis, from begin to end. */
  readonly leanOffDeg: number;
  /** Of a roll: the camera tilt for which yaw against roll was right; null for other turns. */
  readonly impliedTiltDeg: number | null;
  /** Of a roll with yaw in it: by how much yaw came before roll. */
  readonly yawLeadMs: number | null;
  /** How often the stick changed sides in the second after the stop. */
  readonly stickReversals: number;
}

/** A trick that was found in a recording, in its own time. */
export interface FoundTrick {
  readonly kind: TrickKind;
  readonly axis: TapeAxis;
  readonly direction: "back" | "front" | "right" | "left";
  /** Whole and half turns about the axis. */
  readonly turns: number;
  readonly fromS: number;
  readonly toS: number;
  /** 0 to 1; below a half it is unsure. */
  readonly confidence: number;
  readonly measures: TurnMeasures;
}
