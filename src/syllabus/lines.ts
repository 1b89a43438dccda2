import type { Step } from "./types";

/** The step whose attempts are tries at lines. */
export const LINES_STEP = "lines";

/** Fewest tricks of a line that counts in each direction of the step, the longest first. */
const lengths = [
  ["five", 5],
  ["three", 3],
  ["two", 0],
] as const;

/** In which direction of a step a line of so many tricks counts; the first one where the step does not tell lines apart by their length. */
export function lineDirection({ directions }: Pick<Step, "directions">, tricks: number): string {
  const counted = lengths.find(([id, least]) => tricks >= least && directions.some((one) => one.id === id));
  return counted?.[0] ?? directions[0].id;
}
