import { numeral, measureSides, measureWords, unitOf } from "@/words";
import { attemptMeasures, type AttemptMeasure } from "@/core";
import type { LoggedAttempt } from "@/contract";

/** What was measured on some attempts, a line for each measure: "stop error 8° past on average, 6 measured". */
export function measuredWords(attempts: readonly Pick<LoggedAttempt, "measured">[]): readonly string[] {
  return attemptMeasures.flatMap((name) => {
    const values = attempts.flatMap(({ measured }) => measured[name] ?? []);
    if (values.length === 0) return [];
    const mean = values.reduce((sum, one) => sum + one, 0) / values.length;
    return [`${measureWords[name]} ${sizeOf(name, mean)} on average, ${values.length} measured`];
  });
}

function sizeOf(name: AttemptMeasure, value: number): string {
  const sides = measureSides[name];
  const text = numeral(sides ? Math.abs(value) : value, unitOf(name) === " m" ? 1 : 0);
  // What rounds to nothing is on neither side.
  const side = sides && Number(text) !== 0 ? ` ${sides[value < 0 ? 0 : 1]}` : "";
  return `${text}${unitOf(name)}${side}`;
}
