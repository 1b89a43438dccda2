import { DomainError } from "../numbers";
import { endedClean } from "./clean";
import type { LineLeg } from "./fly-line";
import type { Join } from "./line";

/** Flown on before anything else is tried, m. */
const ON_M = 8;
/** Height put back by a bridge is rounded up to whole metres. */
const LEAST_CLIMB_M = 1;
const MOST_CLIMB_M = 30;
/** And with so much more, where that is not enough. */
const MORE_CLIMB_M = 5;
const MORE_SINK_M = 2;
/** Slower than this, a trick begins standing. */
const STANDING_MPS = 1;

/** What a trick is short of where it would begin. */
interface Missing {
  /** Speed that it begins with by itself. */
  readonly speedMps: number;
  /** Height to be climbed. */
  readonly lostM: number;
  /** Height to be given away. */
  readonly overM?: number;
}

/** Joins that may let one trick be flown out of another, to be tried. */
export function bridgesFor({ speedMps, lostM, overM = 0 }: Missing): readonly (readonly Join[])[] {
  const speed: Join = speedMps < STANDING_MPS ? { kind: "hover", s: 0.5 } : { kind: "speed", mps: speedMps };
  const climb = (m: number): readonly Join[] =>
    Math.ceil(m) >= LEAST_CLIMB_M ? [{ kind: "climb", m: Math.min(MOST_CLIMB_M, Math.ceil(m)) }] : [];
  const sink = (m: number): readonly Join[] => [{ kind: "climb", m: -Math.min(MOST_CLIMB_M, Math.ceil(m)) }];
  const bridges: readonly (readonly Join[])[] =
    overM > 0
      ? [sink(overM), sink(overM + MORE_SINK_M), [...sink(overM), speed], [...sink(overM + MORE_SINK_M), speed]]
      : [
          [{ kind: "on", m: ON_M }],
          [speed],
          climb(lostM),
          climb(lostM + MORE_CLIMB_M / 2),
          [...climb(lostM), speed],
          [...climb(Math.max(0, lostM) + MORE_CLIMB_M), speed],
        ];
  const different = new Map(
    bridges.filter((bridge) => bridge.length > 0).map((bridge) => [JSON.stringify(bridge), bridge]),
  );
  return [...different.values()];
}

/** Whether so many items were flown, each of them clean. */
export const goes = (legs: readonly LineLeg[], items: number): boolean =>
  legs.length === items && legs.every(({ recipe, problem, flown }) => !problem && endedClean(recipe, flown.measures));

/** Seconds and metres over the ground that joins take. */
export function takenBy(joins: readonly LineLeg[]): { readonly s: number; readonly m: number } {
  const sum = (of: (leg: LineLeg["flown"]["measures"]) => number) =>
    joins.reduce((all, { flown }) => all + of(flown.measures), 0);
  return {
    s: sum(({ durationS }) => durationS),
    m: sum(({ alongM, acrossM }) => Math.hypot(alongM, acrossM)),
  };
}

/** A bridge that this aircraft cannot fly is none. */
export function triedOrNone(fly: () => readonly LineLeg[]): readonly LineLeg[] {
  try {
    return fly();
  } catch (error) {
    if (error instanceof DomainError) return [];
    throw error;
  }
}
