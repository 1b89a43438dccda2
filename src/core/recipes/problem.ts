import type { ObstacleKind } from "./obstacles";
import type { Aim } from "./recipe";

/** Why a trick does not go: an aim without an answer, or a flight that does not end as the recipe wants. */
export type Problem =
  /** No parameter within its range meets the aim. */
  | { readonly kind: "aim-not-met"; readonly aim: Aim["kind"] }
  /** No punch ends where it began: thrust at full throttle standing still, and what of it flies on, g. */
  | { readonly kind: "too-little-punch"; readonly fullG: number; readonly trimG: number }
  /** The recipe names no parameter for the aim. */
  | { readonly kind: "no-parameter"; readonly aim: Aim["kind"]; readonly recipe: string }
  | { readonly kind: "meets-ground"; readonly timeS: number; readonly speedMps: number; readonly tiltDeg: number }
  | { readonly kind: "flies-into"; readonly into: ObstacleKind; readonly timeS: number }
  /** A phase whose end never comes, by its label. */
  | { readonly kind: "phase-never-ends"; readonly phase: string }
  /** On the ground before the trick is over. */
  | { readonly kind: "touches-ground"; readonly timeS: number }
  | { readonly kind: "never-lands" }
  | { readonly kind: "not-upright" }
  | { readonly kind: "not-over"; readonly timeS: number };
