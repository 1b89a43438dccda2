import { mean, variance, Z90 } from "../numbers";
import { flyMeasured, flyOutcome, type Environment, type Slip } from "../recipes";
import { errorRanges, type PilotErrors } from "./errors";
import { LEAST_MEASURED, measuredEnough, type FittedMeasure, type MeasuredValues } from "./measured";
import { fitVariances } from "./variance-fit";
import { drawRun, scatterRuns, type ScatterPlan } from "./run";

/** The hands' part of the errors; the wind is the day's. */
const sources = ["timingS", "gain", "centring", "stickNoise"] as const;
/** An error of the hands that measured attempts may tell of. */
export type HandError = "lateS" | (typeof sources)[number];

/** A pilot's own hands, each error with the interval that holds nine in ten. */
export interface OwnErrors {
  readonly errors: PilotErrors;
  readonly low: Readonly<Record<HandError, number>>;
  readonly high: Readonly<Record<HandError, number>>;
}

/** Runs by which the model's spread of a measure is known to about a tenth. */
const USUAL_RUNS = 120;

/**
 * The errors of a pilot's hands that make the model scatter as their measured attempts do, with their intervals: the variances of the errors by
 * `fitVariances`, what the measures do not tell staying at `usual`; how late they are on the whole from the mean of the stops. Null where too little was measured.
 */
export function fitOwnErrors(
  plan: Omit<ScatterPlan, "errors">,
  usual: PilotErrors,
  measured: MeasuredValues,
  runs = USUAL_RUNS,
): OwnErrors | null {
  const names = measuredEnough(measured);
  if (names.length === 0) return null;
  const errorOf = (source: (typeof sources)[number], share: number) =>
    Math.min(errorRanges[source][1], usual[source] * Math.sqrt(share));
  const at = (shares: readonly number[]) =>
    Object.fromEntries(sources.map((source, k) => [source, errorOf(source, shares[k])])) as Record<
      (typeof sources)[number],
      number
    >;
  const seen = names.map((name) => ({ variance: variance(measured[name]!), values: measured[name]!.length }));
  const fit = fitVariances(
    sources.length,
    seen,
    (shares) => spreadsOf({ ...plan, errors: { ...usual, ...at(shares) } }, names, runs),
    runs,
  );
  if (!fit) return null;
  const own = { ...usual, ...at(fit.shares) };
  const late = fitLateness(plan, own, measured.stopErrorDeg ?? [], runs);
  return {
    errors: { ...own, lateS: late.lateS },
    low: { ...at(fit.low), lateS: late.low },
    high: { ...at(fit.high), lateS: late.high },
  };
}

/**
 * How late the hands are on the whole, s: by how much the mean of the measured stops is off the model's, over the degrees a second late costs there.
 * Drawn towards none as far as the mean is uncertain (a normal prior as wide as the hands' own timing, the posterior mean of a linear model); the interval is that of the mean itself.
 */
function fitLateness(
  plan: Omit<ScatterPlan, "errors">,
  own: PilotErrors,
  stopErrorsDeg: readonly number[],
  runs: number,
): { readonly lateS: number; readonly low: number; readonly high: number } {
  const nothingTold = { lateS: 0, low: -Z90 * own.timingS, high: Z90 * own.timingS };
  if (stopErrorsDeg.length < LEAST_MEASURED || own.timingS === 0) return nothingTold;
  const meanStopDeg = (lateS: number) =>
    mean(
      scatterRuns({ ...plan, errors: { ...own, lateS } }, 0, runs).flatMap(({ stopErrorDeg }) => stopErrorDeg ?? []),
    );
  // The same errors late as early: what they add cancels.
  const degPerS = (meanStopDeg(own.timingS) - meanStopDeg(-own.timingS)) / (2 * own.timingS);
  const uncertain = variance(stopErrorsDeg) * (1 / stopErrorsDeg.length + 1 / runs);
  const offDeg = mean(stopErrorsDeg) - meanStopDeg(0);
  const precision = degPerS ** 2 / uncertain + 1 / own.timingS ** 2;
  const lateS = (degPerS * offDeg) / uncertain / precision;
  if (!Number.isFinite(lateS) || degPerS === 0) return nothingTold;
  const [min, max] = errorRanges.lateS;
  const within = (value: number) => Math.min(max, Math.max(min, value));
  const seenS = offDeg / degPerS;
  const halfS = (Z90 * Math.sqrt(uncertain)) / Math.abs(degPerS);
  return {
    lateS: within(lateS),
    low: within(Math.min(lateS, seenS - halfS)),
    high: within(Math.max(lateS, seenS + halfS)),
  };
}

/** Variance of each measure over some runs of the model; null where hardly a run comes to it. */
function spreadsOf(plan: ScatterPlan, names: readonly FittedMeasure[], runs: number): readonly (number | null)[] {
  const brief = names.every((name) => name === "stopErrorDeg" || name === "heightLostM");
  const flights = Array.from({ length: runs }, (_, run) => {
    const { slips, environment } = drawRun(plan, run);
    return measuresOf(plan, environment, slips, brief);
  });
  return names.map((name) => {
    const values = flights.flatMap((measures) => measures[name] ?? []);
    return values.length < runs / 2 ? null : variance(values);
  });
}

/** The measures of one run; those that an outcome tells without the rest, where no other is asked for. */
function measuresOf(
  { recipe, airframe, settings }: ScatterPlan,
  environment: Environment,
  slips: readonly Slip[],
  brief: boolean,
): Readonly<Partial<Record<FittedMeasure, number | null>>> {
  if (!brief) return flyMeasured(recipe, airframe, settings, environment, slips).measures;
  const { stopErrorDeg, heightLostM } = flyOutcome(recipe, airframe, settings, environment, slips);
  return { stopErrorDeg, heightLostM };
}
