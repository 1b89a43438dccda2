import {
  styleLimits,
  type Join,
  type LineFault,
  type LineItem,
  type LineReason,
  type LineStyle,
  type Recipe,
  type StyleFault,
} from "@/core";
import type { LineTry } from "@/contract";
import { directionWords, flownBy } from "@/syllabus";
import { failureWords } from "./failures";
import { numeral, quantityText, type UnitSystem } from "./quantity";
import { percent } from "./numbers";
import { problemWords } from "./problems";

/** What the styles of a line are called. */
export const styleNames: Readonly<Record<LineStyle, string>> = {
  "never-stops": "Never stops",
  float: "Float",
  "stop-and-return": "Stop and return",
};

/** What a style asks for. */
export function styleWords(style: LineStyle, units: UnitSystem): string {
  const { floorMps, gainM, floatMps, returnM } = styleLimits;
  switch (style) {
    case "never-stops":
      return `speed never under ${quantityText(floorMps, "speed", units, 0)}, no trick gains more than ${quantityText(gainM, "length", units, 0)}, the throttle is never closed`;
    case "float":
      return `never faster than ${quantityText(floatMps, "speed", units, 0)}, with a hang in it`;
    case "stop-and-return":
      return `ends standing, within ${quantityText(returnM, "length", units, 0)} of where it began`;
  }
}

/** A trick of a line by name, with its direction where it has more than one, and its way where that is not the usual one. */
export function trickName(recipe: Recipe | string): string {
  if (typeof recipe !== "string") return recipe.label;
  const flown = flownBy(recipe);
  if (!flown) return recipe;
  const { trick, variant, direction } = flown;
  const way = variant === trick.variants[0] ? "" : ` (${variant.name})`;
  return `${trick.name}${Object.keys(variant.recipes).length > 1 ? `, ${directionWords[direction]}` : ""}${way}`;
}

const side = (deg: number) => `${numeral(Math.abs(deg), 0)}° ${deg < 0 ? "left" : "right"}`;

/** A join as a coach calls it. */
export function joinWords(join: Join, units: UnitSystem): string {
  switch (join.kind) {
    case "on":
      return `fly on ${quantityText(join.m, "length", units, 0)}`;
    case "climb":
      return `${join.m < 0 ? "sink" : "climb"} ${quantityText(Math.abs(join.m), "length", units)}`;
    case "turn":
      return `turn ${side(join.deg)}`;
    case "speed":
      return `go to ${quantityText(join.mps, "speed", units)}`;
    case "hover":
      return `stop and hover ${quantityText(join.s, "time", units, 1)}`;
    case "wait":
      return `hold it ${quantityText(join.s, "time", units, 1)}`;
    case "round":
      return `${side(join.deg)} round ${join.anchorId}`;
  }
}

/** An item of a line by name. */
export const lineItemName = (item: LineItem, units: UnitSystem): string =>
  item.kind === "trick" ? trickName(item.recipe) : joinWords(item.join, units);

/** Why a line does not hold, after the name of the item. */
export function lineFaultWords(fault: LineFault, units: UnitSystem): string {
  switch (fault.kind) {
    case "problem":
      return problemWords(fault.problem, units);
    case "not-ended":
      return "does not come to its end";
    case "not-reached":
      return "is never reached";
    case "past-anchor":
      return "misses what it is to be flown at";
    case "not-clean":
      return `would not count: ${fault.missed.map(failureWords).join(", ")}`;
    case "too-low":
      return `needs ${quantityText(fault.wantsM, "length", units)}, has ${quantityText(fault.hasM, "length", units)}`;
    case "over-ceiling":
      return `goes to ${quantityText(fault.highestM, "length", units)}, limit ${quantityText(fault.ceilingM, "length", units)}`;
    case "over-room":
      return `takes ${quantityText(fault.takesM, "length", units, 0)} of room, and there are ${quantityText(fault.roomM, "length", units, 0)}`;
    case "style":
      return styleFaultWords(fault.fault, units);
  }
}

function styleFaultWords(fault: StyleFault, units: UnitSystem): string {
  switch (fault.kind) {
    case "too-slow":
      return `slows to ${quantityText(fault.mps, "speed", units)}; never under ${quantityText(fault.limitMps, "speed", units)} in this style`;
    case "gains-too-much":
      return `gains ${quantityText(fault.m, "length", units)}; at most ${quantityText(fault.limitM, "length", units)} in this style`;
    case "throttle-closed":
      return "closes the throttle, which this style never does";
    case "too-fast":
      return `reaches ${quantityText(fault.mps, "speed", units)}; at most ${quantityText(fault.limitMps, "speed", units)} in this style`;
    case "no-hang":
      return "has no hang in it";
    case "ends-away":
      return `ends ${quantityText(fault.m, "length", units)} from where it began; at most ${quantityText(fault.limitM, "length", units)} in this style`;
    case "ends-moving":
      return `ends at ${quantityText(fault.mps, "speed", units)} instead of standing`;
  }
}

/** Why a line is proposed. */
export function lineReasonWords({ kind, value }: LineReason, units: UnitSystem): string {
  switch (kind) {
    case "new-pairs":
      return value === 0
        ? "nothing in it is new to the pilot"
        : `${percent(value)} of its pairs and triples never flown`;
    case "axes":
      return `${value} ${value === 1 ? "way" : "ways"} of turning`;
    case "pauses":
      return value === 0 ? "no pause" : `${value} ${value === 1 ? "pause" : "pauses"}`;
    case "ends-off":
      return `ends ${quantityText(value, "length", units, 0)} from where it began`;
  }
}

/** A try at a line, after its outcome: "Windmill hang at 3, held 2 of 4". */
export const lineTryWords = ({ name, brokeAt, parts = [], held }: LineTry): string =>
  `${name}${brokeAt === null ? "" : ` at ${brokeAt + 1}`}${held ? `, held ${held.length} of ${parts.length}` : ""}`;

/** A heading against north, as three figures: "090°". */
export const headingText = (deg: number): string => `${String(Math.round((deg + 360) % 360) % 360).padStart(3, "0")}°`;
