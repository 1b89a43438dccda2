import type { Measures } from "../recipes";

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

/** Fewer measured values than this tell too little of a pilot's hands: their intervals would not hold the truth often enough. */
export const LEAST_MEASURED = 20;

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
