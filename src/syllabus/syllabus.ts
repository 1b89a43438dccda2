import { DomainError, DAY_MS } from "@/core";
import { builtInDocument } from "./built-in";
import type { Direction, Fault, Route, Skill, Step, SyllabusDocument } from "./types";

/** A syllabus in force, with what is looked up in it all the time. */
export interface Syllabus {
  /** Number of the version in its squad; 0 is the one the program comes with. */
  readonly number: number;
  readonly document: SyllabusDocument;
  readonly stages: readonly string[];
  readonly skills: readonly Skill[];
  /** All steps of all routes, in order. */
  readonly steps: readonly Step[];
  readonly stepById: ReadonlyMap<string, Step>;
  readonly skillByStep: ReadonlyMap<string, Skill>;
}

/** Makes a document that has been checked ready to be asked. */
export function syllabusFrom(document: SyllabusDocument, number: number): Syllabus {
  const steps = document.skills.flatMap((skill) => skill.steps);
  return {
    number,
    document,
    stages: document.stages,
    skills: document.skills,
    steps,
    stepById: new Map(steps.map((step) => [step.id, step])),
    skillByStep: new Map(document.skills.flatMap((skill) => skill.steps.map((step) => [step.id, skill] as const))),
  };
}

/** What a squad has that never changed anything. */
export const builtInSyllabus: Syllabus = syllabusFrom(builtInDocument, 0);

/** The step with this id, or undefined. */
export function findStep(syllabus: Syllabus, id: string): Step | undefined {
  return syllabus.stepById.get(id);
}

/** What a step is called; one that is no longer in the syllabus as the program's own calls it, or by its key. */
export function stepName(syllabus: Syllabus, id: string): string {
  return (syllabus.stepById.get(id) ?? builtInSyllabus.stepById.get(id))?.name ?? id;
}

/** Ground school, the first stage, is done at the desk or with the propellers off: no packs, no wind. */
export const onGround = (syllabus: Syllabus, step: Step): boolean => skillOf(syllabus, step).stage === 0;

/** The skill a step belongs to. Throws a DomainError for a step of no skill. */
export function skillOf(syllabus: Syllabus, step: Step): Skill {
  const skill = syllabus.skillByStep.get(step.id);
  if (!skill)
    throw new DomainError("step", step.id, "a step of a skill of the syllabus", `step ${step.id} belongs to no skill`);
  return skill;
}

/** The steps of one first route, in order: its own and those of all routes. */
export function pathOf({ steps }: Pick<Syllabus, "steps">, route: Route): readonly Step[] {
  return steps.filter((step) => onRoute(step, route));
}

export const onRoute = (step: Step, route: Route) => step.routes === null || step.routes.includes(route);

/** The steps to be signed off before this one on a route. What belongs to other routes is not asked for. */
export function needsOf(syllabus: Syllabus, step: Step, route: Route): readonly Step[] {
  return step.needs.flatMap((id) => {
    const needed = syllabus.stepById.get(id);
    return needed && onRoute(needed, route) ? [needed] : [];
  });
}

/** The steps of a route that this one opens. */
export function opensOf(syllabus: Syllabus, step: Step, route: Route): readonly Step[] {
  return pathOf(syllabus, route).filter(({ needs }) => needs.includes(step.id));
}

/** The parts of a step, in order; none for most. */
export function partsOf({ steps }: Pick<Syllabus, "steps">, step: Step): readonly Step[] {
  return steps.filter(({ partOf }) => partOf === step.id);
}

/** An open step counts as being learnt while it was flown within this time before the last flight at all. Ours. */
const LEARNING_MS = 30 * DAY_MS;

/**
 * The step a pilot is at: on the route, the open step flown last, if that was not long before the last flight at all; else the first one open after
 * the furthest that was signed off. What lies beside the way is left out. Null when nothing is open after the furthest. `lastFlown` has when each
 * step was flown last, ms.
 */
export function currentStep(
  syllabus: Syllabus,
  route: Route,
  signedOff: ReadonlySet<string>,
  lastFlown: ReadonlyMap<string, number>,
): Step | null {
  const path = pathOf(syllabus, route).filter(({ optional }) => !optional);
  const open = path.filter(({ id }) => !signedOff.has(id));
  const at = (step: Step) => lastFlown.get(step.id) ?? -Infinity;
  const newest = open.reduce<Step | null>(
    (last, step) => (at(step) > (last ? at(last) : -Infinity) ? step : last),
    null,
  );
  if (newest && at(newest) >= Math.max(...lastFlown.values()) - LEARNING_MS) return newest;
  const furthest = path.reduce((last, { id }, i) => (signedOff.has(id) ? i : last), -1);
  return path.slice(furthest + 1).find(({ id }) => !signedOff.has(id)) ?? null;
}

/** Name of a step with its direction, where it has more than one. */
export function stepTitle(step: Step, direction: string): string {
  const name = step.directions.length > 1 && step.directions.find(({ id }) => id === direction)?.name;
  return name ? `${step.name}, ${name}` : step.name;
}

/** The step before this one in its skill on a route, or null for the first. Null for one that the syllabus has no longer. */
export function stepBefore(syllabus: Syllabus, step: Step, route: Route): Step | null {
  const skill = syllabus.skillByStep.get(step.id);
  const ordered = (skill?.steps ?? []).filter((one) => one.id === step.id || onRoute(one, route));
  const at = ordered.findIndex((one) => one.id === step.id);
  return at > 0 ? ordered[at - 1] : null;
}

/** Names of a step's directions by id. */
export function directionNames(step: Step): Readonly<Record<string, string>> {
  return Object.fromEntries(step.directions.map((direction: Direction) => [direction.id, direction.name]));
}

/** What a direction of a step is called; its id where no such step is known any more. */
export const directionName = (syllabus: Syllabus, stepId: string, direction: string): string =>
  (syllabus.stepById.get(stepId) ?? builtInSyllabus.stepById.get(stepId))?.directions.find(({ id }) => id === direction)
    ?.name ?? direction;

/** What mends a fault, flown in this direction. */
export function cueFor(fault: Fault, direction: string): string {
  return typeof fault.cue === "string" ? fault.cue : (fault.cue[direction] ?? Object.values(fault.cue).join(" "));
}
