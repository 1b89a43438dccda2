import type { Outcome } from "@/core";
import type { SyllabusChange } from "@/syllabus";

/** What can be put into the bin and brought back, with a line in the trail. */
export type BinnedThing =
  | { readonly thing: "record" }
  | { readonly thing: "squad"; readonly name: string }
  | { readonly thing: "note" }
  | { readonly thing: "aircraft"; readonly name: string }
  | { readonly thing: "site"; readonly name: string }
  | { readonly thing: "variant" | "line"; readonly name: string }
  | { readonly thing: "attempt"; readonly step: string; readonly outcome: Outcome };

/** What somebody did, as the trail keeps it. Names are those of the moment; things of one pilot name the pilot too. */
export type DeedDone =
  | { readonly kind: "signed-off" | "took-back" | "let-stand-again" | "answered-not-yet"; readonly step: string }
  | ({ readonly kind: "removed" | "restored" } & BinnedThing)
  | { readonly kind: "saved-setup"; readonly aircraft: string; readonly number: number; readonly reason: string }
  /** `count` steps signed off as from before this record, to start at one; or that withdrawn. */
  | { readonly kind: "placed" | "unplaced"; readonly step: string; readonly count: number }
  | { readonly kind: "measured"; readonly aircraft: string }
  | { readonly kind: "renamed-aircraft"; readonly was: string; readonly is: string }
  | { readonly kind: "checked"; readonly aircraft: string; readonly tiltDeg: number }
  | { readonly kind: "check-flown"; readonly aircraft: string; readonly well: boolean }
  | { readonly kind: "changed-pilot" | "changed-school" | "changed-squad-school" | "changed-squad-rules" }
  /** `pilot` to the squad `to`, as the squad reads it that they left. */
  | { readonly kind: "moved-away"; readonly pilot: string; readonly to: string }
  | { readonly kind: "moved-here" }
  | { readonly kind: "erased" }
  | { readonly kind: "exported"; readonly file: string }
  | { readonly kind: "imported"; readonly count: number }
  | { readonly kind: "invited-coach" | "invited-pilot" | "made-way-back" }
  | { readonly kind: "joined" | "opened-account" | "closed-account" | "left-squad" }
  | { readonly kind: "named-squad"; readonly name: string }
  | { readonly kind: "made-owner" | "took-ownership" | "ended-sharing"; readonly coach: string }
  | {
      readonly kind: "saved-syllabus";
      readonly number: number;
      readonly reason: string;
      /** The first changes; `more` have found no room. */
      readonly changes: readonly SyllabusChange[];
      readonly more: number;
    }
  | { readonly kind: "added-variant" | "changed-variant"; readonly name: string; readonly flownBy: readonly string[] }
  /** A line of tricks, in its first or a later version. */
  | { readonly kind: "saved-line"; readonly name: string; readonly number: number }
  | { readonly kind: "gave-line" | "took-line-back"; readonly name: string }
  | { readonly kind: "kept-recording" | "deleted-recording"; readonly name: string }
  /** Measures of `count` tricks went into the attempts. */
  | { readonly kind: "matched-recording"; readonly name: string; readonly count: number };

export type DeedKind = DeedDone["kind"];

/** One deed of somebody, as coaches of the squad read it. */
export interface Deed {
  readonly id: string;
  readonly atMs: number;
  readonly who: string;
  readonly pilotId: string | null;
  /** Whom it was done for, as they were called then. */
  readonly pilotName: string | null;
  /** A sentence without its subject where it was kept before deeds had kinds. */
  readonly done: DeedDone | { readonly kind: "said"; readonly says: string };
}
