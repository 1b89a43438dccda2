import { alone, faults, oneWay, sides, toSides } from "./common";
import type { StepText } from "./text";

/** Steps of one first route only, and what lies beside the way. None is flown in the model. */
const bySight = { stopWithinDeg: null, turnsOver: null, recipeFor: {} } as const satisfies Partial<StepText>;
const rising = {
  id: "rises-in-turn",
  short: "rose or sank",
  sees: "The height changes with every lean",
  cue: "Throttle with the lean, before the ground tells you.",
} as const;
const trustsLevel = {
  id: "waits-for-level",
  short: "waited for it to level",
  sees: "The stick is let go and it is left to right itself",
  cue: "Fly it level by hand, as if nothing helped: one day nothing does.",
} as const;
const hitsTheStop = {
  id: "held-at-limit",
  short: "held at the limit",
  sees: "The stick stays out and the bank stands at its limit",
  cue: "Centre before the limit; it is there for the day you forget.",
} as const;

export const besideByEye: readonly StepText[] = [
  {
    ...bySight,
    id: "los-backward-circuit",
    name: "Backward circuit",
    aim: "Tail first all the way round: the sticks learn that nose and travel are two things.",
    drill: ["A wide circuit, nose out.", "Tail leading, slow.", "One way round, then the other."],
    directions: sides,
    clean: "once round tail first at one height",
    faults: [faults.lostHeight, faults.wandered],
    wayOut: "Level, nose away, hover.",
    lookAt: ["which way the first correction goes", "the height on the far side"],
  },
  {
    ...bySight,
    id: "los-travelling-spin",
    name: "Travelling spin",
    aim: "Once round by yaw along a straight line.",
    drill: ["A slow straight line past you.", "Yaw once round, the line kept with roll and pitch.", "Both ways."],
    directions: sides,
    clean: "once round, still on its line",
    faults: [faults.wandered, faults.lostHeight],
    wayOut: "Stop the yaw, level, nose away.",
    lookAt: ["where the line bends first", "roll and pitch changing hands through the turn"],
  },
];

export const selfLevelRoute: readonly StepText[] = [
  {
    ...bySight,
    wants: { selfLevel: true },
    id: "level-hover",
    name: "Self-level hover",
    aim: "A held stick is an angle here: hover and let the picture become quiet.",
    drill: ["Self-level on.", "Hover at head height, small nudges.", "Half a minute without looking at the sticks."],
    directions: oneWay,
    clean: "30 s within 2 m",
    faults: [rising, trustsLevel],
    wayOut: "Let go of the right stick, a little throttle, land.",
    lookAt: ["the throttle hand: quiet or busy", "how soon drift is noticed"],
  },
  {
    ...bySight,
    wants: { selfLevel: true },
    id: "level-move",
    name: "Self-level, on the move",
    aim: "Speed is a lean that is held; stopping is the other lean.",
    drill: ["Forward with a small lean, held.", "Stop by leaning back, and hold the height.", "Both sides as well."],
    directions: oneWay,
    clean: "to a mark and back at one height, stopped at both",
    faults: [rising, trustsLevel],
    wayOut: "Let go, a little throttle.",
    lookAt: ["throttle and lean together", "the stop: led or late"],
  },
  {
    ...bySight,
    wants: { selfLevel: true },
    id: "level-turn",
    name: "Self-level turns",
    aim: "Yaw and bank together, while the aircraft still helps.",
    drill: [
      "Wide turns, yaw first.",
      "Then a little bank into the turn.",
      "Last: the same with the help switched off.",
    ],
    directions: sides,
    clean: "a round turn at one height",
    faults: [rising, trustsLevel],
    wayOut: "Let go, level, straight on.",
    lookAt: ["the nose against the line of travel", "what changes when the help is off"],
  },
];

const limit = (id: string, name: string, bankLimitDeg: number | null, aim: string, last: string): StepText => ({
  ...bySight,
  wants: { bankLimitDeg },
  id,
  name,
  aim,
  drill: [
    "Set the limit under Setup, throttle scaled as usual at this stage.",
    "Four ways and wide turns in it.",
    last,
  ],
  directions: oneWay,
  clean: "a pack at one height, levelled by hand each time",
  faults: [hitsTheStop, rising],
  wayOut: "Centre, level by hand, a little throttle.",
  lookAt: ["how often the limit is touched", "whether the stick is centred before it"],
});

export const bankLimitRoute: readonly StepText[] = [
  limit("limit-30", "Bank limit of 30°", 30, "Rate mode with a net under it.", "Level by hand every time."),
  limit("limit-45", "Bank limit of 45°", 45, "A wider net, less often touched.", "Turns that would have touched 30°."),
  limit(
    "limit-60",
    "Bank limit of 60°",
    60,
    "A net for the day you forget.",
    "Turns with a firm bank, held by throttle.",
  ),
  limit(
    "limit-off",
    "No bank limit",
    null,
    "Rate mode, nothing under it.",
    "The same pack as before; nothing else changes.",
  ),
];

