import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import type { Environment, Recipe } from "../recipes";

/** What is worked out from recipes with an aircraft, settings and air, kept until the aircraft is forgotten or there are `most`. */
export function keptBySetup<T>(
  all: WeakMap<Airframe, Map<string, T>>,
  aircraft: Airframe,
  recipes: readonly Recipe[],
  settings: Settings,
  environment: Environment,
  most: number,
  make: () => T,
): T {
  let kept = all.get(aircraft);
  if (!kept) all.set(aircraft, (kept = new Map()));
  const key = JSON.stringify([recipes, settings, environment]);
  const known = kept.get(key);
  if (known !== undefined) return known;
  const made = make();
  if (kept.size >= most) kept.clear();
  kept.set(key, made);
  return made;
}
