import type { BrokenLimit, LeftOut, StepRefusal } from "@/syllabus";
import { lower } from "./capital";
import { counted } from "./numbers";
import { quantityText, type UnitSystem } from "./quantity";

/** Why a step is not flown by somebody here today, with the numbers. */
export function refusalWords(refusal: StepRefusal, units: UnitSystem): string {
  const length = (metres: number) => round(metres, "length", units);
  const speed = (mps: number) => round(mps, "speed", units);
  switch (refusal.kind) {
    case "too-little-room":
      return `${refusal.step} needs ${length(refusal.wantsM)} of clear ground all round; ${refusal.site} has ${length(refusal.hasM)}.`;
    case "goes-too-high":
      return `${refusal.step} goes up to ${length(refusal.peakM)} with this aircraft; the limit at ${refusal.site} is ${length(refusal.limitM)}.`;
    case "begun-too-high":
      return `${refusal.step} starts ${length(refusal.heightM)} up; the limit at ${refusal.site} is ${length(refusal.limitM)}.`;
    case "simulator-first":
      return `${refusal.step}: sim first. Meet the pass mark there before flying it (coaching choice).`;
    case "new-in-wind":
      return `Too windy for ${lower(refusal.step)}: it is new, and nothing new starts in more than ${speed(refusal.mostMps)} of wind. Now ${speed(refusal.windMps)}.`;
    case "too-much-wind":
      return `Too windy for ${lower(refusal.step)}: ${speed(refusal.windMps)} is over a third of ${refusal.aircraft}'s top speed of ${speed(refusal.topMps)}.`;
  }
}

/** Why something that could be flown is not in a plan. */
export function leftOutWords(left: LeftOut, units: UnitSystem): string {
  if (left.kind === "free-in-wind")
    return `Too windy for free flying: in ${round(left.windMps, "speed", units)} some steps are refused, too.`;
  const what = left.step ?? "Free flying";
  switch (left.kind) {
    case "no-time":
      return left.step ? `${what} does not fit in the time.` : "No time left for free flying.";
    case "no-pack":
      return `No charged pack left for ${lower(what)}.`;
    case "new-steps":
      return `${what} waits: ${left.most === 0 ? "no new steps" : left.most === 1 ? "one new step" : `${left.most} new steps`} a session is the limit.`;
    default:
      return refusalWords(left, units);
  }
}

/** A limit that a plan changed by hand breaks, for whom and by how much. */
export function brokenLimitWords(broken: BrokenLimit): string {
  switch (broken.kind) {
    case "new-steps":
      return `${broken.pilot}: ${counted(broken.steps.length, "new step")} (${broken.steps.join(", ")}); the limit is ${broken.most}.`;
    case "packs":
      return `${broken.pilot}: takes ${counted(broken.wanted, "pack")}; ${broken.charged} ${broken.charged === 1 ? "is" : "are"} charged.`;
    case "turns":
      return `${broken.turns} turns one after the other; there is time for ${broken.fit}.`;
    case "at-once":
      return `More fly at once than there are spots and observers: ${broken.most}.`;
    case "twice-in-a-turn":
      return "A pilot flies twice in one turn.";
  }
}

/** Limits are mostly whole: those without a tenth that says nothing. */
const round = (value: number, quantity: "length" | "speed", units: UnitSystem) =>
  quantityText(value, quantity, units, Math.round(10 * value) % 10 === 0 ? 0 : undefined);
