import type { Recipe } from "./recipe";
import type { Problem } from "./problem";

/** What decided the minimum start height. */
export type StartHeightReason =
  /** Freezing before a phase for the reaction time, then bailing out, with the margin on top; on a pack of which so much is used. */
  | { readonly kind: "freeze"; readonly before: string; readonly lostM: number; readonly packUsed: number }
  /** The fourth-largest height lost of so many scattered flights. */
  | { readonly kind: "scatter"; readonly runs: number; readonly lostM: number; readonly packUsed: number };

export interface StartHeight {
  readonly heightM: number;
  readonly reason: StartHeightReason;
}

/** What the height must cover when the pilot freezes. */
export interface FreezeMargins {
  readonly marginM: number;
  readonly reactionS: number;
}

/** Kept clear of the ground, m. Our choice; shown beside the figure. */
const CLEARANCE_M = 1.5;
/** Allowed for a pilot's own reaction, call to stick, s. */
export const reactionRangeS = [0.15, 2] as const;

/** How long a pilot at a stage 0 to 7 takes to notice and move: from 0.7 s down to 0.35, half a second where the first flips are learnt. Common practice, no source. */
const usualReactionS = (stage: number): number => 0.7 - 0.05 * Math.max(0, Math.min(7, stage));

/** What a freeze costs a pilot: with their own reaction where it was measured, else that of the stage. */
export const freezeMargins = (stage: number, ownReactionS: number | null = null): FreezeMargins => ({
  marginM: CLEARANCE_M,
  reactionS: ownReactionS ?? Math.round(100 * usualReactionS(stage)) / 100,
});

/** Of the stage at which the first flips are learnt. */
export const USUAL_FREEZE: FreezeMargins = freezeMargins(4);
/** Share of a pack that is used when it is nearly empty: landed on the rest. Common practice, no source. */
export const NEARLY_EMPTY = 0.8;
/** A trick with its figures worked out. */
export interface SolvedTrick {
  readonly recipe: Recipe;
  /** Why an aim has no answer; null where all have one. */
  readonly problem: Problem | null;
  /** The same worked out for a nearly empty pack, whose punch is longer; null where the battery never sags or no longer carries the aircraft. */
  readonly late: Recipe | null;
}

/** The ways a solved trick is flown: on a full pack and, where it still goes, on a nearly empty one. */
export const onPacks = ({
  recipe,
  late,
}: SolvedTrick): readonly { readonly packUsed: number; readonly recipe: Recipe }[] => [
  { packUsed: 0, recipe },
  ...(late ? [{ packUsed: NEARLY_EMPTY, recipe: late }] : []),
];

/** The height that a minimum start height is begun at: rounded up to half metres. */
export const begunAtM = ({ heightM }: StartHeight): number => Math.ceil(2 * heightM) / 2;
