import type { FoundTrick } from "@/core";

/** From where on a stop is off, and far off, °; and a throttle open. Common practice, no source. */
const OFF_DEG = 10;
const FAR_DEG = 18;
const OPEN = 0.08;

const TURNED: readonly FoundTrick["kind"][] = ["flip", "roll", "hang"];

/** Whether something of a trick wants mending. */
export const isOff = (trick: FoundTrick): boolean => toneOf(trick) !== "shoal" && toneOf(trick) !== "ink";

/** In which ink a trick is marked: unsure ones as text is. */
export function toneOf({ kind, confidence, measures }: FoundTrick): "ink" | "shoal" | "ochreText" | "buoyText" {
  if (confidence < 0.5 || !TURNED.includes(kind)) return "ink";
  const stop = Math.abs(measures.stopErrorDeg);
  // A roll stops better with the throttle a little up.
  const open = kind !== "roll" && (measures.throttleInvertedMean ?? 0) >= OPEN;
  if (stop >= FAR_DEG || open) return "buoyText";
  return stop >= OFF_DEG ? "ochreText" : "shoal";
}
