"use client";

import { typedNumber } from "@/contract";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { coarseDay, dayAirRanges, standardTemperatureC, type DayAir } from "@/core";
import type { Day } from "@/syllabus";
import { usePreferences } from "@/ui/theme/preferences";
import { entryIn, quantityText, type Entry, type UnitSystem } from "@/words";
import { TextField } from "../forms/text-field";
import { Box } from "../layout/box";
import { Popover } from "../layout/opened";

/** The air of a day in words: where from, how high, how warm, how windy. */
export function airInWords({ air, from }: Day, units: UnitSystem): string {
  const { elevationM, temperatureC, windMps } = air;
  const unknown = from.kind === "session" && from.elevationUnknown;
  const where =
    from.kind === "standard"
      ? "sea level"
      : unknown
        ? `${from.siteName ?? "no site"}, elevation not set: as at sea level`
        : `${from.siteName ? `${from.siteName}, ` : ""}${quantityText(elevationM, "length", units, 0)}`;
  const warm = temperatureC ?? standardTemperatureC(elevationM);
  return [
    where,
    `${quantityText(warm, "temperature", units)}${temperatureC === null ? " (standard)" : ""}`,
    windMps === 0 ? "calm" : `wind ${quantityText(windMps, "speed", units)}`,
  ].join(", ");
}

const fields = [
  { name: "elevationM", label: "Elevation", quantity: "length", empty: false },
  { name: "temperatureC", label: "Temperature", quantity: "temperature", empty: true },
  { name: "windMps", label: "Wind", quantity: "speed", empty: false },
] as const;

/** The air a trick is worked out for, and a way to change it here and now; nothing of that is kept. */
export function AirLine({ day, air, onChange }: { day: Day; air: DayAir; onChange: (air: DayAir) => void }) {
  const { units } = usePreferences();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const changed = JSON.stringify(air) !== JSON.stringify(day.air);
  const from: Day["from"] = changed ? { kind: "session", siteName: null } : day.from;
  const coarse = coarseDay(air);
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "baseline", columnGap: 1, fontSize: "0.9rem" }}>
      <span>
        <b>Air.</b> {airInWords({ air, from }, units)}.
        {day.from.kind === "standard" &&
          !changed &&
          " Set a site's elevation under Yard and the day's air under Session."}
      </span>
      <Button size="small" onClick={(event) => setAnchor(event.currentTarget)}>
        Change the air
      </Button>
      {changed && (
        <Button size="small" onClick={() => onChange(day.air)}>
          As it was
        </Button>
      )}
      <Popover
        open={anchor !== null}
        anchorEl={anchor}
        onClose={() => setAnchor(null)}
        anchorOrigin={{ vertical: "bottom", horizontal: "left" }}
        slotProps={{ paper: { role: "dialog", "aria-label": "Air of the day" } }}
      >
        <Box sx={{ p: 2, display: "grid", gap: 1.5, width: 260 }}>
          {fields.map(({ name, label, quantity, empty }) => (
            <AirField
              key={name}
              label={label}
              entry={entryIn(quantity, units)}
              value={air[name]}
              range={dayAirRanges[name]}
              empty={empty}
              onSet={(value) => onChange({ ...air, [name]: value })}
            />
          ))}
          <Typography sx={{ fontSize: "0.82rem", color: "text.secondary" }}>
            Worked out for {quantityText(coarse.elevationM, "length", units, 0)},{" "}
            {coarse.temperatureC === null
              ? "standard temperature"
              : quantityText(coarse.temperatureC, "temperature", units)}{" "}
            and {quantityText(coarse.windMps, "speed", units, 0)}: made coarse to the side of thinner air and more wind.
          </Typography>
        </Box>
      </Popover>
    </Box>
  );
}

function AirField(props: {
  label: string;
  entry: Entry;
  value: number | null;
  range: readonly [number, number];
  /** May be left empty: then it is standard. */
  empty: boolean;
  onSet: (value: number | null) => void;
}) {
  const { label, entry, value, range, empty, onSet } = props;
  const [text, setText] = useState<string | null>(null);
  const [min, max] = entry.range(range);
  const good = (typed: string) =>
    typed.trim() === "" ? empty : typedNumber(typed) >= min && typedNumber(typed) <= max;
  const read = (typed: string) => entry.read(typedNumber(typed));
  const bad = text !== null && !good(text);
  return (
    <TextField
      size="small"
      label={`${label}, ${entry.symbol}`}
      value={text ?? (value === null ? "" : entry.text(value))}
      error={bad}
      helperText={bad ? `${min} to ${max}` : undefined}
      onChange={({ target }) => {
        setText(target.value);
        if (good(target.value)) onSet(target.value.trim() === "" ? null : read(target.value));
      }}
      onBlur={() => !bad && setText(null)}
      slotProps={{ htmlInput: { inputMode: "decimal", maxLength: 8 } }}
    />
  );
}
