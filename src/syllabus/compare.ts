import type { PassMark } from "@/core";
import type { Skill, Step, SyllabusDocument } from "./types";

/** Fields of a step that are told by their name alone when they change. */
export type StepField = Exclude<keyof Step, "id" | "mark" | "needs">;

/** What is different between two syllabuses. Steps and skills go by their name. */
export type SyllabusChange =
  | { readonly kind: "stages" | "order" }
  | { readonly kind: "step-new" | "step-left-out" | "step-needs"; readonly step: string }
  | { readonly kind: "step-moved"; readonly step: string; readonly from: string; readonly to: string }
  | { readonly kind: "step-mark"; readonly step: string; readonly was: PassMark; readonly is: PassMark }
  | { readonly kind: "step-fields"; readonly step: string; readonly fields: readonly StepField[] }
  | { readonly kind: "skill-new" | "skill-left-out" | "skill-changed"; readonly skill: string };

/** What is different in the second syllabus. */
export function syllabusChanges(before: SyllabusDocument, after: SyllabusDocument): SyllabusChange[] {
  const changes: SyllabusChange[] = [];
  if (differ(before.stages, after.stages)) changes.push({ kind: "stages" });
  const old = stepsOf(before);
  const now = stepsOf(after);
  for (const [id, { step }] of old) if (!now.has(id)) changes.push({ kind: "step-left-out", step: step.name });
  for (const [id, { step, skill }] of now) {
    const was = old.get(id);
    if (!was) changes.push({ kind: "step-new", step: step.name });
    else {
      if (was.skill.id !== skill.id)
        changes.push({ kind: "step-moved", step: step.name, from: was.skill.name, to: skill.name });
      changes.push(...stepChanges(was.step, step));
    }
  }
  const kept = [...old.keys()].filter((id) => now.has(id));
  const order = [...now.keys()].filter((id) => old.has(id));
  if (kept.join() !== order.join()) changes.push({ kind: "order" });
  return [...changes, ...skillChanges(before.skills, after.skills)];
}

function stepChanges(was: Step, step: Step): SyllabusChange[] {
  const changes: SyllabusChange[] = [];
  if (differ(was.mark, step.mark)) changes.push({ kind: "step-mark", step: step.name, was: was.mark, is: step.mark });
  if (differ(was.needs, step.needs)) changes.push({ kind: "step-needs", step: step.name });
  const fields = (Object.keys({ ...was, ...step }) as (keyof Step)[]).filter(
    (field): field is StepField =>
      field !== "id" && field !== "mark" && field !== "needs" && differ(was[field], step[field]),
  );
  if (fields.length > 0) changes.push({ kind: "step-fields", step: step.name, fields });
  return changes;
}

function skillChanges(before: readonly Skill[], after: readonly Skill[]): SyllabusChange[] {
  const own = ({ id, name, stage, cautions, roomM }: Skill) => [id, name, stage, cautions, roomM];
  return [
    ...after.flatMap((skill): SyllabusChange[] => {
      const was = before.find(({ id }) => id === skill.id);
      if (!was) return [{ kind: "skill-new", skill: skill.name }];
      return differ(own(was), own(skill)) ? [{ kind: "skill-changed", skill: skill.name }] : [];
    }),
    ...before
      .filter(({ id }) => !after.some((skill) => skill.id === id))
      .map(({ name }): SyllabusChange => ({ kind: "skill-left-out", skill: name })),
  ];
}

const differ = (was: unknown, is: unknown) => JSON.stringify(was) !== JSON.stringify(is);

function stepsOf({ skills }: SyllabusDocument): Map<string, { step: Step; skill: Skill }> {
  return new Map(skills.flatMap((skill) => skill.steps.map((step) => [step.id, { step, skill }] as const)));
}
