"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { memo } from "react";
import type { TrickRequest } from "@/core";
import type { Setup } from "@/contract";
import { directionWords } from "@/syllabus";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { Box } from "@/ui/layout/box";
import type { Way } from "./ways";

/** What is flown beside it: another setup of this aircraft, another school, the other direction, or what was kept to be held against. */
export interface Other {
  readonly kind: "setup" | "variant" | "direction" | "kept";
  readonly id: string;
}

/** What it is called in a sentence. */
export function nameOfOther({ kind, id }: Other, ways: readonly Way[], setups: readonly Setup[]): string {
  switch (kind) {
    case "setup":
      return `setup ${setups.find((one) => one.id === id)?.number ?? ""}`;
    case "variant":
      return ways.find((one) => one.id === id)?.name ?? "the other way";
    case "direction":
      return directionWords[id];
    case "kept":
      return "pinned run";
  }
}

/** What was chosen; null for nothing. */
export function otherOf(key: string): Other | null {
  const [kind, id] = key.split(":");
  return kind === "setup" || kind === "variant" || kind === "direction" || kind === "kept" ? { kind, id } : null;
}

/** What is to be flown beside `request`; null where that is gone by now. */
export function askedBeside(
  { kind, id }: Other,
  request: TrickRequest,
  {
    ways,
    variant,
    direction,
    setups,
    kept,
  }: {
    ways: readonly Way[];
    variant: Way;
    direction: string;
    setups: readonly Setup[];
    kept: TrickRequest | null;
  },
): TrickRequest | null {
  const worked = { ...request, values: null };
  switch (kind) {
    case "setup": {
      const setup = setups.find((one) => one.id === id);
      return setup ? { ...worked, settings: setup.settings } : null;
    }
    case "variant": {
      const recipe = ways.find((one) => one.id === id)?.recipes[direction];
      return recipe ? { ...worked, recipe } : null;
    }
    case "direction": {
      const recipe = variant.recipes[id];
      return recipe ? { ...worked, recipe } : null;
    }
    case "kept":
      // Round about it is as it is now.
      return kept && { ...kept, environment: request.environment, entryHeightM: request.entryHeightM };
  }
}

/** Chooses what is flown beside it. */
export const OtherControl = memo(function OtherControl(props: {
  ways: readonly Way[];
  variantId: string;
  direction: string;
  setups: readonly Setup[];
  /** Something is flown otherwise than the newest of them. */
  drafted: boolean;
  value: string;
  kept: boolean;
  onChange: (value: string) => void;
  onKeep: () => void;
}) {
  const { ways, variantId, direction, setups, drafted, value, kept, onChange, onKeep } = props;
  const variant = ways.find(({ id }) => id === variantId)!;
  const choices = [
    ...(kept ? [{ key: "kept:now", name: "pinned run" }] : []),
    ...(drafted ? setups : setups.slice(1)).map(({ id, number }) => ({ key: `setup:${id}`, name: `setup ${number}` })),
    ...ways.filter(({ id }) => id !== variantId).map(({ id, name }) => ({ key: `variant:${id}`, name })),
    ...Object.keys(variant.recipes)
      .filter((id) => id !== direction)
      .map((id) => ({ key: `direction:${id}`, name: directionWords[id] })),
  ];
  return (
    <Box sx={{ mt: 1.5 }}>
      <Typography variant="h2">Compare</Typography>
      <SelectField
        fullWidth
        size="small"
        margin="dense"
        label="Dashed line"
        value={choices.some(({ key }) => key === value) ? value : "none"}
        onChange={(event) => onChange(event.target.value)}
      >
        <Option value="none">nothing</Option>
        {choices.map(({ key, name }) => (
          <Option key={key} value={key}>
            {name}
          </Option>
        ))}
      </SelectField>
      <Button size="small" onClick={onKeep}>
        Pin this run
      </Button>
    </Box>
  );
});
