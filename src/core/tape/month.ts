import { mean, variance } from "../numbers";
import { betaQuantile } from "../progress";
import type { Smoothness } from "./smoothness";
import { endsRound, isSure, wantsClosed, type FoundTrick } from "./trick";

/** What was found in a recording, and when it was flown. */
export interface DatedPack {
  readonly atMs: number;
  readonly tricks: readonly FoundTrick[];
  readonly smoothness: Smoothness | null;
  readonly reach: { readonly roll: number; readonly pitch: number; readonly yaw: number };
}

/** The figures that a month is looked at by; the nearer to 0 the better. */
export const monthMeasures = ["stopDeg", "swingBackDeg", "throttleUpsideDown", "logDimensionlessJerk"] as const;
export type MonthMeasure = (typeof monthMeasures)[number];

/** A figure of one recording: its mean over so many tricks. */
export interface MonthFigure {
  readonly mean: number;
  readonly count: number;
}
export interface MonthPack {
  readonly atMs: number;
  readonly tricks: number;
  /** Sizes, whichever way; null where nothing was flown that shows it. */
  readonly figures: Readonly<Record<MonthMeasure, MonthFigure | null>>;
  /** The most stick used on any axis. */
  readonly reach: number;
}

/** A figure that changed over the month by more than chance makes it: means of the earlier and of the later half. */
export interface MonthChange {
  readonly measure: MonthMeasure;
  readonly before: number;
  readonly after: number;
  readonly better: boolean;
}

export interface TapeMonth {
  /** In order of time. */
  readonly packs: readonly MonthPack[];
  readonly changes: readonly MonthChange[];
}

/** A smaller change nobody would call one. Common practice, no source. */
const LEAST_CHANGE: Readonly<Record<MonthMeasure, number>> = {
  stopDeg: 3,
  swingBackDeg: 3,
  throttleUpsideDown: 0.02,
  logDimensionlessJerk: 0.2,
};
/** Values in each half without which nothing is said. */
const LEAST_VALUES = 3;

/** A pilot's recordings side by side, and what changed from the earlier half of what was flown to the later. */
export function tapeMonth(recordings: readonly DatedPack[]): TapeMonth {
  const sorted = [...recordings].sort((a, b) => a.atMs - b.atMs);
  const values = sorted.map(valuesOf);
  const figure = (all: readonly number[]): MonthFigure | null =>
    all.length === 0 ? null : { mean: mean(all), count: all.length };
  return {
    packs: sorted.map(({ atMs, tricks, reach }, i) => ({
      atMs,
      tricks: tricks.length,
      figures: Object.fromEntries(monthMeasures.map((name) => [name, figure(values[i][name])])) as MonthPack["figures"],
      reach: Math.max(reach.roll, reach.pitch, reach.yaw),
    })),
    changes: monthMeasures.flatMap(
      (measure) =>
        changeOf(
          measure,
          values.map((one) => one[measure]),
        ) ?? [],
    ),
  };
}

type Values = Readonly<Record<MonthMeasure, readonly number[]>>;

function valuesOf({ tricks, smoothness }: DatedPack): Values {
  const sure = tricks.filter(isSure);
  const round = sure.filter(endsRound);
  return {
    stopDeg: round.map(({ measures }) => Math.abs(measures.stopErrorDeg)),
    swingBackDeg: round.map(({ measures }) => measures.swingBackDeg),
    throttleUpsideDown: sure.filter(wantsClosed).flatMap(({ measures }) => measures.throttleInvertedMean ?? []),
    logDimensionlessJerk: smoothness ? [Math.abs(smoothness.logDimensionlessJerk)] : [],
  };
}

/** From the earlier half of the recordings to the later, by the two-sample standard error; null where it may be chance. */
function changeOf(measure: MonthMeasure, byPack: readonly (readonly number[])[]): MonthChange | null {
  const half = Math.floor(byPack.length / 2);
  const earlier = byPack.slice(0, half).flat();
  const later = byPack.slice(byPack.length - half).flat();
  const least = measure === "logDimensionlessJerk" ? 2 : LEAST_VALUES;
  if (earlier.length < least || later.length < least) return null;
  const [before, after] = [mean(earlier), mean(later)];
  if (Math.abs(after - before) < LEAST_CHANGE[measure]) return null;
  const error = Math.sqrt(variance(earlier) / earlier.length + variance(later) / later.length);
  if (Math.abs(after - before) <= studentT95(earlier.length + later.length - 2) * error) return null;
  return { measure, before, after, better: after < before };
}

/** Student’s t that 95 in 100 stay within, both ways: ν/(ν + t²) has a Beta(ν/2, 1/2) distribution (Abramowitz and Stegun 26.7.1). */
export function studentT95(freedom: number): number {
  const x = betaQuantile(0.05, freedom / 2, 0.5);
  return Math.sqrt((freedom * (1 - x)) / x);
}
