import type { BrokenLimit, LeftOut, StepRefusal } from "@/syllabus";
import { counted } from "./numbers";
import { quantityText, type UnitSystem } from "./quantity";

/** Why a step is not flown by somebody here today, with the numbers. */
export function refusalWords(refusal: StepRefusal, units: UnitSystem): string {
  const length = (metres: number) => round(metres, "length", units);
  const speed = (mps: number) => round(mps, "speed", units);
  switch (refusal.kind) {
    case "too-little-room":
      return `${refusal.step} wants ${length(refusal.wantsM)} of clear ground all round; ${refusal.site} has ${length(refusal.hasM)}.`;
    case "goes-too-high":
      return `${refusal.step} goes up to ${length(refusal.peakM)} with this aircraft; the limit at ${refusal.site} is ${length(refusal.limitM)}.`;
    case "begun-too-high":
      return `${refusal.step} is begun ${length(refusal.heightM)} up; the limit at ${refusal.site} is ${length(refusal.limitM)}.`;
    case "simulator-first":
      return `${refusal.step} is flown in the simulator first: the school asks for the mark to be met there.`;
    case "new-in-wind":
      return `${refusal.step} is new, and not begun in more than ${speed(refusal.mostMps)} of wind; there are ${speed(refusal.windMps)}.`;
    case "too-much-wind":
      return `${refusal.step} waits for less wind: ${speed(refusal.windMps)} is more than a third of the ${speed(refusal.topMps)} that ${refusal.aircraft} reaches at most.`;
  }
}

/** Why something that could be flown is not in a plan. */
export function leftOutWords(left: LeftOut, units: UnitSystem): string {
  const free = "Flying as they like";
  if (left.kind === "free-in-wind")
    return `${free} waits for less wind: in ${round(left.windMps, "speed", units)} steps are refused, too.`;
  const what = left.step ?? free;
  switch (left.kind) {
    case "no-time":
      return `${what} finds no time.`;
    case "no-pack":
      return `${what} finds no charged pack.`;
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
      return `${broken.turns} turns one after the other; the time is enough for ${broken.fit}.`;
    case "at-once":
      return `More fly at once than there are spots and observers: ${broken.most}.`;
    case "twice-in-a-turn":
      return "Somebody flies twice in one turn.";
  }
}

/** Limits are mostly whole: those without a tenth that says nothing. */
const round = (value: number, quantity: "length" | "speed", units: UnitSystem) =>
  quantityText(value, quantity, units, Math.round(10 * value) % 10 === 0 ? 0 : undefined);
