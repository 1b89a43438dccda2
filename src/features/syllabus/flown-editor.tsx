"use client";

import Button from "@mui/material/Button";
import { recipes } from "@/core";
import { findTrick, tricks, type FlownAs, type Step } from "@/syllabus";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { Box } from "@/ui/layout/box";
import { NumberField } from "./fields";

/** Which trick of the flight model it is, in which way, with which figures set. */
export function FlownEditor({ step, onChange }: { step: Step; onChange: (flownAs: FlownAs | null) => void }) {
  const { flownAs } = step;
  const trick = flownAs && findTrick(flownAs.trick);
  const fits = tricks.filter(({ variants }) =>
    variants.every(({ recipes: own }) => step.directions.every(({ id }) => own[id])),
  );
  const parameters = trick ? recipes[Object.values(trick.variants[0].recipes)[0]].parameters : {};
  const free = Object.keys(parameters).filter((name) => flownAs?.set?.[name] === undefined);
  const setFigures = (set: Readonly<Record<string, number>>) => flownAs && onChange({ ...flownAs, set });
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignItems: "start" }}>
      <SelectField
        size="small"
        label="In the flight model"
        value={flownAs?.trick ?? ""}
        onChange={(event) => onChange(event.target.value ? { trick: event.target.value } : null)}

        sx={{ minWidth: 220 }}
      >
        <Option value="">not flown: the eye judges</Option>
        {fits.map(({ id, name }) => (
          <Option key={id} value={id}>
            {name}
          </Option>
        ))}
      </SelectField>
      {trick && trick.variants.length > 1 && (
        <SelectField
          size="small"
          label="In the way"
          value={flownAs.variant ?? ""}
          onChange={(event) => onChange({ ...flownAs, variant: event.target.value || undefined })}

          sx={{ minWidth: 180 }}
        >
          <Option value="">of the pilot&apos;s school</Option>
          {trick.variants.map(({ id, name }) => (
            <Option key={id} value={id}>
              {name}
            </Option>
          ))}
        </SelectField>
      )}
      {Object.entries(flownAs?.set ?? {}).map(([name, value]) => (
        <Box key={name} sx={{ display: "flex" }}>
          <NumberField
            label={parameters[name] ? `${parameters[name].label}, ${parameters[name].unit}` : name}
            value={value}
            width={150}
            onChange={(next) => setFigures({ ...flownAs!.set, [name]: next })}
          />
          <Button
            size="small"
            aria-label={`As the model has it: ${name}`}
            onClick={() =>
              setFigures(Object.fromEntries(Object.entries(flownAs!.set!).filter(([other]) => other !== name)))
            }
          >
            ×
          </Button>
        </Box>
      ))}
      {trick && free.length > 0 && (
        <SelectField
          size="small"
          label="Set a figure"
          value=""
          onChange={(event) => {
            const parameter = parameters[event.target.value];
            if (parameter) setFigures({ ...flownAs.set, [event.target.value]: parameter.value });
          }}
          sx={{ minWidth: 150 }}
        >
          {free.map((name) => (
            <Option key={name} value={name}>
              {parameters[name].label}
            </Option>
          ))}
        </SelectField>
      )}
    </Box>
  );
}
