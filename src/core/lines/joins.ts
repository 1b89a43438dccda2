import type { Airframe } from "../airframe";
import { STATE, type Settings } from "../flight";
import { solveInTurn, startTrim, type Environment, type Recipe } from "../recipes";
import { endedClean } from "./clean";
import { flyLegs, type LineLeg } from "./fly-line";
import type { Join, Line } from "./line";

/** What it takes to fly one trick out of another. */
export type Joint =
  | { readonly kind: "straight" }
  /** The shortest joins between them with which the second still ends clean, and what they take. */
  | { readonly kind: "bridge"; readonly joins: readonly Join[]; readonly s: number; readonly m: number }
  /** Not even so: whether the first or the second does not go, and how it was left. */
  | {
      readonly kind: "never";
      readonly why: "first" | "second";
      readonly exitSpeedMps: number;
      readonly exitHeightM: number;
      readonly wantsSpeedMps: number;
    };

/** Flown on before anything else is tried, m. */
const ON_M = 8;
/** Height put back by a bridge is rounded up to this, m. */
const CLIMB_STEP_M = 1;
const LEAST_CLIMB_M = 1;
const MOST_CLIMB_M = 30;

/**
 * Whether one trick can be flown out of another: straight in, with a bridge, or never, and why in numbers. Begun at the environment's height with the first
 * trick's own start; what the second works out is worked out from where it really begins.
 */
export function joins(
  from: Recipe,
  to: Recipe,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
): Joint {
  const goals = from.solveFor.map(({ aim }) => aim);
  const { recipe: begun } = solveInTurn(from, goals, aircraft, settings, environment);
  const fly = (bridge: readonly Join[]) => flyLegs(lineOf(begun, bridge, to), aircraft, settings, environment);
  const straight = fly([]);
  const [first, second] = straight;
  if (goes(straight, 2)) return { kind: "straight" };
  const { state } = startTrim(to, aircraft, settings, environment);
  const wantsSpeedMps = Math.hypot(state[STATE.vNorth], state[STATE.vEast]);
  const left = first.flown.end.body;
  const speedMps = Math.hypot(left.state[STATE.vNorth], left.state[STATE.vEast]);
  const never = (why: "first" | "second"): Joint => ({
    kind: "never",
    why,
    exitSpeedMps: speedMps,
    exitHeightM: left.heightM,
    wantsSpeedMps,
  });
  if (!endedClean(first.recipe, first.flown.measures)) return never("first");
  const speed: Join = wantsSpeedMps < 1 ? { kind: "hover", s: 0.5 } : { kind: "speed", mps: wantsSpeedMps };
  // What it went too low by, and the height that the first trick took.
  const shortM = Math.max(0, environment.entryHeightM - left.heightM);
  const lowM = second?.flown.measures.crashed ? Math.max(shortM, LEAST_CLIMB_M) : shortM;
  const climbM = Math.min(MOST_CLIMB_M, CLIMB_STEP_M * Math.ceil(lowM / CLIMB_STEP_M));
  const climb: readonly Join[] = climbM >= LEAST_CLIMB_M ? [{ kind: "climb", m: climbM }] : [];
  const bridges: readonly (readonly Join[])[] = [
    [{ kind: "on", m: ON_M }],
    [speed],
    ...(climb.length > 0 ? [climb, [...climb, speed]] : []),
    [{ kind: "climb", m: Math.min(MOST_CLIMB_M, climbM + 5) }, speed],
  ];
  const found = bridges.flatMap((bridge) => {
    const legs = triedOrNone(() => fly(bridge));
    if (!goes(legs, bridge.length + 2)) return [];
    const between = legs.slice(1, -1);
    const s = between.reduce((sum, { flown }) => sum + (flown.trace.timeS.at(-1) ?? 0), 0);
    const m = between.reduce((sum, { flown }) => sum + Math.hypot(flown.measures.alongM, flown.measures.acrossM), 0);
    return [{ kind: "bridge", joins: bridge, s, m } as const];
  });
  return found.sort((a, b) => a.s - b.s)[0] ?? never("second");
}

/** A bridge that this aircraft cannot fly is none. */
function triedOrNone(fly: () => readonly LineLeg[]): readonly LineLeg[] {
  try {
    return fly();
  } catch (error) {
    if (error instanceof RangeError) return [];
    throw error;
  }
}

const goes = (legs: readonly LineLeg[], items: number) =>
  legs.length === items && legs.every(({ recipe, problem, flown }) => !problem && endedClean(recipe, flown.measures));

const lineOf = (from: Recipe, bridge: readonly Join[], to: Recipe): Line => ({
  id: "pair",
  label: "Pair",
  start: from.start,
  headingDeg: 0,
  anchors: [],
  items: [
    { kind: "trick", recipe: from },
    ...bridge.map((join) => ({ kind: "join", join }) as const),
    { kind: "trick", recipe: to },
  ],
});
