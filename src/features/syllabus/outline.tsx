"use client";

import type { Skill, Step, SyllabusDocument } from "@/syllabus";
import { Box } from "@/ui/layout/box";
import { SortableLine, SortableList } from "@/ui/sortable/sortable-list";
import { addSkill, addStep, moveSkill, moveStep, newKey } from "./change";

export type Chosen = { readonly kind: "step" | "skill"; readonly id: string };

interface OutlineProps {
  readonly document: SyllabusDocument;
  readonly chosen: Chosen | null;
  readonly mayChange: boolean;
  readonly onChoose: (chosen: Chosen) => void;
  readonly onChange: (document: SyllabusDocument) => void;
}

/** Stages, skills and steps in order. Steps are moved within their skill by dragging or by keys: space, arrows, space. */
export function Outline(props: OutlineProps) {
  const { document, mayChange, onChoose, onChange } = props;
  return (
    <Box
      component="nav"
      aria-label="Stages, skills and steps"
      sx={({ tokens }) => ({
        "& .stage": { mb: 1.5 },
        "& .stage > div:first-of-type": { fontWeight: 700, borderBottom: `1.5px solid ${tokens.ink}` },
        "& .skill, & .step": { flex: 1, px: 0.5 },
        "& .skill": { minHeight: 32, fontWeight: 650, color: tokens.shoal },
        "& .step": { minHeight: 28 },
        "& small": { ml: 1, fontSize: "0.8rem", color: tokens.inkSoft },
        "& [aria-pressed=true]": { bgcolor: tokens.sheet, outline: `2px solid ${tokens.buoy}` },
        "& .arrow": { minWidth: 28, minHeight: 28, justifyContent: "center" },
        "& .adds": { minHeight: 28, px: 0.5, fontWeight: 650, fontSize: "0.81rem", textDecoration: "underline" },
      })}
    >
      {document.stages.map((name, stage) => (
        <div key={stage} className="stage">
          <div>
            <span className="num">{stage}</span> {name}
          </div>
          {document.skills
            .filter((skill) => skill.stage === stage)
            .map((skill) => (
              <SkillSteps key={skill.id} {...props} skill={skill} />
            ))}
          {mayChange && (
            <button
              className="plain-button adds"
              onClick={() => {
                const id = newKey(document, "skill");
                onChange(addSkill(document, stage, id));
                onChoose({ kind: "skill", id });
              }}
            >
              Add a skill
            </button>
          )}
        </div>
      ))}
    </Box>
  );
}

function SkillSteps({ document, chosen, mayChange, onChoose, onChange, skill }: OutlineProps & { skill: Skill }) {
  const on = chosen?.kind === "skill" && chosen.id === skill.id;
  return (
    <div style={{ marginTop: 4 }}>
      <div style={{ display: "flex", alignItems: "center" }}>
        <button
          className="plain-button skill"
          aria-pressed={on}
          onClick={() => onChoose({ kind: "skill", id: skill.id })}
        >
          {skill.name}
        </button>
        {mayChange && (
          <>
            <button
              className="plain-button arrow"
              aria-label={`${skill.name} earlier`}
              onClick={() => onChange(moveSkill(document, skill.id, -1))}
            >
              ↑
            </button>
            <button
              className="plain-button arrow"
              aria-label={`${skill.name} later`}
              onClick={() => onChange(moveSkill(document, skill.id, 1))}
            >
              ↓
            </button>
          </>
        )}
      </div>
      <SortableList
        id={`steps-${skill.id}`}
        ids={skill.steps.map(({ id }) => id)}
        onMove={(from, to) => onChange(moveStep(document, skill.steps[from].id, skill.id, to))}
      >
        {skill.steps.map((step) => (
          <StepLine
            key={step.id}
            step={step}
            on={chosen?.kind === "step" && chosen.id === step.id}
            mayChange={mayChange}
            onChoose={() => onChoose({ kind: "step", id: step.id })}
          />
        ))}
      </SortableList>
      {mayChange && (
        <button
          className="plain-button adds"
          style={{ marginLeft: 28 }}
          onClick={() => {
            const id = newKey(document, "step");
            onChange(addStep(document, skill.id, id));
            onChoose({ kind: "step", id });
          }}
        >
          Add a step
        </button>
      )}
    </div>
  );
}

function StepLine(props: { step: Step; on: boolean; mayChange: boolean; onChoose: () => void }) {
  const { step, on, mayChange, onChoose } = props;
  return (
    <SortableLine id={step.id} label={step.name} movable={mayChange}>
      <button
        className="plain-button step"
        aria-pressed={on}
        onClick={onChoose}
        style={{ paddingLeft: step.partOf ? 16 : undefined, fontStyle: step.optional ? "italic" : undefined }}
      >
        {step.name}
        {step.routes && <small>{step.routes.length === 1 ? "one route" : `${step.routes.length} routes`}</small>}
      </button>
    </SortableLine>
  );
}
