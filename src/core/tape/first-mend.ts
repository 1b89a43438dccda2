import { isSure, OPEN_THROTTLE, wantsClosed, type FoundTrick } from "./trick";

/** The one thing to mend first in a pack, with the figures that say so and the trick that shows it best. */
export type FirstMend =
  /** The throttle was open upside down: on the mean over so many of so many turns. */
  | {
      readonly kind: "throttle-open";
      readonly share: number;
      readonly count: number;
      readonly of: number;
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

/**
 * What to mend first, in the order in which one hides the next: a throttle that is open upside down costs height and pulls a turn off its place; then where turns
 * stop; then how they come to rest; then what they lean off by.
 */
export function firstMend(tricks: readonly FoundTrick[]): FirstMend {
  const sure = tricks.map((one, at) => ({ ...one, at })).filter(isSure);
  const turned = sure.filter(({ kind }) => TURNED.includes(kind));
  const open = worst(sure.filter(wantsClosed), ({ measures }) => measures.throttleInvertedMean ?? 0, OPEN_THROTTLE);
  if (open) return { kind: "throttle-open", share: open.mean, ...open.where };
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
