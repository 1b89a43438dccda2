import { alone, faults, oneWay, sides, toSides, goggleCautions } from "./common";
import type { SkillText, StepText } from "./text";

const upright = { stopWithinDeg: null, turnsOver: null } as const satisfies Partial<StepText>;
const runsBack = {
  id: "runs-back",
  short: "ran backward",
  sees: "The ground begins to slide away from you",
  cue: "Forward again before it stands still: lead it by half a second.",
} as const;
const ballooned = {
  id: "ballooned",
  short: "shot up",
  sees: "The horizon drops out of the picture and it climbs",
  cue: "Lean back and ease the throttle together; the wind under it lifts as well.",
} as const;

export const stop: SkillText = {
  id: "stop",
  stage: 2,
  name: "Stop and brake",
  cautions: goggleCautions,
  roomM: 40,
  steps: [
    {
      ...upright,
      id: "stop-course",
      name: "Stop course",
      aim: "Go, halt and hover over each of five markers; every leg a little faster.",
      drill: [
        "Five markers in line, 9 m (30 ft) apart, into the wind.",
        "Lean forward, then lean back as far before the next marker; hover over it.",
        "Each leg faster, up to the pace at which the ground is only just seen while pulling up.",
        "Turn at the end with yaw alone, the throttle untouched.",
      ],
      directions: oneWay,
      clean: "a whole course, each halt over its marker, the height kept",
      faults: [
        runsBack,
        {
          id: "too-late",
          short: "braked too late",
          sees: "The marker slides out below before it stands still",
          cue: "Lean back at the distance drawn here; go slower until that works.",
        },
        ballooned,
        {
          id: "sinks-going",
          short: "sank on the way",
          sees: "The ground comes up while it gathers speed",
          cue: "The thrust leans with it: a little more throttle for as long as you lean.",
        },
      ],
      wayOut: "Level, and go on over the marker at the same height; halt at the next.",
      recipeFor: alone("stop-course"),
    },
    {
      ...upright,
      id: "pitch-brake",
      name: "Pitch brake",
      aim: "Out of the cruise to a standstill, and no further.",
      drill: [
        "Cruise straight, well above the ground.",
        "Lean back with a touch of throttle; watch the ground slow down.",
        "Forward again just before it stands still.",
      ],
      directions: oneWay,
      clean: "stands still within the distance drawn here, within a metre of its height",
      faults: [runsBack, ballooned, faults.lostHeight],
      wayOut: "Level and fly on; the brake is only a lean.",
      recipeFor: alone("pitch-brake"),
    },
    {
      ...upright,
      id: "turn-brake",
      name: "Turning brake",
      aim: "Turn against the travel and let the thrust stop it.",
      drill: [
        "Cruise straight with room ahead.",
        "Yaw half round with the horizon held; you now look back along your way.",
        "A short burst as in the cruise, and level as it stands still.",
      ],
      directions: sides,
      clean: "stands still, looking back along the line, with one burst",
      faults: [
        {
          id: "off-the-other-way",
          short: "flew off the other way",
          sees: "The ground slides toward you again after the stop",
          cue: "A shorter burst; level before it stands still.",
        },
        faults.horizonLeans,
        ballooned,
      ],
      wayOut: "Level at once; it drifts on and can be flown again.",
      recipeFor: toSides("turn-brake"),
    },
  ],
};

const tooHigh = {
  id: "came-in-high",
  short: "came in high",
  sees: "The spot disappears below the picture",
  cue: "Low beats high: a high one must be dropped blind. Go round and begin the descent earlier.",
} as const;
const hardTouch = {
  id: "touched-hard",
  short: "touched hard",
  sees: "The picture jumps at the touch, or it tips over",
  cue: "Be level and still over the spot first; then let it down by small changes of throttle.",
} as const;

