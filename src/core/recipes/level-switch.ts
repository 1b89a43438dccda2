import { fullPower } from "./library/parts";
import type { Phase, Recipe, StickPlan } from "./recipe";
import { ANGLE_LOOP_PER_S } from "./stick-command";

/** The controller holds an angle without delay, as fast as the rates allow. */
const levels = (see: "bank" | "pitch"): StickPlan => ({
  kind: "eye",
  see,
  targetDeg: 0,
  gainPerS: ANGLE_LOOP_PER_S,
  delayS: 0,
});

const thrown: Phase = {
  id: "level-switch",
  label: "Centre the sticks, throw the switch that levels it",
  roll: levels("bank"),
  pitch: levels("pitch"),
  throttle: { kind: "hold", at: 0 },
  until: [{ kind: "upright", withinDeg: 40 }],
  maxS: 2.5,
};

/**
 * The same trick, given up by a switch that levels the aircraft instead of turning on. Only what turns over can be; everything else comes back as it is,
 * with full power as its way out.
 */
export function levelledBySwitch(recipe: Recipe): Recipe {
  return recipe.turn === null ? recipe : { ...recipe, abort: [thrown, fullPower] };
}
