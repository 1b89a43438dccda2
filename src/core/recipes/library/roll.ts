import type { Phase, Recipe } from "../recipe";
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
  headingHeld,
  heightHeld,
  keepTurning,
  popUp,
  punchAndClose,
  punchParameters,
  stopAtCentre,
  thrust,
  turned,
  turning,
} from "./parts";

const full = { kind: "hold", at: 1 } as const;

const popped: Phase = { ...punchAndClose[0], label: "Pop up", ...popUp };

/** From the cruise: a pop upward, throttle closed, a roll, and on. */
const rolled = {
  start: { kind: "cruise" },
  parameters: { ...cruisePunchParameters, centreDeg: centreParameter(320) },
  ...aboutAxis("roll"),
  marks: [{ kind: "line", withinM: 5 }],
} as const satisfies Partial<Recipe>;
/** A roll about what the camera looks at is counted about that. */
const rolledAboutView = {
  ...rolled,
  turn: { ...rolled.turn, axis: "view" },
  marks: [...rolled.marks, { kind: "view", withinDeg: 15 }],
} as const satisfies Partial<Recipe>;

const aboutView = { roll: full, yaw: { kind: "view-roll" } } as const;
const toCentre = turned("roll", { param: "centreDeg" });
const viewToCentre = turned("view", { param: "centreDeg" });
const kept = thrust({ param: "keptTimes", timesOf: "trimThrustG" });

/** Half turns about pitch and roll in turn, with a rest after each. */
const tumble: readonly Phase[] = (
  [
    ["half-flip", "Half a flip forward", "pitch", -1],
    ["half-roll", "Half a roll", "roll", 1],
    ["half-flip-back", "Half a flip backward", "pitch", 1],
    ["half-roll-on", "Half a roll on", "roll", 1],
  ] as const
).flatMap(([id, label, axis, at]) => [
  turning(id, label, { [axis]: { kind: "hold", at } }, turned(axis, 180, { param: "leadS" }), { mark: true }),
  turning(`${id}-rest`, "Centre it", {}, after({ param: "restS" })),
]);

/** A pure roll with the stick centred between its parts for a beat. */
function inParts(partsDeg: readonly number[]): Omit<Recipe, "id" | "label"> {
  let left = 360;
  const phases = partsDeg.flatMap((deg, i): Phase[] => {
    left -= deg;
    const last = i === partsDeg.length - 1;
    const turn = turning(
      `turn-${i + 1}`,
      `Roll ${deg}°`,
      { roll: full },
      // What it runs on at the end it runs on at every stop.
      turned("roll", { param: "centreDeg", plus: 0 - left }),
      { mark: i === 0 },
    );
    return last ? [turn] : [turn, turning(`rest-${i + 1}`, "Centre it and look", {}, after({ param: "restS" }))];
  });
  return {
    ...rolled,
    parameters: {
      ...rolled.parameters,
      restS: { label: "Rest between the parts", unit: "s", value: 0.25, min: 0.05, max: 0.8 },
    },
    phases: [popped, punchAndClose[1], ...phases, stopAtCentre, catchCruise],
  };
}

/** Fast, slow through the middle without standing still, and fast again. */
const fastSlowFast: Omit<Recipe, "id" | "label"> = {
  ...rolled,
  parameters: {
    ...rolled.parameters,
    slowDps: { label: "Slow at", unit: "°/s", value: 200, min: 90, max: 450 },
  },
  phases: [
    popped,
    punchAndClose[1],
    turning("turn", "Roll stick right in", { roll: full }, turned("roll", 110), { mark: true }),
    turning(
      "slow",
      "Let it out through the middle",
      { roll: { kind: "rate", dps: { param: "slowDps" } } },
      turned("roll", 240),
    ),
    turning("turn-on", "Right in again", { roll: full }, toCentre),
    stopAtCentre,
    catchCruise,
  ],
};

