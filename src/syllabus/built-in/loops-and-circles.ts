import { alone, faults, oneWay, sides, toSides, usualCautions } from "./common";
import type { SkillText, StepText } from "./text";

const loops = {
  turnsOver: { axis: "pitch", endRateDps: [400, 900] },
  directions: oneWay,
  stopWithinDeg: null,
  wayOut: "Over the top: finish the half turn, upright, and fly away.",
} as const satisfies Partial<StepText>;
const keepRollingLow = "Keep rolling until you are upright, then power and climb.";
const teardrop = {
  id: "teardrop",
  short: "teardrop",
  sees: "It comes down still moving forward, in the shape of a drop",
  cue: "Keep pitching until it is thrown back; do not leave the loop early.",
} as const;
const noClimb = {
  id: "no-climb",
  short: "no climb before it",
  sees: "It falls out of the top of the loop",
  cue: "Punch before you pitch: over the top no thrust points up, so the punch decides the height.",
} as const;
const unevenRate = {
  id: "uneven-rate",
  short: "uneven rate",
  sees: "The horizon rushes past in one place and crawls in another",
  cue: "One stick position all the way round; watch the ruler beside you.",
} as const;

export const loop: SkillText = {
  id: "loop",
  stage: 6,
  name: "Loop",
  cautions: usualCautions,
  roomM: 40,
  steps: [
    {
      ...loops,
      id: "loop-open",
      name: "Open loop",
      aim: "Throttle and pitch back together, less over the top, keep pitching.",
      drill: [
        "Fly in along trees or poles to one side, as a ruler.",
        "Punch, then pitch back evenly with the throttle on.",
        "Less throttle over the top, and keep pitching until it is thrown back.",
      ],
      clean: "comes out near where it began, at its height, the rate even",
      faults: [teardrop, noClimb, unevenRate, faults.wandered],
      recipeFor: alone("loop-open-power"),
    },
    {
      ...loops,
      id: "loop-over",
      name: "Loop over an obstacle",
      aim: "Big over something, then tighter.",
      drill: [
        "Fly in low toward the obstacle; begin at the distance drawn here.",
        "The same loop, larger than the obstacle needs.",
        "Tighter only when the room to it is always there.",
      ],
      clean: "round it with a metre to spare, out at the height it began",
      faults: [noClimb, teardrop, unevenRate],
      recipeFor: alone("loop-over-power"),
    },
    {
      ...loops,
      id: "loop-through",
      name: "Loop through a gap",
      aim: "In through the gap, over its beam, and through again.",
      drill: [
        "Wide gap first, straight through it.",
        "Begin the loop at the distance drawn here.",
        "More tilt sees into it sooner.",
      ],
      clean: "through, over and through, nothing touched",
      faults: [noClimb, teardrop, faults.wandered],
      recipeFor: alone("loop-through"),
    },
  ],
};

const spins = {
  stopWithinDeg: null,
  directions: sides,
} as const satisfies Partial<StepText>;

export const spin: SkillText = {
  id: "spin",
  stage: 6,
  name: "Spin",
  cautions: usualCautions,
  roomM: 40,
  steps: [
    {
      ...spins,
      turnsOver: null,
      id: "spin-level",
      name: "Level spin",
      aim: "Once round with the horizon held by roll, along the line.",
      drill: [
        "Cruise straight; throttle down a little, since yaw lifts.",
        "Yaw and the roll that goes with it, as under Mix.",
        "Centre just before the line comes back.",
      ],
      clean: "once round, the horizon within 10°, the line kept",
      faults: [
        {
          id: "climbed-in-spin",
          short: "climbed",
          sees: "It rises while it spins",
          cue: "A little less throttle as the yaw begins.",
        },
        faults.horizonLeans,
        faults.wandered,
      ],
      wayOut: "Centre everything; it is upright. Level and fly on.",
      recipeFor: toSides("spin-level"),
    },
    {
      ...spins,
      turnsOver: null,
      id: "spin-track",
      name: "Nose on a post",
      aim: "Keep something in the picture while you pass it.",
      drill: [
        "Pass a post at the distance drawn here.",
        "Keep it in the middle with yaw, the horizon level with roll.",
        "Let it go behind you and level out.",
      ],
      clean: "the post stays in the picture all the way past",
      faults: [
        {
          id: "post-lost",
          short: "lost the post",
          sees: "The post leaves the picture at the nearest point",
          cue: "Yaw earlier than you see the need: it moves fastest abeam.",
        },
        faults.horizonLeans,
        faults.lostHeight,
      ],
      wayOut: "Let the post go, level, fly on.",
      recipeFor: toSides("spin-track"),
    },
    {
      ...spins,
      turnsOver: { axis: "pitch", endRateDps: [600, 900] },
      id: "spin-inverted",
      name: "Upside-down spin",
      aim: "Truly flat upside down, all the way round by yaw, and out.",
      drill: [
        "High. Punch, close, half over; see that it is flat: three quarters ground on a wide lens.",
        "Yaw all round, and out the way you came in.",
        "Then snap in and turn slowly; left and right, a wag of the tail.",
      ],
      clean: "flat, turned by what was said, upright with height to spare",
      faults: [
        {
          id: "tumbling-horizon",
          short: "horizon tumbles",
          sees: "The horizon goes round in the picture",
          cue: "It was not flat when the yaw began: wait a beat longer upside down.",
        },
        faults.throttleOpen,
        faults.lowAndHasty,
      ],
      wayOut: "Out the way you came in, at once; yaw can wait.",
      recipeFor: toSides("spin-inverted-pitch"),
    },
    {
      ...spins,
      turnsOver: { axis: "pitch", endRateDps: [600, 900] },
      id: "spin-in-loop",
      name: "Spin at the top of a loop",
      aim: "Half a loop, once round by yaw upside down, and the rest of it.",
      drill: ["High, from a sure loop.", "At the top: throttle closed, yaw once round.", "Pitch on and out."],
      clean: "once round at the top, out along the line",
      faults: [faults.lowAndHasty, faults.throttleOpen, noClimb],
      wayOut: "Stop the yaw, finish the half turn, upright.",
      recipeFor: toSides("spin-in-loop"),
    },
  ],
};

