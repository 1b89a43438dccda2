import { USUAL_STOP_DEG, type FigureKind, type PracticeRequest } from "@/core";
import { recipeOf, stagesWith, type Manner } from "./flown";
import { LINES_STEP } from "./lines";
import type { Syllabus } from "./syllabus";
import type { Step } from "./types";

/** What is flown round marks or held at a place, by the step it is a drill of. */
const figures: Readonly<Record<string, FigureKind>> = {
  "los-hover": "hover-by-eye",
  "los-nose-in": "nose-in",
  "los-follow-eights": "eights-walked",
  "los-circles": "circles-by-eye",
  "los-eight": "eight-by-eye",
  "los-backward-circuit": "backward-circuit",
  "los-travelling-spin": "travelling-spin",
  "level-hover": "hover",
  "level-move": "mark-and-back",
  "level-turn": "round-turn",
  "fp-hover": "hover",
  "fp-four-ways": "four-ways",
  "limit-30": "circuit",
  "limit-45": "circuit",
  "limit-60": "circuit",
  "limit-off": "circuit",
  "sim-hours": "circuit",
  "yaw-square": "yaw-square",
  "bank-square": "bank-square",
  slalom: "slalom",
  "eight-course": "eight",
  "stop-course": "stop-line",
  "gap-wide": "gap-wide",
  "gap-narrow": "gap-ladder",
  "smooth-pack": "smooth-eight",
  "mode-change": "mode-switch",
};

type Asks = Extract<PracticeRequest, { kind: "trick" }>["asks"];

/** Of what the model flies, what is asked for by another thing than the trick that a recording shows. */
const asked: Readonly<Record<string, Asks>> = {
  "land-pass": "skim",
  "land-stop": "land",
  "land-short": "land",
  "bail-wall": "stop-at-call",
  "bail-gap": "stop-at-call",
  "bail-wind": "stop-at-call",
  "bail-dive": "level-at-call",
};

type Practised =
  | Pick<Extract<PracticeRequest, { kind: "trick" }>, "kind" | "recipe" | "withinDeg" | "asks">
  | Pick<Extract<PracticeRequest, { kind: "figure" }>, "kind" | "figure" | "side">;

/** How a step is practised in a direction; null for what is not. */
export function practisedAs(step: Step, direction: string, manner: Manner): Practised | null {
  const figure = figures[step.id];
  if (figure) return { kind: "figure", figure, side: direction === "left" ? "left" : "right" };
  const recipe = recipeOf(step, direction, manner);
  if (!recipe) return null;
  const withinDeg = recipe.turn ? (step.stopWithinDeg ?? USUAL_STOP_DEG) : null;
  return { kind: "trick", recipe, withinDeg, asks: asked[step.id] ?? "trick" };
}

/** The directions in which a step is practised. */
export const practisedDirections = (step: Step, manner: Manner) =>
  step.directions.filter(({ id }) => practisedAs(step, id, manner) !== null);

/** The steps that are practised, by stage, in the order of learning; that of lines where there are some. */
export const stepsPractised = (syllabus: Syllabus, manner: Manner, withLines = false) =>
  stagesWith(syllabus, (step) => practisedDirections(step, manner).length > 0 || (withLines && step.id === LINES_STEP));
