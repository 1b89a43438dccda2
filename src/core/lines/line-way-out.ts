import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import { flyOn, frameAhead, wayOut, type Environment } from "../recipes";
import { flyLegs, type LineLeg, type LineOptions } from "./fly-line";
import type { Line } from "./line";
import { placeAhead } from "./placed";

/** The way out of one item, and where the line goes on after it. */
export interface ItemWayOut {
  /** Seconds after the start of the line until which giving up still clears the ground and the anchors; null where nothing is met or nobody freezes. */
  readonly lastS: number | null;
  /** Height above the ground at that instant. */
  readonly lastHeightM: number | null;
  /** Place of the first later item from which the rest of the line still goes after a bail-out where the pilot catches the trick; null where none does. */
  readonly carryOnAt: number | null;
}

/** Seconds that nobody gets longer than to bail out. */
const LONGEST_BAIL_S = 8;

/** The way out of each item that is flown; nothing is worked out anew where the recipes are given. Input and errors as of `flyLine`. */
export function lineWayOut(
  line: Line,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  { planned: known }: Pick<LineOptions, "planned"> = {},
): readonly ItemWayOut[] {
  const legs = flyLegs(line, aircraft, settings, environment, { planned: known });
  const planned = legs.map(({ recipe }) => recipe);
  return legs.map((leg, i) => {
    const { recipe, place, going, environment: there } = leg;
    const last = recipe.freeze ? wayOut(recipe, aircraft, settings, there, going) : null;
    return {
      lastS: last && place.fromS + last.lastS,
      lastHeightM: last?.lastHeightM ?? null,
      carryOnAt: i === line.items.length - 1 ? null : carryOn(i),
    };
  });

  /** The first item after the bail-out of one from which all the rest still ends as planned. */
  function carryOn(i: number): number | null {
    const bailed = bailOut(legs[i], aircraft, settings);
    if (!bailed) return null;
    const { end, trace } = bailed;
    const before = {
      before: end,
      place: placeAhead(legs[i].place, frameAhead(end), trace.timeS[trace.timeS.length - 1]),
    };
    for (let item = i + 1; item < line.items.length; item++) {
      const rest = flyLegs(line, aircraft, settings, environment, {
        takenUp: { ...before, item },
        // What is flown as before is not worked out anew; out of the bail-out the first trick is.
        planned: planned.map((recipe, at) => (at === item ? undefined : recipe)),
      });
      if (rest.length === line.items.length - item && rest.every(({ flown }) => flown.measures.complete)) return item;
    }
    return null;
  }
}

/** An item given up as its catch begins, or half way through where it has none; null where that does not end in the air. */
function bailOut({ recipe, environment, going, flown }: LineLeg, aircraft: Airframe, settings: Settings) {
  if (recipe.abort.length === 0) return flown.measures.crashed ? null : flown;
  const caught = flown.events.find((event) => event.kind === "phase" && event.detail === recipe.freeze?.before);
  const { timeS } = flown.trace;
  const atS = caught?.timeS ?? 0.5 * timeS[timeS.length - 1];
  const phases = recipe.abort.map((phase) => ({ ...phase, maxS: Math.min(phase.maxS, LONGEST_BAIL_S) }));
  const bailed = flyOn(recipe, aircraft, settings, environment, { going, change: { atS, phases } });
  return bailed.events.some(({ kind }) => kind === "crash" || kind === "touchdown") ? null : bailed;
}
