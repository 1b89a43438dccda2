"use client";

import Typography from "@mui/material/Typography";
import { useState } from "react";
import { typedNumber } from "@/contract";
import { planeErrorM, type EarthPlace, type SitePlan } from "@/core";
import { TextField } from "@/ui/forms/text-field";
import { Box } from "@/ui/layout/box";
import { Fold } from "@/ui/layout/fold";
import { usePreferences } from "@/ui/theme/preferences";
import { numeral, quantityText } from "@/words";
import { NumberField } from "./number-field";

const FAR_M = 500;
const text = (value: number | undefined) => (value === undefined ? "" : numeral(value, 6).replace("−", "-"));

/** Where the plan's origin lies, which way is north, and how high a hall is. */
export function PlacePanel(props: {
  plan: SitePlan;
  mayChange: boolean;
  onChange: (change: Partial<SitePlan>, gesture: string) => void;
}) {
  const { plan, mayChange, onChange } = props;
  const { units } = usePreferences();
  const { place } = plan;
  const [typed, setTyped] = useState<{ lat: string; lon: string } | null>(null);
  const { lat, lon } = typed ?? { lat: text(place?.latitudeDeg), lon: text(place?.longitudeDeg) };
  const read = (next: { lat: string; lon: string }): EarthPlace | null | undefined => {
    if (next.lat.trim() === "" && next.lon.trim() === "") return null;
    const [latitudeDeg, longitudeDeg] = [typedNumber(next.lat), typedNumber(next.lon)];
    return Math.abs(latitudeDeg) <= 85 && Math.abs(longitudeDeg) <= 180 ? { latitudeDeg, longitudeDeg } : undefined;
  };
  const bad = typed !== null && read(typed) === undefined;
  const change = (next: { lat: string; lon: string }) => {
    setTyped(next);
    const found = read(next);
    if (found !== undefined) onChange({ place: found }, "place");
  };
  return (
    <Fold title="Where it lies" beside={place ? "known" : "not set"} level={2}>
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1, pt: 1 }}>
        <TextField
          size="small"
          label="Latitude, °"
          value={lat}
          disabled={!mayChange}
          error={bad}
          helperText={bad ? "−85 to 85, south negative" : undefined}
          onChange={(event) => change({ lat: event.target.value, lon })}
        />
        <TextField
          size="small"
          label="Longitude, °"
          value={lon}
          disabled={!mayChange}
          error={bad}
          helperText={bad ? "−180 to 180, west negative" : undefined}
          onChange={(event) => change({ lat, lon: event.target.value })}
        />
        <NumberField
          label="Up on the plan is"
          value={plan.northDeg}
          quantity="angle"
          range={[-360, 360]}
          disabled={!mayChange}
          onChange={(northDeg) => northDeg !== null && onChange({ northDeg }, "north")}
        />
        <NumberField
          label="Ceiling indoors"
          value={plan.indoorHeightM}
          quantity="length"
          range={[2, 200]}
          mayBeEmpty
          disabled={!mayChange}
          onChange={(indoorHeightM) => onChange({ indoorHeightM }, "indoor")}
        />
      </Box>
      <Typography sx={{ fontSize: "0.85rem", color: "text.secondary", mt: 1 }}>
        Where the middle of an empty plan lies.
        {place &&
          ` The plan is flat: ${quantityText(FAR_M, "length", units, 0)} out, a place stands at most ${quantityText(planeErrorM(place, FAR_M), "length", units, 2)} wrong.`}
      </Typography>
    </Fold>
  );
}
