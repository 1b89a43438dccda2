import type { Phase, Recipe, RecipeParameter } from "../recipe";
import type { Value } from "../value";
import {
  aboutAxis,
  after,
  bothSides,
  catchCruise,
  catchHover,
  centreParameter,
  closed,
  cruisePunchParameters,
  harder,
  heldLevel,
  keepTurning,
  lead,
  left,
  pitchHeld,
  POP_LEAN,
  popUp,
  punchAndClose,
  punchParameters,
  right,
  stopAtCentre,
  thrust,
  turned,
  turning,
} from "./parts";

/** Of the pitch stick. */
const forward = left;
/** Upside down the throttle stays closed. */
const closedUpsideDown = { kind: "throttle-closed", most: 0.08 } as const;

/** Forward over the nose for half a turn, a look at the ground going away, and on over. */
const lookBack: Recipe = {
  id: "look-back",
  label: "Look-back flip",
  start: { kind: "cruise" },
  parameters: {
    ...cruisePunchParameters,
    centreDeg: centreParameter(320),
    lookS: { label: "Look for", unit: "s", value: 0.5, min: 0.1, max: 1.5 },
  },
  phases: [
    { ...punchAndClose[0], label: "Punch, horizon held low", ...popUp },
    punchAndClose[1],
    turning("turn", "Nose down and under", { pitch: forward }, turned("pitch", { param: "centreDeg", plus: -180 }), {
      mark: true,
    }),
    turning("look", "Centre it: watch the ground go", {}, after({ param: "lookS" })),
    turning("turn-on", "On over to upright", { pitch: forward }, turned("pitch", { param: "centreDeg" })),
    stopAtCentre,
    catchCruise,
  ],
  ...aboutAxis("pitch"),
  // It keeps going the way it went: forward.
  abort: keepTurning("pitch").map((phase) => (phase.pitch?.kind === "hold" ? { ...phase, pitch: forward } : phase)),
};

/** Half a roll over the obstacle, then pulled through under it. */
export function splitS(tight: boolean): Omit<Recipe, "id" | "label"> {
  return {
    start: { kind: "cruise" },
    parameters: {
      ...cruisePunchParameters,
      punchS: { ...punchParameters.punchS, value: 0.35 },
      leadS: lead(),
      rollLeadS: lead(0.25),
      floatS: { label: "Float upside down for", unit: "s", value: tight ? 0.05 : 0.45, min: 0, max: 1.5 },
      pullDps: { label: "Pull through at", unit: "°/s", value: tight ? 450 : 260, min: 120, max: 900 },
    },
    phases: [
      { ...punchAndClose[0], label: "Climb to the obstacle", ...popUp },
      punchAndClose[1],
      turning("half-roll", "Half a roll", { roll: right }, turned("roll", 180, { param: "rollLeadS" }), { mark: true }),
      turning("float", "Centre it, throttle closed", {}, after({ param: "floatS" })),
      turning(
        "pull",
        "Pull through",
        { pitch: { kind: "rate", dps: { param: "pullDps" } } },
        turned("pitch", { of: "tiltDeg", times: -1 - POP_LEAN, plus: 180 }, { param: "leadS" }),
        { mark: true },
      ),
      {
        ...catchCruise,
        label: "Horizon back: power, and away under it",
        until: [{ kind: "climb", is: "above", mps: -0.3 }, after(3)],
        maxS: 3.5,
      },
      { ...catchCruise, id: "away", label: "Fly away", until: [after(0.6)] },
    ],
    turn: null,
    solveFor: [{ aim: { kind: "heading", deg: 180 }, param: "rollLeadS" }],
    freeze: { before: "catch" },
    abort: keepTurning("roll", "Keep rolling until upright"),
    slip: { punchS: 0.8 },
    marks: [{ kind: "heading", deg: 180, withinDeg: 20 }, closedUpsideDown],
  };
}

