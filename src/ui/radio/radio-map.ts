import { isRecord } from "../device/device-storage";

/** What a radio's sticks are asked for, in the order in which they are found. */
export const radioSticks = ["throttle", "yaw", "pitch", "roll"] as const;
export type RadioStick = (typeof radioSticks)[number];

/** Where a stick is among the axes of a gamepad: what it reads at rest, and moved to the right, back or open. */
export interface RadioAxis {
  readonly index: number;
  readonly rest: number;
  readonly moved: number;
}
export type RadioMap = Readonly<Record<RadioStick, RadioAxis>>;

/** In the order in which many radios say their sticks, where nobody has moved them yet. */
export const usualRadio: RadioMap = {
  roll: { index: 0, rest: 0, moved: 1 },
  pitch: { index: 1, rest: 0, moved: 1 },
  throttle: { index: 2, rest: -1, moved: 1 },
  yaw: { index: 3, rest: 0, moved: 1 },
};

/** An axis that moved less than this was not the one that was asked for; and the next must not have moved half as far. */
const MOVED = 0.5;
const AMONG_OTHERS = 0.5;

/** The axis that was moved from where all stood; null where none was far enough, or two were. */
export function axisMoved(
  rest: readonly number[],
  now: readonly number[],
  taken: readonly number[] = [],
): RadioAxis | null {
  const moves = now
    .map((value, index) => ({ index, by: Math.abs(value - (rest[index] ?? 0)) }))
    .filter(({ index }) => !taken.includes(index))
    .sort((a, b) => b.by - a.by);
  const [first, second] = moves;
  if (!first || first.by < MOVED || (second && second.by > AMONG_OTHERS * first.by)) return null;
  return { index: first.index, rest: rest[first.index] ?? 0, moved: now[first.index] };
}

/** Within the ends, and no minus before a zero. */
const within = (value: number, low: number) => Math.max(low, Math.min(1, value)) + 0;

/** Where the sticks stand: roll right, pitch back, yaw right −1..1, throttle 0..1. What a radio does not say is at rest. */
export function sticksOf(map: RadioMap, axes: readonly number[]): Readonly<Record<RadioStick, number>> {
  const at = ({ index, rest, moved }: RadioAxis) => ((axes[index] ?? rest) - rest) / (moved - rest);
  return {
    roll: within(at(map.roll), -1),
    pitch: within(at(map.pitch), -1),
    yaw: within(at(map.yaw), -1),
    throttle: within(at(map.throttle), 0),
  };
}

/** What was kept of a radio; null for what is none. */
export function readRadioMap(kept: unknown): RadioMap | null {
  if (!isRecord(kept)) return null;
  const whole = radioSticks.every((stick) => {
    const axis = kept[stick];
    return (
      isRecord(axis) &&
      Number.isInteger(axis.index) &&
      [axis.rest, axis.moved].every((value) => typeof value === "number" && Math.abs(value) <= 1.5) &&
      axis.rest !== axis.moved
    );
  });
  return whole ? (kept as unknown as RadioMap) : null;
}
