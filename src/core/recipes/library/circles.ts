import type { Phase, Recipe, StickPlan } from "../recipe";
import {
  after,
  atPace,
  bankHeld,
  bothSides,
  catchCruise,
  catchHover,
  climbHeld,
  flyAlong,
  headingHeld,
  heightHeld,
  heldLevel,
  pitchHeld,
  plain,
  thrust,
  turned,
} from "./parts";

type EyePlan = Extract<StickPlan, { kind: "eye" }>;

const held = (
  see: "pitch" | "bank" | "side" | "object",
  targetDeg: EyePlan["targetDeg"],
  gainPerS = 2,
  keeps?: EyePlan["keeps"],
): StickPlan => ({
  kind: "eye",
  see,
  targetDeg,
  gainPerS,
  delayS: 0.2,
  sustained: true,
  ...(keeps && { keeps }),
});

/** Facing the middle: too far away, the nose goes down towards it. */
const keepRadius = { distanceM: { param: "radiusM" }, degPerM: -4, degPerMps: -8, mostDeg: 20 } as const;

const roundFacing = {
  roll: held("bank", { of: "trimBankDeg" }),
  pitch: held("pitch", { of: "trimPitchDeg" }, 3, keepRadius),
  yaw: held("object", 0, 2.5),
} as const satisfies Partial<Phase>;

/** Level past the middle, before it is gone round. */
const passBy = flyAlong(
  "pass",
  "Fly past it, level",
  atPace({ of: "trimSpeedMps" }, { of: "leadInPitchDeg" }),
  { param: "enterM" },
  { yaw: headingHeld(0) },
);

/** Round a point with the nose on it until the sticks rest. */
const orbit: Omit<Recipe, "id" | "label"> = {
  ...plain,
  start: { kind: "orbit", radiusM: { param: "radiusM" }, clockwise: true, leadInM: { param: "leadInM" } },
  parameters: {
    radiusM: { label: "Radius", unit: "m", value: 6, min: 2, max: 40 },
    leadInM: { label: "Begin before it by", unit: "m", value: 8, min: 1, max: 40 },
    enterM: { label: "Roll out after", unit: "m", value: 6, min: 0, max: 40 },
    settleS: { label: "Settles for", unit: "s", value: 2.2, min: 0.3, max: 4 },
    lapS: { label: "Flown for", unit: "s", value: 8, min: 1, max: 25 },
  },
  phases: [
    passBy,
    {
      id: "enter",
      label: "Roll out, yaw in, push",
      ...roundFacing,
      throttle: heightHeld(0),
      until: [after({ param: "settleS" })],
      maxS: 4,
    },
    {
      id: "orbit",
      label: "Nose on the middle, lean held, until the sticks rest",
      ...roundFacing,
      throttle: heightHeld(0),
      until: [after({ param: "lapS" })],
      maxS: 26,
    },
    {
      id: "leave",
      label: "Yaw out along the way, level",
      roll: bankHeld(0),
      pitch: pitchHeld({ of: "leadInPitchDeg" }),
      yaw: { kind: "rate", dps: -220 },
      throttle: heightHeld(0),
      until: [turned("yaw", 70)],
      maxS: 3,
      mark: true,
    },
    { ...catchCruise, label: "Fly away", ...heldLevel, throttle: heightHeld(0), until: [after(2)], maxS: 2.5 },
  ],
  steadyPhase: "orbit",
  // Something as tall as where it is flown.
  object: { alongM: 0, acrossM: 0, heightM: 0, aboveEntry: true },
  inPicture: { from: "orbit", to: "leave" },
  marks: [
    { kind: "circle", spreadShare: 0.15, stickWander: 0.12 },
    { kind: "height-band", aboveM: 1, belowM: 1 },
    { kind: "in-picture", share: 0.9 },
  ],
};

/** So far over, a little throttle is a lot to the side: height is put right slowly. */
const gently = { ...climbHeld(0), gainPerS: 1 } as const;

const lookingBack = {
  kind: "looking-back",
  turnDps: { param: "turnDps" },
  noseUpDeg: { param: "noseUpDeg" },
} as const;
/** Round a point behind the tail, nose up, no bank: the camera looks back at it over the top. Throttle alone sets the height. */
const orbitBack: Omit<Recipe, "id" | "label"> = {
  ...plain,
  start: lookingBack,
  parameters: {
    turnDps: { label: "Round at", unit: "°/s", value: 230, min: 80, max: 400 },
    noseUpDeg: { label: "Nose up", unit: "°", value: 76.5, min: 45, max: 84 },
    lapS: { label: "Flown for", unit: "s", value: 3, min: 0.5, max: 10 },
  },
  phases: [
    {
      id: "orbit",
      label: "Roll and yaw opposed, pitch at rest; throttle alone sets the height",
      // Nose up, the yaw keeps the wings level and the roll turns it round.
      roll: { kind: "sustained" },
      pitch: held("pitch", { of: "trimPitchDeg" }),
      yaw: held("side", 0),
      throttle: gently,
      until: [after({ param: "lapS" })],
      maxS: 11,
    },
    {
      id: "push-level",
      label: "Push the nose down: level",
      pitch: { kind: "hold", at: -0.8 },
      throttle: thrust(1),
      until: [{ kind: "pitch", is: "below", deg: 25 }],
      maxS: 2,
    },
    { ...catchHover, label: "Level: hover", until: [after(2)], maxS: 2.5 },
  ],
  steadyPhase: "orbit",
  object: { alongM: 0, acrossM: 0, heightM: 8 },
  inPicture: { from: "orbit", to: "push-level" },
  marks: [
    { kind: "circle", spreadShare: 0.35, stickWander: 0.15 },
    { kind: "height-band", aboveM: 1.5, belowM: 1.5 },
  ],
};

