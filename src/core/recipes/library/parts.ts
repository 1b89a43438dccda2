import {
  mirrored,
  type Guard,
  type Phase,
  type Recipe,
  type RecipeParameter,
  type StickPlan,
  type ThrottlePlan,
  type TurnAxis,
} from "../recipe";
import type { Value } from "../value";

/** Gains and delay of a practised pilot's eye: well inside what the delay allows (crossover model, McRuer and Jex 1967). */
export const PRACTISED_EYE = { gainPerS: 3, delayS: 0.2 } as const;

export const closed = { kind: "hold", at: 0 } as const satisfies ThrottlePlan;

/** Bank held by eye. */
export const bankHeld = (targetDeg: Value): StickPlan => ({ kind: "eye", see: "bank", targetDeg, ...PRACTISED_EYE });
/** Pitch held by eye. */
export const pitchHeld = (targetDeg: Value): StickPlan => ({ kind: "eye", see: "pitch", targetDeg, ...PRACTISED_EYE });
/** Heading against the entry held by eye. */
export const headingHeld = (targetDeg: Value): StickPlan => ({
  kind: "eye",
  see: "heading",
  targetDeg,
  gainPerS: 2,
  delayS: 0.2,
});
/** Climb speed held by eye. */
export const climbHeld = (targetMps: Value): ThrottlePlan => ({
  kind: "eye",
  see: "climb",
  targetMps,
  gainPerS: 4,
  delayS: 0.2,
});
/** Height above the entry held by eye. */
export const heightHeld = (targetM: Value): ThrottlePlan => ({
  kind: "eye",
  see: "height",
  targetM,
  gainPerS: 1.5,
  delayS: 0.2,
});
export const thrust = (g: Value): ThrottlePlan => ({ kind: "thrust", g });

/** Gentle against drift: a metre a second is leant against by a few degrees. */
const STILL = { degPerMps: 6, mostDeg: 15 } as const;
/** Level, and no drift to the side. */
export const noDriftAside = {
  kind: "eye",
  see: "bank",
  targetDeg: 0,
  ...PRACTISED_EYE,
  stills: STILL,
} as const satisfies StickPlan;
/** Level, standing still over the ground. */
export const heldStill = {
  roll: noDriftAside,
  pitch: { kind: "eye", see: "pitch", targetDeg: 0, ...PRACTISED_EYE, stills: STILL },
} as const satisfies Partial<Phase>;
export const heldLevel = { roll: bankHeld(0), pitch: pitchHeld(0) } as const satisfies Partial<Phase>;
/** Horizon through the middle of the picture. */
const heldCruise = {
  roll: bankHeld(0),
  pitch: pitchHeld({ of: "tiltDeg", times: -1 }),
} as const satisfies Partial<Phase>;

/** So fast over the ground, whatever the wind. */
export const atPace = (paceMps: Value, targetDeg: Value = { of: "trimPitchDeg" }): StickPlan => ({
  kind: "eye",
  see: "pitch",
  targetDeg,
  gainPerS: 3,
  delayS: 0.2,
  stills: { degPerMps: 6, mostDeg: 20, paceMps },
});

/** Straight on at a pace over the ground, height held, till so far along; till something else ends it where that is null. */
export const flyAlong = (
  id: string,
  label: string,
  pitch: StickPlan,
  untilM: Value | null,
  more: Partial<Phase> = {},
): Phase => ({
  id,
  label,
  roll: noDriftAside,
  pitch,
  throttle: heightHeld(0),
  until: untilM === null ? [] : [{ kind: "along", is: "above", m: untilM }],
  maxS: 12,
  ...more,
});

/** Right in, and the other way. */
export const right = { kind: "hold", at: 1 } as const satisfies StickPlan;
export const left = { kind: "hold", at: -1 } as const satisfies StickPlan;
export const lead = (max = 0.2): RecipeParameter => ({
  label: "Fingers ahead of the aircraft by",
  unit: "s",
  value: 0.06,
  min: 0,
  max,
});

/** A gap that stands where the aircraft is in the middle of a phase, its beam so far above the entry. */
export const gapIn = (phase: string, widthM: number, beamM: Value) =>
  ({
    parameters: {
      gapAlongM: { label: "Begin before the gap by", unit: "m", value: 10, min: -60, max: 60 },
      gapAcrossM: { label: "Drifts to the side by the gap", unit: "m", value: 0, min: -20, max: 20 },
      gapWidthM: { label: "Width of the gap", unit: "m", value: widthM, min: 0.3, max: 12 },
    },
    solveFor: [
      { aim: { kind: "gap-ahead", phase }, param: "gapAlongM" },
      { aim: { kind: "gap-beside", phase }, param: "gapAcrossM" },
    ],
    obstacles: [
      {
        kind: "gap",
        alongM: { param: "gapAlongM" },
        acrossM: { param: "gapAcrossM" },
        heightM: beamM,
        widthM: { param: "gapWidthM" },
        aboveEntry: true,
      },
    ],
  }) as const satisfies Partial<Recipe>;

export const after = (s: Value): Guard => ({ kind: "time", s });
export const turned = (axis: TurnAxis, deg: Value, leadS?: Value): Guard => ({
  kind: "turned",
  axis,
  deg,
  ...(leadS !== undefined && { leadS }),
});

