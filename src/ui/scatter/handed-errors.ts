import type { PilotErrors } from "@/core";

/** Hands as a recording shows them, to be flown in the trick lab; they live as long as the page does. */
export interface HandedErrors {
  /** Of the recording. */
  readonly name: string;
  readonly pilotId: string;
  readonly errors: PilotErrors;
}

let handed: HandedErrors | null = null;

export function handErrors(one: HandedErrors): void {
  handed = one;
}

/** Those of a pilot; null where none were handed over, or another's. */
export const handedErrors = (pilotId: string): HandedErrors | null => (handed?.pilotId === pilotId ? handed : null);
