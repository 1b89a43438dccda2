import { alone, faults, oneWay, sides, toSides, toWays, closedThrottleCautions, ways } from "./common";
import type { SkillText, StepText } from "./text";

const flips = {
  turnsOver: { axis: "pitch", endRateDps: [600, 800] },
} as const satisfies Partial<StepText>;
const rolls = {
  turnsOver: { axis: "roll", endRateDps: [600, 800] },
} as const satisfies Partial<StepText>;
const keepTurning =
  "Keep the stick in until you are upright, then full power and level. Never push back against the turn.";
const keepRolling = "Keep rolling until you are upright, then power and level.";

/** More flips, once the four stops sit. */
export const flipParts: SkillText = {
  id: "flip-parts",
  stage: 4,
  name: "Flips in parts",
  cautions: closedThrottleCautions,
  roomM: 30,
  steps: [
    {
      ...flips,
      id: "flip-stall",
      name: "Stalled flip",
      aim: "Half, stay upside down for half a second, half.",
      drill: [
        "Climb well and close, as for every flip.",
        "Stick right in for half a turn, centre, and look at the ground.",
        "Wait half a second at least; then the other half the same way.",
      ],
      directions: ways,
      clean: "upside down and still for half a second, stops within 15°",
      stopWithinDeg: 15,
      faults: [faults.lowAndHasty, faults.throttleOpen, faults.horizonLeans],
      wayOut: keepTurning,
      recipeFor: toWays("flip-stall"),
    },
    {
      ...flips,
      id: "segments",
      name: "Flip in segments",
      aim: "Four quarters with a stop after each: a stop wherever you want it.",
      drill: [
        "Climb well; four stops take the most height.",
        "A quarter, centre for a beat, and so on round.",
        "Every stop is a picture: sky, upside-down horizon, ground, horizon.",
      ],
      directions: ways,
      clean: "every stop is seen, the last within 15°",
      stopWithinDeg: 15,
      faults: [faults.swungBack, faults.stoppedShort, faults.lowAndHasty],
      wayOut: keepTurning,
      recipeFor: toWays("segments-90-270"),
    },
    {
      ...flips,
      id: "speed-mix",
      name: "Flip fast, slow, fast",
      aim: "Never quite stopping: the rate is yours all the way round.",
      drill: [
        "Climb and close.",
        "Stick right in, let it out through the middle, right in again.",
        "The slow part never stands still.",
      ],
      directions: ways,
      clean: "slow in the middle without stopping, stops within 15°",
      stopWithinDeg: 15,
      faults: [faults.overshot, faults.stoppedShort, faults.lowAndHasty],
      wayOut: keepTurning,
      recipeFor: toWays("speed-mix"),
    },
  ],
};

export const roll: SkillText = {
  id: "roll",
  stage: 4,
  name: "Roll",
  cautions: closedThrottleCautions,
  roomM: 40,
  steps: [
    {
      ...rolls,
      id: "roll-pure",
      name: "Pure roll",
      aim: "Roll alone: the picture dives to the ground and comes back.",
      drill: [
        "Cruise straight; a pop upward, close the throttle.",
        "Roll stick right in, nothing else.",
        "Centre before the horizon is level; open to the cruise.",
      ],
      directions: sides,
      clean: "stops within 10°, on the line",
      stopWithinDeg: 10,
      faults: [faults.throttleOpen, faults.overshot, faults.stoppedShort, faults.lostHeight],
      wayOut: keepRolling,
      recipeFor: toSides("roll-pure"),
    },
    {
      ...rolls,
      id: "roll-segments",
      name: "Roll in parts",
      aim: "A stop where you want it: on the edge, upside down, or never quite.",
      drill: [
        "The same pop and closed throttle, a little more height.",
        "A quarter, centre for a beat, and the other three; then two halves.",
        "Last, fast, slow and fast again without ever standing still.",
      ],
      directions: sides,
      clean: "every stop is seen, the last within 10°",
      stopWithinDeg: 10,
      faults: [faults.overshot, faults.stoppedShort, faults.throttleOpen, faults.lowAndHasty],
      wayOut: keepRolling,
      recipeFor: toSides("roll-90-270"),
    },
    {
      ...rolls,
      id: "roll-level",
      name: "Level-horizon roll",
      aim: "Opposite yaw keeps the horizon in the middle all the way round.",
      drill: [
        "The same pop and closed throttle.",
        "Roll with the opposite yaw: in mode 2 the sticks go apart for one side and together for the other.",
        "Look at one mark on the horizon; it stays in the middle.",
      ],
      directions: sides,
      clean: "stops within 10°, the view within 15° of the path",
      stopWithinDeg: 10,
      faults: [
        {
          id: "view-dives",
          short: "view dives",
          sees: "The ground swings through the picture",
          cue: "More opposite yaw; both sticks start together.",
        },
        {
          id: "corkscrew",
          short: "corkscrewed",
          sees: "It goes round the line instead of along it",
          cue: "The throttle was still open: close before you roll.",
        },
        faults.overshot,
      ],
      wayOut: keepRolling,
      recipeFor: toSides("roll-level"),
    },
  ],
};

