"use client";

import { rounded } from "@/core";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { Box } from "@/ui/layout/box";
import { usePreferences } from "@/ui/theme/preferences";
import { entryIn } from "@/words";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { Skill, SyllabusDocument } from "@/syllabus";
import { withSkill } from "./change";
import { NumberField, TextLine, TextList } from "./fields";

/** A skill: its name, stage, cautions and the room it wants; and the names of the stages. */
export function SkillEditor({
  document,
  skill,
  onChange,
  onGone,
}: {
  document: SyllabusDocument;
  skill: Skill;
  onChange: (document: SyllabusDocument) => void;
  onGone: () => void;
}) {
  const { units } = usePreferences();
  const length = entryIn("length", units);
  const set = (change: Partial<Skill>) => onChange(withSkill(document, skill.id, change));
  const toStage = (stage: number) => {
    const others = document.skills.filter(({ id }) => id !== skill.id);
    const after = others.reduce((last, one, i) => (one.stage <= stage ? i : last), -1);
    onChange({ ...document, skills: [...others.slice(0, after + 1), { ...skill, stage }, ...others.slice(after + 1)] });
  };
  return (
    <Box sx={{ display: "grid", gap: 1.5, maxWidth: 760 }}>
      <Typography variant="h2">{skill.name}</Typography>
      <TextLine label="Name of the skill" value={skill.name} longest={60} onChange={(name) => name && set({ name })} />
      <SelectField
        size="small"
        label="Stage"
        value={skill.stage}
        onChange={(event) => toStage(Number(event.target.value))}
      >
        {document.stages.map((name, stage) => (
          <Option key={stage} value={stage}>
            {stage} {name}
          </Option>
        ))}
      </SelectField>
      <NumberField
        label={`Clear ground all round, ${length.symbol}`}
        value={rounded(length.shown(skill.roomM), 2)}
        width={220}
        onChange={(shown) => set({ roomM: rounded(length.read(shown), 3) })}
      />
      <TextList label="Cautions" values={skill.cautions} onChange={(cautions) => set({ cautions })} />
      {skill.steps.length === 0 && (
        <Button
          color="error"
          sx={{ justifySelf: "start" }}
          onClick={() => {
            onChange({ ...document, skills: document.skills.filter(({ id }) => id !== skill.id) });
            onGone();
          }}
        >
          Delete skill
        </Button>
      )}
      <Typography component="h3" sx={{ fontWeight: 700, mt: 2 }}>
        Names of the stages
      </Typography>
      {document.stages.map((name, stage) => (
        <TextLine
          key={stage}
          label={`Stage ${stage}`}
          value={name}
          longest={60}
          onChange={(next) =>
            next && onChange({ ...document, stages: document.stages.map((one, i) => (i === stage ? next : one)) })
          }
        />
      ))}
    </Box>
  );
}
