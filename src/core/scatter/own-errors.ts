import { nonNegativeLeastSquares } from "../numbers";
import { fly, type Measures } from "../recipes";
import { errorRanges, NO_ERRORS, type PilotErrors } from "./errors";
import { drawRun, type ScatterPlan } from "./run";

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

/** Fewer measured values than this tell nothing of a pilot's hands. Ours. */
export const LEAST_MEASURED = 8;

/** What was measured on some attempts, by what was measured. */
export const measuredOn = (
  attempts: readonly { readonly measured?: Readonly<Partial<Record<string, number>>> }[],
): MeasuredValues =>
  Object.fromEntries(fittedMeasures.map((name) => [name, attempts.flatMap(({ measured }) => measured?.[name] ?? [])]));

/** The measures of which enough values are known. */
export const measuredEnough = (measured: MeasuredValues): readonly FittedMeasure[] =>
  fittedMeasures.filter((name) => (measured[name]?.length ?? 0) >= LEAST_MEASURED);

/** The hands' part of the errors; the wind is the day's. */
const sources = ["timingS", "gain", "centring", "stickNoise"] as const;
/** Runs by which the model's spread of a measure is known to about a tenth. */
const RUNS = 60;
/** How far the variance of an error is thought to be from the usual, as a share of it, before anything is measured. Ours. */
const DOUBT = 4;

/**
 * The errors of a pilot's hands that make the model scatter as their measured attempts do. To first order the variance of a measure is the sum of what
 * each independent error adds to it, so the variances of the errors follow by least squares, none of them negative: each measured variance weighs by
 * its own standard error, v·√(2/(n−1)) of a normal sample, and what the measures do not tell stays at `usual`. Null where too little was measured.
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
  return own;
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

function variance(values: readonly number[]): number {
  const mean = values.reduce((sum, one) => sum + one, 0) / values.length;
  return values.reduce((sum, one) => sum + (one - mean) ** 2, 0) / (values.length - 1);
}
