import { requireNumber } from "../numbers";

/** To come home and land, kept of every pack, s. Common practice, no source. */
export const LANDING_S = 30;
/** Taken for a try with its way back where nobody has timed one yet, s. Common practice, no source. */
export const USUAL_TRY_S = 30;

/** How a pack stands: counted up where no minutes were planned for it. */
export type PackState =
  | { readonly kind: "counting-up"; readonly elapsedS: number }
  | { readonly kind: "flying"; readonly leftS: number }
  /** No further try fits before it is time to land. */
  | { readonly kind: "no-further-try"; readonly leftS: number }
  | { readonly kind: "land"; readonly leftS: number };

/** How a pack stands after so long, of so many planned seconds (null for none), where a try takes `tryS`. */
export function packState(elapsedS: number, plannedS: number | null, tryS: number): PackState {
  requireNumber("elapsedS", elapsedS, 0, 86_400);
  requireNumber("tryS", tryS, 1, 3_600);
  if (plannedS === null) return { kind: "counting-up", elapsedS };
  const leftS = requireNumber("plannedS", plannedS, 1, 864_000) - elapsedS;
  if (leftS <= LANDING_S) return { kind: "land", leftS };
  return { kind: leftS < LANDING_S + tryS ? "no-further-try" : "flying", leftS };
}

/** What a try takes a pilot, s: the median of the times between taps on one pack, from three on; else what is usual. */
export function tryTimeS(taps: readonly { readonly atMs: number; readonly pack: number | null }[]): number {
  const gaps = taps
    .slice(1)
    .flatMap((tap, i) => (tap.pack !== null && tap.pack === taps[i].pack ? [(tap.atMs - taps[i].atMs) / 1000] : []))
    .filter((gapS) => gapS > 1 && gapS < 600)
    .sort((a, b) => a - b);
  return gaps.length < 3 ? USUAL_TRY_S : gaps[Math.floor(gaps.length / 2)];
}
