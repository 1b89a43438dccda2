"use client";

import Typography from "@mui/material/Typography";
import { schoolQuestions, sideOf, type School } from "@/syllabus";
import { Option } from "../forms/options";
import { SelectField } from "../forms/select-field";
import { Box } from "../layout/box";

const NOT_CHOSEN = "";

/** Every question on which practitioners disagree, with what the side taken gains. What is not chosen follows the school under it. */
export function SchoolChoices({
  chosen,
  under,
  otherwise,
  disabled,
  onChange,
}: {
  chosen: School;
  under: School;
  /** What the side is called that is taken where nothing is chosen: "as the squad". */
  otherwise: string;
  disabled: boolean;
  onChange: (chosen: School) => void;
}) {
  const choose = (question: string, side: string) => {
    const others = Object.fromEntries(Object.entries(chosen).filter(([id]) => id !== question));
    onChange(side === NOT_CHOSEN ? others : { ...others, [question]: side });
  };
  return (
    <Box sx={{ display: "grid", gap: 2 }}>
      {schoolQuestions.map(({ id, name, sides }) => (
        <div key={id}>
          <SelectField
            fullWidth
            size="small"
            label={name}
            value={chosen[id] ?? NOT_CHOSEN}
            disabled={disabled}
            onChange={(event) => choose(id, event.target.value)}
          >
            <Option value={NOT_CHOSEN}>
              {otherwise}: {sideOf(under, id).name}
            </Option>
            {sides.map((side) => (
              <Option key={side.id} value={side.id}>
                {side.name}
              </Option>
            ))}
          </SelectField>
          <Typography sx={{ fontSize: "0.84rem", color: "text.secondary" }}>
            {sideOf({ ...under, ...chosen }, id).gains}
          </Typography>
        </div>
      ))}
    </Box>
  );
}
