import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import type { Environment } from "./environment";
import { fly, type Flight } from "./fly";
import { indexAt } from "./measures";
import type { Phase, Recipe } from "./recipe";

/** The end of the time in which the abort still works, if the pilot turns over but never catches. */
export interface WayOut {
  /** Seconds after closing the throttle. */
  readonly lastAfterCutS: number;
  /** Seconds after the trick should have been caught. */
  readonly lastAfterCatchS: number;
  /** Height above the ground at that instant. */
  readonly lastHeightM: number;
}

/** A flight whose pilot freezes instead of catching, and when the catch was due. */
export interface Uncaught {
  readonly flight: Flight;
  /** Seconds after the start at which the catch was due; null when the trick never came that far. */
  readonly catchS: number | null;
}

const FROZEN: Phase = {
  id: "frozen",
  label: "Nothing is done",
  throttle: { kind: "hold", at: 0 },
  until: [{ kind: "time", s: 8 }],
  maxS: 9,
};

/** The trick of a pilot who turns over and then does nothing, throttle closed. */
export function withoutCatch(recipe: Recipe): Recipe {
  const at = recipe.phases.findIndex((phase) => phase.id === recipe.turn?.catchPhase);
  return at < 0 ? recipe : { ...recipe, phases: [...recipe.phases.slice(0, at), FROZEN] };
}

/** Flies `withoutCatch` to the ground or for 8 s of falling. */
export function flyUncaught(
  recipe: Recipe,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
): Uncaught {
  const flight = fly(withoutCatch(recipe), aircraft, settings, environment);
  const due = flight.events.find((event) => event.kind === "phase" && event.detail === FROZEN.id);
  const stuck = flight.events.some((event) => event.kind === "phase-timeout" && event.detail !== FROZEN.id);
  return { flight, catchS: due && !stuck ? due.timeS : null };
}

/**
 * The last instant at which giving up still clears the ground, for a pilot who turns over but does not catch.
 * Null when the fall never reaches the ground, or when no instant after closing the throttle is early enough.
 */
export function wayOut(
  recipe: Recipe,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
): WayOut | null {
  const uncaught = flyUncaught(recipe, aircraft, settings, environment);
  const { trace, measures } = uncaught.flight;
  const cutS = measures.throttleClosedAtS;
  if (cutS === null || uncaught.catchS === null || trace.heightM[trace.timeS.length - 1] > 0) return null;
  const frozen = withoutCatch(recipe);
  const clears = (atS: number) => {
    const { events } = fly(frozen, aircraft, settings, environment, { atS, phases: recipe.abort });
    return !events.some((event) => event.kind === "crash" || event.kind === "touchdown");
  };
  let early = uncaught.catchS;
  let late = trace.timeS[trace.timeS.length - 1];
  if (!clears(early)) return null;
  while (late - early > 0.01) {
    const middle = 0.5 * (early + late);
    if (clears(middle)) early = middle;
    else late = middle;
  }
  return {
    lastAfterCutS: early - cutS,
    lastAfterCatchS: early - uncaught.catchS,
    lastHeightM: trace.heightM[indexAt(trace, early)],
  };
}
