import { countedMeasures, type AttemptMeasure, type PassMark, type Place, type RuleCount } from "@/core";
import { counted, percent } from "./numbers";
import { numeral, quantityText, type UnitSystem } from "./quantity";

/** A mark in words: "3 of the last 4 clean, each direction on its own, in the field". */
export function markWords(mark: PassMark, units: UnitSystem = "metric"): string {
  switch (mark.kind) {
    case "k-of-last":
      return `${mark.k} of the last ${mark.n} clean`;
    case "run":
      return `${mark.k} clean in a row`;
    case "clean-packs":
      return mark.packs === 1 ? "a clean pack" : `${mark.packs} clean packs in a row`;
    case "minutes":
      return `${mark.minutes} minutes flown`;
    case "measured":
      return isCounted(mark.measure)
        ? `${mark.k} of the last ${mark.n} with ${limitWords(mark, units)} ${measureWords[mark.measure]}`
        : `${mark.k} of the last ${mark.n} measured ${limitWords(mark, units)} of ${measureWords[mark.measure]}`;
    case "each-direction":
      return `${markWords(mark.rule, units)}, each direction on its own`;
    case "in-places":
      return `${markWords(mark.rule, units)}, ${mark.places.map((place) => placeWords[place]).join(" or ")}`;
    case "all":
      return mark.rules.map((rule) => bracketed(rule, units)).join("; and ");
    case "any":
      return mark.rules.map((rule) => bracketed(rule, units)).join("; or ");
  }
}

/** What has been counted towards a rule: "3 of the last 4". */
export function countWords(rule: RuleCount, units: UnitSystem = "metric"): string {
  switch (rule.kind) {
    case "k-of-last":
      return ofLast(rule);
    case "run":
      return `${rule.count} in a row of ${rule.k}`;
    case "clean-packs":
      return `${counted(rule.count, "clean pack")} of ${rule.packs}`;
    case "minutes":
      return `${tenths(rule.flown)} of ${rule.minutes} min`;
    case "measured":
      return `${ofLast(rule)} ${limitWords(rule, units)}`;
  }
}

/** What a rule that is not met still asks for: "1 more clean". */
export function missingWords(rule: RuleCount, units: UnitSystem = "metric"): string {
  switch (rule.kind) {
    case "k-of-last":
      return `${rule.k - rule.count} more clean`;
    case "run":
      return `${rule.k - rule.count} more in a row`;
    case "clean-packs":
      return counted(rule.packs - rule.count, "more clean pack");
    case "minutes":
      return `${tenths(rule.minutes - rule.flown)} min more`;
    case "measured":
      return `${rule.k - rule.count} more ${limitWords(rule, units)}`;
  }
}

/** What an attempt measure is called, after "within 15° of". */
export const measureWords: Readonly<Record<AttemptMeasure, string>> = {
  stopErrorDeg: "stop error",
  bounceBackDeg: "swing back",
  throttleInvertedPct: "throttle upside down",
  viewOffPathDeg: "view off the path",
  horizonLeanDeg: "lean of the horizon",
  missM: "distance from the mark",
  heightErrorM: "height off",
  heightLostM: "height lost",
  jerkDegPerS2: "jerk",
  laps: "laps",
  touches: "touches",
  missedPoles: "poles missed",
};

/** What a measure below and above nothing is called, where there is such a thing. */
export const measureSides: Readonly<Partial<Record<AttemptMeasure, readonly [below: string, above: string]>>> = {
  stopErrorDeg: ["short", "past"],
  heightErrorM: ["low", "high"],
};

export const placeWords: Readonly<Record<Place, string>> = {
  field: "in the field",
  simulator: "in the simulator",
  "by-eye": "by eye",
};

/** The unit of a measure, as written behind its number. */
export function unitOf(measure: AttemptMeasure): string {
  if (measure.endsWith("DegPerS2")) return " °/s²";
  if (measure.endsWith("Pct")) return "\u202f%";
  if (isCounted(measure)) return "";
  return measure.endsWith("Deg") ? "°" : " m";
}

/** What was measured, with its unit. */
export function measureText(measure: AttemptMeasure, value: number, units: UnitSystem): string {
  if (isCounted(measure)) return numeral(value);
  if (measure.endsWith("Pct")) return percent(value / 100);
  if (measure.endsWith("DegPerS2")) return `${numeral(value)}${unitOf(measure)}`;
  return quantityText(value, measure.endsWith("Deg") ? "angle" : "length", units);
}

/** What the field of a measure's limit is called. */
export const limitLabel = (measure: AttemptMeasure): string =>
  isCounted(measure) ? "At most" : `Within (${unitOf(measure).trim()})`;

/** Whether a measure is told by a whole number of something. */
export const isCounted = (measure: AttemptMeasure) => countedMeasures.some((one) => one === measure);

const bracketed = (rule: PassMark, units: UnitSystem) =>
  rule.kind === "all" || rule.kind === "any" ? `(${markWords(rule, units)})` : markWords(rule, units);

const limitWords = (
  { within, measure }: { readonly within: number; readonly measure: AttemptMeasure },
  units: UnitSystem,
) =>
  isCounted(measure)
    ? `at most ${within}`
    : unitOf(measure) === " m" && units === "imperial"
      ? `within ${quantityText(within, "length", units)}`
      : `within ${within}${unitOf(measure)}`;

const ofLast = ({ count, seen, n }: { readonly count: number; readonly seen: number; readonly n: number }) =>
  seen < n ? `${count} of ${seen}` : `${count} of the last ${n}`;

const tenths = (minutes: number) => Math.round(10 * minutes) / 10;
