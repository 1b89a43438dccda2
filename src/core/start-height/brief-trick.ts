import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import {
  flyBrief,
  solveTrick,
  startHeightByFreezes,
  USUAL_FREEZE,
  type Environment,
  type FreezeMargins,
  type Recipe,
  type TrickBrief,
} from "../recipes";
import { usualErrors, type PilotErrors } from "../scatter";
import { startHeightByScatter } from "./scattered-heights";
import { START_HEIGHT_SEED, worseStartHeight } from "./start-height";

/** What the start height must cover: every freeze, and the hands; null leaves the hands out. */
export interface SafetyMargins extends FreezeMargins {
  readonly hands: PilotErrors | null;
}

/** Hands as usual where the first flips are learnt. */
const FIRST_FLIPS = 4;
export const USUAL_MARGINS: SafetyMargins = { ...USUAL_FREEZE, hands: usualErrors(FIRST_FLIPS) };

/**
 * Solves a trick for an aircraft and settings and flies it: the numbers of a brief. Its minimum start height covers every freeze and, with hands in the
 * margins, the fourth-largest height lost of 1,000 scattered flights, each on a full and on a nearly empty pack. With hands it costs seconds. Throws a
 * RangeError naming the field for input out of range.
 */
export function briefTrick(
  recipe: Recipe,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  margins: SafetyMargins = USUAL_MARGINS,
): TrickBrief {
  const solved = solveTrick(recipe, aircraft, settings, environment);
  let startHeight = startHeightByFreezes(solved, aircraft, settings, environment, margins);
  if (startHeight !== null && margins.hands !== null)
    startHeight = worseStartHeight(
      startHeight,
      startHeightByScatter({
        solved,
        airframe: aircraft,
        settings,
        environment,
        hands: margins.hands,
        seed: START_HEIGHT_SEED,
      }),
    );
  return flyBrief(solved, aircraft, settings, environment, startHeight, margins);
}
