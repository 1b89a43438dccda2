import type { AttemptMeasure, PassMark } from "@/core";

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

/** First routes on which practitioners disagree. */
export const routes = ["eyes-first", "self-level", "bank-limit", "rate-mode"] as const;
export type Route = (typeof routes)[number];

/** What kind of skill a step is: a column of the depth chart. */
export const families = [
  { id: "hands", name: "Hands" },
  { id: "travel", name: "Travel" },
  { id: "turn", name: "Turn" },
  { id: "stop", name: "Stop and land" },
  { id: "gap", name: "Gaps, walls" },
  { id: "flip", name: "Flip" },
  { id: "roll", name: "Roll" },
  { id: "upside-down", name: "Upside down" },
  { id: "loop", name: "Loop" },
  { id: "style", name: "Style" },
] as const;
export type Family = (typeof families)[number]["id"];

/** How a step is flown in the model: a trick, in one way of it or as the pilot's school has it, with some of its figures set. */
export interface FlownAs {
  readonly trick: string;
  readonly variant?: string;
  readonly set?: Readonly<Record<string, number>>;
}

/** What a step wants of the settings. */
export interface StepWants {
  /** The bank limit it is about; null for none. */
  readonly bankLimitDeg?: number | null;
  readonly selfLevel?: boolean;
  /** More tilt than this is in the way. */
  readonly mostTiltDeg?: number;
}

export interface Step {
  readonly id: string;
  readonly name: string;
  /** For the chart: 16 letters at most. */
  readonly short: string;
  readonly family: Family;
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
  /** Null for what no model can judge. */
  readonly flownAs: FlownAs | null;
  /** What to look at where nothing is flown in the model. */
  readonly lookAt: readonly string[];
  /** Settings it needs, in words. */
  readonly settings: string;
  /** Modes and tilt it cannot do without, beside what is usual at its stage; left out where it has none of its own. */
  readonly wants?: StepWants;
  /** Height above the ground to begin at, m, where the model does not say. */
  readonly heightM: number | null;
  /** What of an attempt may be measured and entered. */
  readonly measures: readonly AttemptMeasure[];
  /** Ids of the steps to be signed off before. */
  readonly needs: readonly string[];
  /** Routes it belongs to; null for all. */
  readonly routes: readonly Route[] | null;
  /** Where the school wants it, the mark must be met in the simulator before the field. */
  readonly simulatorFirst: boolean;
  /** Beside the way: nobody has to. */
  readonly optional: boolean;
  /** The step of which this is a part, flown before it; null for a whole one. */
  readonly partOf: string | null;
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

/** A syllabus as it is kept, published as a file and edited: skills in the order in which they are learnt. */
export interface SyllabusDocument {
  readonly format: "bathygon-syllabus";
  readonly version: 1;
  readonly name: string;
  /** Names of the stages, from 0. */
  readonly stages: readonly string[];
  readonly skills: readonly Skill[];
}