/** Half over, a yaw spin upside down, and out. */
export function invertedSpin(way: "pitch" | "roll"): Omit<Recipe, "id" | "label"> {
  const over = (id: string, label: string, toDeg: number, mark: boolean): Phase =>
    turning(id, label, { [way]: way === "pitch" ? forward : right }, turned(way, toDeg, { param: "leadS" }), { mark });
  return {
    start: { kind: "hover" },
    parameters: {
      ...punchParameters,
      leadS: lead(),
      spinDps: { label: "Spin at", unit: "°/s", value: 400, min: 100, max: 900 },
      spinDeg: { label: "Spin by", unit: "°", value: 180, min: 90, max: 360 },
      spinLeadS: { label: "Centre the yaw early by", unit: "s", value: 0.145, min: 0, max: 0.4 },
      settleS: { label: "Flat before the spin for", unit: "s", value: 0.15, min: 0.05, max: 0.6 },
    },
    phases: [
      ...punchAndClose,
      over("over", way === "pitch" ? "Pitch in, half a turn" : "Roll in, half a turn", 180, true),
      turning("flat", "Centre it: flat upside down", {}, after({ param: "settleS" })),
      turning(
        "spin",
        "Yaw, throttle closed",
        { yaw: { kind: "rate", dps: { param: "spinDps" } } },
        turned("yaw", { param: "spinDeg" }, { param: "spinLeadS" }),
        { mark: true },
      ),
      turning("spin-stop", "Centre it", {}, after(0.15)),
      over("out", way === "pitch" ? "Pitch out" : "Roll out", 180, true),
      { ...stopAtCentre, until: [after(0.15)] },
      catchHover,
    ],
    turn: null,
    // Upside down the yaw turns the other way.
    solveFor: [
      { aim: { kind: "heading", deg: { param: "spinDeg", times: -1 } }, param: "spinLeadS" },
      { aim: { kind: "return-to-entry-height" }, param: "punchS", otherwise: harder },
      { aim: { kind: "heading", deg: { param: "spinDeg", times: -1 } }, param: "spinLeadS" },
    ],
    marks: [{ kind: "heading", deg: { param: "spinDeg" }, withinDeg: 20 }, closedUpsideDown],
    freeze: { before: "catch" },
    abort: way === "pitch" ? lookBack.abort : keepTurning("roll"),
    slip: { punchS: 0.8 },
  };
}

/** Upside down, the tail wagged to one side, to the other and back. */
const wag: Omit<Recipe, "id" | "label"> = (() => {
  const spin = invertedSpin("pitch");
  const at = spin.phases.findIndex(({ id }) => id === "spin");
  const swing = (id: string, label: string, dps: Value, share: number): Phase =>
    turning(
      id,
      label,
      { yaw: { kind: "rate", dps } },
      turned("yaw", { param: "spinDeg", times: share }, { param: "spinLeadS" }),
      { mark: true },
    );
  return {
    ...spin,
    parameters: {
      ...spin.parameters,
      spinDps: { ...spin.parameters.spinDps, value: 150 },
      spinLeadS: { ...spin.parameters.spinLeadS, value: 0.08 },
      spinDeg: { label: "Wag by", unit: "°", value: 40, min: 15, max: 90 },
      overDeg: { label: "Wag over by", unit: "°", value: 60, min: 30, max: 120 },
    },
    solveFor: [
      { aim: { kind: "heading", deg: 0 }, param: "overDeg" },
      { aim: { kind: "return-to-entry-height" }, param: "punchS", otherwise: harder },
      { aim: { kind: "heading", deg: 0 }, param: "overDeg" },
    ],
    marks: [{ kind: "heading", deg: 0, withinDeg: 20 }, closedUpsideDown],
    phases: [
      ...spin.phases.slice(0, at),
      swing("wag", "Yaw to one side", { param: "spinDps" }, 1),
      turning(
        "wag-over",
        "Yaw to the other",
        { yaw: { kind: "rate", dps: { param: "spinDps", times: -1 } } },
        turned("yaw", { param: "overDeg" }),
        { mark: true },
      ),
      swing("wag-back", "Yaw back to the middle", { param: "spinDps" }, 1),
      ...spin.phases.slice(at + 1),
    ],
  };
})();

/**
 * Yaw alone to half round while travelling; floating backward, pushed into a backward arc; a lot of throttle and more push over the top; the yaw reversed
 * as it comes upside down, so that the turn looks unbroken; and out.
 */
