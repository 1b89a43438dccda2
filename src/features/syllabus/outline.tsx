"use client";

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import ButtonBase from "@mui/material/ButtonBase";
import IconButton from "@mui/material/IconButton";
import type { Skill, Step, SyllabusDocument } from "@/syllabus";
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
    <nav aria-label="Stages, skills and steps">
      {document.stages.map((name, stage) => (
        <Box key={stage} sx={{ mb: 1.5 }}>
          <Box sx={(theme) => ({ fontWeight: 700, borderBottom: `1.5px solid ${theme.tokens.ink}` })}>
            <span className="num">{stage}</span> {name}
          </Box>
          {document.skills
            .filter((skill) => skill.stage === stage)
            .map((skill) => (
              <SkillSteps key={skill.id} {...props} skill={skill} />
            ))}
          {mayChange && (
            <Button
              size="small"
              onClick={() => {
                const id = newKey(document, "skill");
                onChange(addSkill(document, stage, id));
                onChoose({ kind: "skill", id });
              }}
            >
              Add a skill
            </Button>
          )}
        </Box>
      ))}
    </nav>
  );
}

function SkillSteps({ document, chosen, mayChange, onChoose, onChange, skill }: OutlineProps & { skill: Skill }) {
  const on = chosen?.kind === "skill" && chosen.id === skill.id;
  return (
    <Box sx={{ mt: 0.5 }}>
      <Box sx={{ display: "flex", alignItems: "center" }}>
        <ButtonBase
          aria-pressed={on}
          onClick={() => onChoose({ kind: "skill", id: skill.id })}
          sx={(theme) => ({
            flex: 1,
            justifyContent: "flex-start",
            textAlign: "left",
            minHeight: 30,
            px: 0.5,
            fontWeight: 650,
            color: theme.tokens.shoal,
            bgcolor: on ? theme.tokens.sheet : "transparent",
            outline: on ? `2px solid ${theme.tokens.buoy}` : "none",
          })}
        >
          {skill.name}
        </ButtonBase>
        {mayChange && (
          <>
            <IconButton
              size="small"
              aria-label={`${skill.name} earlier`}
              onClick={() => onChange(moveSkill(document, skill.id, -1))}
            >
              ↑
            </IconButton>
            <IconButton
              size="small"
              aria-label={`${skill.name} later`}
              onClick={() => onChange(moveSkill(document, skill.id, 1))}
            >
              ↓
            </IconButton>
          </>
        )}
      </Box>
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
        <Button
          size="small"
          sx={{ ml: 3.2, minHeight: 26, py: 0 }}
          onClick={() => {
            const id = newKey(document, "step");
            onChange(addStep(document, skill.id, id));
            onChoose({ kind: "step", id });
          }}
        >
          Add a step
        </Button>
      )}
    </Box>
  );
}

function StepLine(props: { step: Step; on: boolean; mayChange: boolean; onChoose: () => void }) {
  const { step, on, mayChange, onChoose } = props;
  return (
    <SortableLine id={step.id} label={step.name} movable={mayChange}>
      <ButtonBase
        aria-pressed={on}
        onClick={onChoose}
        sx={(theme) => ({
          flex: 1,
          justifyContent: "flex-start",
          textAlign: "left",
          minHeight: 28,
          px: 0.5,
          bgcolor: on ? theme.tokens.sheet : "transparent",
          outline: on ? `2px solid ${theme.tokens.buoy}` : "none",
          pl: step.partOf ? 2 : 0.5,
          fontStyle: step.optional ? "italic" : "normal",
        })}
      >
        {step.name}
        {step.routes && (
          <Box component="span" sx={{ ml: 0.8, fontSize: "0.8rem", color: "text.secondary" }}>
            {step.routes.length === 1 ? "one route" : `${step.routes.length} routes`}
          </Box>
        )}
      </ButtonBase>
    </SortableLine>
  );
}
