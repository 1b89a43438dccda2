"use client";

import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import type { SxProps } from "@mui/material/styles";

/** One of a few, all of them in sight. */
export function PickOne<T extends string | number>({
  label,
  value,
  options,
  onPick,
  disabled = false,
  buttonSx = { px: 1.5 },
}: {
  /** What is chosen, for those who do not see it. */
  label: string;
  value: T;
  options: readonly (readonly [value: T, name: string])[];
  onPick: (value: T) => void;
  disabled?: boolean;
  buttonSx?: SxProps;
}) {
  return (
    <ToggleButtonGroup
      exclusive
      size="small"
      value={value}
      aria-label={label}
      disabled={disabled}
      // What is chosen stays chosen when it is pressed again.
      onChange={(_, next: T | null) => next !== null && onPick(next)}
      sx={{ flexWrap: "wrap", flexShrink: options.length <= 3 ? 0 : 1 }}
    >
      {options.map(([one, name]) => (
        <ToggleButton key={one} value={one} sx={buttonSx}>
          {name}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
}