const helix = (leave: "pitch" | "roll"): Omit<Recipe, "id" | "label"> => ({
  start: { kind: "cruise" },
  parameters: {
    ...cruisePunchParameters,
    punchS: { ...punchParameters.punchS, value: 0.5 },
    leadS: lead(),
    yawDps: { label: "Yaw at", unit: "°/s", value: 300, min: 100, max: 700 },
    floatTimes: { label: "Throttle in the float, times the cruise's thrust", unit: "", value: 0.5, min: 0, max: 1.5 },
    pushDps: { label: "Push at", unit: "°/s", value: 220, min: 120, max: 800 },
    pushTimes: { label: "Throttle over the top, times the cruise's thrust", unit: "", value: 3.2, min: 0.5, max: 6 },
  },
  phases: [
    { ...punchAndClose[0], label: "Climb, horizon held low", ...popUp },
    {
      id: "yaw-round",
      label: "Yaw alone to half round",
      yaw: { kind: "rate", dps: { param: "yawDps" } },
      throttle: thrust({ param: "floatTimes", timesOf: "trimThrustG" }),
      until: [turned("yaw", 178, { param: "leadS" })],
      maxS: 3,
      mark: true,
    },
    turning(
      "push",
      "Float backward, push into the arc",
      { pitch: { kind: "rate", dps: { param: "pushDps", times: -1 } } },
      turned("pitch", 40),
      { mark: true, throttle: thrust({ param: "floatTimes", timesOf: "trimThrustG" }) },
    ),
    turning(
      "over",
      "A lot of throttle, push over the top",
      { pitch: { kind: "rate", dps: { param: "pushDps", times: -1 } } },
      turned("pitch", 150),
      { throttle: thrust({ param: "pushTimes", timesOf: "trimThrustG" }) },
    ),
    turning(
      "under",
      "Close, push on upside down",
      { pitch: { kind: "rate", dps: { param: "pushDps", times: -1 } } },
      turned("pitch", { of: "tiltDeg", times: POP_LEAN, plus: 180 }, { param: "leadS" }),
    ),
    turning(
      "yaw-on",
      "Upside down: reverse the yaw",
      { yaw: { kind: "rate", dps: { param: "yawDps", times: -1 } } },
      turned("yaw", 150),
      { mark: true },
    ),
    leave === "pitch"
      ? turning("out", "Push on to upright", { pitch: forward }, turned("pitch", 165, { param: "leadS" }), {
          mark: true,
        })
      : turning("out", "Roll to upright", { roll: right }, turned("roll", 165, { param: "leadS" }), { mark: true }),
    { ...stopAtCentre, until: [after(0.15)] },
    { ...catchHover, until: [after(2)], maxS: 2.5 },
  ],
  turn: null,
  solveFor: [{ aim: { kind: "return-to-entry-height" }, param: "punchS", otherwise: harder }],
  freeze: { before: "catch" },
  abort: leave === "pitch" ? lookBack.abort : keepTurning("roll"),
  slip: { punchS: 0.8 },
  // Over the nose it comes out the way it went, by a roll the other way.
  marks: [{ kind: "heading", deg: leave === "pitch" ? 0 : 180, withinDeg: 30 }],
});

export const loopParameters: Readonly<Record<string, RecipeParameter>> = {
  speedMps: { label: "Fly in at", unit: "m/s", value: 7, min: 2, max: 20 },
  radiusM: { label: "Radius of the loop", unit: "m", value: 1.8, min: 0.4, max: 15 },
  pitchedForM: { label: "Pitched for a radius of", unit: "m", value: 1.8, min: 0.3, max: 20 },
  riseMps: { label: "Punch to a climb of", unit: "m/s", value: 4, min: 0.5, max: 14 },
  endDeg: { label: "Pitch on to", unit: "°", value: 360, min: 60, max: 480 },
};

/** Pitched evenly all round; the thrust that turns with the nose makes the circle, the punch before it the height. With `float` the throttle is closed over the top. */
export function loop(float: boolean, over: readonly Phase[] | null = null): Recipe["phases"] {
  const pitch = { kind: "loop", radiusM: { param: "pitchedForM" } } as const;
  const power = {
    kind: "loop",
    radiusM: { param: "pitchedForM" },
    share: 1,
    weightG: 0.5,
  } as const;
  return [
    {
      id: "rise",
      label: "Punch",
      ...heldLevel,
      pitch: pitchHeld({ of: "trimPitchDeg" }),
      throttle: thrust({ of: "trimThrustG", times: 2.4 }),
      until: [{ kind: "climb", is: "above", mps: { param: "riseMps" } }],
      maxS: 4,
    },
    {
      id: "pull",
      label: "Pitch back, throttle on",
      pitch,
      throttle: power,
      until: [turned("pitch", 135)],
      maxS: 5,
      mark: true,
    },
    ...(over ?? [
      {
        id: "top",
        label: float ? "Throttle closed over the top, keep pitching" : "Less throttle over the top, keep pitching",
        pitch,
        throttle: float ? closed : power,
        until: [turned("pitch", 225)],
        maxS: 4,
      },
    ]),
    {
      id: "down",
      label: "Throttle on again, pitch on",
      pitch,
      throttle: power,
      until: [turned("pitch", { param: "endDeg" })],
      maxS: 5,
    },
    { ...catchHover, label: "Horizon back: fly on", pitch: pitchHeld({ of: "trimPitchDeg" }), until: [after(1.2)] },
  ];
}

/** A loop given up goes on: pitched the rest of the way, power, away. */
export const pitchOn = keepTurning("pitch", "Keep pitching the rest of the way");

const loops = {
  start: { kind: "level", speedMps: { param: "speedMps" } },
  parameters: loopParameters,
  turn: null,
  // The punch changes the fitted circle a little: once round again.
  solveFor: [
    { aim: { kind: "return-to-entry-height" }, param: "riseMps", otherwise: { param: "speedMps", times: 0.8 } },
    { aim: { kind: "loop-radius", radiusM: { param: "radiusM" } }, param: "pitchedForM" },
    { aim: { kind: "return-to-entry-height" }, param: "riseMps" },
  ],
  abort: pitchOn,
  slip: { riseMps: 0.8 },
  loop: { from: "pull", to: "catch" },
  marks: [
    { kind: "round", unevenness: 0.35 },
    { kind: "end-height", withinM: 3 },
    { kind: "line", withinM: 4 },
  ],
} as const satisfies Partial<Recipe>;

