import type { Measures, Problem, Recipe } from "../recipes";

/** The aircraft as an item begins or ends. */
export interface LineState {
  readonly heightM: number;
  /** Over the ground and up together. */
  readonly speedMps: number;
  readonly climbMps: number;
  /** Of the nose, against north, −180 to 180. */
  readonly headingDeg: number;
  readonly pitchDeg: number;
  readonly bankDeg: number;
  /** Of the stick. */
  readonly throttle: number;
}

export interface FlownItem {
  readonly fromS: number;
  readonly toS: number;
  readonly entry: LineState;
  readonly exit: LineState;
  /** Ended as planned: every phase came to its end, upright and without touching anything, and the anchor was flown at as it should. */
  readonly complete: boolean;
  /** Along its own line of entry. */
  readonly measures: Measures;
  /** As it was flown: with what was worked out for the state that it began in. */
  readonly recipe: Recipe;
  /** Why something that is worked out has no answer there; null where all has one. */
  readonly problem: Problem | null;
  /** Whether its anchor was flown over, under, through, round or past; null where it has none. */
  readonly anchorKept: boolean | null;
}
