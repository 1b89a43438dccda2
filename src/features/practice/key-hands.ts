import type { Sticks } from "@/core";

/** Keys for who has no radio: by their place on the board, whatever is printed on them. */
const handKeys = {
  throttleUp: "KeyW",
  throttleDown: "KeyS",
  yawLeft: "KeyA",
  yawRight: "KeyD",
  pitchForward: "ArrowUp",
  pitchBack: "ArrowDown",
  rollLeft: "ArrowLeft",
  rollRight: "ArrowRight",
} as const;
const known: ReadonlySet<string> = new Set(Object.values(handKeys));

export const isHandKey = (code: string): boolean => known.has(code);

/** A key held moves its stick as a thumb would, so fast, and let go it comes back, a second; the throttle stays where it is. Ours. */
const OUT_PER_S = 4;
const BACK_PER_S = 8;
const THROTTLE_PER_S = 0.9;

/** Where the sticks stand after a moment with some keys held. */
export function withKeys(sticks: Sticks, held: ReadonlySet<string>, elapsedS: number): Sticks {
  const axis = (value: number, less: string, more: string) => {
    const wanted = (held.has(more) ? 1 : 0) - (held.has(less) ? 1 : 0);
    const by = (wanted === 0 || wanted * value < 0 ? BACK_PER_S : OUT_PER_S) * elapsedS;
    return value < wanted ? Math.min(wanted, value + by) : Math.max(wanted, value - by);
  };
  const lift = (held.has(handKeys.throttleUp) ? 1 : 0) - (held.has(handKeys.throttleDown) ? 1 : 0);
  return {
    roll: axis(sticks.roll, handKeys.rollLeft, handKeys.rollRight),
    pitch: axis(sticks.pitch, handKeys.pitchForward, handKeys.pitchBack),
    yaw: axis(sticks.yaw, handKeys.yawLeft, handKeys.yawRight),
    throttle: Math.max(0, Math.min(1, sticks.throttle + lift * THROTTLE_PER_S * elapsedS)),
  };
}
