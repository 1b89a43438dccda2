import { flip } from "./flip";
import { byEye, firstGoggles, gapSteps, ground, smoothLines } from "./ground";
import { loop, orbit, spin, style } from "./loops-and-circles";
import { bail, knife, land, stop } from "./through-camera";
import { flipParts, roll, tumble, upsideDown } from "./turning-over";
import type { Direction, Fault, Skill, Step } from "./types";

/** Skills in the order in which they are learnt. */
export const skills: readonly Skill[] = [
  ground,
  byEye,
  firstGoggles,
  stop,
  land,
  bail,
  { ...knife, steps: [...gapSteps, ...knife.steps] },
  flip,
  flipParts,
  roll,
  tumble,
  upsideDown,
  loop,
  spin,
  orbit,
  { ...style, steps: [smoothLines[0], ...style.steps, smoothLines[1]] },
];

export const stageNames: readonly string[] = [
  "Ground school",
  "Eyes on the aircraft",
  "Through the camera",
  "Gaps",
  "Flips and rolls",
  "Upside down",
  "Loops, spins, orbits",
  "Style and lines",
];

/** All steps in order. */
export const steps: readonly Step[] = skills.flatMap((skill) => skill.steps);

/** The step with this id, or undefined. */
export function findStep(id: string): Step | undefined {
  return steps.find((step) => step.id === id);
}

/** The skill a step belongs to. Throws a RangeError for a step of no skill. */
export function skillOf(step: Step): Skill {
  const skill = skills.find((candidate) => candidate.steps.some((one) => one.id === step.id));
  if (!skill) throw new RangeError(`step ${step.id} belongs to no skill`);
  return skill;
}

/**
 * The step a pilot is at: the first one open after the furthest that was signed off. Without any, the first that was tried; without that, the
 * first of all. Null when nothing is open after the furthest.
 */
export function currentStep(signedOff: ReadonlySet<string>, tried: ReadonlySet<string>): Step | null {
  const furthest = steps.reduce((last, { id }, i) => (signedOff.has(id) ? i : last), -1);
  if (furthest >= 0) return steps.slice(furthest + 1).find(({ id }) => !signedOff.has(id)) ?? null;
  return steps.find(({ id }) => tried.has(id)) ?? steps[0];
}

/** Name of a step with its direction, where it has more than one. */
export function stepTitle(step: Step, direction: string): string {
  const name = step.directions.length > 1 && step.directions.find(({ id }) => id === direction)?.name;
  return name ? `${step.name}, ${name}` : step.name;
}

/** The step before this one in its skill, or null for the first. */
export function stepBefore(step: Step): Step | null {
  const { steps: ordered } = skillOf(step);
  const at = ordered.findIndex((one) => one.id === step.id);
  return at > 0 ? ordered[at - 1] : null;
}

/** Names of a step's directions by id. */
export function directionNames(step: Step): Readonly<Record<string, string>> {
  return Object.fromEntries(step.directions.map((direction: Direction) => [direction.id, direction.name]));
}

/** What mends a fault, flown in this direction. */
export function cueFor(fault: Fault, direction: string): string {
  return typeof fault.cue === "string" ? fault.cue : (fault.cue[direction] ?? Object.values(fault.cue).join(" "));
}