/** The yaw of the roll begins a moment before it. */
const yawLeads = {
  parameters: {
    yawLeadS: { label: "Yaw ahead of the roll by", unit: "s", value: 0.04, min: 0.01, max: 0.15 },
    yawLeadDps: { label: "Yaw ahead at", unit: "°/s", value: 200, min: 50, max: 600 },
  },
  phase: (throttle: Phase["throttle"]) =>
    turning(
      "yaw-first",
      "Opposite yaw, a moment ahead",
      { yaw: { kind: "rate", dps: { param: "yawLeadDps", times: -1 } } },
      after({ param: "yawLeadS" }),
      { throttle },
    ),
} as const satisfies { parameters: Recipe["parameters"]; phase: (throttle: Phase["throttle"]) => Phase };

/** A roll that goes on travelling, the throttle kept. */
const low = {
  ...rolledAboutView,
  parameters: {
    ...rolled.parameters,
    punchTimes: { ...punchParameters.punchTimes, value: 1.3 },
    punchS: { ...punchParameters.punchS, value: 0.2 },
    keptTimes: { label: "Throttle kept, times the cruise's thrust", unit: "", value: 0.5, min: 0, max: 2.5 },
  },
  solveFor: [{ aim: { kind: "stop-on-mark" }, param: "centreDeg" }],
  marks: [...rolledAboutView.marks, { kind: "height-band", aboveM: 2, belowM: 0.5 }],
} as const satisfies Partial<Recipe>;
const lowStopped: readonly Phase[] = [
  { ...stopAtCentre, throttle: kept, until: [after(0.15)] },
  { ...catchCruise, yaw: headingHeld(0), throttle: heightHeld(0) },
];
const lowRoll = (sticks: Pick<Phase, "roll" | "yaw">, label: string, until = viewToCentre): Phase =>
  turning("turn", label, sticks, until, { mark: true, throttle: kept });

