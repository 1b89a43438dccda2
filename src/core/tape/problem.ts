import { DomainError } from "../numbers";

/** Why a recording cannot be read. Rows are counted with the line of names as 1. */
export type TapeProblem =
  | { readonly kind: "empty" | "not-text" | "no-names" | "quote-open" }
  | { readonly kind: "column-missing" | "column-twice"; readonly column: string }
  | { readonly kind: "ragged-row"; readonly row: number; readonly columns: number; readonly expected: number }
  | { readonly kind: "not-a-number"; readonly row: number; readonly column: string; readonly text: string }
  | {
      readonly kind: "out-of-range";
      readonly row: number;
      readonly column: string;
      readonly value: number;
      readonly range: readonly [number, number];
    }
  | { readonly kind: "too-few-rows"; readonly rows: number; readonly least: number }
  | { readonly kind: "too-many-rows"; readonly most: number }
  | { readonly kind: "out-of-order"; readonly rows: number; readonly of: number; readonly row: number }
  | { readonly kind: "sample-rate"; readonly hz: number; readonly range: readonly [number, number] };

/** A recording that cannot be read, and why. */
export class TapeRefused extends DomainError {
  constructor(readonly problem: TapeProblem) {
    super("tape", problem.kind, "a recording as published", `The recording cannot be read: ${JSON.stringify(problem)}`);
    this.name = "TapeRefused";
  }
}