export const rateModeRoute: readonly StepText[] = [
  {
    ...bySight,
    id: "sim-hours",
    name: "Rate mode in the simulator",
    aim: "Two hours of hovering, stopping and turning before the first battery.",
    drill: [
      "Your own rates and tilt in the simulator.",
      "Hover, four ways, stops, wide turns; no tricks.",
      "Short stretches: a quarter of an hour, then a rest.",
    ],
    directions: oneWay,
    clean: "a stretch without touching the ground",
    faults: [hitsTheStop, rising],
    wayOut: "Nothing breaks here: finish the stretch anyway.",
    lookAt: ["minutes, written down", "the stick centred before the picture is level"],
  },
];

const offSomething = (id: string, name: string, drill: readonly string[], aim: string): StepText => ({
  ...bySight,
  recipeFor: alone(id),
  id,
  name,
  aim,
  drill,
  directions: oneWay,
  clean: "broken off early, level, nothing touched",
  faults: [
    {
      id: "bailed-late",
      short: "bailed late",
      sees: "It is broken off when nothing else is left",
      cue: "Say where you will break off before you fly in, and break off there every time.",
    },
    faults.lostHeight,
  ],
  wayOut: "This is the bail-out. If it comes too late: disarm before it touches.",
});

const alsoBails: readonly StepText[] = [
  {
    ...offSomething(
      "bail-wind",
      "Bail in a side wind",
      [
        "Across the wind at a soft obstacle, walking pace; lean into the wind until the line stands.",
        "Lean back with a blip, and keep the lean into the wind all the while.",
        "The other side before more wind.",
      ],
      "The wind does not stop with you.",
    ),
    directions: sides,
    recipeFor: toSides("bail-wind"),
    clean: "clears the obstacle and stops within 3 m of its line",
  },
  {
    ...bySight,
    id: "mode-change",
    name: "Mode switch in the air",
    aim: "The switch that levels it, found without looking; and no surprise when it is thrown back.",
    drill: [
      "High and level, slow, sticks centred: throw the switch, let it level, throw it back.",
      "Then from a gentle bank: see how it comes back, and how the sticks feel other after it.",
      "Last: on a call, from any slow turn.",
    ],
    directions: oneWay,
    clean: "there and back on a call, height kept, no stick moved by the surprise",
    faults: [
      {
        id: "stick-held-over",
        short: "stick held over",
        sees: "It jumps as the mode changes",
        cue: "Centre first, then the switch: a held stick means something else in each mode.",
      },
      faults.lostHeight,
    ],
    wayOut: "Whatever mode it is in: centre, level by hand, a little throttle.",
    lookAt: ["whether the eyes leave the picture for the switch", "the sticks as the switch is thrown"],
  },
];

export const bailParts: readonly StepText[] = [
  offSomething(
    "bail-gap",
    "Bail off a gap",
    [
      "Fly at a wide gap, slowly.",
      "Break off two lengths before it: lean back, or over the top.",
      "Raise the speed step by step.",
    ],
    "Not every line has to be flown.",
  ),
  offSomething(
    "bail-dive",
    "Bail off a dive",
    ["A shallow dive from well above.", "Level and go, at the height that was said.", "Steeper only when that sits."],
    "Level and go, with height to spare.",
  ),
  ...alsoBails,
];

const quarters = (id: string, name: string, drill: readonly string[], aim: string): StepText => ({
  id,
  name,
  aim,
  drill,
  directions: sides,
  clean: "flat, turned by what was said, upright with height to spare",
  stopWithinDeg: null,
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
  turnsOver: { axis: "pitch", endRateDps: [600, 900] },
  recipeFor: {},
});

/** The upside-down spin by quarters, before all of it. */
export const spinParts: readonly StepText[] = [
  quarters(
    "spin-inverted-90",
    "Inverted yaw spin, a quarter",
    [
      "High. Punch, close, half over.",
      "See that it is flat, then yaw a quarter, and out.",
      "Both ways before any more of it.",
    ],
    "Flat first; the quarter shows whether it was.",
  ),
  quarters(
    "spin-inverted-180",
    "Inverted yaw spin, a half",
    ["As the quarter, from a little higher.", "Yaw a half; you leave looking back.", "Out the way you came in."],
    "Half round, and out looking back.",
  ),
  quarters(
    "spin-inverted-270",
    "Inverted yaw spin, three quarters",
    ["As the half, higher again.", "Yaw three quarters at one speed.", "Out the way you came in."],
    "The last quarter before all of it.",
  ),
];
