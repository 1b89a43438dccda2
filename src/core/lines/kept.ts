import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import type { Environment, Recipe } from "../recipes";

const MOST_KEPT = 4000;

/** What is worked out from recipes with an aircraft, settings and air, kept until the aircraft is forgotten. */
export function keptBySetup<T>(
  all: WeakMap<Airframe, Map<string, T>>,
  aircraft: Airframe,
  recipes: readonly Recipe[],
  settings: Settings,
  environment: Environment,
  make: () => T,
): T {
  let kept = all.get(aircraft);
  if (!kept) all.set(aircraft, (kept = new Map()));
  const key = JSON.stringify([recipes, settings, environment]);
  const known = kept.get(key);
  if (known !== undefined) return known;
  const made = make();
  if (kept.size >= MOST_KEPT) kept.clear();
  kept.set(key, made);
  return made;
}
