import type { Phase, Recipe, RecipeParameter, StickPlan } from "../recipe";
import type { Value } from "../value";
import {
  after,
  atPace,
  bankHeld,
  bothSides,
  catchCruise,
  catchHover,
  climbHeld,
  closed,
  flyAlong,
  fullPower,
  gapIn,
  headingHeld,
  heightHeld,
  heldLevel,
  heldStill,
  noDriftAside,
  pitchHeld,
  plain,
  popUp,
  thrust,
} from "./parts";

const lean = (value: number): RecipeParameter => ({ label: "Lean", unit: "°", value, min: 5, max: 60 });
const hover: Phase = {
  ...catchHover,
  ...heldStill,
  label: "Level: hover",
  throttle: climbHeld(0),
  until: [after(1.5)],
};
const leanBack: Pick<Phase, "roll" | "pitch"> = { roll: bankHeld(0), pitch: pitchHeld({ param: "leanDeg" }) };
const stopped = { kind: "ahead", is: "below", mps: 0.6 } as const;

const stopCourse: Recipe = {
  ...plain,
  id: "stop-course",
  label: "One leg of the stop course",
  start: { kind: "hover" },
  parameters: {
    leanDeg: lean(20),
    legM: { label: "From marker to marker", unit: "m", value: 9, min: 3, max: 40 },
    brakeAtM: { label: "Lean back at", unit: "m", value: 5, min: 0.5, max: 39 },
  },
  phases: [
    {
      id: "go",
      label: "Lean forward, height held",
      roll: noDriftAside,
      pitch: pitchHeld({ param: "leanDeg", times: -1 }),
      throttle: heightHeld(0),
      until: [{ kind: "along", is: "above", m: { param: "brakeAtM" } }],
      maxS: 12,
    },
    { id: "brake", label: "Lean back as far", ...leanBack, throttle: heightHeld(0), until: [stopped], maxS: 6 },
    { ...hover, throttle: heightHeld(0) },
  ],
  solveFor: [{ aim: { kind: "stop-at", alongM: { param: "legM" } }, param: "brakeAtM" }],
  brakePhase: "brake",
  object: { alongM: { param: "legM" }, acrossM: 0 },
  marks: [
    { kind: "height-band", aboveM: 1, belowM: 1 },
    { kind: "spot", withinM: 1.5 },
  ],
};

const pitchBrake: Recipe = {
  ...plain,
  id: "pitch-brake",
  label: "Pitch brake",
  start: { kind: "cruise" },
  parameters: { leanDeg: lean(35) },
  phases: [
    {
      id: "brake",
      label: "Lean back, a touch of throttle",
      ...leanBack,
      throttle: climbHeld(0),
      until: [{ kind: "ahead", is: "below", mps: 1.5 }],
      maxS: 8,
    },
    { ...hover, label: "Forward again before it runs back" },
  ],
  brakePhase: "brake",
  marks: [{ kind: "height-band", aboveM: 1, belowM: 1 }],
};

/** Turned about so that its thrust leans against the travel. */
const turnBrake: Omit<Recipe, "id" | "label"> = {
  ...plain,
  start: { kind: "cruise" },
  parameters: {
    yawDps: { label: "Yaw at", unit: "°/s", value: 360, min: 120, max: 900 },
    leanDeg: { label: "Lean against the travel", unit: "°", value: 50, min: 20, max: 65 },
  },
  phases: [
    {
      id: "brake",
      label: "Yaw half round, horizon held",
      yaw: { kind: "rate", dps: { param: "yawDps" } },
      roll: { kind: "level-turn" },
      throttle: heightHeld(0),
      until: [{ kind: "heading", is: "above", deg: 155 }],
      maxS: 3,
    },
    {
      id: "burst",
      label: "Lean against the travel, a burst that holds the height",
      roll: bankHeld(0),
      pitch: pitchHeld({ param: "leanDeg", times: -1 }),
      yaw: headingHeld(180),
      throttle: heightHeld(0),
      until: [{ kind: "ahead", is: "below", mps: 2 }],
      maxS: 5,
    },
    { ...hover, yaw: headingHeld(180), throttle: heightHeld(0), until: [after(1.8)], maxS: 2.4 },
  ],
  brakePhase: "brake",
  marks: [
    { kind: "height-band", aboveM: 2, belowM: 2 },
    { kind: "heading", deg: 180, withinDeg: 20 },
  ],
};

