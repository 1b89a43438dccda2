import type { Airframe } from "../airframe";
import { STATE, type Settings } from "../flight";
import { frameAhead, solveInTurn, type Environment, type Recipe } from "../recipes";
import { ownSpeedMps } from "./begun";
import { bridgesFor, goes, takenBy, triedOrNone } from "./bridges";
import { flyLegs, type LineLeg } from "./fly-line";
import { figuresOf, type Join, type Line } from "./line";
import { BEGINNING, placeAhead } from "./placed";
import { keptBySetup } from "./kept";

/** What it takes to fly one trick out of another. */
export type Joint =
  | { readonly kind: "straight"; readonly figures: JointFigures }
  /** The shortest joins between them with which the second still ends clean, and what they take. */
  | {
      readonly kind: "bridge";
      readonly joins: readonly Join[];
      readonly s: number;
      readonly m: number;
      readonly figures: JointFigures;
    }
  /** The first or the second does not even go by itself. */
  | { readonly kind: "never"; readonly why: "first" | "second" }
  /** Not even so, and how the first was left. */
  | {
      readonly kind: "never";
      readonly why: "joint";
      readonly exitSpeedMps: number;
      readonly exitHeightM: number;
      readonly wantsSpeedMps: number;
    };

/** Parameters as they were worked out: of the first by itself, of the second where it really begins. */
export interface JointFigures {
  readonly from: Readonly<Record<string, number>>;
  readonly to: Readonly<Record<string, number>>;
}

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
const MOST_FLIGHTS = 60;
const joints = new WeakMap<Airframe, Map<string, Joint>>();
const flights = new WeakMap<Airframe, Map<string, readonly LineLeg[]>>();

function jointOf(from: Recipe, to: Recipe, aircraft: Airframe, settings: Settings, environment: Environment): Joint {
  const [first] = flownAlone(from, aircraft, settings, environment);
  if (!first || !goes([first], 1)) return { kind: "never", why: "first" };
  const { end, trace } = first.flown;
  const place = placeAhead(BEGINNING, frameAhead(end), trace.timeS[trace.timeS.length - 1]);
  const fly = (bridge: readonly Join[]) =>
    triedOrNone(() =>
      flyLegs(lineOf(first.recipe, bridge, to), aircraft, settings, environment, {
        takenUp: { before: end, place, item: 1 },
      }),
    );
  const figures = (legs: readonly LineLeg[]): JointFigures => ({
    from: figuresOf(first.recipe),
    to: figuresOf(legs[legs.length - 1].recipe),
  });
  const straight = fly([]);
  if (goes(straight, 1)) return { kind: "straight", figures: figures(straight) };
  if (!goes(flownAlone(to, aircraft, settings, environment), 1)) return { kind: "never", why: "second" };
  const wantsSpeedMps = ownSpeedMps(to, aircraft, settings, environment);
  const lostM = environment.entryHeightM - end.body.heightM;
  const found = bridgesFor({ speedMps: wantsSpeedMps, lostM }).flatMap((bridge) => {
    const legs = fly(bridge);
    if (!goes(legs, bridge.length + 1)) return [];
    return [{ kind: "bridge", joins: bridge, ...takenBy(legs.slice(0, -1)), figures: figures(legs) } as const];
  });
  const { vNorth, vEast } = STATE;
  return (
    found.sort((a, b) => a.s - b.s)[0] ?? {
      kind: "never",
      why: "joint",
      exitSpeedMps: Math.hypot(end.body.state[vNorth], end.body.state[vEast]),
      exitHeightM: end.body.heightM,
      wantsSpeedMps,
    }
  );
}

/** A trick by itself, worked out for its own start; none that this aircraft cannot begin. */
function flownAlone(
  asked: Recipe,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
): readonly LineLeg[] {
  return keptBySetup(flights, aircraft, [asked], settings, environment, MOST_FLIGHTS, () =>
    triedOrNone(() => {
      const goals = asked.solveFor.map(({ aim }) => aim);
      const { recipe } = solveInTurn(asked, goals, aircraft, settings, environment);
      return flyLegs(lineOf(recipe, [], recipe, 1), aircraft, settings, environment);
    }),
  );
}

function lineOf(from: Recipe, bridge: readonly Join[], to: Recipe, items = Infinity): Line {
  const all = [
    { kind: "trick", recipe: from },
    ...bridge.map((join) => ({ kind: "join", join }) as const),
    { kind: "trick", recipe: to },
  ] as const;
  return { id: "pair", label: "Pair", start: from.start, headingDeg: 0, anchors: [], items: all.slice(0, items) };
}
