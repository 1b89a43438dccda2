import { throttleExpoByFlying } from "../setup";
import { gridOf } from "./grid";
import type { Tape } from "./tape";

/** Where the throttle stands in flight. */
export interface ThrottleUse {
  /** Share of the time in which it is open, by tenths of the stick. */
  readonly tenths: readonly number[];
  /** The stick between which the middle half of that time lies. */
  readonly middleHalf: readonly [number, number];
}

const FLYING = 0.05;
const TENTHS = 10;

/** Where the throttle stands while it is open; null where it never is. */
export function throttleUse(tape: Tape): ThrottleUse | null {
  const { count, stick } = gridOf(tape);
  const open = Float32Array.from({ length: count }, (_, i) => stick.throttle[i])
    .filter((at) => at > FLYING)
    .sort();
  if (open.length === 0) return null;
  const tenths = new Array<number>(TENTHS).fill(0);
  for (const at of open) tenths[Math.min(TENTHS - 1, Math.floor(at * TENTHS))] += 1 / open.length;
  return { tenths, middleHalf: [open[Math.floor(0.25 * open.length)], open[Math.floor(0.75 * open.length)]] };
}

/** How much of the stick the middle half of the flying takes, at most, for each way of flying, softest first. Ours. */
const USED_UP_TO = [0.08, 0.16, 0.28, Infinity] as const;

/** The expo that goes with how much of the stick is used about the cruise: the less, the softer (`throttleExpoByFlying`). */
export function proposedExpo({ middleHalf: [low, high] }: ThrottleUse): (typeof throttleExpoByFlying)[number] {
  return throttleExpoByFlying[USED_UP_TO.findIndex((most) => high - low <= most)];
}
