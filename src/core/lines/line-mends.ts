import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import { frameAhead, type Environment } from "../recipes";
import { ownSpeedMps } from "./begun";
import { bridgesFor, goes, takenBy, triedOrNone } from "./bridges";
import { withFirstWorkedOut } from "./first-trick";
import { flyLegs } from "./fly-line";
import { lineFreezes } from "./line-start-height";
import { recipeOf, type Join, type Line } from "./line";
import { placeAhead } from "./placed";

/** Joins that are put in before an item so that it holds, and what they take. */
export interface LineMend {
  readonly joins: readonly Join[];
  readonly s: number;
  readonly m: number;
}

/** What an item is to keep to besides ending clean. */
export interface MendLimits {
  /** Height above the ground that it wants where it begins, m; null where any will do. */
  readonly wantsM?: number | null;
  readonly ceilingM?: number | null;
  /** By how much it now goes over the ceiling, m. */
  readonly overM?: number;
}

const MOST_MENDS = 3;

/**
 * What can be put in before the item at a place so that it holds: every mend has been flown, from where the line leaves what comes before. The shortest
 * first, at most three; none where nothing helps, or the line does not get so far. Input and errors as of `flyLine`.
 */
export function lineMends(
  asked: Line,
  item: number,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  { wantsM = null, ceilingM = null, overM = 0 }: MendLimits = {},
): readonly LineMend[] {
  const to = asked.items[item];
  if (item === 0 || to?.kind !== "trick") return [];
  const line = withFirstWorkedOut(asked, aircraft, settings, environment);
  const before = flyLegs({ ...line, items: line.items.slice(0, item) }, aircraft, settings, environment);
  const last = before[before.length - 1];
  if (before.length < item) return [];
  const { end, trace } = last.flown;
  const place = placeAhead(last.place, frameAhead(end), trace.timeS[trace.timeS.length - 1]);
  const recipe = recipeOf(to, `items[${item}]`);
  const entryHeightM = line.entryHeightM ?? environment.entryHeightM;
  const bridges = bridgesFor({
    speedMps: ownSpeedMps(recipe, aircraft, settings, environment),
    lostM: (wantsM ?? entryHeightM) - end.body.heightM,
    overM,
  });
  const tried = bridges.flatMap((joins): (LineMend & { readonly mended: Line })[] => {
    const between = joins.map((join) => ({ kind: "join", join }) as const);
    const mended: Line = { ...line, items: [...line.items.slice(0, item), ...between, to] };
    const legs = triedOrNone(() =>
      flyLegs(mended, aircraft, settings, environment, { takenUp: { before: end, place, item } }),
    );
    if (!goes(legs, joins.length + 1)) return [];
    if (ceilingM !== null && legs.some(({ flown }) => flown.trace.heightM.some((heightM) => heightM > ceilingM)))
      return [];
    return [{ joins, ...takenBy(legs.slice(0, -1)), mended }];
  });
  const found: LineMend[] = [];
  for (const { mended, ...mend } of tried.sort((one, other) => one.s - other.s)) {
    if (found.length >= MOST_MENDS) break;
    if (wantsM === null || highEnough(mended)) found.push(mend);
  }
  return found;

  /** Entered otherwise a trick may want another height, so that is worked out again. */
  function highEnough(mended: Line): boolean {
    const wants = lineFreezes(mended, aircraft, settings, environment)?.wantsM ?? [];
    const legs = flyLegs(mended, aircraft, settings, environment);
    return legs[legs.length - 1].environment.entryHeightM >= (wants[mended.items.length - 1] ?? 0);
  }
}
