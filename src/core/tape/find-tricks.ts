import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import type { AxisRates } from "../rates";
import { findByTurning } from "./find-by-turning";
import { modelWay } from "./model-way";
import type { Tape } from "./tape";
import { isSure, type FoundTrick } from "./trick";

/** With what a recording was flown. */
export interface FlownBy {
  readonly rates: AxisRates;
  readonly tiltDeg: number;
  /** With both of them what the turning leaves unsure is held against what the model flies. */
  readonly aircraft?: Airframe;
  readonly settings?: Settings;
}

/** As like the model's own flight as this, an unsure trick is what it is called. Ours: of seven kinds each is 0.97 like itself. */
const ALIKE = 0.85;
/** Of how sure likeness makes one: never as sure as the turning itself. */
const BY_LIKENESS = 0.7;

/**
 * The tricks of a recording in the order of time: from the turning itself (`findByTurning`), and where that leaves one unsure, by its likeness to what the
 * model flies with the aircraft and settings, where they are given.
 */
export function findTricks(tape: Tape, { rates, aircraft, settings }: FlownBy): FoundTrick[] {
  const found = findByTurning(tape, rates);
  if (!aircraft || !settings) return found;
  return found.map((trick) => byLikeness(trick, { airframe: aircraft, settings }));
}

/** The same trick, surer where the model flies its like. */
export function byLikeness(
  trick: FoundTrick,
  by: { readonly airframe: Airframe; readonly settings: Settings },
): FoundTrick {
  if (isSure(trick)) return trick;
  const likeness = modelWay(trick, by)?.likeness ?? 0;
  return likeness < ALIKE ? trick : { ...trick, confidence: Math.max(trick.confidence, BY_LIKENESS * likeness) };
}
