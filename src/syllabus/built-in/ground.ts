import { faults, lineLengths, oneWay, sides, usualCautions } from "./common";
import type { SkillText, StepText } from "./text";

/** Steps that no flight model can judge: the brief says what to look at instead. */
const bySight = {
  stopWithinDeg: null,
  turnsOver: null,
  recipeFor: {},
} as const satisfies Partial<StepText>;

const holdsStick = {
  id: "holds-stick",
  short: "held the stick",
  sees: "It drifts off further and further to one side",
  cue: "Nudge and release. A held stick is a turning rate, not a place.",
} as const;
const pumps = {
  id: "pumps-throttle",
  short: "pumped the throttle",
  sees: "It bounces up and down about one height",
  cue: "Settle, do not chase: one small change, then wait for what it does.",
} as const;
const wrongWay = {
  id: "wrong-way",
  short: "wrong way",
  sees: "It goes faster to the side it was already going to",
  cue: "Nose toward you, roll and pitch are reversed: push the stick under the side that is low.",
} as const;

export const ground: SkillText = {
  id: "ground",
  stage: 0,
  name: "Ground school",
  cautions: ["Propellers off on the bench. A battery is not charged or flown damaged.", ...usualCautions],
  roomM: 5,
  steps: [
    {
      ...bySight,
      id: "sticks",
      name: "Stick modes",
      aim: "Every axis of your stick mode without thinking, and why centring does not level.",
      drill: [
        "Name the hand and the way for each of: nose up, right wing down, turn left, climb.",
        "A held stick: an angle with self-level, a turning speed without.",
        "Say what happens when the stick is centred in a bank.",
      ],
      directions: oneWay,
      clean: "eight movements named without a wrong one",
      faults: [
        {
          id: "wrong-hand",
          short: "wrong hand",
          sees: "The hand that moves is not the one the axis is on",
          cue: "Lay the transmitter down, say it first, then move.",
        },
        {
          id: "centres-to-level",
          short: "expects centre = level",
          sees: "The stick is centred and the aircraft is expected level",
          cue: "Centring stops the turning. Levelling is a movement of its own.",
        },
      ],
      wayOut: "Nothing flies here.",
      lookAt: ["the thumb that moves first", "the pause before the answer", "whether the two yaw ways are mixed up"],
    },
    {
      ...bySight,
      id: "arm-reflex",
      name: "Arm and disarm",
      aim: "Disarming when in trouble needs no thought.",
      drill: [
        "Propellers off. Arm, disarm, on a word from the coach, twenty times.",
        "Then with a story: low, tumbling, a person walks in.",
        "Every tenth time without warning.",
      ],
      directions: oneWay,
      clean: "disarmed within a beat of the word, without a look at the switch",
      faults: [
        {
          id: "looks-for-switch",
          short: "looked for the switch",
          sees: "The eyes leave the aircraft for the switch",
          cue: "Finger on the switch before arming; keep it there.",
        },
        {
          id: "tries-to-save",
          short: "tried to save it",
          sees: "The sticks move before the switch does",
          cue: "In trouble low down: switch first. A prop is cheaper than a face.",
        },
      ],
      wayOut: "This is the bail-out.",
      lookAt: ["where the eyes go", "the time from the word to the switch"],
    },
    {
      ...bySight,
      id: "first-setup",
      name: "First setup",
      aim: "An aircraft that forgives: slow, soft, limited, checked.",
      drill: [
        "Tilt 0 to 5°, end rate near 300 °/s, throttle scaled to 60 to 70\u202f%, by stage under Setup.",
        "Bank limit of 30° or self-level, as the route asks.",
        "Front propellers of another colour than the rear; soft open ground; the checklist read aloud.",
      ],
      directions: oneWay,
      clean: "every line of the checklist said and seen",
      faults: [
        {
          id: "skips-a-line",
          short: "skipped a line",
          sees: "A line of the checklist is passed over",
          cue: "Finger on the line, word aloud, then the next.",
        },
        {
          id: "props-on-bench",
          short: "props on the bench",
          sees: "The propellers are on while it is set up",
          cue: "Propellers come last, outdoors.",
        },
      ],
      wayOut: "Battery out.",
      lookAt: ["the direction of every propeller", "the arm switch before the battery goes in"],
    },
  ],
};