/** One part of a turn, throttle closed unless said. */
export function turning(
  id: string,
  label: string,
  sticks: Pick<Phase, "roll" | "pitch" | "yaw">,
  until: Guard,
  more: Partial<Phase> = {},
): Phase {
  return { id, label, throttle: closed, until: [until], maxS: 4, ...sticks, ...more };
}

/** Climb straight up in the hover attitude, then close the throttle. */
export const punchAndClose: readonly Phase[] = [
  {
    id: "punch",
    label: "Punch, level",
    throttle: thrust({ param: "punchTimes", timesOf: "trimThrustG" }),
    until: [after({ param: "punchS" })],
    maxS: 3,
  },
  { id: "close", label: "Close the throttle", throttle: closed, until: [after({ param: "closeS" })], maxS: 1 },
];

export const punchParameters: Readonly<Record<string, RecipeParameter>> = {
  punchTimes: { label: "Punch, times the throttle's thrust before it", unit: "", value: 2.5, min: 1.2, max: 8 },
  punchS: { label: "Punch", unit: "s", value: 0.6, min: 0.05, max: 2.5 },
  closeS: { label: "Throttle closed before the turn", unit: "s", value: 0.15, min: 0.05, max: 0.6 },
};

/** From a cruise the throttle is up already. */
export const cruisePunchParameters: typeof punchParameters = {
  ...punchParameters,
  punchTimes: { ...punchParameters.punchTimes, value: 1.7 },
};

/** Climbing out of fast flight asks for a little less nose down: so much of the tilt. */
export const POP_LEAN = 0.72;
export const popUp: Pick<Phase, "roll" | "pitch"> = {
  roll: bankHeld(0),
  pitch: pitchHeld({ of: "tiltDeg", times: -POP_LEAN }),
};

/** Back to the hover. */
export const catchHover: Phase = {
  id: "catch",
  label: "Horizon back: open to the hover",
  ...heldLevel,
  throttle: climbHeld(0),
  until: [after(1.2)],
  maxS: 2,
};

/** Back to level flight with the horizon through the middle. */
export const catchCruise: Phase = {
  ...catchHover,
  label: "Horizon back: open to the cruise",
  ...heldCruise,
  until: [after(1.4)],
};

/** Nose so far up or down, ° from the level, that rolling helps no more. Ours. */
const STEEP_DEG = 65;

/** Keeps turning about an axis until upright, then full power: the way out of a turn that was begun. */
export const keepTurning = (axis: "roll" | "pitch", label = "Keep the stick in until upright"): readonly Phase[] => [
  {
    id: "keep-turning",
    label,
    [axis]: { kind: "hold", at: 1 },
    throttle: closed,
    // A roll begun with the nose low comes round with the nose low. Straight up or down no roll brings it upright: then it is pulled level.
    until:
      axis === "roll"
        ? [
            { kind: "upright", withinDeg: 60 },
            { kind: "pitch", is: "below", deg: -STEEP_DEG },
            { kind: "pitch", is: "above", deg: STEEP_DEG },
          ]
        : [{ kind: "upright", withinDeg: 40 }],
    maxS: 2.5,
  },
  fullPower,
];

export const fullPower: Phase = {
  id: "power",
  label: "Full power, level",
  ...heldLevel,
  throttle: { kind: "hold", at: 1 },
  until: [{ kind: "climb", is: "above", mps: 0.5 }],
  maxS: 6,
};

/** What everything that neither turns over nor falls shares. */
export const plain = { turn: null, solveFor: [], abort: [fullPower], slip: {} } as const satisfies Partial<Recipe>;

/** The recipe to the right and its mirror image to the left. */
export function bothSides(right: Omit<Recipe, "id" | "label">, id: string, label: string): readonly Recipe[] {
  const recipe: Recipe = { ...right, id: `${id}-right`, label: `${label}, right` };
  return [recipe, mirrored(recipe, ["roll", "yaw"], `${id}-left`, `${label}, left`)];
}

/** The recipe backward and the same forward. */
export function bothWays(back: Recipe): readonly Recipe[] {
  return [
    back,
    mirrored(back, ["pitch"], back.id.replace(/-back$/, "-front"), back.label.replace("backward", "forward")),
  ];
}

export const centreParameter = (value: number): RecipeParameter => ({
  label: "Centre the stick at",
  unit: "°",
  value,
  min: 150,
  max: 360,
});

/** Where no length of punch will do, a harder one. */
export const harder = { param: "punchTimes", times: 1.25 } as const;

/** The aims of a turn that is thrown up: on the mark and back at its height. The punch moves the stop a little, so that is met twice. */
const thrownTurn: Recipe["solveFor"] = [
  { aim: { kind: "stop-on-mark" }, param: "centreDeg" },
  { aim: { kind: "return-to-entry-height" }, param: "punchS", otherwise: harder },
  { aim: { kind: "stop-on-mark" }, param: "centreDeg" },
];

/** What every thrown-up turn about one axis shares. */
export const aboutAxis = (axis: "roll" | "pitch") =>
  ({
    turn: { axis, deg: 360, stopPhase: "stop", catchPhase: "catch" },
    solveFor: thrownTurn,
    freeze: { before: "catch" },
    abort: keepTurning(axis),
    slip: { punchS: 0.8 },
  }) as const satisfies Partial<Recipe>;

export const stopAtCentre: Phase = {
  id: "stop",
  label: "Centre the stick",
  throttle: closed,
  until: [after(0.3)],
  maxS: 1,
};
