import { DomainError, type PassMark } from "@/core";
import type { Skill, SyllabusDocument } from "../types";
import { usualSettings } from "../usual-settings";
import { chart } from "./chart";
import { flip } from "./flip";
import { byEye, firstGoggles, gapSteps, ground, smoothLines } from "./ground";
import { loop, orbit, spin, style } from "./loops-and-circles";
import { bailParts, bankLimitRoute, besideByEye, rateModeRoute, selfLevelRoute, spinParts } from "./routes";
import { bail, gaps, knife, land, stop } from "./through-camera";
import { flipParts, roll, tumble, upsideDown } from "./turning-over";
import type { SkillText, StepText } from "./text";

/** Skills in the order in which they are learnt, with the steps of every route. */
export const skillTexts: readonly SkillText[] = [
  { ...ground, steps: [...ground.steps, ...rateModeRoute] },
  { ...byEye, steps: [...byEye.steps, ...besideByEye] },
  { ...firstGoggles, steps: withBefore(firstGoggles.steps) },
  stop,
  land,
  {
    ...bail,
    // Speed is the real fault, but with more tilt what is fled from is out of the picture.
    steps: [bail.steps[0], ...bailParts, ...bail.steps.slice(1)].map((step) => ({
      ...step,
      wants: { mostTiltDeg: 20 },
    })),
  },
  { ...gaps, steps: gapSteps },
  flip,
  {
    ...flipParts,
    steps: flipParts.steps.flatMap((step) => (step.id === "segments" ? [...segmentParts(step), step] : [step])),
  },
  roll,
  knife,
  tumble,
  upsideDown,
  loop,
  { ...spin, steps: spin.steps.flatMap((step) => (step.id === "spin-inverted" ? [...spinParts, step] : [step])) },
  orbit,
  { ...style, steps: [smoothLines[0], ...style.steps, smoothLines[1]] },
];

/** The syllabus the program comes with. */
export const builtInDocument: SyllabusDocument = {
  format: "bathygon-syllabus",
  version: 1,
  name: "Built-in syllabus",
  stages: [
    "Ground school",
    "Eyes on the aircraft",
    "Through the camera",
    "Gaps",
    "Flips and rolls",
    "Upside down",
    "Loops, spins, orbits",
    "Style and lines",
  ],
  skills: skillTexts.map((skill): Skill => ({ ...skill, steps: skill.steps.map((step) => placed(step, skill.stage)) })),
};

function placed({ recipeFor, lookAt = [], ...text }: StepText, stage: number): Skill["steps"][number] {
  const place = chart[text.id];
  if (!place) throw new DomainError("id", text.id, "a place in the chart", `${text.id} has no place in the chart`);
  const flown = Object.keys(recipeFor).length > 0;
  return {
    settings: usualSettings(stage, text.wants),
    heightM: null,
    measures: [],
    routes: null,
    simulatorFirst: false,
    optional: false,
    partOf: null,
    flownAs: flown ? { trick: text.id } : null,
    ...text,
    lookAt,
    ...place,
    mark: text.directions.length > 1 ? place.mark : oneSided(place.mark),
  };
}

/** The mark of what has one direction only: nothing to tell apart. */
function oneSided(mark: PassMark): PassMark {
  if (mark.kind === "each-direction") return oneSided(mark.rule);
  return mark.kind === "in-places" ? { ...mark, rule: oneSided(mark.rule) } : mark;
}

/** First hover and four ways; the ways of the routes come round them. */
function withBefore([hover, fourWays, ...rest]: readonly StepText[]): readonly StepText[] {
  return [...selfLevelRoute, hover, fourWays, ...bankLimitRoute, ...rest];
}

/** The parts of the flip in segments, each with the words of the whole but its own name and drill. */
function segmentParts(whole: StepText): readonly StepText[] {
  const part = (id: string, name: string, how: string): StepText => ({
    ...whole,
    recipeFor: {},
    id,
    name,
    aim: "A stop in the middle of the flip, where you wanted it.",
    drill: ["Climb as for the stalled flip.", how, "Centre for a beat between the parts; look before you go on."],
    clean: "both stops seen, the last within 15°",
  });
  return [
    part("segments-90-270", "Flip, 90 and 270", "A quarter, centre, then the other three quarters."),
    part("segments-180-180", "Flip in two halves", "A half, centre upside down, then the other half."),
    part("segments-270-90", "Flip, 270 and 90", "Three quarters, centre, then the last quarter."),
  ];
}
