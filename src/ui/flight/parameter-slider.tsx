"use client";

import { memo } from "react";
import { NumberSlider } from "../forms/number-slider";

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
  const step = niceStep(max - min);
  const quantity = unit === "m" ? "length" : unit === "m/s" ? "speed" : undefined;
  return (
    <NumberSlider
      label={`${worked ? "◆ " : ""}${label}${unit === "" || quantity ? "" : `, ${unit}`}`}
      quantity={quantity}
      value={Math.max(min, Math.min(max, value))}
      range={[min, max]}
      step={step}
      digits={step < 0.1 ? 2 : step < 1 ? 1 : 0}
      unit={unit}
      onChange={(next) => onSet(name, next)}
    />
  );
});

/** A step of about a two-hundredth of the range, round in its last digit. */
function niceStep(range: number): number {
  return [0.01, 0.02, 0.05, 0.1, 0.5, 1, 5].find((step) => range / step <= 250) ?? 10;
}
