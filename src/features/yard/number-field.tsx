"use client";

import type { SxProps } from "@mui/material/styles";
import { useState } from "react";
import { typedNumber } from "@/contract";
import { TextField } from "@/ui/forms/text-field";
import { usePreferences } from "@/ui/theme/preferences";
import { numberFont } from "@/ui/theme/tokens";
import { entryIn, type Quantity } from "@/words";

interface NumberFieldProps {
  readonly label: string;
  /** In SI or degrees; null shows an empty field. */
  readonly value: number | null;
  readonly quantity: Quantity;
  readonly range: readonly [number, number];
  /** Null for an emptied field, where `mayBeEmpty`. */
  readonly onChange: (value: number | null) => void;
  readonly mayBeEmpty?: boolean;
  readonly disabled?: boolean;
  readonly sx?: SxProps;
}

/** A figure that is typed, in the unit chosen. What is no number in range is said so and not taken. */
export function NumberField(props: NumberFieldProps) {
  const { label, value, quantity, range, onChange, mayBeEmpty = false, disabled = false, sx } = props;
  const { units } = usePreferences();
  const { symbol, read, text, range: inUnit } = entryIn(quantity, units);
  const [typed, setTyped] = useState<string | null>(null);
  const [least, most] = inUnit(range);
  const judge = (words: string): number | null | undefined => {
    if (words.trim() === "") return mayBeEmpty ? null : undefined;
    const number = typedNumber(words);
    return Number.isFinite(number) && number >= least && number <= most ? read(number) : undefined;
  };
  const bad = typed !== null && judge(typed) === undefined;
  return (
    <TextField
      size="small"
      label={`${label}, ${symbol}`}
      value={typed ?? (value === null ? "" : text(value))}
      disabled={disabled}
      error={bad}
      helperText={bad ? `${least} to ${most}` : undefined}
      onChange={(event) => {
        setTyped(event.target.value);
        const read = judge(event.target.value);
        if (read !== undefined) onChange(read);
      }}
      onBlur={() => !bad && setTyped(null)}
      slotProps={{ htmlInput: { inputMode: "decimal", style: { fontFamily: numberFont } } }}
      sx={sx}
    />
  );
}