export const byEye: SkillText = {
  id: "by-eye",
  stage: 1,
  name: "Eyes on the aircraft",
  cautions: usualCautions,
  roomM: 20,
  steps: [
    {
      ...bySight,
      id: "los-hover",
      name: "Hover, nose away",
      aim: "Find the throttle that neither climbs nor sinks; nudge and release.",
      drill: [
        "Waist to head height: low is less to fall.",
        "Thirty seconds within a circle of 2 m.",
        "Land by holding just above the grass, and disarm.",
      ],
      directions: oneWay,
      clean: "30 s within 2 m",
      faults: [
        holdsStick,
        pumps,
        {
          id: "saves-it",
          short: "saved it",
          sees: "It is saved low down, tumbling",
          cue: "Disarm. Saving is learnt with height, later.",
        },
      ],
      wayOut: "Disarm.",
      lookAt: ["how long the stick stays out", "the throttle hand: quiet or busy", "the circle, not the height"],
    },
    {
      ...bySight,
      id: "los-nose-in",
      name: "Hover, nose toward you",
      aim: "Roll and pitch feel reversed; they are not.",
      drill: ["Simulator first.", "Turn the nose toward you, hover twenty seconds.", "Out again before it gets away."],
      directions: oneWay,
      clean: "20 s within 2 m",
      faults: [wrongWay, holdsStick, pumps],
      wayOut: "Yaw the nose away, or disarm.",
      lookAt: ["the first correction after the turn: the right way or not", "the time until it is caught"],
    },
    {
      ...bySight,
      id: "los-follow-eights",
      name: "Figure eights, walking behind",
      aim: "Both hands nudge the same way into a turn; the eye learns which leads.",
      drill: [
        "Walk behind it through slow figures of eight.",
        "Both sticks the same way into the turn.",
        "Pitch gives back the speed that is lost.",
      ],
      directions: oneWay,
      clean: "a pack of eights without a stop",
      faults: [
        faults.lostHeight,
        { id: "skids", short: "skids", sees: "It slides outward through the turn", cue: "More roll with the yaw." },
      ],
      wayOut: "Level and hover.",
      lookAt: ["which stick leads", "the height through the crossing"],
    },
    {
      ...bySight,
      id: "los-circles",
      name: "Circles",
      aim: "Even circles round you, a little pitch back because it gathers speed.",
      drill: [
        "A circle at ten steps, one way then the other.",
        "A little pitch back as the speed grows.",
        "Height first, roundness second.",
      ],
      directions: sides,
      clean: "three circles at one height",
      faults: [faults.lostHeight, wrongWay],
      wayOut: "Level, nose away, hover.",
      lookAt: ["the height where the nose comes toward you", "whether the speed grows"],
    },
    {
      ...bySight,
      id: "los-eight",
      name: "Figure eight at constant height",
      aim: "The eight from where you stand.",
      drill: ["Two marks, an eight round them.", "Constant height.", "Slow enough to be exact."],
      directions: oneWay,
      clean: "a whole eight at one height",
      faults: [faults.lostHeight, wrongWay],
      wayOut: "Level, nose away, hover.",
      lookAt: ["the height at the crossing", "both loops the same size"],
    },
    {
      ...bySight,
      id: "los-check",
      name: "Check flight",
      aim: "First flight of a new, repaired or retuned aircraft: a checklist, not a trick.",
      drill: [
        "Hover, nose away: does it drift by itself?",
        "A little of each axis, each the right way.",
        "A short climb, listen; land, feel the motors.",
      ],
      directions: oneWay,
      clean: "every line done, nothing hot, nothing loose",
      faults: [
        {
          id: "goggles-first",
          short: "goggles first",
          sees: "The goggles go on before the check",
          cue: "By eye first, every time.",
        },
        {
          id: "hurried-check",
          short: "hurried",
          sees: "A line is left out",
          cue: "Read it aloud; someone else ticks.",
        },
      ],
      wayOut: "Disarm.",
      lookAt: ["drift with the sticks at rest", "sound of each motor", "heat after a minute"],
    },
  ],
};

