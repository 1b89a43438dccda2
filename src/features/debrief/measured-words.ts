import { counted, isCounted, measureText, measureSides, measureWords, type UnitSystem } from "@/words";
import { attemptMeasures, type AttemptMeasure } from "@/core";
import type { LoggedAttempt } from "@/contract";

/** What was measured on some attempts, a line for each measure: "stop error 8° past on average, 6 measured". */
export function measuredWords(
  attempts: readonly Pick<LoggedAttempt, "measured">[],
  units: UnitSystem,
): readonly string[] {
  return attemptMeasures.flatMap((name) => {
    const values = attempts.flatMap(({ measured }) => measured[name] ?? []);
    if (values.length === 0) return [];
    if (isCounted(name)) {
      const all = values.reduce((sum, one) => sum + one, 0);
      return [`${measureWords[name]}: ${all} in ${counted(values.length, "attempt")}`];
    }
    const mean = values.reduce((sum, one) => sum + one, 0) / values.length;
    return [`${measureWords[name]} ${sizeOf(name, mean, units)} on average, ${values.length} measured`];
  });
}

function sizeOf(name: AttemptMeasure, value: number, units: UnitSystem): string {
  const sides = measureSides[name];
  const text = measureText(name, sides ? Math.abs(value) : value, units);
  // What rounds to nothing is on neither side.
  const side = sides && Number.parseFloat(text) !== 0 ? ` ${sides[value < 0 ? 0 : 1]}` : "";
  return `${text}${side}`;
}
