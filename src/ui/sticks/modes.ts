export type StickAxis = "roll" | "pitch" | "yaw" | "throttle";

/** Which axes a hand moves, sideways and up. */
export interface Hand {
  readonly sideways: "roll" | "yaw";
  readonly upright: "pitch" | "throttle";
}

/** Left and right hand in each stick mode (common practice, no source). */
export const stickModes: Readonly<Record<number, { readonly left: Hand; readonly right: Hand }>> = {
  1: { left: { sideways: "yaw", upright: "pitch" }, right: { sideways: "roll", upright: "throttle" } },
  2: { left: { sideways: "yaw", upright: "throttle" }, right: { sideways: "roll", upright: "pitch" } },
  3: { left: { sideways: "roll", upright: "pitch" }, right: { sideways: "yaw", upright: "throttle" } },
  4: { left: { sideways: "roll", upright: "throttle" }, right: { sideways: "yaw", upright: "pitch" } },
};

/** Which hand rolls and which yaws in a stick mode. They are never the same. */
export function handsFor(stickMode: number): { readonly roll: "left" | "right"; readonly yaw: "left" | "right" } {
  return stickModes[stickMode].left.sideways === "roll"
    ? { roll: "left", yaw: "right" }
    : { roll: "right", yaw: "left" };
}

/** Positions of all four sticks: roll right, pitch back and yaw right positive −1..1, throttle 0..1. */
export interface StickPositions {
  readonly roll: number;
  readonly pitch: number;
  readonly yaw: number;
  readonly throttle: number;
}

/** Where a hand's stick stands on its dial: x right, y up, each −1..1. Pitch back is a stick pulled down. */
export function onDial(hand: Hand, sticks: StickPositions): { x: number; y: number } {
  return { x: sticks[hand.sideways], y: hand.upright === "throttle" ? 2 * sticks.throttle - 1 : -sticks.pitch };
}

/** What a hand moves, in words. */
export function handName(hand: Hand): string {
  const axes = [hand.upright, hand.sideways];
  return `${capital(axes[0])} and ${axes[1]}`;
}
import { capital } from "@/words";
