"use client";

import { typedNumber } from "@/contract";
import { useState } from "react";
import { TextField } from "@/ui/forms/text-field";

/** A number that is taken once it is one; what is typed meanwhile stays. */
export function NumberField({
  label,
  value,
  onChange,
  width = 96,
}: {
  label: string;
  value: number;
  onChange: (value: number) => void;
  width?: number;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const text = typed ?? String(value);
  const read = typedNumber(text);
  const bad = text.trim() === "" || !Number.isFinite(read);
  return (
    <TextField
      size="small"
      label={label}
      value={text}
      error={bad}
      helperText={bad ? "a number" : undefined}
      onChange={(event) => {
        setTyped(event.target.value);
        const next = typedNumber(event.target.value);
        if (event.target.value.trim() !== "" && Number.isFinite(next)) onChange(next);
      }}
      onBlur={() => !bad && setTyped(null)}
      slotProps={{ htmlInput: { inputMode: "decimal", maxLength: 10 } }}
      sx={{ width }}
    />
  );
}

/** Text that is taken when the field is left, so that one edit is one step of undo. */
export function TextLine({
  label,
  value,
  longest,
  lines = 1,
  onChange,
}: {
  label: string;
  value: string;
  longest: number;
  lines?: number;
  onChange: (value: string) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <TextField
      fullWidth
      size="small"
      label={label}
      value={typed ?? value}
      multiline={lines > 1}
      minRows={lines > 1 ? lines : undefined}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={() => {
        if (typed !== null && typed !== value) onChange(typed);
        setTyped(null);
      }}
      slotProps={{ htmlInput: { maxLength: longest } }}
    />
  );
}

/** A list of lines, one a row. */
export function TextList({
  label,
  values,
  onChange,
}: {
  label: string;
  values: readonly string[];
  onChange: (values: readonly string[]) => void;
}) {
  return (
    <TextLine
      label={`${label} (a line each)`}
      value={values.join("\n")}
      longest={4000}
      lines={3}
      onChange={(text) =>
        onChange(
          text
            .split("\n")
            .map((line) => line.trim())
            .filter(Boolean),
        )
      }
    />
  );
}
