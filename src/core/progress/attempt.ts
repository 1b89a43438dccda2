export type Outcome = "clean" | "rough" | "bailed" | "crashed";
export const outcomes: readonly Outcome[] = ["clean", "rough", "bailed", "crashed"];

export type Place = "field" | "simulator" | "by-eye";
export const places: readonly Place[] = ["field", "simulator", "by-eye"];

/** Something of an attempt that can be measured and that a pass mark may limit, with its unit in the name. */
export const attemptMeasures = [
  "stopErrorDeg",
  "bounceBackDeg",
  "throttleInvertedPct",
  "viewOffPathDeg",
  "horizonLeanDeg",
  "missM",
  "heightErrorM",
  "heightLostM",
  "jerkDegPerS2",
  "laps",
  "touches",
  "missedPoles",
] as const;
export type AttemptMeasure = (typeof attemptMeasures)[number];

/** Those that are counted, not measured: whole numbers from 0. */
export const countedMeasures = ["laps", "touches", "missedPoles"] as const satisfies readonly AttemptMeasure[];

/** What an attempt counts as once it is known what was touched and missed: whatever was tapped, neither is clean (common practice, no source). */
export const outcomeCounted = (outcome: Outcome, { touches = 0, missedPoles = 0 }: Measured): Outcome =>
  outcome === "clean" && (touches > 0 || missedPoles > 0) ? "rough" : outcome;

type Measured = Readonly<Partial<Record<AttemptMeasure, number>>>;

/** Flown, not practised: a simulator tires nobody, breaks nothing and counts for no flying day. */
export const flownForReal = ({ place }: Pick<Attempt, "place">): boolean => place !== "simulator";

/** One try at a step. */
export interface Attempt {
  readonly direction: string;
  readonly outcome: Outcome;
  readonly place: Place;
  readonly setupId: string | null;
  /** What the aircraft carried; null or left out for nothing but its own. */
  readonly loadId?: string | null;
  readonly atMs: number;
  /** Where it was flown: one meeting, or one practice alone. */
  readonly sessionId?: string;
  /** Flown and logged by the pilot without a coach there; left out where one was. */
  readonly alone?: boolean;
  /** Which battery of that session; null or left out where batteries were not counted. */
  readonly pack?: number | null;
  /** How long it lasted, min, where somebody timed it. */
  readonly minutes?: number | null;
  readonly faults?: readonly string[];
  readonly measured?: Measured;
}
