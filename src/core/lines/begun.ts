import type { Airframe } from "../airframe";
import { STATE, type Settings } from "../flight";
import { flyOn, startTrim, type Environment, type Recipe, type UnderWay } from "../recipes";

/** The trim that a recipe, or the start of one, begins with, as a flight under way: nothing of it has been flown yet. */
export function trimUnderWay(
  { start, parameters }: Pick<Recipe, "start" | "parameters">,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
): UnderWay {
  const standing: Recipe = {
    id: "start",
    label: "Start",
    start,
    parameters,
    phases: [
      { id: "start", label: "Start", throttle: { kind: "sustained" }, until: [{ kind: "time", s: 0 }], maxS: 1 },
    ],
    turn: null,
    solveFor: [],
    abort: [],
    slip: {},
  };
  return flyOn(standing, aircraft, settings, environment, {}).end;
}

/** Speed over the ground with which a trick begins by itself. */
export function ownSpeedMps(recipe: Recipe, aircraft: Airframe, settings: Settings, environment: Environment): number {
  const { state } = startTrim(recipe, aircraft, settings, environment);
  return Math.hypot(state[STATE.vNorth], state[STATE.vEast]);
}
