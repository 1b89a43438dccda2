"use client";

import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import { useState } from "react";
import { Controller, useForm } from "react-hook-form";
import { v7 as newId } from "uuid";
import type { ActionInput, ActionName, ActionOutput } from "@/contract";
import { send } from "../actions/send";
import { Box } from "../layout/box";
import type { FormFields, FormValues } from "./form-fields";
import { Option } from "./options";
import { SelectField } from "./select-field";
import { TextField } from "./text-field";

interface SendFormProps<Name extends ActionName, Fields extends FormFields> {
  readonly action: Name;
  readonly fields: Fields;
  /** What is sent: from what stands in the fields, and the id for what the form makes. */
  readonly input: (values: FormValues<Fields>, id: string) => ActionInput<Name>;
  readonly submit: string;
  readonly onDone: (id: string, answer: ActionOutput<Name>) => void;
  /** The fields that were refused, by name: one that is not shown yet may have to be. */
  readonly onRefused?: (fields: Readonly<Record<string, string>>) => void;
}

/** A short form that sends one action. Messages stand at their fields; what was typed stays until it is saved. */
export function SendForm<Name extends ActionName, Fields extends FormFields>({
  action,
  fields,
  input,
  submit,
  onDone,
  onRefused,
}: SendFormProps<Name, Fields>) {
  const shown = Object.entries(fields).filter(([, { hidden }]) => !hidden);
  // One id for the thing this form makes, kept over failed sends so that a repeated one changes nothing.
  const [id, setId] = useState(() => newId());
  const [failure, setFailure] = useState<string | null>(null);
  const initial = Object.fromEntries(Object.entries(fields).map(([name, field]) => [name, field.initial]));
  const form = useForm<Record<string, string | number>>({ defaultValues: initial });
  const { errors, isSubmitting } = form.formState;

  const onSubmit = form.handleSubmit(async (values) => {
    setFailure(null);
    // The form's own values are what its fields began with, changed by fields of the same kind.
    const result = await send(action, input(values as FormValues<Fields>, id));
    if (!result.ok) {
      const known = shown.map(([name]) => name).filter((name) => result.fields[name]);
      for (const name of known)
        form.setError(name, { message: result.fields[name] }, { shouldFocus: name === known[0] });
      if (known.length === 0) setFailure(result.message);
      onRefused?.(result.fields);
      return;
    }
    form.reset(initial);
    onDone(id, result.data);
    setId(newId());
  });

  return (
    <Box component="form" onSubmit={onSubmit} noValidate sx={{ display: "grid", gap: 2, maxWidth: 460 }}>
      {shown.map(([name, { label, options, lines, help, secret, autoComplete }]) => (
        <Controller
          key={name}
          name={name}
          control={form.control}
          render={({ field: { ref, ...field } }) => {
            const shared = {
              ...{ label, fullWidth: true, size: "small" as const },
              ...{ error: errors[name] !== undefined, helperText: errors[name]?.message ?? help },
            };
            return options ? (
              <SelectField {...field} {...shared}>
                {options.map(([value, text]) => (
                  <Option key={value} value={value}>
                    {text}
                  </Option>
                ))}
              </SelectField>
            ) : (
              <TextField
                {...field}
                {...shared}
                inputRef={ref}
                type={secret ? "password" : undefined}
                autoComplete={autoComplete}
                multiline={lines !== undefined}
                minRows={lines}
              />
            );
          }}
        />
      ))}
      {failure && <Alert severity="error">{failure}</Alert>}
      <Button type="submit" variant="contained" disabled={isSubmitting} sx={{ justifySelf: "start" }}>
        {isSubmitting ? "Saving" : submit}
      </Button>
    </Box>
  );
}
