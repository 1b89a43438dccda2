import { endsRound, isSure, OPEN_THROTTLE, wantsClosed, type FoundTrick } from "@/core";

/** From where on a stop is off, and far off, °. Common practice, no source. */
const OFF_DEG = 10;
const FAR_DEG = 18;

/** Whether something of a trick wants mending. */
export const isOff = (trick: FoundTrick): boolean => ["ochreText", "buoyText"].includes(toneOf(trick));

/** In which ink a trick is marked: unsure ones as text is. */
export function toneOf(trick: FoundTrick): "ink" | "shoal" | "ochreText" | "buoyText" {
  if (!isSure(trick) || !(endsRound(trick) || wantsClosed(trick))) return "ink";
  const { stopErrorDeg, throttleInvertedMean } = trick.measures;
  const stop = endsRound(trick) ? Math.abs(stopErrorDeg) : 0;
  const open = wantsClosed(trick) && (throttleInvertedMean ?? 0) >= OPEN_THROTTLE;
  if (stop >= FAR_DEG || open) return "buoyText";
  return stop >= OFF_DEG ? "ochreText" : "shoal";
}
