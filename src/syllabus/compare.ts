import { markWords } from "@/core";
import type { Skill, Step, SyllabusDocument } from "./types";

/** What is different in the second syllabus, a line each, in words a coach reads. */
export function syllabusChanges(before: SyllabusDocument, after: SyllabusDocument): string[] {
  const lines: string[] = [];
  if (JSON.stringify(before.stages) !== JSON.stringify(after.stages)) lines.push("names of the stages");
  const old = stepsOf(before);
  const now = stepsOf(after);
  for (const [id, { step }] of old) if (!now.has(id)) lines.push(`${step.name}: left out`);
  for (const [id, { step, skill }] of now) {
    const was = old.get(id);
    if (!was) {
      lines.push(`${step.name}: new`);
      continue;
    }
    if (was.skill.id !== skill.id) lines.push(`${step.name}: moved from ${was.skill.name} to ${skill.name}`);
    if (JSON.stringify(was.step.mark) !== JSON.stringify(step.mark))
      lines.push(`${step.name}: pass mark ${markWords(was.step.mark)} → ${markWords(step.mark)}`);
    if (JSON.stringify(was.step.needs) !== JSON.stringify(step.needs)) lines.push(`${step.name}: what it needs`);
    const texts = (Object.keys(step) as (keyof Step)[]).filter(
      (field) =>
        field !== "mark" && field !== "needs" && JSON.stringify(was.step[field]) !== JSON.stringify(step[field]),
    );
    if (texts.length > 0) lines.push(`${step.name}: ${texts.map((field) => fieldWords[field] ?? field).join(", ")}`);
  }
  const kept = [...old.keys()].filter((id) => now.has(id));
  const order = [...now.keys()].filter((id) => old.has(id));
  if (kept.join() !== order.join()) lines.push("order of the steps");
  const skillWords = ({ id, name, stage, cautions, roomM }: Skill) =>
    JSON.stringify([id, name, stage, cautions, roomM]);
  for (const skill of after.skills) {
    const was = before.skills.find(({ id }) => id === skill.id);
    if (!was) lines.push(`${skill.name}: a new skill`);
    else if (skillWords(was) !== skillWords(skill)) lines.push(`${skill.name}: its name, stage, cautions or room`);
  }
  for (const skill of before.skills)
    if (!after.skills.some(({ id }) => id === skill.id)) lines.push(`${skill.name}: the skill left out`);
  return lines;
}

/** What the fields of a step are called. */
const fieldWords: Readonly<Partial<Record<keyof Step, string>>> = {
  name: "name",
  short: "short name",
  family: "column",
  aim: "aim",
  drill: "drill",
  directions: "directions",
  clean: "what is clean",
  stopWithinDeg: "stop allowed",
  faults: "faults",
  wayOut: "way out",
  turnsOver: "end rate",
  flownAs: "how it is flown in the model",
  lookAt: "what to look at",
  settings: "settings",
  heightM: "height",
  measures: "measures",
  routes: "routes",
  simulatorFirst: "simulator first",
  optional: "beside the way",
  partOf: "what it is part of",
};

function stepsOf({ skills }: SyllabusDocument): Map<string, { step: Step; skill: Skill }> {
  return new Map(skills.flatMap((skill) => skill.steps.map((step) => [step.id, { step, skill }] as const)));
}
