import { DomainError } from "../numbers";
import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import type { Environment } from "./environment";
import { flyOn, flyOutcome, type Flight } from "./fly";
import type { GoingOn } from "./under-way";
import { withParameters, type Phase, type Recipe } from "./recipe";
import { indexAt } from "./trace";

/** The end of the time in which the abort still works, if the pilot freezes where the recipe says. */
export interface WayOut {
  /** Seconds after the start. */
  readonly lastS: number;
  /** Seconds after closing the throttle; null when it never is. */
  readonly lastAfterCutS: number | null;
  /** Seconds after the trick should have been caught. */
  readonly lastAfterCatchS: number;
  /** Height above the ground, and way along the line of entry, at that instant. */
  readonly lastHeightM: number;
  readonly lastAlongM: number;
  /** The path of who freezes, from when the catch was due to that instant: m along, across and above the ground. */
  readonly frozenPath: readonly (readonly [alongM: number, acrossM: number, heightM: number])[];
}

/** A flight whose pilot freezes instead of catching, and when the catch was due. */
export interface Uncaught {
  readonly flight: Flight;
  /** Seconds after the start at which the catch was due; null when the trick never came that far. */
  readonly catchS: number | null;
}

/** Nothing is done for as long as it takes to hit the ground. */
export const FROZEN: Phase = {
  id: "frozen",
  label: "Nothing is done",
  throttle: { kind: "hold", at: 0 },
  until: [{ kind: "time", s: 8 }],
  maxS: 9,
};

/** The trick of a pilot who freezes where the recipe says: turned over with the throttle closed, or flying on towards the wall. */
export function withoutCatch(recipe: Recipe): Recipe {
  const { freeze } = recipe;
  const at = recipe.phases.findIndex((phase) => phase.id === freeze?.before);
  const frozen = freeze?.instead ? { ...freeze.instead, id: FROZEN.id } : FROZEN;
  return at < 0 ? recipe : { ...recipe, phases: [...recipe.phases.slice(0, at), frozen] };
}

/** Flies `withoutCatch` to the ground or for 8 s of falling; on from `going` where that is given. */
export function flyUncaught(
  recipe: Recipe,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  going?: GoingOn,
): Uncaught {
  const { obstacles, trace, events, measures, looksAt } = flyOn(withoutCatch(recipe), aircraft, settings, environment, {
    going,
  });
  const flight: Flight = { obstacles, trace, events, measures, looksAt };
  const due = flight.events.find((event) => event.kind === "phase" && event.detail === FROZEN.id);
  const stuck = flight.events.some((event) => event.kind === "phase-timeout" && event.detail !== FROZEN.id);
  return { flight, catchS: due && !stuck ? due.timeS : null };
}

/**
 * The last instant at which giving up still clears the ground and what stands about, for a pilot who freezes where the recipe says.
 * Null when nothing is met, when the recipe names no such place, or when no instant is early enough. Flown on from `going` where that is given.
 */
export function wayOut(
  recipe: Recipe,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  going?: GoingOn,
): WayOut | null {
  const uncaught = flyUncaught(recipe, aircraft, settings, environment, going);
  const { trace, measures, events } = uncaught.flight;
  const cutS = measures.throttleClosedAtS;
  if (uncaught.catchS === null || !events.some(({ kind }) => kind === "crash" || kind === "touchdown")) return null;
  const frozen = withoutCatch(recipe);
  const clears = (atS: number) => {
    const change = { atS, phases: recipe.abort };
    const tried = flyOutcome(frozen, aircraft, settings, environment, [], { going, change });
    return !tried.events.some((event) => event.kind === "crash" || event.kind === "touchdown");
  };
  let early = uncaught.catchS;
  let late = trace.timeS[trace.timeS.length - 1];
  if (!clears(early)) return null;
  while (late - early > 0.01) {
    const middle = 0.5 * (early + late);
    if (clears(middle)) early = middle;
    else late = middle;
  }
  const [from, to] = [indexAt(trace, uncaught.catchS), indexAt(trace, early)];
  return {
    frozenPath: Array.from({ length: to - from + 1 }, (_, i) => [
      trace.northM[from + i],
      trace.eastM[from + i],
      trace.heightM[from + i],
    ]),
    lastS: early,
    lastAfterCutS: cutS === null ? null : early - cutS,
    lastAfterCatchS: early - uncaught.catchS,
    lastHeightM: trace.heightM[to],
    lastAlongM: trace.northM[to],
  };
}

/** What is left at another speed of approach. */
export interface SpeedMargin {
  readonly speedMps: number;
  /** Seconds and metres between the last instant of the way out and the obstacle met by who does nothing; null when it is too late already. */
  readonly leftS: number | null;
  readonly leftM: number | null;
  /** Seconds between when the brake was due and the last instant: what may be spent on reacting. */
  readonly reactionS: number | null;
}

/** Steps of the speed range that are compared. */
const SPEEDS = 6;

/** Approach speed against the time to react, for a recipe that flies at something; null for one that does not. */
export function marginsBySpeed(
  recipe: Recipe,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
): readonly SpeedMargin[] | null {
  const { start, parameters, freeze } = recipe;
  if (start.kind !== "level" || typeof start.speedMps !== "object" || !("param" in start.speedMps)) return null;
  const { param } = start.speedMps;
  const speed = parameters[param];
  if (!freeze?.instead) return null;
  return Array.from({ length: SPEEDS }, (_, i) => {
    const speedMps = speed.min + ((speed.max - speed.min) * i) / (SPEEDS - 1);
    const nothing = { speedMps, leftS: null, leftM: null, reactionS: null };
    try {
      const tried = withParameters(recipe, { [param]: speedMps });
      const last = wayOut(tried, aircraft, settings, environment);
      if (!last) return nothing;
      const { trace } = flyUncaught(tried, aircraft, settings, environment).flight;
      const end = trace.timeS.length - 1;
      return {
        speedMps,
        leftS: trace.timeS[end] - last.lastS,
        leftM: trace.northM[end] - last.lastAlongM,
        reactionS: last.lastAfterCatchS,
      };
    } catch (error) {
      // Faster than this aircraft flies.
      if (error instanceof DomainError) return nothing;
      throw error;
    }
  });
}
