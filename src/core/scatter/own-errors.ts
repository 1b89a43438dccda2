import { nonNegativeLeastSquares } from "../numbers";
import { fly, type Measures } from "../recipes";
import { errorRanges, NO_ERRORS, type PilotErrors } from "./errors";
import { drawRun, scatterRuns, type ScatterPlan } from "./run";

/** What is measured on attempts and in flights of the model alike. */
export const fittedMeasures = [
  "stopErrorDeg",
  "bounceBackDeg",
  "viewOffPathDeg",
  "horizonLeanDeg",
  "heightLostM",
] as const satisfies readonly (keyof Measures)[];
export type FittedMeasure = (typeof fittedMeasures)[number];
/** Values measured on attempts, by what was measured. */
export type MeasuredValues = Readonly<Partial<Record<FittedMeasure, readonly number[]>>>;
/** The same, by the direction they were flown in. */
export type MeasuredByDirection = Readonly<Record<string, MeasuredValues>>;

/** Fewer measured values than this tell nothing of a pilot's hands. Ours. */
export const LEAST_MEASURED = 8;

/** What was measured on some attempts. */
export function measuredOn(
  attempts: readonly { readonly direction: string; readonly measured?: Readonly<Partial<Record<string, number>>> }[],
): MeasuredByDirection {
  const valuesIn = (direction: string, name: FittedMeasure) =>
    attempts.flatMap((one) => (one.direction === direction ? (one.measured?.[name] ?? []) : []));
  return Object.fromEntries(
    [...new Set(attempts.map(({ direction }) => direction))].map((direction) => [
      direction,
      Object.fromEntries(fittedMeasures.map((name) => [name, valuesIn(direction, name)])),
    ]),
  );
}

/** What tells of the hands in one direction: what was measured in it, where that is enough, else in all of them together. */
export const measuredIn = (measured: MeasuredByDirection, direction: string): MeasuredValues =>
  Object.fromEntries(
    fittedMeasures.map((name) => {
      const own = measured[direction]?.[name] ?? [];
      return [
        name,
        own.length >= LEAST_MEASURED ? own : Object.values(measured).flatMap((values) => values[name] ?? []),
      ];
    }),
  );

/** The measures of which enough values are known. */
export const measuredEnough = (measured: MeasuredValues): readonly FittedMeasure[] =>
  fittedMeasures.filter((name) => (measured[name]?.length ?? 0) >= LEAST_MEASURED);

/** The hands' part of the errors; the wind is the day's. */
const sources = ["timingS", "gain", "centring", "stickNoise"] as const;
/** Runs by which the model's spread of a measure is known to about a tenth. */
const RUNS = 60;
/** Runs by which the model's mean of the stops is known to about a tenth of their spread. */
const MEAN_RUNS = 120;
/** How far the variance of an error is thought to be from the usual, as a share of it, before anything is measured. Ours. */
const DOUBT = 4;

/**
 * The errors of a pilot's hands that make the model scatter as their measured attempts do. To first order the variance of a measure is the sum of what
 * each independent error adds to it, so the variances of the errors follow by least squares, none of them negative: each measured variance weighs by
 * its own standard error, v·√(2/(n−1)) of a normal sample, and what the measures do not tell stays at `usual`. How late they are on the whole follows from
 * the mean of the stops. Null where too little was measured.
 */
export function fitOwnErrors(
  plan: Omit<ScatterPlan, "errors">,
  usual: PilotErrors,
  measured: MeasuredValues,
): PilotErrors | null {
  const names = measuredEnough(measured);
  if (names.length === 0) return null;
  const varianceOf = (errors: PilotErrors) => spreadsOf({ ...plan, errors }, names);
  const wind = varianceOf({ ...NO_ERRORS, windMps: usual.windMps });
  const added = sources.map((source) => varianceOf({ ...NO_ERRORS, [source]: usual[source] }));
  const rows = names.flatMap((name, m) => {
    const values = measured[name]!;
    const seen = variance(values);
    const modelled = wind[m] === null || added.some((one) => one[m] === null);
    // A measure that the model does not come to, or that never varied, says nothing.
    if (modelled || seen === 0) return [];
    const standardError = seen * Math.sqrt(2 / (values.length - 1));
    return [
      {
        columns: added.map((one) => one[m]! / standardError),
        target: Math.max(0, seen - wind[m]!) / standardError,
      },
    ];
  });
  if (rows.length === 0) return null;
  const columns = sources.map((_, k) => [
    ...rows.map((row) => row.columns[k]),
    ...sources.map((__, other) => (other === k ? 1 / DOUBT : 0)),
  ]);
  const target = [...rows.map((row) => row.target), ...sources.map(() => 1 / DOUBT)];
  const { coefficients } = nonNegativeLeastSquares(columns, target);
  const own = { ...usual };
  sources.forEach((source, k) => {
    own[source] = Math.min(errorRanges[source][1], usual[source] * Math.sqrt(coefficients[k]));
  });
  return { ...own, lateS: fitLateness(plan, own, measured.stopErrorDeg ?? []) };
}

/**
 * How late the hands are on the whole, s: by how much the mean of the measured stops is off the model's, over the degrees a second late costs there.
 * Drawn towards none as far as the mean is uncertain (a normal prior as wide as the hands' own timing, the posterior mean of a linear model).
 */
function fitLateness(plan: Omit<ScatterPlan, "errors">, own: PilotErrors, stopErrorsDeg: readonly number[]): number {
  if (stopErrorsDeg.length < LEAST_MEASURED || own.timingS === 0) return 0;
  const meanStopDeg = (lateS: number, runs: number) =>
    mean(
      scatterRuns({ ...plan, errors: { ...own, lateS } }, 0, runs).flatMap(({ stopErrorDeg }) => stopErrorDeg ?? []),
    );
  // The same errors late as early: what they add cancels.
  const degPerS = (meanStopDeg(own.timingS, RUNS) - meanStopDeg(-own.timingS, RUNS)) / (2 * own.timingS);
  const uncertain = variance(stopErrorsDeg) * (1 / stopErrorsDeg.length + 1 / MEAN_RUNS);
  const offDeg = mean(stopErrorsDeg) - meanStopDeg(0, MEAN_RUNS);
  const lateS = (degPerS * offDeg) / (degPerS ** 2 + uncertain / own.timingS ** 2);
  const [min, max] = errorRanges.lateS;
  return Number.isFinite(lateS) ? Math.min(max, Math.max(min, lateS)) : 0;
}

/** Variance of each measure over some runs of the model; null where hardly a run comes to it. */
function spreadsOf(plan: ScatterPlan, names: readonly FittedMeasure[]): readonly (number | null)[] {
  const flights = Array.from({ length: RUNS }, (_, run) => {
    const { slips, environment } = drawRun(plan, run);
    return fly(plan.recipe, plan.airframe, plan.settings, environment, undefined, slips).measures;
  });
  return names.map((name) => {
    const values = flights.flatMap((measures) => measures[name] ?? []);
    return values.length < RUNS / 2 ? null : variance(values);
  });
}

const mean = (values: readonly number[]) => values.reduce((sum, one) => sum + one, 0) / values.length;

function variance(values: readonly number[]): number {
  const middle = mean(values);
  return values.reduce((sum, one) => sum + (one - middle) ** 2, 0) / (values.length - 1);
}
