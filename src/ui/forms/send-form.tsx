"use client";

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { Controller, useForm } from "react-hook-form";
import { v7 as newId } from "uuid";
import { send } from "../actions/send";

export interface FormField {
  readonly name: string;
  readonly label: string;
  readonly initial: string | number;
  readonly options?: readonly (readonly [value: string | number, text: string])[];
  readonly lines?: number;
  readonly help?: string;
  /** Sent as it is, without being shown. */
  readonly hidden?: boolean;
  /** Not shown as it is typed. */
  readonly secret?: boolean;
  /** What the browser may fill in (HTML autocomplete). */
  readonly autoComplete?: string;
}

interface SendFormProps<Output> {
  readonly action: string;
  readonly fields: readonly FormField[];
  /** Sent beside the fields. */
  readonly more?: object;
  readonly submit: string;
  /** Sends an id for the thing it makes; false for a form that only does something. */
  readonly makesSomething?: boolean;
  readonly onDone: (id: string, output: Output) => void;
}

/** A short form that sends one action. Messages stand at their fields; what was typed stays until it is saved. */
export function SendForm<Output = unknown>({
  action,
  fields,
  more,
  submit,
  makesSomething = true,
  onDone,
}: SendFormProps<Output>) {
  // One id for the thing this form makes, kept over failed sends so that a repeated one changes nothing.
  const shown = fields.filter(({ hidden }) => !hidden);
  const [id, setId] = useState(() => newId());
  const [failure, setFailure] = useState<string | null>(null);
  const initial = Object.fromEntries(fields.map((field) => [field.name, field.initial]));
  const form = useForm<Record<string, string | number>>({ defaultValues: initial });
  const { errors, isSubmitting } = form.formState;

  const onSubmit = form.handleSubmit(async (values) => {
    setFailure(null);
    const result = await send<Output>(action, { ...(makesSomething && { id }), ...more, ...values });
    if (!result.ok) {
      const known = shown.filter((field) => result.fields[field.name]);
      for (const { name } of known)
        form.setError(name, { message: result.fields[name] }, { shouldFocus: name === known[0].name });
      if (known.length === 0) setFailure(result.message);
      return;
    }
    form.reset(initial);
    onDone(id, result.data);
    setId(newId());
  });

  return (
    <Box component="form" onSubmit={onSubmit} noValidate sx={{ display: "grid", gap: 2, maxWidth: 460 }}>
      {shown.map(({ name, label, options, lines, help, secret, autoComplete }) => (
        <Controller
          key={name}
          name={name}
          control={form.control}
          render={({ field }) => (
            <TextField
              {...field}
              label={label}
              select={options !== undefined}
              type={secret ? "password" : undefined}
              autoComplete={autoComplete}
              multiline={lines !== undefined}
              minRows={lines}
              error={errors[name] !== undefined}
              helperText={errors[name]?.message ?? help}
              fullWidth
              size="small"
            >
              {options?.map(([value, text]) => (
                <MenuItem key={value} value={value}>
                  {text}
                </MenuItem>
              ))}
            </TextField>
          )}
        />
      ))}
      {failure && <Alert severity="error">{failure}</Alert>}
      <Button type="submit" variant="contained" disabled={isSubmitting} sx={{ justifySelf: "start" }}>
        {isSubmitting ? "Saving" : submit}
      </Button>
    </Box>
  );
}