export const tumble: SkillText = {
  id: "tumble",
  stage: 4,
  name: "Tumble",
  cautions: closedThrottleCautions,
  roomM: 30,
  steps: [
    {
      ...rolls,
      id: "box-tumble",
      name: "Box tumble",
      aim: "Half a flip, half a roll, half a flip back, half a roll: first with a rest after each, then joined.",
      drill: [
        "Climb high and close.",
        "Half a flip forward, rest; half a roll, rest.",
        "Half a flip backward, rest; half a roll on.",
        "Later leave out the rests.",
      ],
      directions: sides,
      clean: "four halves, each seen, upright at the end",
      stopWithinDeg: null,
      faults: [faults.horizonLeans, faults.lowAndHasty, faults.throttleOpen],
      wayOut: keepRolling,
      recipeFor: toSides("box-tumble"),
    },
  ],
};

export const upsideDown: SkillText = {
  id: "upside-down",
  stage: 5,
  name: "Upside down",
  cautions: [
    ...closedThrottleCautions,
    "Upside down the throttle drives it into the ground: closed throughout while learning.",
  ],
  roomM: 40,
  steps: [
    {
      ...rolls,
      id: "hang",
      name: "Hang",
      aim: "Punch, turn over, wait, turn back with height to spare: learn how punch buys time.",
      drill: [
        "Punch straight up, close the throttle.",
        "Turn over and wait; say the time you expect before you begin.",
        "Turn on to upright while there is still height.",
        "Vary the punch and compare with the hang time here.",
      ],
      directions: sides,
      clean: "upside down for as long as was said, the throttle closed throughout",
      stopWithinDeg: 15,
      faults: [faults.throttleOpen, faults.lowAndHasty, faults.horizonLeans],
      wayOut: keepRolling,
      recipeFor: toSides("hang"),
    },
    {
      ...flips,
      id: "look-back",
      name: "Look-back flip",
      aim: "Over the nose to upside down, and watch the ground go away.",
      drill: [
        "Punch with the horizon held, close the throttle.",
        "Stick forward for half a turn, centre, look.",
        "On over to upright. High first; its beauty is low.",
      ],
      directions: oneWay,
      clean: "the ground seen going away, stops within 15°",
      stopWithinDeg: 15,
      faults: [faults.throttleOpen, faults.lowAndHasty, faults.horizonLeans],
      wayOut: "Keep the stick forward until you are upright, then full power and level.",
      recipeFor: alone("look-back"),
    },
    {
      ...rolls,
      id: "split-s",
      name: "Split-S",
      aim: "Half a roll over the obstacle, pulled through under it.",
      drill: [
        "Climb to the obstacle, close the throttle.",
        "Half a roll over it; float as long as you want it to carry.",
        "Pull through, and power as the horizon comes back.",
      ],
      directions: sides,
      clean: "out along the line it came in on, level, with height to spare",
      stopWithinDeg: null,
      faults: [
        faults.lowAndHasty,
        {
          id: "pulled-late",
          short: "pulled late",
          sees: "It is already falling fast when the ground comes into the picture",
          cue: "Pull as soon as the roll has stopped; float only with height.",
        },
        faults.wandered,
      ],
      wayOut: "Keep rolling until upright, and fly away over it.",
      recipeFor: toSides("split-s-float"),
    },
    {
      ...rolls,
      id: "split-s-gap",
      name: "Split-S into a gap",
      aim: "Over it by half a roll, and out through the gap under it.",
      drill: [
        "A tight split-S at the same place, the gap wide and well below.",
        "The gap stands where you come out level: begin at the distance drawn here.",
        "Off the line: pull on over the beam, never at it.",
      ],
      directions: sides,
      clean: "out level through the gap, no late correction",
      stopWithinDeg: null,
      faults: [
        faults.lowAndHasty,
        {
          id: "out-late",
          short: "came out late",
          sees: "The gap is there before it is level",
          cue: "Begin further out, or pull harder; the gap needs level flight before it.",
        },
        faults.wandered,
      ],
      wayOut: "Not lined up as the horizon comes back: climb over it.",
      recipeFor: toSides("split-s-gap"),
    },
  ],
};