export const land: SkillText = {
  id: "land",
  stage: 2,
  name: "Land",
  cautions: goggleCautions,
  roomM: 30,
  steps: [
    {
      ...upright,
      id: "land-pass",
      name: "Low approach",
      aim: "A straight approach that skims the chosen spot, and away.",
      drill: [
        "Choose the spot from far off, and the line over it.",
        "Come down along 30 to 45°, the spot held still in the picture.",
        "Small changes of throttle only; skim the spot and climb away.",
      ],
      directions: oneWay,
      clean: "within 1.5 m of the spot, the descent straight",
      faults: [tooHigh, faults.wandered],
      wayOut: "Level and go round. Every approach may be broken off.",
      recipeFor: alone("land-pass"),
    },
    {
      ...upright,
      id: "land-stop",
      name: "Landing from a stop",
      aim: "Pitch back as it comes down, stand over the spot, touch.",
      drill: [
        "The same approach.",
        "Begin to pitch back while it still comes down, the spot in view.",
        "Level over it, touch, close the throttle.",
      ],
      directions: oneWay,
      clean: "touches within 1.5 m of the spot and stays upright",
      faults: [tooHigh, hardTouch, ballooned],
      wayOut: "Level and go round; never force the last metre.",
      recipeFor: alone("land-stop"),
    },
    {
      ...upright,
      id: "land-short",
      name: "Short landing",
      aim: "Begin the descent later each time.",
      drill: [
        "Fly on, level, until the spot is nearly below.",
        "Come down steeply, pitch back harder, level over it.",
        "Begin later the next time, as long as it stays gentle.",
      ],
      directions: oneWay,
      clean: "touches within 1.5 m of the spot and stays upright",
      faults: [tooHigh, hardTouch],
      wayOut: "Level and go round.",
      recipeFor: alone("land-short"),
    },
  ],
};

const lateBail = {
  id: "bailed-late",
  short: "bailed late",
  sees: "The wall fills the picture before the lean bites",
  cue: "Speed is the real fault: come in slower, and lean back at the distance drawn here.",
} as const;

export const bail: SkillText = {
  id: "bail",
  stage: 2,
  name: "Bail out",
  cautions: [...goggleCautions, "Begin at a soft obstacle, walking pace; tilt of the camera not above about 20°."],
  roomM: 30,
  steps: [
    {
      ...upright,
      id: "bail-wall",
      name: "Bail off a wall",
      aim: "Fly at it slowly, lean back with a blip, forward at once.",
      drill: [
        "Fly slowly and straight at the obstacle.",
        "Lean back with a blip of throttle at the distance drawn here.",
        "Push forward at once, before it runs back.",
        "Raise the speed step by step; then the same off a gap and off a dive.",
      ],
      directions: oneWay,
      clean: "clears the obstacle and stands level without running back",
      faults: [lateBail, runsBack, ballooned],
      wayOut: "This is the bail-out. If it comes too late: disarm before it touches.",
      recipeFor: alone("bail-wall"),
    },
    {
      ...upright,
      id: "bail-flow",
      name: "Bail into the next move",
      aim: "Turn the bail into the next move.",
      drill: [
        "Bail as before.",
        "As it slows, yaw about and fly off the way you came.",
        "No pause between: the bail becomes a turn.",
      ],
      directions: sides,
      clean: "clears the obstacle and flies off level without a pause",
      faults: [lateBail, faults.horizonLeans],
      wayOut: "Level and hover; turn when it stands.",
      recipeFor: toSides("bail-flow"),
    },
  ],
};

export const gaps: Omit<SkillText, "steps"> = {
  id: "gap",
  stage: 3,
  name: "Gaps",
  cautions: goggleCautions,
  roomM: 30,
};

/** After a roll that was stopped on the edge. */
export const knife: SkillText = {
  id: "knife-edge",
  stage: 4,
  name: "Knife edge",
  cautions: goggleCautions,
  roomM: 30,
  steps: [
    {
      stopWithinDeg: null,
      turnsOver: { axis: "roll", endRateDps: [400, 900] },
      id: "gap-knife",
      name: "Knife edge",
      aim: "Rolled to the edge past a gap, from the other side by the drift.",
      drill: [
        "Wide gap first. Line up far out, a little to the side you will not roll to.",
        "A small pop, roll to the edge, throttle low: it pulls to the side you roll to.",
        "Hold still through the gap.",
        "Leave by rolling back, or on.",
      ],
      directions: sides,
      clean: "through the gap on the edge, no late correction",
      faults: [
        {
          id: "pulled-in",
          short: "pulled to the side",
          sees: "The post on the side you roll to comes closer",
          cue: "Less throttle on the edge, or line up further to the other side.",
        },
        {
          id: "dropped-on-edge",
          short: "dropped on the edge",
          sees: "The ground comes up while it stands on its edge",
          cue: "Pop a little higher and stay on the edge more briefly.",
        },
        faults.wandered,
      ],
      wayOut: "Off the line: do not start. Already started: roll level and climb over it, or past it.",
      recipeFor: toSides("gap-knife"),
    },
  ],
};
