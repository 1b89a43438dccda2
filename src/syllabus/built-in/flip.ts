import { toWays, closedThrottleCautions, ways } from "./common";
import type { Fault } from "../types";
import type { SkillText, StepText } from "./text";

const faults = {
  skyAtStop: {
    id: "sky-at-stop",
    short: "stopped on sky",
    sees: "Sky in view at the stop",
    cue: {
      back: "You went past: centre earlier, and change nothing else.",
      front: "You stopped short: centre later, and change nothing else.",
    },
  },
  groundAtStop: {
    id: "ground-at-stop",
    short: "stopped on ground",
    sees: "Ground in view at the stop",
    cue: {
      back: "You stopped short: centre later; the horizon comes in at the top of the picture and moves down.",
      front: "You went past: centre earlier; the horizon comes in at the bottom of the picture and moves up.",
    },
  },
  swungBack: {
    id: "swung-back",
    short: "swung back",
    sees: "The picture swings back and forth after the stop",
    cue: "Centre and leave it. A correction thrown at it looks like a badly tuned aircraft.",
  },
  dropped: {
    id: "dropped",
    short: "lost height",
    sees: "It comes round low, or ends below where it began",
    cue: "Punch longer before you close; the height is made before the turn, never in it.",
  },
  looped: {
    id: "looped",
    short: "looped out",
    sees: "It travels round in an arc instead of turning on the spot",
    cue: "The throttle was still open: close, count a beat, then turn.",
  },
  rolledOff: {
    id: "rolled-off",
    short: "came out banked",
    sees: "The horizon comes back leaning",
    cue: "The thumb moved across as well: push along a straight line, loosen the grip.",
  },
} as const satisfies Record<string, Fault>;

const common = {
  directions: ways,
  wayOut: "Keep the stick in until you are upright, then full power and level. Never push back against the turn.",
  turnsOver: { axis: "pitch", endRateDps: [600, 800] },
} as const;

const steps: readonly StepText[] = [
  {
    ...common,
    id: "flip-slow",
    name: "Slow flip",
    aim: "Climb, close, and let it come round slowly enough to watch all of it.",
    drill: [
      "Hover well above the entry height below, nose into the wind.",
      "Punch straight up, close the throttle, wait a beat.",
      "Feed in a little pitch and hold it; watch for the horizon to come back.",
      "Centre as it nears the middle, then open to the hover.",
    ],
    clean: "stops within 15° of where it began, no more than one correction",
    stopWithinDeg: 15,
    faults: [faults.skyAtStop, faults.groundAtStop, faults.dropped, faults.looped, faults.rolledOff],
    recipeFor: toWays("flip-slow"),
  },
  {
    ...common,
    id: "flip-ease-quarter",
    name: "Flip, ease the last quarter",
    aim: "Fast for three quarters, slow for the last: the stop comes to you.",
    drill: [
      "Same climb, same closed throttle.",
      "Stick right in for three quarters of the turn.",
      "Let it out smoothly through the last quarter.",
      "Centre on the horizon and open to the hover.",
    ],
    clean: "stops within 15°, the last quarter visibly slower",
    stopWithinDeg: 15,
    faults: [faults.skyAtStop, faults.groundAtStop, faults.swungBack, faults.dropped, faults.looped],
    recipeFor: toWays("flip-ease-quarter"),
  },
  {
    ...common,
    id: "flip-one-move",
    name: "Flip in one movement",
    aim: "One push, one release: stop by feel, before the eye could tell you.",
    drill: [
      "Climb and close as before; less height is needed, the turn is quicker.",
      "Stick right in and out again in one movement.",
      "Release before the horizon is there: the aircraft carries on turning.",
      "Leave the sticks alone for a beat, then open to the hover.",
    ],
    clean: "stops within 15° with a single stick movement",
    stopWithinDeg: 15,
    faults: [faults.skyAtStop, faults.groundAtStop, faults.swungBack, faults.rolledOff, faults.looped],
    recipeFor: toWays("flip-one-move"),
  },
  {
    ...common,
    id: "flip-ease-end",
    name: "Flip, ease only the end",
    aim: "Full speed nearly all the way, and still no swing at the stop.",
    drill: [
      "Climb and close as before.",
      "Stick right in almost all the way round.",
      "Ease only the last twentieth, then centre.",
      "Nothing moves after the stop; open to the hover.",
    ],
    clean: "stops within 8° and does not swing back",
    stopWithinDeg: 8,
    faults: [faults.swungBack, faults.skyAtStop, faults.groundAtStop, faults.rolledOff, faults.dropped],
    recipeFor: toWays("flip-ease-end"),
  },
];

export const flip: SkillText = {
  id: "flip",
  stage: 4,
  name: "Flip",
  steps,
  cautions: closedThrottleCautions,
  roomM: 30,
};
