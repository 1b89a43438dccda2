import type { Phase, Recipe } from "../recipe";
import { loop, loopParameters, pitchOn, invertedSpin, splitS } from "./over";
import {
  aboutAxis,
  after,
  bothSides,
  catchCruise,
  catchHover,
  centreParameter,
  closed,
  cruisePunchParameters,
  gapIn,
  harder,
  headingHeld,
  heldLevel,
  keepTurning,
  lead,
  left,
  pitchHeld,
  punchAndClose,
  punchParameters,
  right,
  stopAtCentre,
  thrust,
  turned,
  turning,
} from "./parts";
import { levelSpin } from "./travel";

/** Flat round by yaw while it climbs, upright all the way. */
const risingSpin: Omit<Recipe, "id" | "label"> = {
  start: { kind: "hover" },
  parameters: {
    punchTimes: { ...punchParameters.punchTimes, value: 1.6 },
    spinDps: { label: "Spin at", unit: "°/s", value: 450, min: 120, max: 900 },
    spinDeg: { label: "Spin by", unit: "°", value: 360, min: 180, max: 1080 },
    spinLeadS: { label: "Centre the yaw early by", unit: "s", value: 0.1, min: 0, max: 0.5 },
  },
  phases: [
    {
      id: "spin",
      label: "Punch and yaw, flat",
      ...heldLevel,
      yaw: { kind: "rate", dps: { param: "spinDps" } },
      throttle: thrust({ param: "punchTimes", timesOf: "trimThrustG" }),
      until: [turned("yaw", { param: "spinDeg" }, { param: "spinLeadS" })],
      maxS: 10,
      mark: true,
    },
    {
      ...catchHover,
      id: "top",
      yaw: headingHeld({ param: "spinDeg" }),
      label: "Centre it, close: over the top",
      throttle: closed,
      until: [{ kind: "climb", is: "below", mps: 0.3 }],
      maxS: 4,
    },
    { ...catchHover, yaw: headingHeld({ param: "spinDeg" }), until: [after(1.2)] },
  ],
  turn: null,
  solveFor: [],
  abort: [{ ...catchHover, id: "power", label: "Centre the yaw, level, hover" }],
  slip: {},
  marks: [
    { kind: "heading", deg: 0, withinDeg: 20 },
    { kind: "horizon", withinDeg: 15 },
    { kind: "line", withinM: 2 },
  ],
};

/** A level spin whose middle is in a gap. */
const gapSpin: Omit<Recipe, "id" | "label"> = (() => {
  const gap = gapIn("spin", 3, 2);
  return {
    ...levelSpin,
    parameters: { ...levelSpin.parameters, ...gap.parameters },
    solveFor: [...levelSpin.solveFor, ...gap.solveFor],
    obstacles: gap.obstacles,
  };
})();

/** A split-S that comes out through a gap under where it went over. */
const splitGap: Omit<Recipe, "id" | "label"> = (() => {
  const split = splitS(true);
  const gap = gapIn("away", 3, { param: "gapAboveM" });
  return {
    ...split,
    parameters: {
      ...split.parameters,
      ...gap.parameters,
      gapAboveM: { label: "Beam above the entry by", unit: "m", value: -2, min: -60, max: 20 },
    },
    phases: split.phases.map((phase) =>
      phase.id === "away" ? { ...phase, label: "Away through the gap", until: [after(1.2)] } : phase,
    ),
    solveFor: [...split.solveFor, ...gap.solveFor, { aim: { kind: "gap-above", phase: "away" }, param: "gapAboveM" }],
    obstacles: gap.obstacles,
  };
})();

/** Upside down with the nose kept on something on the ground by yaw. */
const trackInverted: Omit<Recipe, "id" | "label"> = (() => {
  const spin = invertedSpin("pitch");
  const at = spin.phases.findIndex(({ id }) => id === "spin");
  const { spinDps: _, spinDeg: __, spinLeadS: ___, ...kept } = spin.parameters;
  return {
    ...spin,
    parameters: {
      ...kept,
      behindM: { label: "Object behind the start by", unit: "m", value: 8, min: 2, max: 40 },
      besideM: { label: "Object beside the line by", unit: "m", value: 5, min: 0, max: 30 },
      gainPerS: { label: "How sharply it is followed", unit: "", value: 5, min: 1, max: 9 },
      trackS: { label: "Followed for", unit: "s", value: 0.6, min: 0.2, max: 2 },
    },
    phases: [
      ...spin.phases.slice(0, at),
      turning(
        "track",
        "Yaw it into the middle, throttle closed",
        { yaw: { kind: "eye", see: "object", targetDeg: 0, gainPerS: { param: "gainPerS" }, delayS: 0.15 } },
        after({ param: "trackS" }),
      ),
      ...spin.phases.slice(at + 1),
    ],
    solveFor: [{ aim: { kind: "return-to-entry-height" }, param: "punchS", otherwise: harder }],
    object: { alongM: { param: "behindM", times: -1 }, acrossM: { param: "besideM" } },
    inPicture: { from: "track", to: "spin-stop" },
    marks: [
      { kind: "in-picture", share: 0.8 },
      { kind: "throttle-closed", most: 0.08 },
    ],
  };
})();

