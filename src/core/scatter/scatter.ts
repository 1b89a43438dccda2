import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import { requireNumber, requireWhole } from "../numbers";
import type { Environment, Recipe } from "../recipes";
import { USUAL_STOP_DEG, NO_ERRORS, usualErrors, type PilotErrors } from "./errors";
import { scatterRuns, type ScatterRun } from "./run";
import { summarise, type ScatterSummary } from "./summary";

export interface ScatterOptions {
  /** How hands and air stray; what is left out is none. Left out altogether: as usual where the first flips are learnt. */
  readonly errors?: Partial<PilotErrors>;
  /** 1 to 100,000. */
  readonly runs?: number;
  readonly seed?: number;
  /** Furthest the stop may miss to be clean, °; null where any stop will do. Left out: 15° for what is turned over and stopped. */
  readonly stopWithinDeg?: number | null;
  /** Share of runs allowed below the height margin. */
  readonly risk?: number;
}

const FIRST_FLIPS = 4;
/**
 * Flies a recipe as it stands many times with seeded errors of the hands and the wind, and says how forgiving it is: the share clean with its interval, the
 * spread of the stop, the height kept at a risk and what went wrong, with every run. The same seed gives the same answer. Throws a DomainError naming
 * the field for input out of range.
 */
export function scatter(
  recipe: Recipe,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  { errors, runs = 200, seed = 1, stopWithinDeg, risk = 0.01 }: ScatterOptions = {},
): ScatterSummary & { readonly flights: readonly ScatterRun[] } {
  requireWhole("runs", runs, 1, 100_000);
  if (stopWithinDeg != null) requireNumber("stopWithinDeg", stopWithinDeg, 0, 360);
  const plan = {
    recipe,
    airframe: aircraft,
    settings,
    environment,
    errors: errors ? { ...NO_ERRORS, ...errors } : usualErrors(FIRST_FLIPS),
    stopWithinDeg: stopWithinDeg === undefined ? (recipe.turn ? USUAL_STOP_DEG : null) : stopWithinDeg,
    seed,
  };
  const flights = scatterRuns(plan, 0, runs);
  return { ...summarise(flights, risk), flights };
}