export const orbit: SkillText = {
  id: "orbit",
  stage: 6,
  name: "Orbit",
  cautions: usualCautions,
  roomM: 40,
  steps: [
    {
      ...spins,
      turnsOver: null,
      id: "orbit",
      name: "Orbit",
      aim: "Nose to the middle, the lean held, until the sticks rest.",
      drill: [
        "Coordinated circles first.",
        "Then the nose to the middle, the outward lean held.",
        "Begin wide: at the same lean it is faster, and easier. Tighten it once the sticks rest.",
      ],
      clean: "three laps, even, with resting sticks",
      faults: [
        {
          id: "spirals-in",
          short: "spirals in",
          sees: "The middle grows in the picture",
          cue: "More lean outward, or more speed; look at the far side of the middle.",
        },
        {
          id: "spirals-out",
          short: "spirals out",
          sees: "The middle shrinks in the picture",
          cue: "Less speed, or more tilt toward the middle.",
        },
        faults.lostHeight,
      ],
      wayOut: "Level and fly off along the tangent.",
      recipeFor: toSides("orbit"),
    },
    {
      ...spins,
      turnsOver: null,
      id: "orbit-back",
      name: "Orbit on its side",
      aim: "Round a point with the picture on its side; throttle alone sets the height.",
      drill: [
        "Only with an orbit whose sticks rest; in the simulator first.",
        "By falling back past the object, or by rolling over into it.",
        "Sticks opposed and still; hold the height with the throttle.",
      ],
      clean: "one lap at one height, the sticks at rest",
      faults: [
        {
          id: "sinks-on-side",
          short: "sank",
          sees: "The ground comes up along the side of the picture",
          cue: "More throttle, or less turned: see the thrust it takes here.",
        },
        faults.horizonLeans,
      ],
      wayOut: "Roll level at once, power, and climb away.",
      recipeFor: toSides("orbit-back"),
    },
  ],
};

export const style: SkillText = {
  id: "style",
  stage: 7,
  name: "Style",
  cautions: usualCautions,
  roomM: 50,
  steps: [
    {
      ...spins,
      turnsOver: { axis: "roll", endRateDps: [600, 900] },
      id: "low-line",
      name: "Low roll that keeps travelling",
      aim: "Throttle kept up, close to the ground, never stopping.",
      drill: [
        "From high down to low over many packs.",
        "A small pop, roll about the view with the throttle kept.",
        "On without a pause.",
      ],
      clean: "no lower than it began, the speed kept",
      stopWithinDeg: 15,
      faults: [faults.lostHeight, faults.wandered, faults.horizonLeans],
      wayOut: keepRollingLow,
      recipeFor: toSides("low-line"),
    },
    {
      ...spins,
      turnsOver: { axis: "roll", endRateDps: [600, 900] },
      id: "yaw-snap",
      name: "Snap of yaw",
      aim: "A little extra yaw at the end of a turn over.",
      drill: [
        "A roll about the view.",
        "As it stops, a short push of yaw: the view snaps off the line.",
        "Then to the other side on purpose.",
      ],
      clean: "the snap comes at the stop and is meant",
      stopWithinDeg: 15,
      faults: [faults.horizonLeans, faults.wandered],
      wayOut: keepRollingLow,
      recipeFor: toSides("yaw-snap"),
    },
    {
      ...spins,
      turnsOver: null,
      directions: oneWay,
      id: "rewind",
      name: "Rewind",
      aim: "Pass, stop, come back along the way you came.",
      drill: [
        "Pass something worth seeing.",
        "Lean back past the stop and let it run back.",
        "The same line, the same height; then forward again.",
      ],
      clean: "back along the same line at the same height",
      faults: [faults.wandered, faults.lostHeight],
      wayOut: "Level; it slows by itself.",
      recipeFor: alone("rewind"),
    },
    {
      ...spins,
      turnsOver: { axis: "pitch", endRateDps: [600, 900] },
      id: "helix",
      name: "Helix",
      aim: "Yaw half round while travelling, push over backward, reverse the yaw upside down: the turn looks unbroken.",
      drill: [
        "High. Yaw to half round while travelling, the horizon held.",
        "Push the pitch to bend a backward arc, throttle up.",
        "Upside down, reverse the yaw: upright and upside down mirror it.",
        "Leave either way.",
      ],
      clean: "the turn of the picture never breaks off, upright at the end with height",
      faults: [
        {
          id: "turn-breaks",
          short: "turn breaks off",
          sees: "The picture stops turning, or turns back",
          cue: "Reverse the yaw as it passes upside down, not after.",
        },
        faults.lowAndHasty,
        faults.horizonLeans,
      ],
      wayOut: "Push on until upright, then power and level.",
      recipeFor: toSides("helix-pitch"),
    },
  ],
};
