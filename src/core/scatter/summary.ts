import { DomainError, requireFinite, requireNumber } from "../numbers";
import { betaCdf, wilsonInterval } from "../progress";
import type { Failure, ScatterRun } from "./run";

/** A figure with the interval it lies in with 95 % confidence. */
export interface Estimate {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

export interface ScatterSummary {
  readonly runs: number;
  /** Share of clean runs; Wilson interval. */
  readonly clean: Estimate;
  /** Of the runs that came to a stop; null where none did. */
  readonly stop: {
    readonly meanDeg: number;
    readonly sdDeg: number;
    readonly lowDeg: number;
    readonly highDeg: number;
  } | null;
  /** Height above the ground that all but `risk` of the runs keep. */
  readonly lowest: Estimate & { readonly risk: number };
  /** What went wrong, the most frequent first. */
  readonly failures: readonly (Failure & { readonly count: number })[];
}

const CONFIDENCE = 0.95;
const Z = 1.959964;

/** What some runs say together. `risk` is the share of runs allowed below the height margin, 1 in 100 as a rule. */
export function summarise(runs: readonly ScatterRun[], risk = 0.01): ScatterSummary {
  requireNumber("runs", runs.length, 1, 1e6);
  requireNumber("risk", risk, 1e-4, 0.5);
  const clean = runs.filter(({ failure }) => failure === null).length;
  const { low, high } = wilsonInterval(clean, runs.length, Z);
  const counted = new Map<string, Failure & { count: number }>();
  for (const { failure } of runs) {
    if (!failure) continue;
    const key = JSON.stringify(failure);
    const known = counted.get(key);
    if (known) known.count++;
    else counted.set(key, { ...failure, count: 1 });
  }
  return {
    runs: runs.length,
    clean: { value: clean / runs.length, low, high },
    stop: stopOf(runs.flatMap(({ stopErrorDeg }) => stopErrorDeg ?? [])),
    lowest: {
      ...quantileOf(
        runs.map(({ lowestM }) => lowestM),
        risk,
      ),
      risk,
    },
    failures: [...counted.values()].sort((a, b) => b.count - a.count),
  };
}

function stopOf(errors: readonly number[]): ScatterSummary["stop"] {
  if (errors.length === 0) return null;
  const mean = errors.reduce((sum, one) => sum + one, 0) / errors.length;
  const sorted = [...errors].sort((a, b) => a - b);
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))];
  return {
    meanDeg: mean,
    sdDeg: Math.sqrt(errors.reduce((sum, one) => sum + (one - mean) ** 2, 0) / Math.max(1, errors.length - 1)),
    lowDeg: at(0.05),
    highDeg: at(0.95),
  };
}

/**
 * A quantile with its interval from the order of the values alone: the number of values below the quantile is binomial (David and Nagaraja, Order
 * Statistics, 7.1, from memory). Where there are too few values for a bound, the least or the greatest of them stands for it.
 */
export function quantileOf(values: readonly number[], share: number): Estimate {
  values.forEach((value, i) => requireFinite(`values[${i}]`, value));
  const sorted = [...values].sort((a, b) => a - b);
  const n = requireNumber("values", values.length, 1, 1e7);
  const side = (1 - CONFIDENCE) / 2;
  let below = 0;
  while (below < n && binomialCdf(below, n, share) < side) below++;
  let above = n;
  while (above > 0 && 1 - binomialCdf(above - 1, n, share) < side) above--;
  const at = (i: number) => sorted[Math.max(0, Math.min(n - 1, i))];
  return { value: at(Math.ceil(share * n) - 1), low: at(below - 1), high: at(above) };
}

/** Chance of at most `k` of `n` by the Beta distribution: 1 − I_p(k+1, n−k). */
function binomialCdf(k: number, n: number, p: number): number {
  return k >= n ? 1 : 1 - betaCdf(p, k + 1, n - k);
}

/** How much more often one way of flying goes clean than another, flown with the same errors. */
export interface Comparison extends Estimate {
  /** Runs that only the one or only the other flew clean. */
  readonly onlyFirst: number;
  readonly onlySecond: number;
}

/**
 * Difference of the clean shares of paired runs, first minus second, with an interval for matched pairs: half an observation more in each of the four cells
 * (Agresti and Min 2005, Statistics in Medicine 24, from memory). Throws a DomainError when the runs do not pair up.
 */
export function compareRuns(first: readonly ScatterRun[], second: readonly ScatterRun[]): Comparison {
  if (first.length !== second.length || first.length === 0)
    throw new DomainError(
      "runs",
      second.length,
      String(first.length),
      `runs do not pair up: ${first.length} and ${second.length}`,
    );
  let onlyFirst = 0;
  let onlySecond = 0;
  first.forEach(({ failure }, i) => {
    const other = second[i].failure;
    if (failure === null && other !== null) onlyFirst++;
    if (failure !== null && other === null) onlySecond++;
  });
  const n = first.length + 2;
  const [b, c] = [onlyFirst + 0.5, onlySecond + 0.5];
  const middle = (b - c) / n;
  const half = (Z * Math.sqrt(b + c - (b - c) ** 2 / n)) / n;
  return {
    value: (onlyFirst - onlySecond) / first.length,
    low: Math.max(-1, middle - half),
    high: Math.min(1, middle + half),
    onlyFirst,
    onlySecond,
  };
}
