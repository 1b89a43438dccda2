import { mean } from "../numbers";
import type { TapeAxis } from "./tape";
import { gatheredWobbles, type Wobble } from "./wobbles";
import { isSure, OPEN_THROTTLE, wantsClosed, type FoundTrick } from "./trick";

/** The one thing to mend first in a pack, with the figures that say so and the trick that shows it best. */
export type FirstMend =
  /** The machine wobbles by itself, for so long in all. */
  | { readonly kind: "machine-wobble"; readonly axis: TapeAxis; readonly hz: number; readonly forS: number }
  /** The throttle was open upside down: on the mean over so many of so many turns. */
  | {
      readonly kind: "throttle-open";
      readonly share: number;
      readonly count: number;
      readonly of: number;
      readonly trick: number;
    }
  /** Turns one way end off the mark, the same the other way do not: means of both, ° past. */
  | {
      readonly kind: "one-sided";
      readonly direction: FoundTrick["direction"];
      readonly deg: number;
      readonly otherDeg: number;
      readonly count: number;
      readonly trick: number;
    }
  /** Turns end too far, or too early, by so much on the mean. */
  | {
      readonly kind: "stops-past" | "stops-short";
      readonly deg: number;
      readonly count: number;
      readonly of: number;
      readonly trick: number;
    }
  /** Turns are stopped hard and swing back. */
  | {
      readonly kind: "swings-back";
      readonly deg: number;
      readonly count: number;
      readonly of: number;
      readonly trick: number;
    }
  /** Turns lean off their axis. */
  | {
      readonly kind: "leans-off";
      readonly deg: number;
      readonly count: number;
      readonly of: number;
      readonly trick: number;
    }
  | { readonly kind: "nothing"; readonly of: number };

const TURNED: readonly FoundTrick["kind"][] = ["flip", "roll"];
/** From where on something is off, and in which share of the turns it has to be. Common practice, no source. */
const STOP_DEG = 12;
const SWING_DEG = 9;
const LEAN_DEG = 25;
const OFTEN = 0.3;
/** One side is sound within this, and each was flown so often. */
const SOUND_DEG = 8;
const EACH_WAY = 2;
const SHAKES_S = 10;

/**
 * What to mend first, in the order in which one hides the next: a machine that shakes is looked at before it flies again; a throttle that is open upside down costs height and pulls a turn off its place; then where turns
 * stop; then how they come to rest; then what they lean off by.
 */
export function firstMend(tricks: readonly FoundTrick[], wobbles: readonly Wobble[] = []): FirstMend {
  const shaking = longestShake(wobbles);
  if (shaking) return shaking;
  const sure = tricks.map((one, at) => ({ ...one, at })).filter(isSure);
  const turned = sure.filter(({ kind }) => TURNED.includes(kind));
  const open = worst(sure.filter(wantsClosed), ({ measures }) => measures.throttleInvertedMean ?? 0, OPEN_THROTTLE);
  if (open) return { kind: "throttle-open", share: open.mean, ...open.where };
  const side = worseSide(turned);
  if (side) return side;
  const past = worst(turned, ({ measures }) => measures.stopErrorDeg, STOP_DEG);
  const short = worst(turned, ({ measures }) => -measures.stopErrorDeg, STOP_DEG);
  if (past && (!short || past.where.count >= short.where.count))
    return { kind: "stops-past", deg: past.mean, ...past.where };
  if (short) return { kind: "stops-short", deg: short.mean, ...short.where };
  const swings = worst(turned, ({ measures }) => measures.swingBackDeg, SWING_DEG);
  if (swings) return { kind: "swings-back", deg: swings.mean, ...swings.where };
  const leans = worst(turned, ({ measures }) => measures.leanOffDeg, LEAN_DEG);
  if (leans) return { kind: "leans-off", deg: leans.mean, ...leans.where };
  return { kind: "nothing", of: sure.length };
}

/** The wobble of the machine that goes on longest, where it goes on for long enough. */
function longestShake(wobbles: readonly Wobble[]): FirstMend | null {
  const [longest] = gatheredWobbles(wobbles)
    .filter(({ cause, forS }) => cause === "machine" && forS >= SHAKES_S)
    .sort((a, b) => b.forS - a.forS);
  return longest ? { kind: "machine-wobble", axis: longest.axis, hz: longest.hz, forS: longest.forS } : null;
}

/** Of two ways of the same turn, flown at least twice each, the one that ends off the mark while the other does not. */
function worseSide(turned: readonly (FoundTrick & { readonly at: number })[]): FirstMend | null {
  for (const kind of TURNED) {
    const ways = new Map<string, (FoundTrick & { readonly at: number })[]>();
    for (const one of turned) if (one.kind === kind) ways.set(one.direction, [...(ways.get(one.direction) ?? []), one]);
    const [a, b] = [...ways.values()]
      .filter((way) => way.length >= EACH_WAY)
      .sort((one, other) => Math.abs(meanStop(other)) - Math.abs(meanStop(one)));
    if (!b || Math.abs(meanStop(a)) < STOP_DEG || Math.abs(meanStop(b)) > SOUND_DEG) continue;
    const furthest = a.reduce((x, y) => (missOf(y) > missOf(x) ? y : x));
    const where = { direction: furthest.direction, count: a.length, trick: furthest.at };
    return { kind: "one-sided", deg: meanStop(a), otherDeg: meanStop(b), ...where };
  }
  return null;
}
const meanStop = (way: readonly FoundTrick[]) => mean(way.map(({ measures }) => measures.stopErrorDeg));
const missOf = ({ measures }: FoundTrick) => Math.abs(measures.stopErrorDeg);

/** Over all that is off: its mean, how many, and the worst of them; null where it is off too seldom. */
function worst<One extends FoundTrick & { readonly at: number }>(
  all: readonly One[],
  measure: (one: One) => number,
  from: number,
) {
  const off = all.filter((one) => measure(one) >= from);
  if (off.length === 0 || off.length < OFTEN * all.length) return null;
  const most = off.reduce((a, b) => (measure(b) > measure(a) ? b : a));
  return {
    mean: off.reduce((sum, one) => sum + measure(one), 0) / off.length,
    where: { count: off.length, of: all.length, trick: most.at },
  };
}
