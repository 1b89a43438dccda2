"use client";

import { typedNumber } from "@/contract";
import { usePreferences } from "@/ui/theme/preferences";
import { entryIn, type Quantity, type UnitSystem } from "@/words";
import { errorRanges, LEAST_MEASURED, usualErrors, type OwnErrors, type PilotErrors } from "@/core";
import { Option } from "../forms/options";
import { SelectField } from "../forms/select-field";
import { TextField } from "../forms/text-field";
import { Box } from "../layout/box";

const fields: readonly {
  readonly name: keyof PilotErrors;
  readonly label: string;
  readonly times: number;
  readonly quantity?: Quantity;
}[] = [
  { name: "lateS", label: "Late, ms", times: 1000 },
  { name: "timingS", label: "Timing, ms", times: 1000 },
  { name: "gain", label: "Stick travel, %", times: 100 },
  { name: "centring", label: "Stick off-centre, %", times: 100 },
  { name: "windMps", label: "Wind", times: 1, quantity: "speed" },
  { name: "stickNoise", label: "Stick jitter, %", times: 100 },
];

/** What the hands are taken to be: those of a stage, those of this pilot as measured, those a recording shows, or typed. */
export type ErrorSource = "stage" | "own" | "tape" | "typed";

/** The errors of each source; own ones are null until they are worked out. */
export function errorsOf(
  source: ErrorSource,
  stage: number,
  own: PilotErrors | null,
  typed: Readonly<Partial<Record<keyof PilotErrors, string>>>,
  units: UnitSystem,
  tape: PilotErrors | null = null,
): { readonly errors: PilotErrors | null; readonly wrong: ReadonlySet<keyof PilotErrors> } {
  const usual = usualErrors(stage);
  if (source === "stage") return { errors: usual, wrong: new Set() };
  if (source === "own") return { errors: own, wrong: new Set() };
  if (source === "tape") return { errors: tape, wrong: new Set() };
  const wrong = new Set<keyof PilotErrors>();
  const errors = { ...usual };
  for (const { name, times, quantity } of fields) {
    const text = typed[name];
    if (text === undefined) continue;
    const shown = typedNumber(text);
    const value = quantity ? entryIn(quantity, units).read(shown) : shown / times;
    const [min, max] = errorRanges[name];
    if (!Number.isFinite(value) || value < min || value > max) wrong.add(name);
    else errors[name] = value;
  }
  return { errors: wrong.size > 0 ? null : errors, wrong };
}

const tenths = (value: number) => String(Math.round(value * 10) / 10);

/** Chooses whose errors are flown with, and shows them; typing into one makes them one's own choice. */
export function ErrorFields({
  source,
  stage,
  own,
  intervals,
  measured,
  enough,
  typed,
  tape = null,
  onSource,
  onType,
}: {
  source: ErrorSource;
  stage: number;
  own: PilotErrors | null;
  /** Where the pilot's own lie in nine cases of ten. */
  intervals: OwnErrors | null;
  /** How many attempts of this pilot were measured, and whether that is enough. */
  measured: number;
  enough: boolean;
  typed: Readonly<Partial<Record<keyof PilotErrors, string>>>;
  /** Hands as a recording shows them, with its name. */
  tape?: { readonly name: string; readonly errors: PilotErrors } | null;
  onSource: (source: ErrorSource) => void;
  onType: (name: keyof PilotErrors, text: string) => void;
}) {
  const { units } = usePreferences();
  const { errors, wrong } = errorsOf(source, stage, own, typed, units, tape?.errors);
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
      <SelectField
        size="small"
        label="Pilot skill"
        value={source}
        onChange={(event) => onSource(event.target.value as ErrorSource)}
        sx={{ minWidth: 210 }}
      >
        <Option value="stage">typical for stage {stage}</Option>
        <Option value="own" disabled={!enough}>
          {enough
            ? `own, from ${measured} measured attempts`
            : `own: ${measured} of ${LEAST_MEASURED} attempts measured`}
        </Option>
        {tape && <Option value="tape">of the recording {tape.name}</Option>}
        <Option value="typed">as typed</Option>
      </SelectField>
      {fields.map(({ name, label, times, quantity }) => {
        const entry = quantity && entryIn(quantity, units);
        const inUnit = (value: number) => (entry ? entry.shown(value) : value * times);
        const [min, max] = entry ? entry.range(errorRanges[name]) : errorRanges[name].map((end) => end * times);
        const shown = source === "typed" ? typed[name] : undefined;
        return (
          <TextField
            key={name}
            size="small"
            label={entry ? `${label}, ${entry.symbol}` : label}
            value={shown ?? (errors ? tenths(inUnit(errors[name])) : "")}
            error={wrong.has(name)}
            helperText={
              wrong.has(name)
                ? `${min} to ${max}`
                : source === "own" && intervals && name !== "windMps"
                  ? `${tenths(times * intervals.low[name])} to ${tenths(times * intervals.high[name])}`
                  : undefined
            }
            onChange={(event) => onType(name, event.target.value)}
            slotProps={{ htmlInput: { inputMode: "decimal", maxLength: 6 }, inputLabel: { shrink: true } }}
            sx={{ width: 122 }}
          />
        );
      })}
    </Box>
  );
}