export const firstGoggles: SkillText = {
  id: "goggles",
  stage: 2,
  name: "First flights through the camera",
  cautions: usualCautions,
  roomM: 40,
  steps: [
    {
      ...bySight,
      id: "fp-hover",
      name: "Hover through the camera",
      aim: "Throttle alone, then drift with pitch and roll.",
      drill: [
        "Throttle alone until the height is quiet.",
        "Then correct drift with pitch and roll.",
        "Beginners bounce: settle, do not chase.",
      ],
      directions: oneWay,
      clean: "30 s within 2 m and half a metre of height",
      faults: [pumps, holdsStick],
      wayOut: "Level, a little throttle, look, land.",
      lookAt: ["the throttle trace: steps or waves", "drift in the lower third of the picture"],
    },
    {
      ...bySight,
      id: "fp-four-ways",
      name: "Four ways",
      aim: "Forward, back, both sides, without losing height: thrust leans, so throttle rises.",
      drill: [
        "Forward and back, then to both sides.",
        "Throttle up a little with every lean.",
        "Stop before the next way.",
      ],
      directions: oneWay,
      clean: "all four within half a metre of height",
      faults: [faults.lostHeight, holdsStick],
      wayOut: "Level and hover.",
      lookAt: ["the ground's size in the picture while it moves", "throttle and lean together"],
    },
    {
      ...bySight,
      id: "yaw-square",
      name: "Yaw-only square",
      aim: "A square of 15 m (50 ft), very slow, yaw only.",
      drill: ["Four markers, 15 m apart.", "Very slow; turn over each with yaw alone.", "One pack each way round."],
      directions: sides,
      clean: "a pack of squares with every corner over its marker",
      faults: [faults.wandered, faults.lostHeight],
      wayOut: "Level and hover.",
      lookAt: ["the place where the turn begins", "drift through the corner"],
    },
    {
      ...bySight,
      id: "bank-square",
      name: "Banked square",
      aim: "Faster is more roll, throttle and pitch; slower is more yaw.",
      drill: [
        "The same square, flown with bank.",
        "Faster: more roll, throttle and pitch.",
        "One pack each way round.",
      ],
      directions: sides,
      clean: "a pack of squares, every corner round its marker",
      faults: [faults.lostHeight, faults.wandered],
      wayOut: "Level, climb, look.",
      lookAt: ["the horizon in the corner: level as under Mix or not", "height lost in each corner"],
    },
    {
      ...bySight,
      id: "slalom",
      name: "Slalom",
      aim: "Four markers 15 m apart, hairpins at the ends.",
      drill: ["Four markers in line, 15 m apart.", "Round each on the other side.", "Hairpin at both ends."],
      directions: oneWay,
      clean: "there and back without a missed marker",
      faults: [faults.wandered, faults.lostHeight],
      wayOut: "Level, over the markers, begin again.",
      lookAt: ["the eyes: at this marker or the next", "whether both sides are alike"],
    },
    {
      ...bySight,
      id: "eight-course",
      name: "Figure eight round two markers",
      aim: "Constant height, no overshoot; slow and exact beats fast and loose.",
      drill: ["Two markers, an eight round them.", "Constant height, no overshoot.", "Faster only when it is exact."],
      directions: oneWay,
      clean: "a pack of eights, none wide, none low",
      faults: [faults.overshot, faults.lostHeight],
      wayOut: "Level and climb.",
      lookAt: ["how far past the marker it swings", "left and right loops the same size"],
    },
  ],
};

/** A gap is flown from both its ends. */
const ends = [
  { id: "on", name: "one end" },
  { id: "other", name: "other end" },
] as const;

export const gapSteps: SkillText["steps"] = [
  {
    ...bySight,
    id: "gap-wide",
    name: "Wide gap",
    aim: "Line up far out, sticks still, no late correction.",
    drill: [
      "Line up from far out, low and slow.",
      "Sticks still from two lengths before it.",
      "Off line means go round.",
    ],
    directions: ends,
    clean: "through the middle with still sticks",
    faults: [
      {
        id: "late-correction",
        short: "late correction",
        sees: "The sticks move in the last two lengths",
        cue: "Off line: go round. The gap is still there.",
      },
      faults.wandered,
    ],
    wayOut: "Go round, early.",
    lookAt: ["the last correction: how far before the gap", "height of the gap in the picture"],
  },
  {
    ...bySight,
    id: "gap-narrow",
    name: "Narrow gap",
    aim: "Narrower by steps, in widths of the aircraft.",
    drill: ["From five widths down to two.", "The same speed at every width.", "Both ends."],
    directions: ends,
    clean: "through with still sticks, nothing touched",
    faults: [
      {
        id: "slows-down",
        short: "slowed down",
        sees: "It slows before the gap and begins to wander",
        cue: "The speed that holds the line is the speed for the gap.",
      },
      faults.wandered,
    ],
    wayOut: "Go round, early.",
    lookAt: ["speed into the gap against the last width", "where the eyes are: through it, not at its edge"],
  },
];

export const smoothLines: SkillText["steps"] = [
  {
    ...bySight,
    id: "smooth-pack",
    name: "Smooth pack",
    aim: "A pack with no jerk, and no software to take it out.",
    drill: [
      "One pack near trees, low, as a dance.",
      "No jerk above your own limit.",
      "Watch the recording without stabilising it.",
    ],
    directions: oneWay,
    clean: "a whole pack without a jerk that you would cut",
    faults: [
      {
        id: "jerks",
        short: "jerks",
        sees: "The picture jumps at the start of a turn",
        cue: "Begin every movement from still, and end it so.",
      },
      faults.horizonLeans,
    ],
    wayOut: "Climb, level, breathe.",
    lookAt: ["the starts of turns", "the throttle hand in the turns"],
  },
  {
    ...bySight,
    id: "lines",
    name: "Lines",
    aim: "Two, three, five tricks joined; copy one as closely as you can and say why it works.",
    drill: [
      "Two tricks joined, then three, then five.",
      "Copy a line as closely as possible and say why it works.",
      "Then change one thing.",
    ],
    directions: lineLengths,
    clean: "the line that was said, without a pause",
    faults: [
      {
        id: "pauses",
        short: "paused",
        sees: "It stands still between two tricks",
        cue: "End each trick where the next begins: look there before it is over.",
      },
      faults.lowAndHasty,
    ],
    wayOut: "Between two tricks: level and climb.",
    lookAt: ["height, speed and heading at the joints", "the same three moves in a row, or not"],
  },
];
