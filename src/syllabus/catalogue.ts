import { flip } from "./flip";
import type { Direction, Fault, Skill, Step } from "./types";

/** Skills in the order in which they are learnt. */
export const skills: readonly Skill[] = [flip];

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
