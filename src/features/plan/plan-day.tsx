"use client";

import { places } from "@/core";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { TextField } from "@/ui/forms/text-field";
import { Box } from "@/ui/layout/box";
import { LightLeft } from "@/ui/light/light-left";
import { usePreferences } from "@/ui/theme/preferences";
import { entryIn } from "@/words";
import { placeNames } from "./place-names";
import type { Plan } from "./use-plan";
import { frameFields } from "./use-plan-frame";

/** Where it is flown, and what the day and the people give. */
export function PlanDay({ plan: { place, setPlace, sites, site, setSiteId, day } }: { plan: Plan }) {
  const { units } = usePreferences();
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, rowGap: 1.5, mb: 2 }}>
      <SelectField
        size="small"
        label="Where"
        value={place}
        onChange={(event) => setPlace(places.find((one) => one === event.target.value) ?? "field")}
        sx={{ minWidth: 190 }}
      >
        {places.map((one) => (
          <Option key={one} value={one}>
            {placeNames[one]}
          </Option>
        ))}
      </SelectField>
      {sites.length > 0 && (
        <SelectField
          size="small"
          label="Site"
          value={site?.id ?? ""}
          onChange={(event) => setSiteId(event.target.value)}

          sx={{ minWidth: 170 }}
        >
          <Option value="">no site</Option>
          {sites.map((one) => (
            <Option key={one.id} value={one.id}>
              {one.name}
            </Option>
          ))}
        </SelectField>
      )}
      {frameFields.map(({ name, label, ...field }) => (
        <TextField
          key={name}
          size="small"
          label={"quantity" in field ? `${label}, ${entryIn(field.quantity, units).symbol}` : label}
          value={day.typed[name]}
          error={Boolean(day.errors[name])}
          helperText={day.errors[name]}
          onChange={(event) => day.set(name, event.target.value)}
          slotProps={{ htmlInput: { inputMode: "decimal", maxLength: 6 }, inputLabel: { shrink: true } }}
          sx={{ width: 148 }}
        />
      ))}
      {place === "field" && site?.place && (
        <Box sx={{ alignSelf: "center" }}>
          <LightLeft place={site.place} flying={false} />
        </Box>
      )}
    </Box>
  );
}
