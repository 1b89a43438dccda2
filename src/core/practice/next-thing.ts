import type { MarkKind } from "../recipes";
import type { FoundTrick } from "../tape";

/** The one next thing after a try, as a kind with its numbers; the words are elsewhere. */
export type NextThing =
  | { readonly kind: "crashed"; readonly into: string; readonly atS: number; readonly speedMps: number }
  | { readonly kind: "passed" }
  | { readonly kind: "not-flown" }
  | { readonly kind: "other-trick"; readonly found: FoundTrick["kind"]; readonly direction: FoundTrick["direction"] }
  | { readonly kind: "other-turns"; readonly turns: number; readonly wantsTurns: number }
  | { readonly kind: "stopped-past" | "stopped-short"; readonly deg: number; readonly withinDeg: number }
  | { readonly kind: "throttle-open"; readonly share: number }
  | { readonly kind: "left-circle"; readonly heldS: number; readonly wantsS: number }
  | { readonly kind: "off-spot"; readonly m: number; readonly withinM: number }
  | { readonly kind: "not-landed" }
  | { readonly kind: "missed-place"; readonly place: number; readonly nearestM: number; readonly withinM: number }
  | {
      readonly kind: "off-height";
      readonly place: number;
      readonly heightM: number;
      readonly lowestM: number;
      readonly highestM: number;
    }
  | { readonly kind: "did-not-halt"; readonly place: number; readonly speedMps: number; readonly haltMps: number }
  | { readonly kind: "wrong-way-round"; readonly place: number; readonly nose: "ahead" | "backward" }
  | { readonly kind: "turned-too-little"; readonly deg: number; readonly wantsDeg: number }
  | { readonly kind: "before-the-call" }
  | { readonly kind: "no-answer"; readonly answer: "stop" | "level" | "switch" }
  | { readonly kind: "lost-height"; readonly byM: number; readonly withinM: number }
  | { readonly kind: "jerked"; readonly degPerS2: number; readonly mostDegPerS2: number }
  | { readonly kind: "line-broke"; readonly at: number; readonly wants: FoundTrick["kind"] }
  | { readonly kind: "answered"; readonly reactionS: number }
  | { readonly kind: "missed-mark"; readonly mark: MarkKind };