/** Straight down to a spot: the descent begins its height over the tangent of its steepness before it. */
const approach: Readonly<Record<string, RecipeParameter>> = {
  speedMps: { label: "Approach at", unit: "m/s", value: 4, min: 2, max: 8 },
  entryM: { label: "Begin at", unit: "m", value: 6, min: 3, max: 20 },
  spotM: { label: "Spot ahead by", unit: "m", value: 12, min: 4, max: 60 },
  descendM: { label: "Begin the descent after", unit: "m", value: 2.6, min: 0, max: 58 },
};
const toSpot: StickPlan = { kind: "eye", see: "object", targetDeg: 0, gainPerS: 1.5, delayS: 0.2 };
const flareFrom = (value: number): RecipeParameter => ({
  label: "Lean back from a height of",
  unit: "m",
  value,
  min: 0.8,
  max: 6,
});
const flyToIt = flyAlong(
  "approach",
  "Fly at it, level",
  atPace({ param: "speedMps" }),
  { param: "descendM" },
  { yaw: toSpot },
);
const comeDown = (toM: Value): Phase => ({
  id: "descend",
  label: "Come down on the spot",
  roll: noDriftAside,
  pitch: atPace({ param: "speedMps" }),
  yaw: toSpot,
  throttle: { kind: "eye", see: "spot", gainPerS: 3, delayS: 0.2 },
  until: [{ kind: "ground", is: "below", m: toM }],
  maxS: 15,
});
const flare = (label: string): Phase => ({
  id: "flare",
  label,
  roll: noDriftAside,
  pitch: pitchHeld({ param: "leanDeg" }),
  throttle: climbHeld(-0.6),
  until: [stopped, { kind: "ground", is: "below", m: 0.7 }],
  maxS: 5,
});
const touchDown = (cutM: number): readonly Phase[] => [
  {
    id: "settle",
    label: "Level over it, let it down",
    ...heldStill,
    throttle: climbHeld(-0.5),
    until: [{ kind: "ground", is: "below", m: cutM }],
    maxS: 8,
  },
  { id: "cut", label: "Close", ...heldStill, throttle: closed, until: [], maxS: 3 },
];
const landing = {
  ...plain,
  start: { kind: "level", speedMps: { param: "speedMps" } },
  entryHeightM: { param: "entryM" },
  descentPhase: "descend",
  object: { alongM: { param: "spotM" }, acrossM: 0 },
  inPicture: { from: "approach", to: "flare" },
} as const satisfies Partial<Recipe>;
const onTheSpot = { kind: "spot", withinM: 1.5 } as const;

