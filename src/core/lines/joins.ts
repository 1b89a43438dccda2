import type { Airframe } from "../airframe";
import { STATE, type Settings } from "../flight";
import { DomainError } from "../numbers";
import { frameAhead, solveInTurn, startTrim, type Environment, type Recipe } from "../recipes";
import { endedClean } from "./clean";
import { flyLegs, type LineLeg } from "./fly-line";
import type { Join, Line } from "./line";
import { BEGINNING, placeAhead } from "./placed";
import { keptBySetup } from "./kept";

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
/** Height put back by a bridge is rounded up to whole metres. */
const LEAST_CLIMB_M = 1;
const MOST_CLIMB_M = 30;
/** And with so much more, where that is not enough. */
const MORE_CLIMB_M = 5;

/**
 * Whether one trick can be flown out of another: straight in, with a bridge, or never, and why in numbers. The first is begun at the environment's height as by
 * itself, worked out for that; the second is worked out for where it really begins. Kept by aircraft, settings and air.
 */
export function joins(
  from: Recipe,
  to: Recipe,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
): Joint {
  return keptBySetup(joints, aircraft, [from, to], settings, environment, MOST_JOINTS, () =>
    jointOf(from, to, aircraft, settings, environment),
  );
}

const MOST_JOINTS = 4000;
/** With the whole path of each. */
const MOST_FIRSTS = 60;
const joints = new WeakMap<Airframe, Map<string, Joint>>();
const firsts = new WeakMap<Airframe, Map<string, LineLeg>>();

function jointOf(from: Recipe, to: Recipe, aircraft: Airframe, settings: Settings, environment: Environment): Joint {
  const first = keptBySetup(firsts, aircraft, [from], settings, environment, MOST_FIRSTS, () => {
    const goals = from.solveFor.map(({ aim }) => aim);
    const { recipe } = solveInTurn(from, goals, aircraft, settings, environment);
    return flyLegs(lineOf(recipe, [], to, 1), aircraft, settings, environment)[0];
  });
  const { end, trace, measures } = first.flown;
  const { state } = startTrim(to, aircraft, settings, environment);
  const wantsSpeedMps = Math.hypot(state[STATE.vNorth], state[STATE.vEast]);
  const never = (why: "first" | "second"): Joint => ({
    kind: "never",
    why,
    exitSpeedMps: Math.hypot(end.body.state[STATE.vNorth], end.body.state[STATE.vEast]),
    exitHeightM: end.body.heightM,
    wantsSpeedMps,
  });
  if (!endedClean(first.recipe, measures)) return never("first");
  const place = placeAhead(BEGINNING, frameAhead(end), trace.timeS[trace.timeS.length - 1]);
  const fly = (bridge: readonly Join[]) =>
    flyLegs(lineOf(first.recipe, bridge, to), aircraft, settings, environment, {
      takenUp: { before: end, place, item: 1 },
    });
  if (
    goes(
      triedOrNone(() => fly([])),
      1,
    )
  )
    return { kind: "straight" };
  const speed: Join = wantsSpeedMps < 1 ? { kind: "hover", s: 0.5 } : { kind: "speed", mps: wantsSpeedMps };
  const lostM = Math.ceil(environment.entryHeightM - end.body.heightM);
  const climb = (m: number): readonly Join[] =>
    m >= LEAST_CLIMB_M ? [{ kind: "climb", m: Math.min(MOST_CLIMB_M, m) }] : [];
  const bridges: readonly (readonly Join[])[] = [
    [{ kind: "on", m: ON_M }],
    [speed],
    climb(lostM),
    [...climb(lostM), speed],
    [...climb(Math.max(0, lostM) + MORE_CLIMB_M), speed],
  ];
  const tried = new Map(
    bridges.filter((bridge) => bridge.length > 0).map((bridge) => [JSON.stringify(bridge), bridge]),
  );
  const found = [...tried.values()].flatMap((bridge) => {
    const legs = triedOrNone(() => fly(bridge));
    if (!goes(legs, bridge.length + 1)) return [];
    const between = legs.slice(0, -1);
    const s = between.reduce((sum, { flown }) => sum + flown.measures.durationS, 0);
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
    if (error instanceof DomainError) return [];
    throw error;
  }
}

const goes = (legs: readonly LineLeg[], items: number) =>
  legs.length === items && legs.every(({ recipe, problem, flown }) => !problem && endedClean(recipe, flown.measures));

function lineOf(from: Recipe, bridge: readonly Join[], to: Recipe, items = Infinity): Line {
  const all = [
    { kind: "trick", recipe: from },
    ...bridge.map((join) => ({ kind: "join", join }) as const),
    { kind: "trick", recipe: to },
  ] as const;
  return { id: "pair", label: "Pair", start: from.start, headingDeg: 0, anchors: [], items: all.slice(0, items) };
}
