"use client";

import { rounded } from "@/core";
import { typedNumber } from "@/contract";
import Button from "@mui/material/Button";
import { useState } from "react";
import { TextField } from "@/ui/forms/text-field";
import { Box } from "@/ui/layout/box";
import { usePreferences } from "@/ui/theme/preferences";
import { numberFont } from "@/ui/theme/tokens";
import { entryIn } from "@/words";

interface FigureInputProps {
  readonly label: string;
  readonly unit: string;
  readonly value: number;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  /** The figure of the trick, or of the start, that stands here. */
  readonly boundTo?: string | null;
  readonly onChange: (value: number) => void;
  /** Puts a number of its own in the place of the figure. */
  readonly onFree?: () => void;
}

/** One number of a phase, typed, lengths and speeds in the units chosen. Where a figure of the trick stands, that figure is named and moved. */
export function FigureInput(props: FigureInputProps) {
  const { units } = usePreferences();
  const { unit, value, min, max, onChange } = props;
  const quantity = unit === "m" ? "length" : unit === "m/s" ? "speed" : null;
  if (quantity === null) return <PlainFigure {...props} />;
  const entry = entryIn(quantity, units);
  const [least, most] = entry.range([min, max]);
  return (
    <PlainFigure
      {...props}
      unit={entry.symbol}
      value={entry.shown(value)}
      min={least}
      max={most}
      onChange={(shown) => onChange(Math.max(min, Math.min(max, entry.read(shown))))}
    />
  );
}

function PlainFigure({ label, unit, value, min, max, step, boundTo, onChange, onFree }: FigureInputProps) {
  const [text, setText] = useState<string | null>(null);
  const digits = step < 0.1 ? 2 : step < 1 ? 1 : 0;
  const typed = text === null ? value : typedNumber(text);
  const bad = text !== null && (text.trim() === "" || !Number.isFinite(typed) || typed < min || typed > max);
  return (
    <Box sx={{ minWidth: 0 }}>
      <TextField
        size="small"
        fullWidth
        label={unit ? `${label}, ${unit}` : label}
        value={text ?? value.toFixed(digits)}
        error={bad}
        helperText={bad ? `${min} to ${max}` : boundTo}
        onChange={(event) => {
          setText(event.target.value);
          const next = typedNumber(event.target.value);
          if (event.target.value.trim() !== "" && Number.isFinite(next) && next >= min && next <= max) onChange(next);
        }}
        onKeyDown={(event) => {
          const by = { ArrowUp: step, ArrowDown: -step }[event.key];
          if (by === undefined) return;
          event.preventDefault();
          setText(null);
          onChange(Math.max(min, Math.min(max, rounded(value + (event.shiftKey ? 10 : 1) * by, 6))));
        }}
        onBlur={() => !bad && setText(null)}
        sx={{ "& input": { fontFamily: numberFont, fontStretch: "75%", fontWeight: 600 } }}
        slotProps={{ htmlInput: { inputMode: "decimal", maxLength: 12 }, formHelperText: { sx: { mx: 0 } } }}
      />
      {boundTo && onFree && (
        <Button
          size="small"
          aria-label={`${label}: a number of its own`}
          onClick={onFree}
          sx={{ minHeight: 24, p: 0, fontSize: "0.75rem" }}
        >
          a number of its own
        </Button>
      )}
    </Box>
  );
}
