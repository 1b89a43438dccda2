import type { Phase, Recipe, RecipeParameter, StickPlan } from "../recipe";
import {
  aboutAxis,
  after,
  bothWays,
  catchHover,
  centreParameter,
  punchAndClose,
  punchParameters,
  stopAtCentre,
  turned,
  turning,
} from "./parts";

const full: StickPlan = { kind: "hold", at: 1 };
const toCentre = turned("pitch", { param: "centreDeg" });
/** Where the stick is centred so that the aircraft comes to rest `deg` further back than the whole turn. */
const restingBefore = (deg: number) => turned("pitch", { param: "centreDeg", ...(deg !== 0 && { plus: -deg }) });

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
    phases: [...punchAndClose, ...turn, stopAtCentre, catchHover],
    ...aboutAxis("pitch"),
  };
}

/** Parts of a flip with the stick centred between them for a beat. */
function inParts(id: string, label: string, partsDeg: readonly number[]): Recipe {
  let left = 360;
  const phases = partsDeg.flatMap((deg, i): Phase[] => {
    left -= deg;
    const last = i === partsDeg.length - 1;
    const turn = turning(`turn-${i + 1}`, `Stick right in for ${deg}°`, { pitch: full }, restingBefore(left), {
      mark: i === 0,
    });
    return last ? [turn] : [turn, turning(`rest-${i + 1}`, "Centre it and look", {}, after({ param: "restS" }))];
  });
  return backFlip(id, label, phases, {
    centreDeg: centreParameter(320),
    restS: { label: "Rest between the parts", unit: "s", value: 0.15, min: 0.05, max: 0.6 },
  });
}

const backward: readonly Recipe[] = [
  backFlip(
    "flip-slow",
    "Slow flip",
    [turning("turn", "Turn slowly", { pitch: { kind: "rate", dps: { param: "slowDps" } } }, toCentre, { mark: true })],
    {
      // A learner climbs longer and gentler, so that nothing hurries (common practice, no source: punch a little over 1 s).
      punchTimes: { ...punchParameters.punchTimes, value: 1.7 },
      slowDps: { label: "Turning rate", unit: "°/s", value: 250, min: 150, max: 450 },
      centreDeg: centreParameter(345),
    },
  ),
  backFlip(
    "flip-ease-quarter",
    "Flip, ease the last quarter",
    [
      turning("turn", "Stick right in", { pitch: full }, turned("pitch", 270), { mark: true }),
      turning(
        "ease",
        "Ease out through the last quarter",
        { pitch: { kind: "ease", axis: "pitch", fromDeg: 270, toDeg: 320, from: 1, to: { param: "easeStick" } } },
        toCentre,
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
    [turning("turn", "Stick right in, one movement", { pitch: full }, toCentre, { mark: true })],
    { centreDeg: centreParameter(320) },
  ),
  backFlip(
    "flip-ease-end",
    "Flip, ease only the end",
    [
      turning("turn", "Stick right in", { pitch: full }, turned("pitch", 342, { param: "leadS" }), { mark: true }),
      turning(
        "ease",
        "Slow only the last twentieth",
        // Who begins it too early has more of the turn left, and does not crawl through that.
        { pitch: { kind: "ease", axis: "pitch", fromDeg: 300, toDeg: 335, from: 1, to: { param: "easeStick" } } },
        toCentre,
      ),
    ],
    {
      leadS: { label: "Fingers ahead of the aircraft by", unit: "s", value: 0.07, min: 0, max: 0.2 },
      easeStick: { label: "Stick left at the end", unit: "", value: 0.3, min: 0.1, max: 0.6 },
      centreDeg: centreParameter(352),
    },
  ),
  backFlip(
    "flip-stall",
    "Stalled flip",
    [
      turning("turn", "Stick right in for half a turn", { pitch: full }, restingBefore(180), { mark: true }),
      turning("hold", "Centre it: upside down, wait", {}, after({ param: "stallS" })),
      turning("turn-on", "Stick right in again", { pitch: full }, toCentre),
    ],
    {
      centreDeg: centreParameter(320),
      stallS: { label: "Upside down for", unit: "s", value: 0.6, min: 0.3, max: 1.5 },
    },
  ),
  inParts("segments-90-270", "Flip in 90 and 270", [90, 270]),
  inParts("segments-180-180", "Flip in two halves", [180, 180]),
  inParts("segments-270-90", "Flip in 270 and 90", [270, 90]),
  inParts("segments-four", "Flip in four quarters", [90, 90, 90, 90]),
  backFlip(
    "speed-mix",
    "Flip fast, slow, fast",
    [
      turning("turn", "Stick right in", { pitch: full }, turned("pitch", 90), { mark: true }),
      turning(
        "slow",
        "Slow it without stopping",
        { pitch: { kind: "hold", at: { param: "slowStick" } } },
        turned("pitch", 220),
      ),
      turning("turn-on", "Stick right in again", { pitch: full }, toCentre),
    ],
    {
      centreDeg: centreParameter(320),
      slowStick: { label: "Stick through the slow part", unit: "", value: 0.5, min: 0.2, max: 0.9 },
    },
  ),
];

/** The flips, backward and forward. */
export const flipRecipes: readonly Recipe[] = backward.flatMap(bothWays);