const landStop: Recipe = {
  ...landing,
  ends: "landed",
  id: "land-stop",
  label: "Landing from a stop",
  parameters: { ...approach, leanDeg: lean(18), flareM: flareFrom(2.2) },
  solveFor: [{ aim: { kind: "stop-at", alongM: { param: "spotM" } }, param: "flareM" }],
  phases: [flyToIt, comeDown({ param: "flareM" }), flare("Pitch back as it comes down"), ...touchDown(0.12)],
  brakePhase: "flare",
  marks: [onTheSpot],
};
/** The same, closed a hand above the ground. */
const landStopCut: Recipe = {
  ...landStop,
  id: "land-stop-cut",
  label: "Landing from a stop, cut a hand above",
  phases: [...landStop.phases.slice(0, 3), ...touchDown(0.2)],
};
/** Begun later: steeper, and leant back harder. */
const landShort: Recipe = {
  ...landStop,
  id: "land-short",
  label: "Short landing",
  parameters: { ...approach, descendM: { ...approach.descendM, value: 5.8 }, leanDeg: lean(28), flareM: flareFrom(2) },
  phases: [flyToIt, comeDown({ param: "flareM" }), flare("Pitch back hard as it comes down"), ...touchDown(0.12)],
};
/** Nothing is leant back: level over the spot, it coasts to a stop in the air. */
const landCoast: Recipe = {
  ...landStop,
  id: "land-coast",
  label: "Landing, coasting to a stop",
  parameters: {
    ...approach,
    speedMps: { ...approach.speedMps, value: 3 },
    descendM: { ...approach.descendM, value: 1.6 },
    leanDeg: lean(5),
    flareM: flareFrom(2.5),
  },
  phases: [flyToIt, comeDown({ param: "flareM" }), flare("Level: let it coast"), ...touchDown(0.12)],
};
const skim: Pick<Phase, "roll" | "pitch"> = { roll: noDriftAside, pitch: atPace({ param: "speedMps" }) };
const landPass: Recipe = {
  ...landing,
  ends: "flying",
  id: "land-pass",
  label: "Low landing approach",
  parameters: approach,
  phases: [
    flyToIt,
    comeDown(1.6),
    { id: "flare", label: "Skim the spot", ...skim, throttle: climbHeld(0), until: [after(1)], maxS: 2 },
    { id: "go-round", label: "Climb away", ...skim, throttle: climbHeld(1.5), until: [after(1.5)], maxS: 3 },
  ],
  marks: [{ kind: "line", withinM: 1.5 }],
};

const wall: Readonly<Record<string, RecipeParameter>> = {
  speedMps: { label: "Fly at the wall with", unit: "m/s", value: 5, min: 2, max: 15 },
  wallM: { label: "Wall ahead by", unit: "m", value: 15, min: 6, max: 60 },
  leanDeg: lean(45),
  blipG: { label: "Blip", unit: "g", value: 1.5, min: 1, max: 5 },
};
const flyOn = flyAlong("on", "Fly at it", atPace({ param: "speedMps" }), null);
const bail: readonly Phase[] = [
  {
    id: "bail",
    label: "Lean back with a blip",
    ...leanBack,
    throttle: thrust({ param: "blipG" }),
    until: [{ kind: "ahead", is: "below", mps: 1.2 }],
    maxS: 4,
  },
];
const untilBrake = flyAlong("approach", "Fly at it", atPace({ param: "speedMps" }), { param: "brakeAtM" });
const walled = {
  ...plain,
  start: { kind: "level", speedMps: { param: "speedMps" } },
  entryHeightM: 3,
  parameters: {
    ...wall,
    brakeAtM: { label: "Lean back at", unit: "m", value: 9, min: 0.5, max: 59 },
  },
  obstacles: [{ kind: "wall", alongM: { param: "wallM" }, acrossM: 0, heightM: 8, widthM: 12 }],
  freeze: { before: "bail", instead: flyOn },
  brakePhase: "bail",
} as const satisfies Partial<Recipe>;

const bailWall: Recipe = {
  ...walled,
  id: "bail-wall",
  label: "Bail off a wall",
  phases: [untilBrake, ...bail, { ...hover, label: "Forward at once: hover" }],
  abort: [...bail, hover],
};
const bailFlow: Omit<Recipe, "id" | "label"> = {
  ...walled,
  parameters: { ...walled.parameters, yawDps: { label: "Yaw at", unit: "°/s", value: 300, min: 120, max: 900 } },
  phases: [
    untilBrake,
    ...bail,
    {
      id: "away",
      label: "Yaw about",
      ...heldLevel,
      yaw: { kind: "rate", dps: { param: "yawDps" } },
      throttle: climbHeld(0),
      until: [{ kind: "heading", is: "above", deg: 165 }],
      maxS: 3,
    },
    { ...catchCruise, label: "And fly off", yaw: headingHeld(180), until: [after(1.2)] },
  ],
  abort: [...bail, hover],
};

