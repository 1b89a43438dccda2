import type { Airframe } from "../airframe";
import { coarseDay, type DayAir } from "../atmosphere";
import type { Settings } from "../flight";
import { DEG_PER_RAD } from "../numbers";
import { highUp } from "./brief";
import { environmentOn, type Environment } from "./environment";
import { fly } from "./fly";
import type { Recipe } from "./recipe";
import { startTrim } from "./start-trim";

/** What the wind of a day does to a trick that is begun facing it. */
export interface WindAdvice {
  /** How far the wind carries it back while it is flown facing the wind, m. */
  readonly driftM: number;
  /** How far to the side with the wind across, m. */
  readonly sideDriftM: number;
  /** How far into the wind the nose points on a straight line across it, °; null for a trick from the hover, or where the wind is faster. */
  readonly crabDeg: number | null;
}

/**
 * Flies a solved recipe in still air, into the wind and across it, high up. Into the wind is the way to face: the speed over the ground is least, and what
 * drifts, drifts back to where it came from. The crab angle is that of the wind triangle, sin = wind / air speed. Null in a calm, and for a trick that is about a side wind. Throws a DomainError as
 * `fly` does.
 */
export function windAdvice(recipe: Recipe, aircraft: Airframe, settings: Settings, day: DayAir): WindAdvice | null {
  const { windMps } = coarseDay(day);
  // A trick across the wind brings its own, and is flown in that alone.
  if (windMps === 0 || recipe.sideWindMps !== undefined) return null;
  const endIn = (environment: Environment) =>
    fly({ ...recipe, obstacles: [] }, aircraft, settings, highUp(environment)).measures;
  const still = endIn(environmentOn({ ...day, windMps: 0 }));
  const into = endIn(environmentOn(day));
  const across = endIn(environmentOn(day, "wind-from-left"));
  const { trimSpeedMps } = startTrim(recipe, aircraft, settings, environmentOn({ ...day, windMps: 0 })).figures;
  const share = trimSpeedMps > 0.5 ? windMps / trimSpeedMps : null;
  return {
    driftM: still.alongM - into.alongM,
    sideDriftM: Math.abs(across.acrossM - still.acrossM),
    crabDeg: share !== null && share < 1 ? DEG_PER_RAD * Math.asin(share) : null,
  };
}
