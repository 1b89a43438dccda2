import type { PassMark } from "@/core";

/** A sense in which a step is flown and judged by itself. */
export interface Direction {
  readonly id: string;
  readonly name: string;
}

/** What the picture shows when it goes wrong, and what to do about it. */
export interface Fault {
  readonly id: string;
  /** Short enough for a field button. */
  readonly short: string;
  readonly sees: string;
  /** One cue, or one per direction where the mend differs. */
  readonly cue: string | Readonly<Record<string, string>>;
}

export interface Step {
  readonly id: string;
  readonly name: string;
  /** One line on what is learnt. */
  readonly aim: string;
  readonly drill: readonly string[];
  readonly directions: readonly Direction[];
  readonly mark: PassMark;
  /** What counts as clean, in words, and the stop error it allows; null where nothing is turned over and stopped. */
  readonly clean: string;
  readonly stopWithinDeg: number | null;
  readonly faults: readonly Fault[];
  readonly wayOut: string;
  /** The axis that turns the aircraft over and the end rate wanted on it, °/s; null for steps that stay upright. */
  readonly turnsOver: { readonly axis: "roll" | "pitch"; readonly endRateDps: readonly [number, number] } | null;
  /** Recipe of each direction in the flight model; empty for what no model can judge. */
  readonly recipeFor: Readonly<Record<string, string>>;
  /** What to look at where nothing is flown in the model. */
  readonly lookAt?: readonly string[];
}

export interface Skill {
  readonly id: string;
  readonly stage: number;
  readonly name: string;
  readonly steps: readonly Step[];
  readonly cautions: readonly string[];
  /** Clear ground wanted round the pilot's working area, m. */
  readonly roomM: number;
}