/** The first half of a loop, then half a roll at its top: away the way it came from, higher. */
const halfLoop: Omit<Recipe, "id" | "label"> = {
  start: { kind: "level", speedMps: { param: "speedMps" } },
  parameters: {
    speedMps: loopParameters.speedMps,
    pitchedForM: { ...loopParameters.pitchedForM, label: "Radius it is pitched for", value: 2.2 },
    riseMps: loopParameters.riseMps,
    leadS: lead(0.25),
    rollLeadS: lead(0.25),
  },
  phases: [
    ...loop(false)
      .slice(0, 2)
      .map((phase): Phase =>
        phase.id === "pull" ? { ...phase, until: [turned("pitch", 180, { param: "leadS" })] } : phase,
      ),
    turning("top", "Centre it, throttle closed", {}, after(0.12)),
    turning("half-roll", "Half a roll", { roll: right }, turned("roll", 180, { param: "rollLeadS" }), { mark: true }),
    { ...stopAtCentre, until: [after(0.15)] },
    { ...catchCruise, label: "Horizon back: fly away", until: [{ kind: "climb", is: "above", mps: -0.3 }], maxS: 4 },
    { ...catchCruise, id: "away", label: "Fly away", until: [after(0.6)] },
  ],
  turn: null,
  solveFor: [{ aim: { kind: "heading", deg: 180 }, param: "rollLeadS" }],
  freeze: { before: "catch" },
  abort: pitchOn,
  slip: { riseMps: 0.8 },
  marks: [{ kind: "heading", deg: 180, withinDeg: 20 }],
};

/** Swoop down, yaw a quarter at the bottom so that it travels sideways, up again and a roll along the way it goes. */
const swoopRoll: Omit<Recipe, "id" | "label"> = {
  start: { kind: "cruise" },
  parameters: {
    ...cruisePunchParameters,
    centreDeg: centreParameter(320),
    swoopM: { label: "Swoop down by", unit: "m", value: 5, min: 1, max: 30 },
    swoopDeg: { label: "Nose down", unit: "°", value: 40, min: 15, max: 70 },
    yawDps: { label: "Yaw at", unit: "°/s", value: 300, min: 100, max: 700 },
  },
  phases: [
    {
      id: "swoop",
      label: "Nose down, throttle back",
      ...heldLevel,
      pitch: pitchHeld({ param: "swoopDeg", times: -1 }),
      throttle: thrust(0.35),
      until: [{ kind: "height", is: "below", m: { param: "swoopM", times: -1 } }],
      maxS: 8,
    },
    {
      id: "quarter",
      label: "Level it, yaw a quarter",
      ...heldLevel,
      pitch: pitchHeld(0),
      yaw: { kind: "rate", dps: { param: "yawDps" } },
      throttle: thrust(1.6),
      until: [turned("yaw", 85, 0.08)],
      maxS: 3,
      mark: true,
    },
    { ...punchAndClose[0], label: "Punch, level, travelling sideways", ...heldLevel, yaw: headingHeld(90) },
    punchAndClose[1],
    turning("turn", "Roll the way it travels", { roll: left }, turned("roll", { param: "centreDeg" }), { mark: true }),
    stopAtCentre,
    catchHover,
  ],
  ...aboutAxis("roll"),
  abort: keepTurning("roll"),
  marks: [{ kind: "heading", deg: 90, withinDeg: 25 }],
};

/** Two things at once: spins that rise or pass a gap, a loop or a split-S left another way, rolls out of a swoop. */
export const combinedRecipes: readonly Recipe[] = [
  ...bothSides(risingSpin, "spin-rise", "Rising flat spin"),
  ...bothSides(gapSpin, "spin-gap", "Spin through a gap"),
  ...bothSides(splitGap, "split-s-gap", "Split-S into a gap"),
  ...bothSides(trackInverted, "track-inverted", "Inverted tracking"),
  ...bothSides(halfLoop, "loop-half", "Half loop rolled out"),
  ...bothSides(swoopRoll, "swoop-roll", "Swoop into a sideways roll"),
];