/** A bar whose beam the loop goes round: it stands at the middle of the loop. */
const barred = {
  parameters: {
    ...loopParameters,
    barAlongM: { label: "Begin before the bar by", unit: "m", value: 3, min: -5, max: 40 },
    barAboveM: { label: "Beam above the entry by", unit: "m", value: 2, min: 0, max: 30 },
    barWidthM: { label: "Between its posts", unit: "m", value: 4, min: 1, max: 20 },
  },
  solveFor: [
    ...loops.solveFor,
    { aim: { kind: "bar-ahead" }, param: "barAlongM" },
    { aim: { kind: "bar-above" }, param: "barAboveM" },
  ],
  obstacles: [
    {
      kind: "bar",
      alongM: { param: "barAlongM" },
      acrossM: 0,
      heightM: { param: "barAboveM" },
      widthM: { param: "barWidthM" },
      aboveEntry: true,
    },
  ],
} as const satisfies Partial<Recipe>;

/** Half a loop, a yaw spin upside down at its top, and the rest. */
const spinInLoop: Omit<Recipe, "id" | "label"> = {
  ...loops,
  parameters: {
    ...loopParameters,
    spinDps: { label: "Spin at", unit: "°/s", value: 480, min: 150, max: 900 },
    spinLeadS: { label: "Centre the yaw early by", unit: "s", value: 0.06, min: 0, max: 0.4 },
  },
  phases: loop(false, [
    {
      id: "top",
      label: "Less throttle, keep pitching to the top",
      pitch: { kind: "loop", radiusM: { param: "pitchedForM" } },
      throttle: { kind: "loop", radiusM: { param: "pitchedForM" }, share: 1, weightG: 0.5 },
      until: [turned("pitch", 180)],
      maxS: 4,
    },
    turning(
      "spin",
      "Throttle closed, yaw once round",
      { yaw: { kind: "rate", dps: { param: "spinDps" } } },
      turned("yaw", 360, { param: "spinLeadS" }),
    ),
    turning("spin-stop", "Centre it", {}, after(0.1)),
  ]),
  solveFor: [
    { aim: { kind: "heading", deg: 0 }, param: "spinLeadS" },
    { aim: { kind: "return-to-entry-height" }, param: "riseMps", otherwise: { param: "speedMps", times: 0.8 } },
    { aim: { kind: "heading", deg: 0 }, param: "spinLeadS" },
  ],
  marks: [{ kind: "heading", deg: 0, withinDeg: 20 }],
  loop: undefined,
};

const bendBack = (id: string, label: string, recipe: Partial<Recipe> & Pick<Recipe, "phases">): Recipe => ({
  ...loops,
  id,
  label,
  ...recipe,
});

/** Tricks that go over: looks back, split-S, upside-down spins, loops and the helix. */
export const overRecipes: readonly Recipe[] = [
  lookBack,
  ...bothSides(splitS(false), "split-s-float", "Split-S, floated"),
  ...bothSides(splitS(true), "split-s-tight", "Split-S, tight"),
  bendBack("loop-open-power", "Power loop, power all round", { phases: loop(false) }),
  bendBack("loop-open-float", "Power loop, floated over the top", { phases: loop(true) }),
  bendBack("loop-over-power", "Loop over an obstacle, power all round", { phases: loop(false), ...barred }),
  bendBack("loop-over-float", "Loop over an obstacle, floated", { phases: loop(true), ...barred }),
  bendBack("loop-through", "Loop through a gap and over its beam", {
    phases: loop(false),
    ...barred,
    parameters: {
      ...barred.parameters,
      barWidthM: { ...barred.parameters.barWidthM, label: "Width of the gap", value: 2 },
    },
    obstacles: barred.obstacles.map((one) => ({ ...one, kind: "gap" as const })),
  }),
  ...bothSides(spinInLoop, "spin-in-loop", "Yaw spin at the top of a loop"),
  ...bothSides(invertedSpin("pitch"), "spin-inverted-pitch", "Inverted yaw spin, pitched in and out"),
  ...bothSides(invertedSpin("roll"), "spin-inverted-roll", "Inverted yaw spin, rolled in and out"),
  ...bothSides(wag, "spin-inverted-wag", "Inverted tail wag"),
  ...bothSides(helix("pitch"), "helix-pitch", "Helix, left over the nose"),
  ...bothSides(helix("roll"), "helix-roll", "Helix, left by a roll"),
];