/** Looking back, from level flight past it: `into` comes between. The throttle is left where the circle wants it until it goes round. */
const enteredBack = (
  into: readonly Phase[],
  laps: { leadInM: number; enterM: number },
): Omit<Recipe, "id" | "label"> => {
  const [orbit, ...leave] = orbitBack.phases;
  return {
    ...orbitBack,
    start: { ...lookingBack, leadInM: { param: "leadInM" } },
    parameters: {
      ...orbitBack.parameters,
      leadInM: { label: "Begin before it by", unit: "m", value: laps.leadInM, min: 1, max: 40 },
      enterM: { label: "Go in after", unit: "m", value: laps.enterM, min: 0, max: 40 },
      foundS: { label: "Throttle left alone for", unit: "s", value: 0.3, min: 0, max: 2.5 },
    },
    phases: [
      passBy,
      ...into,
      {
        ...orbit,
        id: "found",
        label: "In it: roll and yaw opposed, throttle left alone",
        throttle: { kind: "sustained" },
        until: [after({ param: "foundS" })],
        maxS: 3,
      },
      orbit,
      ...leave,
    ],
    // The middle wanders with what is left of the speed it came in with.
    marks: [
      { kind: "circle", spreadShare: 0.5, stickWander: 0.15 },
      { kind: "height-band", aboveM: 3, belowM: 2 },
    ],
  };
};

/** Rolled over into a steep turn, and yawed a quarter out of it until the nose is up. */
const rolledIn: Omit<Recipe, "id" | "label"> = (() => {
  const entered = enteredBack(
    [
      {
        id: "roll",
        label: "Roll over to the side",
        roll: { kind: "rate", dps: 450 },
        throttle: thrust(1.5),
        until: [turned("roll", { param: "rollDeg" }, 0.05)],
        maxS: 2,
        mark: true,
      },
      {
        id: "turn",
        label: "Pull round, throttle on",
        roll: { kind: "round" },
        pitch: { kind: "round" },
        yaw: { kind: "round" },
        throttle: { kind: "sustained" },
        until: [after({ param: "turnS" })],
        maxS: 2,
      },
      {
        id: "swing",
        label: "Yaw a quarter out: pull turns into roll",
        roll: { kind: "round" },
        pitch: { kind: "round" },
        yaw: { kind: "rate", dps: -250 },
        throttle: { kind: "sustained" },
        until: [turned("yaw", { param: "swingDeg" }, 0.12)],
        maxS: 2,
        mark: true,
      },
    ],
    { leadInM: 6, enterM: 3 },
  );
  return {
    ...entered,
    parameters: {
      ...entered.parameters,
      rollDeg: { label: "Roll stick out at", unit: "°", value: 88, min: 60, max: 110 },
      turnS: { label: "Pulled round for", unit: "s", value: 0.25, min: 0, max: 1.5 },
      swingDeg: { label: "Yaw out by", unit: "°", value: 60, min: 30, max: 120 },
    },
  };
})();

/** Overshot, yawed out and leant back until it looks back over the top, and fallen in. */
const fallenIn: Omit<Recipe, "id" | "label"> = (() => {
  const entered = enteredBack(
    [
      {
        id: "overshoot",
        label: "Past it: yaw a quarter out, level",
        ...heldLevel,
        yaw: { kind: "rate", dps: -250 },
        throttle: thrust(0.9),
        until: [turned("yaw", 90, 0.1)],
        maxS: 2,
        mark: true,
      },
      {
        id: "back",
        label: "Lean back until it looks back, throttle low",
        roll: { kind: "round" },
        pitch: { kind: "rate", dps: 450 },
        yaw: { kind: "round" },
        throttle: thrust(0.5),
        until: [turned("pitch", { param: "backDeg" }, 0.05)],
        maxS: 2,
        mark: true,
      },
    ],
    { leadInM: 8.5, enterM: 3 },
  );
  return {
    ...entered,
    parameters: {
      ...entered.parameters,
      foundS: { ...entered.parameters.foundS, value: 1.2 },
      backDeg: { label: "Lean back by", unit: "°", value: 72, min: 40, max: 90 },
    },
  };
})();

/** Circles flown with the nose on the middle, or looking back at it. */
export const circleRecipes: readonly Recipe[] = [
  ...bothSides(orbit, "orbit", "Orbit"),
  ...bothSides(orbitBack, "orbit-back", "Back-facing orbit"),
  ...bothSides(rolledIn, "orbit-back-roll", "Back-facing orbit, rolled over into"),
  ...bothSides(fallenIn, "orbit-back-fall", "Back-facing orbit, fallen into"),
];
