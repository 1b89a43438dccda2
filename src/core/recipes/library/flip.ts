import { mirrored, type Guard, type Phase, type Recipe, type RecipeParameter, type StickPlan } from "../recipe";

const STOP_AFTER_DEG = 360;

const punchParameters: Readonly<Record<string, RecipeParameter>> = {
  punchG: { label: "Punch thrust", unit: "g", value: 2.5, min: 1.2, max: 8 },
  punchS: { label: "Punch", unit: "s", value: 0.6, min: 0.15, max: 2.5 },
  closeS: { label: "Throttle closed before the turn", unit: "s", value: 0.15, min: 0.05, max: 0.6 },
};

const centreParameter = (value: number): RecipeParameter => ({
  label: "Centre the stick at",
  unit: "°",
  value,
  min: 150,
  max: 360,
});

const heldLevel = {
  roll: { kind: "eye", see: "bank", targetDeg: 0, gainPerS: 3, delayS: 0.2 },
  pitch: { kind: "eye", see: "pitch", targetDeg: 0, gainPerS: 3, delayS: 0.2 },
} as const satisfies Partial<Phase>;

const closed = { kind: "hold", at: 0 } as const;
const centreAt: Guard = { kind: "turned", axis: "pitch", deg: { param: "centreDeg" } };

/** One part of the turn, throttle closed. */
function turning(id: string, label: string, pitch: StickPlan, until: Guard, mark = false): Phase {
  return { id, label, pitch, throttle: closed, until: [until], maxS: 4, mark };
}

/** A backward flip from the hover and back into it; the variants differ in how the turn is driven and eased. */
function backFlip(
  id: string,
  label: string,
  turn: readonly Phase[],
  own: Readonly<Record<string, RecipeParameter>>,
): Recipe {
  return {
    id: `${id}-back`,
    label: `${label}, backward`,
    start: { kind: "hover" },
    parameters: { ...punchParameters, ...own },
    phases: [
      {
        id: "punch",
        label: "Punch, level",
        throttle: { kind: "thrust", g: { param: "punchG" } },
        until: [{ kind: "time", s: { param: "punchS" } }],
        maxS: 3,
      },
      {
        id: "close",
        label: "Close the throttle",
        throttle: closed,
        until: [{ kind: "time", s: { param: "closeS" } }],
        maxS: 1,
      },
      ...turn,
      { id: "stop", label: "Centre the stick", throttle: closed, until: [{ kind: "time", s: 0.3 }], maxS: 1 },
      {
        id: "catch",
        label: "Horizon back: open to the hover",
        ...heldLevel,
        throttle: { kind: "eye", see: "climb", targetMps: 0, gainPerS: 4, delayS: 0.2 },
        until: [{ kind: "time", s: 1.2 }],
        maxS: 2,
      },
    ],
    turn: { axis: "pitch", deg: STOP_AFTER_DEG, stopPhase: "stop", catchPhase: "catch" },
    solveFor: { stop: "centreDeg", punch: "punchS" },
    abort: [
      {
        id: "keep-turning",
        label: "Keep the stick in until upright",
        pitch: { kind: "hold", at: 1 },
        throttle: closed,
        until: [{ kind: "upright", withinDeg: 40 }],
        maxS: 2.5,
      },
      {
        id: "power",
        label: "Full power, level",
        ...heldLevel,
        throttle: { kind: "hold", at: 1 },
        until: [{ kind: "climb", is: "above", mps: 0.5 }],
        maxS: 6,
      },
    ],
    slip: { punchS: 0.8 },
  };
}

const backward: readonly Recipe[] = [
  backFlip(
    "flip-slow",
    "Slow flip",
    [turning("turn", "Turn slowly", { kind: "rate", dps: { param: "slowDps" } }, centreAt, true)],
    {
      // A learner climbs longer and gentler, so that nothing hurries (common practice, no source: punch a little over 1 s).
      punchG: { ...punchParameters.punchG, value: 1.7 },
      slowDps: { label: "Turning rate", unit: "°/s", value: 250, min: 150, max: 450 },
      centreDeg: centreParameter(345),
    },
  ),
  backFlip(
    "flip-ease-quarter",
    "Flip eased over the last quarter",
    [
      turning("turn", "Stick right in", { kind: "hold", at: 1 }, { kind: "turned", axis: "pitch", deg: 270 }, true),
      turning(
        "ease",
        "Ease out through the last quarter",
        { kind: "ease", axis: "pitch", fromDeg: 270, toDeg: 320, from: 1, to: { param: "easeStick" } },
        centreAt,
      ),
    ],
    {
      easeStick: { label: "Stick left at the end", unit: "", value: 0.35, min: 0.1, max: 0.8 },
      centreDeg: centreParameter(350),
    },
  ),
  backFlip(
    "flip-one-move",
    "Flip in one stick movement",
    [turning("turn", "Stick right in, one movement", { kind: "hold", at: 1 }, centreAt, true)],
    { centreDeg: centreParameter(320) },
  ),
  backFlip(
    "flip-ease-end",
    "Flip eased at the very end",
    [
      turning(
        "turn",
        "Stick right in",
        { kind: "hold", at: 1 },
        { kind: "turned", axis: "pitch", deg: 342, leadS: { param: "leadS" } },
        true,
      ),
      turning("ease", "Slow only the last twentieth", { kind: "hold", at: { param: "easeStick" } }, centreAt),
    ],
    {
      leadS: { label: "Fingers ahead of the aircraft by", unit: "s", value: 0.07, min: 0, max: 0.2 },
      easeStick: { label: "Stick left at the end", unit: "", value: 0.3, min: 0.1, max: 0.6 },
      centreDeg: centreParameter(352),
    },
  ),
];

/** The flips, backward and forward. */
export const flipRecipes: readonly Recipe[] = backward.flatMap((back) => [
  back,
  mirrored(back, ["pitch"], back.id.replace(/-back$/, "-front"), back.label.replace("backward", "forward")),
]);
