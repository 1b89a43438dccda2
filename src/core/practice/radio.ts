import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import { sticksFlown, type Environment, type Recipe, type Slip } from "../recipes";
import type { StampedSticks } from "./sticks";

/**
 * A made-up radio: what the hands of the model do with a recipe, with their slips where there are some, read 500 times a second. By it drills are flown without
 * anybody, and a ghost shows its sticks.
 */
export function madeUpRadio(
  recipe: Recipe,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  slips: readonly Slip[] = [],
): readonly StampedSticks[] {
  const readings: StampedSticks[] = [];
  sticksFlown(recipe, aircraft, settings, environment, slips, (timeS, { roll, pitch, yaw, throttle }) =>
    readings.push({ timeS, roll, pitch, yaw, throttle }),
  );
  return readings;
}
