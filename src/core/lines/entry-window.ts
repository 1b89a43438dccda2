import type { Airframe } from "../airframe";
import { fromEuler, toEuler } from "../attitude";
import { STATE, type Settings } from "../flight";
import {
  flyOn,
  frameAhead,
  highUp,
  solveInTurn,
  startTrim,
  type Environment,
  type Recipe,
  type UnderWay,
} from "../recipes";
import { trimUnderWay } from "./begun";
import { endedClean } from "./clean";
import { keptBySetup } from "./kept";

/** From the least to the most of a figure with which a trick still ends clean, the others as in its own start. */
export type Range = readonly [least: number, most: number];

/** How a trick may be entered. */
export interface EntryWindow {
  /** Over the ground along the nose, m/s. */
  readonly speedMps: Range;
  readonly climbMps: Range;
  readonly pitchDeg: Range;
  readonly bankDeg: Range;
  /** Least height above the ground, by what it loses; there is no most. */
  readonly leastHeightM: number;
}

interface Entry {
  readonly speedMps: number;
  readonly climbMps: number;
  readonly pitchDeg: number;
  readonly bankDeg: number;
}

/** How far from its own start a window is looked for, and how finely. */
const reach = {
  speedMps: { down: 20, up: 20, fine: 0.25 },
  climbMps: { down: 6, up: 8, fine: 0.25 },
  pitchDeg: { down: 60, up: 60, fine: 1 },
  bankDeg: { down: 90, up: 90, fine: 1 },
} as const satisfies Record<keyof Entry, { down: number; up: number; fine: number }>;

const MOST_KEPT = 400;
const windows = new WeakMap<Airframe, Map<string, EntryWindow | null>>();

/**
 * How far speed, climb, pitch and bank may be from a trick's own start, one at a time, for it still to end clean: what is worked out is worked out again from
 * there. Bisected outward from its own start to 0.25 m/s and 1°; kept by aircraft, recipe, settings and air. Null for a trick that does not even end clean there.
 */
export function entryWindow(
  recipe: Recipe,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
): EntryWindow | null {
  const high = highUp(environment);
  return keptBySetup(windows, aircraft, [recipe], settings, high, MOST_KEPT, () =>
    findWindow({ ...recipe, obstacles: [] }, aircraft, settings, high),
  );
}

function findWindow(recipe: Recipe, aircraft: Airframe, settings: Settings, high: Environment): EntryWindow | null {
  const own = ownEntry(recipe, aircraft, settings, high);
  const goals = recipe.solveFor.map(({ aim }) => aim);
  const solved = solveInTurn(recipe, goals, aircraft, settings, high);
  const lostM = lossFrom(own);
  if (solved.problem || lostM === null) return null;
  const range = (figure: keyof Entry): Range => [edge(figure, -1), edge(figure, 1)];
  return {
    speedMps: range("speedMps"),
    climbMps: range("climbMps"),
    pitchDeg: range("pitchDeg"),
    bankDeg: range("bankDeg"),
    leastHeightM: lostM,
  };

  /** The furthest one way at which it still ends clean. */
  function edge(figure: keyof Entry, way: 1 | -1): number {
    const { up, down, fine } = reach[figure];
    const least = figure === "speedMps" ? 0 : -Infinity;
    const at = (off: number) => Math.max(least, own[figure] + way * off);
    let good = 0;
    let bad: number = way > 0 ? up : down;
    if (lossFrom({ ...own, [figure]: at(bad) }) !== null) return at(bad);
    while (bad - good > fine) {
      const middle = 0.5 * (good + bad);
      if (lossFrom({ ...own, [figure]: at(middle) }) !== null) good = middle;
      else bad = middle;
    }
    return at(good);
  }

  /** Height lost by the trick begun so, as it is worked out for its own start or else anew; null where it does not end clean. */
  function lossFrom(entry: Entry): number | null {
    const before = begunWith(recipe, entry, aircraft, settings, high);
    const going = { from: before, frame: frameAhead(before), entryHeightM: high.entryHeightM };
    const flown = (tried: Recipe) => {
      const { measures } = flyOn(tried, aircraft, settings, high, { going });
      return endedClean(tried, measures) ? measures.heightLostM : null;
    };
    const asItIs = flown(solved.recipe);
    if (asItIs !== null) return asItIs;
    const anew = solveInTurn(recipe, goals, aircraft, settings, high, going);
    return anew.problem ? null : flown(anew.recipe);
  }
}

function ownEntry(recipe: Recipe, aircraft: Airframe, settings: Settings, high: Environment): Entry {
  const { state } = startTrim(recipe, aircraft, settings, high);
  const { qw, qx, qy, qz, vNorth, vEast, vDown } = STATE;
  const { pitchDeg, rollDeg } = toEuler({ w: state[qw], x: state[qx], y: state[qy], z: state[qz] });
  return { speedMps: Math.hypot(state[vNorth], state[vEast]), climbMps: -state[vDown], pitchDeg, bankDeg: rollDeg };
}

/** A flight under way that stands as a trick's own start does, but for how it is entered. */
function begunWith(
  recipe: Recipe,
  { speedMps, climbMps, pitchDeg, bankDeg }: Entry,
  aircraft: Airframe,
  settings: Settings,
  high: Environment,
): UnderWay {
  const end = trimUnderWay(recipe, aircraft, settings, high);
  const { state } = end.body;
  const { w, x, y, z } = fromEuler({ yawDeg: 0, pitchDeg, rollDeg: bankDeg });
  const share = speedMps / Math.hypot(state[STATE.vNorth], state[STATE.vEast]);
  state.set([w, x, y, z], STATE.qw);
  // The direction stays; what stood goes straight ahead.
  state[STATE.vNorth] = Number.isFinite(share) ? state[STATE.vNorth] * share : speedMps;
  state[STATE.vEast] = Number.isFinite(share) ? state[STATE.vEast] * share : 0;
  state[STATE.vDown] = -climbMps;
  return end;
}
