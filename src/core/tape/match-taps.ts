import type { AttemptMeasure } from "../progress";
import { endsRound, isSure, type FoundTrick, type TrickKind } from "./trick";

/** A tap of the field at something that a recording may show. */
export interface Tap {
  readonly id: string;
  readonly atMs: number;
  /** What it may be called in a recording; empty for what turns nothing over. */
  readonly kinds: readonly TrickKind[];
  /** Null where it has no side, or any. */
  readonly direction: FoundTrick["direction"] | null;
}

/** Tricks of a recording and taps of a session that are the same. */
export interface TapMatch {
  /** The moment of the recording's time 0. */
  readonly clockMs: number;
  /** Trick by its place among those found; how long after its end the tap came, s. */
  readonly pairs: readonly { readonly trick: number; readonly tapId: string; readonly lateS: number }[];
  /** Tricks that nobody tapped. */
  readonly untapped: readonly number[];
  /** Taps of which the recording shows nothing, while it ran. */
  readonly unseen: readonly string[];
}

/** A tap comes a little after the trick ends, and not later than this before or after that, s. Common practice, no source. */
const USUAL_LATE_S = 2.5;
const SPREAD_S = 7;
const BIN_S = 1;
const TRIED_BINS = 60;
/** A pair of no kind in common counts for nothing; one by its kind for more than one that is unsure. */
const SAME = 1;
const UNSURE = 0.3;
/** Of a second away from the usual. */
const PER_SECOND = 0.04;

/**
 * Lines a recording up with the taps of a session: the shift of its clock at which most tricks meet a tap of their kind and side, in order, each a little
 * before its tap. Null where fewer than two meet.
 */
export function matchTaps(tricks: readonly FoundTrick[], taps: readonly Tap[]): TapMatch | null {
  const sorted = [...taps].sort((a, b) => a.atMs - b.atMs);
  const worth = tricks.map((trick) => sorted.map((tap) => likeness(trick, tap)));
  let best: { shiftS: number; pairs: Pair[]; score: number } | null = null;
  for (const shiftS of likelyShifts(tricks, sorted, worth)) {
    const found = aligned(tricks, sorted, worth, shiftS);
    if (!best || found.score > best.score) best = { shiftS, ...found };
  }
  if (!best || best.pairs.length < 2) return null;
  // Once more about the middle of how late they were.
  const late = best.pairs.map(([trick, tap]) => sorted[tap].atMs / 1000 - tricks[trick].toS).sort((a, b) => a - b);
  const shiftS = late[Math.floor(late.length / 2)] - USUAL_LATE_S;
  const { pairs } = aligned(tricks, sorted, worth, shiftS);
  const clockMs = Math.round(1000 * shiftS);
  const [fromS, toS] = [tricks[0].fromS, tricks[tricks.length - 1].toS + SPREAD_S];
  const met = new Set(pairs.map(([, tap]) => tap));
  const seen = new Set(pairs.map(([trick]) => trick));
  return {
    clockMs,
    pairs: pairs.map(([trick, tap]) => ({
      trick,
      tapId: sorted[tap].id,
      lateS: (sorted[tap].atMs - clockMs) / 1000 - tricks[trick].toS,
    })),
    untapped: tricks.flatMap((_, i) => (seen.has(i) ? [] : [i])),
    unseen: sorted.flatMap(({ id, atMs }, i) => {
      const s = (atMs - clockMs) / 1000;
      return !met.has(i) && s >= fromS && s <= toS ? [id] : [];
    }),
  };
}
type Pair = readonly [trick: number, tap: number];

function likeness(trick: FoundTrick, { kinds, direction }: Tap): number {
  if (trick.kind === "unknown" || !isSure(trick)) return kinds.length > 0 ? UNSURE : 0;
  if (!kinds.includes(trick.kind)) return 0;
  return direction === null || direction === trick.direction ? SAME : 0;
}

/** Shifts at which most pairs of one kind would meet, s. */
function likelyShifts(tricks: readonly FoundTrick[], taps: readonly Tap[], worth: readonly number[][]): number[] {
  const bins = new Map<number, number>();
  for (const [i, { toS }] of tricks.entries())
    for (const [k, { atMs }] of taps.entries()) {
      if (worth[i][k] === 0) continue;
      const bin = Math.round((atMs / 1000 - toS - USUAL_LATE_S) / BIN_S);
      for (const near of [bin - 1, bin, bin + 1])
        bins.set(near, (bins.get(near) ?? 0) + worth[i][k] * (near === bin ? 2 : 1));
    }
  return [...bins]
    .sort((a, b) => b[1] - a[1] || a[0] - b[0])
    .slice(0, TRIED_BINS)
    .map(([bin]) => bin * BIN_S);
}

/** The pairs in order of time that are worth most at a shift, by dynamic programming over both lists. */
function aligned(
  tricks: readonly FoundTrick[],
  taps: readonly Tap[],
  worth: readonly number[][],
  shiftS: number,
): { pairs: Pair[]; score: number } {
  const width = taps.length + 1;
  const sums = new Float64Array((tricks.length + 1) * width);
  const worthAt = (i: number, k: number) => {
    if (worth[i][k] === 0) return 0;
    const off = Math.abs(taps[k].atMs / 1000 - shiftS - tricks[i].toS - USUAL_LATE_S);
    return off > SPREAD_S ? 0 : worth[i][k] - PER_SECOND * off;
  };
  for (let i = tricks.length - 1; i >= 0; i--)
    for (let k = taps.length - 1; k >= 0; k--) {
      const here = worthAt(i, k);
      const both = here > 0 ? here + sums[(i + 1) * width + k + 1] : 0;
      sums[i * width + k] = Math.max(both, sums[(i + 1) * width + k], sums[i * width + k + 1]);
    }
  const pairs: Pair[] = [];
  let [i, k] = [0, 0];
  while (i < tricks.length && k < taps.length) {
    const here = sums[i * width + k];
    if (here === sums[(i + 1) * width + k]) i++;
    else if (here === sums[i * width + k + 1]) k++;
    else pairs.push([i++, k++]);
  }
  return { pairs, score: sums[0] };
}

/** What of a trick goes into an attempt; nothing of one that is unsure. */
export function measuredOfTrick(trick: FoundTrick): Readonly<Partial<Record<AttemptMeasure, number>>> {
  if (!isSure(trick)) return {};
  const { stopErrorDeg, swingBackDeg, throttleInvertedMean } = trick.measures;
  const tenth = (x: number) => Math.round(10 * x) / 10;
  return {
    ...(endsRound(trick) && { stopErrorDeg: tenth(stopErrorDeg), bounceBackDeg: tenth(swingBackDeg) }),
    ...(throttleInvertedMean !== null && { throttleInvertedPct: tenth(100 * throttleInvertedMean) }),
  };
}