/** Broken off before a gap, whose posts and beam stand in the way. */
const bailGap: Recipe = {
  ...bailWall,
  id: "bail-gap",
  label: "Bail off a gap",
  parameters: {
    ...bailWall.parameters,
    wallM: { ...wall.wallM, label: "Gap ahead by" },
    gapWidthM: { label: "Width of the gap", unit: "m", value: 1.5, min: 0.5, max: 10 },
  },
  obstacles: [{ kind: "gap", alongM: { param: "wallM" }, acrossM: 0, heightM: 4, widthM: { param: "gapWidthM" } }],
};
const intoSideWind: StickPlan = { ...noDriftAside, stills: { degPerMps: 12, mostDeg: 25 } };
/** Broken off with the wind across: it is leant into all the while, and it does not stop with the lean. */
const bailWind: Omit<Recipe, "id" | "label"> = {
  ...bailWall,
  parameters: {
    ...bailWall.parameters,
    sideWindMps: { label: "Wind across", unit: "m/s", value: 5, min: 1, max: 12 },
  },
  phases: bailWall.phases.map((phase) => (phase.roll ? { ...phase, roll: intoSideWind } : phase)),
  sideWindMps: { param: "sideWindMps", times: -1 },
  marks: [{ kind: "line", withinM: 3 }],
};
/** Rolled away to one side and pulled round, where there is room beside and none above. */
const bailRoll: Omit<Recipe, "id" | "label"> = {
  ...walled,
  entryHeightM: 5,
  parameters: {
    ...walled.parameters,
    bankDeg: { label: "Roll to", unit: "°", value: 50, min: 30, max: 75 },
    pullDps: { label: "Pull round at", unit: "°/s", value: 110, min: 60, max: 400 },
  },
  phases: [
    untilBrake,
    {
      id: "bail",
      label: "Roll away",
      roll: bankHeld({ param: "bankDeg" }),
      throttle: thrust({ param: "blipG" }),
      until: [after(0.25)],
      maxS: 1,
    },
    {
      id: "pull",
      label: "Pull round",
      roll: bankHeld({ param: "bankDeg" }),
      pitch: { kind: "rate", dps: { param: "pullDps" } },
      throttle: heightHeld(0),
      until: [{ kind: "ahead", is: "below", mps: 0.5 }],
      maxS: 3,
    },
    { ...hover, label: "Level: hover" },
  ],
  abort: [...bail, hover],
};
/** A shallow dive, broken off: level and go. */
const bailDive: Recipe = {
  ...plain,
  id: "bail-dive",
  label: "Bail off a dive",
  start: { kind: "level", speedMps: { param: "speedMps" } },
  parameters: {
    speedMps: { label: "Into the dive at", unit: "m/s", value: 6, min: 2, max: 20 },
    diveDeg: { label: "Dive at", unit: "°", value: 30, min: 10, max: 60 },
    breakOffM: { label: "Break off after a height of", unit: "m", value: 4, min: 1, max: 30 },
    pullDps: { label: "Level at", unit: "°/s", value: 250, min: 100, max: 600 },
  },
  phases: [
    {
      id: "dive",
      label: "Nose down, throttle back",
      roll: noDriftAside,
      pitch: pitchHeld({ param: "diveDeg", times: -1 }),
      throttle: thrust(0.35),
      until: [{ kind: "height", is: "below", m: { param: "breakOffM", times: -1 } }],
      maxS: 8,
    },
    {
      id: "bail",
      label: "Level, power on",
      roll: noDriftAside,
      pitch: { kind: "rate", dps: { param: "pullDps" } },
      throttle: thrust(2),
      until: [{ kind: "pitch", is: "above", deg: 0 }],
      maxS: 2,
    },
    {
      id: "go",
      label: "And go",
      roll: noDriftAside,
      pitch: pitchHeld(0),
      throttle: climbHeld(0.6),
      until: [{ kind: "climb", is: "above", mps: 0.3 }],
      maxS: 6,
    },
    { ...catchHover, id: "away", label: "Fly away", until: [after(1)] },
  ],
  abort: [fullPower],
  brakePhase: "bail",
};

