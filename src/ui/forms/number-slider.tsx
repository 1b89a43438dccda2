"use client";

import { rounded } from "@/core";
import { typedNumber } from "@/contract";
import Slider from "@mui/material/Slider";
import { usePreferences } from "@/ui/theme/preferences";
import { numberFont } from "@/ui/theme/tokens";
import { entryIn, type Quantity } from "@/words";
import { Box } from "../layout/box";
import { useMarkBad } from "./bad-fields";
import { TextField } from "./text-field";
import { useDragged } from "./use-dragged";
import { useId, useState } from "react";

interface NumberSliderProps {
  readonly label: string;
  readonly value: number;
  readonly range: readonly [number, number];
  readonly step: number;
  readonly digits: number;
  readonly unit?: string;
  /** What it is: then value, range and step are in SI or degrees, and shown and typed in the unit chosen, which the label names. */
  readonly quantity?: Quantity;
  readonly onChange: (value: number) => void;
}

/** A number that can be dragged or typed. Text that is no number in range is said so and not taken. */
export function NumberSlider({ quantity, ...props }: NumberSliderProps) {
  const { units } = usePreferences();
  if (!quantity) return <PlainSlider {...props} />;
  const { symbol, shown, read, range } = entryIn(quantity, units);
  const { label, value, step, digits, onChange } = props;
  const ownStep = shown(step) - shown(0) === step ? step : roundStep(0.7 * (shown(step) - shown(0)));
  return (
    <PlainSlider
      label={`${label}, ${symbol}`}
      value={shown(value)}
      range={range(props.range)}
      step={ownStep}
      digits={ownStep === step ? digits : digitsOf(ownStep)}
      unit={symbol}
      onChange={(next) => onChange(clamped(read(next), props.range))}
    />
  );
}

const clamped = (value: number, [min, max]: readonly [number, number]) => Math.max(min, Math.min(max, value));

/** The next step up that is round in its last digit. */
export const roundStep = (least: number): number =>
  [0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 50].find((one) => one >= least) ?? 100;

/** Places that a step is read with. */
export const digitsOf = (step: number): number => (step < 0.1 ? 2 : step < 1 ? 1 : 0);

function PlainSlider({
  label,
  value,
  range: [min, max],
  step,
  digits,
  unit = "",
  onChange,
}: Omit<NumberSliderProps, "quantity">) {
  const [text, setText] = useState<string | null>(null);
  const { shown, drag, settle } = useDragged(value, onChange);
  const id = useId();
  const typed = text === null ? value : typedNumber(text);
  const bad = text !== null && (text.trim() === "" || !Number.isFinite(typed) || typed < min || typed > max);
  useMarkBad(id, bad);
  return (
    <Box>
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 84px", gap: 1, alignItems: "center" }}>
        <Box sx={{ minWidth: 0 }}>
          <Box id={id} sx={{ fontSize: "0.82rem", color: "text.secondary" }}>
            {label}
          </Box>
          <Slider
            size="small"
            value={shown}
            min={min}
            max={max}
            step={step}
            onChange={(_, next) => {
              setText(null);
              drag(rounded(next as number, digits));
            }}
            onChangeCommitted={(_, next) => settle(rounded(next as number, digits))}
            aria-labelledby={id}
            sx={{ py: 1, display: "block" }}
          />
        </Box>
        <TextField
          size="small"
          value={text ?? shown.toFixed(digits)}
          error={bad}
          onChange={(event) => {
            setText(event.target.value);
            const next = typedNumber(event.target.value);
            if (event.target.value.trim() !== "" && Number.isFinite(next) && next >= min && next <= max) onChange(next);
          }}
          onBlur={() => !bad && setText(null)}
          sx={{ "& input": { fontFamily: numberFont, fontStretch: "75%", fontWeight: 600 } }}
          slotProps={{
            htmlInput: {
              "aria-label": `${label}, typed`,
              inputMode: "decimal",
              maxLength: 12,
              style: { padding: "6px 8px", textAlign: "right" },
            },
          }}
        />
      </Box>
      {bad && (
        <Box role="alert" sx={{ color: "error.main", fontSize: "0.8rem" }}>
          {label}: {min} to {max}
          {unit && ` ${unit}`}
        </Box>
      )}
    </Box>
  );
}