export const rollRecipes: readonly Recipe[] = [
  ...bothSides(
    {
      ...rolled,
      phases: [
        popped,
        punchAndClose[1],
        turning("turn", "Roll, nothing else", { roll: full }, toCentre, { mark: true }),
        stopAtCentre,
        catchCruise,
      ],
    },
    "roll-pure",
    "Pure roll",
  ),
  ...bothSides(inParts([90, 270]), "roll-90-270", "Roll, 90 and 270"),
  ...bothSides(inParts([180, 180]), "roll-180-180", "Roll in two halves"),
  ...bothSides(fastSlowFast, "roll-fast-slow-fast", "Roll fast, slow, fast"),
  ...bothSides(
    {
      ...rolledAboutView,
      phases: [
        popped,
        punchAndClose[1],
        turning("turn", "Roll with the opposite yaw", aboutView, viewToCentre, { mark: true }),
        stopAtCentre,
        catchCruise,
      ],
    },
    "roll-level",
    "Level-horizon roll",
  ),
  ...bothSides(
    {
      ...rolledAboutView,
      parameters: {
        ...rolled.parameters,
        keptTimes: { label: "Throttle kept, times the cruise's thrust", unit: "", value: 0.3, min: 0, max: 1.5 },
      },
      phases: [
        popped,
        { ...punchAndClose[1], label: "Ease the throttle", throttle: kept },
        turning("turn", "Roll with the opposite yaw, throttle kept", aboutView, viewToCentre, {
          mark: true,
          throttle: kept,
        }),
        { ...stopAtCentre, throttle: kept },
        catchCruise,
      ],
    },
    "roll-level-kept",
    "Level-horizon roll, throttle kept",
  ),
  ...bothSides(
    {
      ...rolledAboutView,
      parameters: {
        ...rolled.parameters,
        snapS: { label: "Extra yaw for", unit: "s", value: 0.15, min: 0.05, max: 0.4 },
      },
      phases: [
        popped,
        punchAndClose[1],
        turning("turn", "Roll with the opposite yaw", aboutView, viewToCentre, { mark: true }),
        {
          ...stopAtCentre,
          label: "Centre the roll, yaw on",
          yaw: { kind: "hold", at: 0.7 },
          until: [after({ param: "snapS" })],
        },
        catchCruise,
      ],
    },
    "yaw-snap",
    "Roll with a yaw snap at the end",
  ),
  ...bothSides(
    {
      ...rolledAboutView,
      parameters: { ...rolled.parameters, ...yawLeads.parameters },
      phases: [
        popped,
        punchAndClose[1],
        yawLeads.phase(closed),
        turning("turn", "Roll with the opposite yaw", aboutView, viewToCentre, { mark: true }),
        stopAtCentre,
        catchCruise,
      ],
    },
    "roll-level-lead",
    "Level-horizon roll, yaw leading",
  ),
  ...bothSides(
    { ...low, phases: [popped, lowRoll(aboutView, "Roll with the opposite yaw, throttle kept"), ...lowStopped] },
    "low-line",
    "Low travelling roll",
  ),
  ...bothSides(
    {
      ...low,
      parameters: { ...low.parameters, ...yawLeads.parameters },
      phases: [
        popped,
        yawLeads.phase(kept),
        lowRoll(aboutView, "Roll with the opposite yaw, throttle kept"),
        ...lowStopped,
      ],
    },
    "low-line-lead",
    "Low travelling roll, yaw leading",
  ),
  ...bothSides(
    {
      ...low,
      turn: rolled.turn,
      // It dives as it rolls: a higher pop, and less throttle upside down.
      parameters: {
        ...low.parameters,
        punchS: { ...low.parameters.punchS, value: 0.4 },
        punchTimes: { ...low.parameters.punchTimes, value: 1.6 },
        keptTimes: { ...low.parameters.keptTimes, value: 0.15 },
      },
      marks: [...rolled.marks, { kind: "height-band", aboveM: 2, belowM: 0.5 }],
      phases: [popped, lowRoll({ roll: full }, "Roll, nothing else, throttle kept", toCentre), ...lowStopped],
    },
    "low-line-pure",
    "Low travelling pure roll",
  ),
  ...bothSides(
    {
      start: { kind: "hover" },
      parameters: {
        ...punchParameters,
        leadS: { label: "Fingers ahead of the aircraft by", unit: "s", value: 0.06, min: 0, max: 0.2 },
        restS: { label: "Rest after each half", unit: "s", value: 0.15, min: 0, max: 0.6 },
      },
      phases: [...punchAndClose, ...tumble, catchHover],
      turn: null,
      marks: [{ kind: "heading", deg: 0, withinDeg: 30 }],
      solveFor: [{ aim: { kind: "return-to-entry-height" }, param: "punchS", otherwise: harder }],
      freeze: { before: "catch" },
      abort: keepTurning("roll"),
      slip: { punchS: 0.8 },
    },
    "box-tumble",
    "Box tumble",
  ),
  ...bothSides(
    {
      start: { kind: "hover" },
      parameters: {
        ...punchParameters,
        centreDeg: centreParameter(320),
        waitS: { label: "Upside down for", unit: "s", value: 0.8, min: 0.3, max: 2 },
      },
      phases: [
        ...punchAndClose,
        turning("turn", "Turn over", { roll: full }, turned("roll", { param: "centreDeg", plus: -180 }), {
          mark: true,
        }),
        { id: "wait", label: "Wait, throttle closed", throttle: closed, until: [after({ param: "waitS" })], maxS: 3 },
        turning("turn-back", "Turn on to upright", { roll: full }, toCentre),
        stopAtCentre,
        catchHover,
      ],
      ...aboutAxis("roll"),
      marks: [{ kind: "throttle-closed", most: 0.08 }],
    },
    "hang",
    "Hang upside down",
  ),
];