const knifeGap = gapIn("edge", 1.5, 4);
/** Rolled to the edge past a gap, from the other side by the drift. */
const knife: Omit<Recipe, "id" | "label"> = {
  start: { kind: "cruise" },
  parameters: {
    popMps: { label: "Climbing at", unit: "m/s", value: 2.5, min: 0, max: 6 },
    leadS: { label: "Fingers ahead of the aircraft by", unit: "s", value: 0.06, min: 0, max: 0.2 },
    edgeS: { label: "On the edge for", unit: "s", value: 0.35, min: 0.1, max: 1.2 },
    edgeG: { label: "Thrust on the edge", unit: "g", value: 0.2, min: 0, max: 2 },
    ...knifeGap.parameters,
  },
  phases: [
    {
      id: "pop",
      label: "Pop up",
      ...popUp,
      throttle: thrust({ of: "trimThrustG", times: 1.8 }),
      until: [{ kind: "climb", is: "above", mps: { param: "popMps" } }],
      maxS: 3,
    },
    {
      id: "roll",
      label: "Roll to the edge, throttle low",
      roll: { kind: "hold", at: 1 },
      throttle: thrust({ param: "edgeG" }),
      until: [{ kind: "turned", axis: "roll", deg: 90, leadS: { param: "leadS" } }],
      maxS: 3,
      mark: true,
    },
    {
      id: "edge",
      label: "On the edge through the gap",
      throttle: thrust({ param: "edgeG" }),
      until: [after({ param: "edgeS" })],
      maxS: 2,
    },
    {
      id: "roll-back",
      label: "Roll back",
      roll: { kind: "hold", at: -1 },
      throttle: closed,
      until: [{ kind: "turned", axis: "roll", deg: 85, leadS: { param: "leadS" } }],
      maxS: 3,
      mark: true,
    },
    { ...catchCruise, until: [after(1.6)] },
  ],
  turn: null,
  solveFor: knifeGap.solveFor,
  abort: [fullPower],
  slip: {},
  marks: [{ kind: "heading", deg: 0, withinDeg: 20 }],
  obstacles: knifeGap.obstacles,
};

/** Round by yaw with the horizon held. */
export const levelSpin: Omit<Recipe, "id" | "label"> = {
  ...plain,
  start: { kind: "cruise" },
  parameters: {
    spinDps: { label: "Spin at", unit: "°/s", value: 300, min: 90, max: 900 },
    spinTimes: { label: "Throttle in the spin, times the cruise's thrust", unit: "", value: 0.7, min: 0.2, max: 1.2 },
    stopAtDeg: { label: "Centre the yaw at", unit: "°", value: 345, min: 180, max: 360 },
  },
  phases: [
    {
      id: "spin",
      label: "Yaw, with the roll that holds the horizon",
      yaw: { kind: "rate", dps: { param: "spinDps" } },
      roll: { kind: "level-turn" },
      throttle: thrust({ param: "spinTimes", timesOf: "trimThrustG" }),
      until: [{ kind: "heading", is: "above", deg: { param: "stopAtDeg" } }],
      maxS: 6,
      mark: true,
    },
    { ...catchCruise, yaw: headingHeld(360), until: [after(1.6)] },
  ],
  solveFor: [{ aim: { kind: "return-to-entry-height" }, param: "spinTimes" }],
  marks: [
    { kind: "heading", deg: 0, withinDeg: 20 },
    { kind: "horizon", withinDeg: 15 },
    { kind: "height-band", aboveM: 2, belowM: 2 },
    { kind: "line", withinM: 6 },
  ],
};

