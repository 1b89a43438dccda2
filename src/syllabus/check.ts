import { entryOf, attemptMeasures, DomainError, recipes, requireMark, requireNumber } from "@/core";
import { findTrick } from "./tricks";
import { families, routes, type Step, type SyllabusDocument } from "./types";

/** Something in a syllabus that cannot be, with where it is. */
export class SyllabusError extends DomainError {
  constructor(
    readonly place: string,
    message: string,
    /** The field that is refused, where the message only says whose it is. */
    cause?: DomainError,
  ) {
    super(place, undefined, "", message);
    this.name = "SyllabusError";
    this.cause = cause;
  }
}

/**
 * What the published schema cannot say of a syllabus: ids that are there once, needs that lead somewhere and not in a circle, marks that can be
 * judged, tricks that are flown in every direction of the step. Throws a SyllabusError that names the place.
 */
export function requireSyllabus(document: SyllabusDocument): SyllabusDocument {
  const at = new Map<string, string>();
  const skillIds = new Set<string>();
  document.skills.forEach((skill, s) => {
    if (skillIds.has(skill.id)) throw new SyllabusError(`skills.${s}.id`, `The skill "${skill.id}" is in there twice.`);
    skillIds.add(skill.id);
    if (skill.stage >= document.stages.length)
      throw new SyllabusError(`skills.${s}.stage`, `${skill.name} is at stage ${skill.stage}, which has no name.`);
    const before = document.skills[s - 1];
    if (before && before.stage > skill.stage)
      throw new SyllabusError(
        `skills.${s}.stage`,
        `${skill.name} is of an earlier stage than ${before.name} before it.`,
      );
    skill.steps.forEach((step, i) => {
      const place = `skills.${s}.steps.${i}`;
      if (at.has(step.id)) throw new SyllabusError(`${place}.id`, `The step "${step.id}" is in there twice.`);
      at.set(step.id, place);
    });
  });
  const steps = document.skills.flatMap((skill) => skill.steps);
  if (steps.length === 0) throw new SyllabusError("skills", "A syllabus needs at least one step.");
  for (const step of steps) requireStep(step, at);
  const circle = needsInCircle(steps);
  if (circle) {
    const names = circle.map((id) => steps.find((step) => step.id === id)!.name);
    throw new SyllabusError(
      `${at.get(circle[0])}.needs`,
      `Steps that need one another in a circle: ${names.join(" needs ")} needs ${names[0]}.`,
    );
  }
  return document;
}

function requireStep(step: Step, at: ReadonlyMap<string, string>): void {
  const place = entryOf(at, step.id);
  const refuse = (field: string, message: string, cause?: DomainError): never => {
    throw new SyllabusError(`${place}.${field}`, `${step.name}: ${message}`, cause);
  };
  const once = (field: string, ids: readonly string[]) => {
    const twice = ids.find((id, i) => ids.indexOf(id) < i);
    if (twice !== undefined) refuse(field, `"${twice}" is in there twice.`);
  };
  once(
    "directions",
    step.directions.map(({ id }) => id),
  );
  once(
    "faults",
    step.faults.map(({ id }) => id),
  );
  once("needs", step.needs);
  try {
    requireMark(step.mark);
  } catch (error) {
    refuse("mark", "its pass mark cannot be judged.", refusalIn(error));
  }
  const stranger = step.needs.find((id) => !at.has(id));
  if (stranger !== undefined) refuse("needs", `it needs "${stranger}", which is not in the syllabus.`);
  if (step.needs.includes(step.id)) refuse("needs", "it needs itself.");
  if (step.partOf !== null && !at.has(step.partOf))
    refuse("partOf", `it is part of "${step.partOf}", which is not there.`);
  if (step.partOf === step.id) refuse("partOf", "it is part of itself.");
  if (!families.some(({ id }) => id === step.family))
    refuse("family", "its column of the chart is not one that is known.");
  if (step.routes?.some((one) => !routes.includes(one)))
    refuse("routes", "one of its routes is not one that is known.");
  if (step.measures.some((one) => !attemptMeasures.includes(one)))
    refuse("measures", "one of its measures is not known.");
  for (const { id, cue } of step.faults)
    if (
      typeof cue === "object" &&
      Object.keys(cue).some((one) => !step.directions.some((direction) => direction.id === one))
    )
      refuse("faults", `the cue of "${id}" is for a direction that the step has not.`);
  if (step.flownAs) requireFlown(step, refuse);
}

/** What the arithmetic refused; anything else is thrown on. */
function refusalIn(error: unknown): DomainError {
  if (error instanceof DomainError) return error;
  throw error;
}

function requireFlown(
  { flownAs, directions }: Step,
  refuse: (field: string, message: string, cause?: DomainError) => never,
): void {
  const { trick: trickId, variant: variantId, set = {} } = flownAs!;
  const trick = findTrick(trickId) ?? refuse("flownAs.trick", "its trick is not one that the model flies.");
  if (variantId !== undefined && !trick.variants.some(({ id }) => id === variantId))
    refuse("flownAs.variant", `${trick.name} is not flown in that way.`);
  for (const { recipes: own } of trick.variants)
    for (const { id, name } of directions)
      if (!own[id]) refuse("flownAs.trick", `${trick.name} is not flown "${name}".`);
  const { parameters } = recipes[Object.values(trick.variants[0].recipes)[0]];
  for (const [name, value] of Object.entries(set)) {
    const parameter = Object.hasOwn(parameters, name)
      ? parameters[name]
      : refuse("flownAs.set", `"${name}" is no figure of ${trick.name}.`);
    try {
      requireNumber(name, value, parameter.min, parameter.max);
    } catch (error) {
      refuse("flownAs.set", `${parameter.label} is out of range.`, refusalIn(error));
    }
  }
}

/** Ids of steps that need one another in a circle, or null. */
export function needsInCircle(steps: readonly Pick<Step, "id" | "needs">[]): readonly string[] | null {
  const needsOf = new Map(steps.map(({ id, needs }) => [id, needs]));
  const done = new Set<string>();
  for (const { id: start } of steps) {
    // Depth first without recursion: a syllabus may be one long chain.
    const path: { readonly id: string; next: number }[] = done.has(start) ? [] : [{ id: start, next: 0 }];
    const onPath = new Set(path.map(({ id }) => id));
    while (path.length > 0) {
      const here = path[path.length - 1];
      const needed = needsOf.get(here.id)?.[here.next++];
      if (needed === undefined) {
        done.add(here.id);
        onPath.delete(here.id);
        path.pop();
      } else if (onPath.has(needed)) {
        return path.slice(path.findIndex(({ id }) => id === needed)).map(({ id }) => id);
      } else if (!done.has(needed)) {
        onPath.add(needed);
        path.push({ id: needed, next: 0 });
      }
    }
  }
  return null;
}
