"use client";

import { memo } from "react";
import { digitsOf, NumberSlider, roundStep } from "../forms/number-slider";

/** A figure of a trick as a slider; one that is worked out says so. */
export const ParameterSlider = memo(function ParameterSlider(props: {
  name: string;
  label: string;
  unit: string;
  value: number;
  min: number;
  max: number;
  /** Worked out, not set by hand. */
  worked: boolean;
  onSet: (name: string, value: number) => void;
}) {
  const { name, label, unit, value, min, max, worked, onSet } = props;
  // Some two hundred steps in the range.
  const step = roundStep((max - min) / 250);
  const quantity = unit === "m" ? "length" : unit === "m/s" ? "speed" : undefined;
  return (
    <NumberSlider
      label={`${worked ? "◆ " : ""}${label}${unit === "" || quantity ? "" : `, ${unit}`}`}
      quantity={quantity}
      value={Math.max(min, Math.min(max, value))}
      range={[min, max]}
      step={step}
      digits={digitsOf(step)}
      unit={unit}
      onChange={(next) => onSet(name, next)}
    />
  );
});
