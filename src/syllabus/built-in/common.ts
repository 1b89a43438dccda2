import type { Direction, Fault } from "../types";

export const sides: readonly Direction[] = [
  { id: "right", name: "right" },
  { id: "left", name: "left" },
];
export const ways: readonly Direction[] = [
  { id: "back", name: "backward" },
  { id: "front", name: "forward" },
];
/** A step that is flown one way only. */
/** Lines count by how many tricks are joined. */
export const lineLengths: readonly Direction[] = [
  { id: "two", name: "two tricks" },
  { id: "three", name: "three tricks" },
  { id: "five", name: "five tricks" },
];
export const oneWay: readonly Direction[] = [{ id: "on", name: "one way" }];

export const toSides = (recipe: string) => ({ right: `${recipe}-right`, left: `${recipe}-left` });
export const toWays = (recipe: string) => ({ back: `${recipe}-back`, front: `${recipe}-front` });
export const alone = (recipe: string) => ({ on: recipe });

/** The usual cautions, shown with every skill. Common practice, no source. */
export const usualCautions: readonly string[] = [
  "Nobody inside the working area; an observer beside the pilot in goggles.",
  "Soft ground underneath: no water, no asphalt or rock, no roof, tree or far side of a fence it could not be fetched from.",
  "New or repaired aircraft: first flight by eye, not goggles. After any contact, land: props, arms and camera tilt are checked before the next try.",
  "Land with a reserve in the pack; nothing new begins in its last quarter.",
  "Arm switch drilled until automatic; in trouble low down, disarm.",
  "Local height limits and rules come first. This program advises; licensed instructors and local law decide.",
];

/** In goggles. */
export const goggleCautions: readonly string[] = [
  ...usualCautions,
  "If the picture breaks up, stop the trick and climb out level; if it goes black, disarm. Nobody flies on blind.",
];

/** Where the throttle is closed in the air. */
export const closedThrottleCautions: readonly string[] = [
  ...goggleCautions,
  "The motors idle with the throttle closed, they never stop: a setting that stops them in the air takes the control with it.",
];

/** Faults seen at more than one trick. */
export const faults = {
  lowAndHasty: {
    id: "begun-low",
    short: "started too low",
    sees: "The ground fills the picture before the turn is over",
    cue: "Climb first, look at the height, then begin. Height costs nothing while learning.",
  },
  throttleOpen: {
    id: "throttle-open",
    short: "throttle left open",
    sees: "It is driven sideways or downward in the turn",
    cue: "Close the throttle before the first degree of turn, and count a beat.",
  },
  swungBack: {
    id: "swung-back",
    short: "swung back",
    sees: "The picture swings back and forth after the stop",
    cue: "Centre and leave it. A correction thrown at it looks like a badly tuned aircraft.",
  },
  horizonLeans: {
    id: "horizon-leans",
    short: "horizon leans",
    sees: "The horizon comes back leaning, or tumbles on the way",
    cue: "The thumb moved across as well: push along a straight line, and look at the horizon, not at the ground.",
  },
  overshot: {
    id: "turned-too-far",
    short: "turned too far",
    sees: "It goes past where it should have stopped",
    cue: "Centre earlier, and change nothing else.",
  },
  stoppedShort: {
    id: "stopped-short",
    short: "stopped short",
    sees: "It stops before it is all the way round",
    cue: "Hold on a moment longer; centre when the mark is already near.",
  },
  lostHeight: {
    id: "lost-height",
    short: "lost height",
    sees: "It ends lower than it began",
    cue: "Open the throttle as the horizon comes back, not after.",
  },
  wandered: {
    id: "off-the-line",
    short: "off the line",
    sees: "It leaves the line it came in on",
    cue: "Choose a mark far off before you begin, and find the same mark again at the end.",
  },
} as const satisfies Record<string, Fault>;