const postAlong = { param: "postAheadS", timesOf: "trimSpeedMps" } as const;
const postBeside = { param: "postBesideS", timesOf: "trimSpeedMps" } as const;
/** The nose is kept on a post while passing it. */
const trackSpin: Omit<Recipe, "id" | "label"> = {
  ...plain,
  start: { kind: "cruise" },
  parameters: {
    postAheadS: { label: "Post ahead by, at the cruise", unit: "s", value: 0.9, min: 0.3, max: 4 },
    postBesideS: { label: "Post beside the line by, at the cruise", unit: "s", value: 0.35, min: 0.15, max: 2 },
    gainPerS: { label: "How sharply it is followed", unit: "", value: 5, min: 1, max: 9 },
  },
  phases: [
    {
      id: "track",
      label: "Keep the post in the middle",
      yaw: { kind: "eye", see: "object", targetDeg: 0, gainPerS: { param: "gainPerS" }, delayS: 0.15 },
      roll: bankHeld(0),
      pitch: pitchHeld({ of: "tiltDeg", times: -0.4 }),
      throttle: heightHeld(0),
      until: [
        { kind: "along", is: "above", m: { param: "postAheadS", timesOf: "trimSpeedMps", times: 1.6 } },
        { kind: "heading", is: "above", deg: 110 },
      ],
      maxS: 12,
    },
    { ...catchHover, label: "Let it go: level", throttle: heightHeld(0), until: [after(1.5)] },
  ],
  object: { alongM: postAlong, acrossM: postBeside, heightM: 6 },
  inPicture: { from: "track", to: "catch" },
  marks: [
    { kind: "in-picture", share: 0.9 },
    { kind: "height-band", aboveM: 2, belowM: 2 },
  ],
  obstacles: [{ kind: "pole", alongM: postAlong, acrossM: postBeside, heightM: 6, widthM: 0.3 }],
};

/** Past it, stop, and back the way it came. */
const rewind: Recipe = {
  ...plain,
  id: "rewind",
  label: "Rewind",
  start: { kind: "cruise" },
  parameters: {
    leanDeg: lean(30),
    backMps: { label: "Back at", unit: "m/s", value: 4, min: 1, max: 12 },
    backS: { label: "Back for", unit: "s", value: 1, min: 0.2, max: 5 },
  },
  phases: [
    {
      id: "brake",
      label: "Lean back and stay there",
      ...leanBack,
      roll: noDriftAside,
      yaw: headingHeld(0),
      throttle: heightHeld(0),
      until: [{ kind: "ahead", is: "below", mps: { param: "backMps", times: -1 } }],
      maxS: 10,
    },
    {
      id: "back",
      label: "Back along the line, view held",
      ...heldLevel,
      roll: noDriftAside,
      yaw: headingHeld(0),
      throttle: heightHeld(0),
      until: [after({ param: "backS" })],
      maxS: 6,
    },
    {
      id: "forward",
      label: "Forward again",
      roll: noDriftAside,
      pitch: pitchHeld({ param: "leanDeg", times: -1 }),
      throttle: heightHeld(0),
      until: [{ kind: "ahead", is: "above", mps: -0.5 }],
      maxS: 4,
    },
    hover,
  ],
  brakePhase: "brake",
  marks: [
    { kind: "height-band", aboveM: 1.5, belowM: 1.5 },
    { kind: "line", withinM: 1 },
  ],
};

/** Tricks that stay upright: stops, brakes, landings, bails, the knife edge and level spins. */
export const travelRecipes: readonly Recipe[] = [
  stopCourse,
  pitchBrake,
  ...bothSides(turnBrake, "turn-brake", "Turning brake"),
  landPass,
  landStop,
  landStopCut,
  landCoast,
  landShort,
  bailWall,
  bailGap,
  bailDive,
  ...bothSides(bailWind, "bail-wind", "Bail in a side wind"),
  ...bothSides(bailRoll, "bail-roll", "Bail by rolling away"),
  ...bothSides(bailFlow, "bail-flow", "Bail into the next move"),
  ...bothSides(knife, "gap-knife", "Knife edge past a gap"),
  ...bothSides(levelSpin, "spin-level", "Level spin"),
  ...bothSides(trackSpin, "spin-track", "Nose-on-post spin"),
  rewind,
];
