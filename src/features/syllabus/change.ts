import type { Skill, Step, SyllabusDocument } from "@/syllabus";

/** The document with one step changed. */
export function withStep(document: SyllabusDocument, stepId: string, change: Partial<Step>): SyllabusDocument {
  return withSteps(document, (steps) => steps.map((step) => (step.id === stepId ? { ...step, ...change } : step)));
}

/** The document with one skill changed. */
export function withSkill(document: SyllabusDocument, skillId: string, change: Partial<Skill>): SyllabusDocument {
  return {
    ...document,
    skills: document.skills.map((skill) => (skill.id === skillId ? { ...skill, ...change } : skill)),
  };
}

/** The document without a step; what needed it needs it no longer, and its parts stand by themselves. */
export function withoutStep(document: SyllabusDocument, stepId: string): SyllabusDocument {
  return withSteps(document, (steps) =>
    steps
      .filter(({ id }) => id !== stepId)
      .map((step) => ({
        ...step,
        needs: step.needs.filter((id) => id !== stepId),
        partOf: step.partOf === stepId ? null : step.partOf,
      })),
  );
}

/** A step moved to a place in a skill, its own or another. */
export function moveStep(document: SyllabusDocument, stepId: string, skillId: string, to: number): SyllabusDocument {
  const step = document.skills.flatMap(({ steps }) => steps).find(({ id }) => id === stepId);
  if (!step) return document;
  return {
    ...document,
    skills: document.skills.map((skill) => {
      const others = skill.steps.filter(({ id }) => id !== stepId);
      return { ...skill, steps: skill.id === skillId ? [...others.slice(0, to), step, ...others.slice(to)] : others };
    }),
  };
}

/** A skill moved up or down; skills stay in the order of their stages. */
export function moveSkill(document: SyllabusDocument, skillId: string, by: -1 | 1): SyllabusDocument {
  const at = document.skills.findIndex(({ id }) => id === skillId);
  const other = document.skills[at + by];
  if (!other || other.stage !== document.skills[at].stage) return document;
  const skills = [...document.skills];
  [skills[at], skills[at + by]] = [skills[at + by], skills[at]];
  return { ...document, skills };
}

/** A new step at the end of a skill, with what every step has to say still to be written. */
export function addStep(document: SyllabusDocument, skillId: string, id: string): SyllabusDocument {
  const skill = document.skills.find((one) => one.id === skillId)!;
  const last = skill.steps.at(-1);
  const step: Step = {
    id,
    name: "New step",
    short: "New step",
    family: last?.family ?? "style",
    aim: "What is learnt here.",
    drill: ["What to do first."],
    directions: [{ id: "on", name: "one way" }],
    mark: {
      kind: "in-places",
      places: ["field"],
      rule: { kind: "each-direction", rule: { kind: "k-of-last", k: 3, n: 4 } },
    },
    clean: "what counts as clean",
    stopWithinDeg: null,
    faults: [],
    wayOut: "How to break it off.",
    turnsOver: null,
    flownAs: null,
    lookAt: [],
    settings: last?.settings ?? "",
    heightM: null,
    measures: [],
    needs: last ? [last.id] : [],
    routes: null,
    simulatorFirst: false,
    optional: false,
    partOf: null,
  };
  return withSkill(document, skillId, { steps: [...skill.steps, step] });
}

/** A new skill after the last of a stage. */
export function addSkill(document: SyllabusDocument, stage: number, id: string): SyllabusDocument {
  const after = document.skills.reduce((last, skill, i) => (skill.stage <= stage ? i : last), -1);
  const cautions = document.skills[Math.max(0, after)]?.cautions ?? [];
  const skill: Skill = { id, stage, name: "New skill", steps: [], cautions, roomM: 40 };
  return { ...document, skills: [...document.skills.slice(0, after + 1), skill, ...document.skills.slice(after + 1)] };
}

/** A key that nothing in the document has. */
export function newKey(document: SyllabusDocument, kind: "step" | "skill"): string {
  const used = new Set(document.skills.flatMap(({ id, steps }) => [id, ...steps.map((step) => step.id)]));
  for (let n = 1; ; n++) if (!used.has(`own-${kind}-${n}`)) return `own-${kind}-${n}`;
}

function withSteps(document: SyllabusDocument, change: (steps: readonly Step[]) => readonly Step[]): SyllabusDocument {
  return { ...document, skills: document.skills.map((skill) => ({ ...skill, steps: change(skill.steps) })) };
}
