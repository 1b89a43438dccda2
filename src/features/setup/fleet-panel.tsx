"use client";

import Typography from "@mui/material/Typography";
import { useState } from "react";
import { compareAircraft, type Settings } from "@/core";
import type { Aircraft, Pilot } from "@/contract";
import { Link } from "@/ui/actions/link";
import { useAir } from "@/ui/air/use-air";
import { useSend } from "@/ui/actions/use-send";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { Box } from "@/ui/layout/box";
import { usePreferences } from "@/ui/theme/preferences";
import { fleetWords } from "./fleet-words";
import type { FleetMember } from "./load";

/** Turning rate at which mixes are compared, °/s. */
const TURN_DPS = 90;

/** Every aircraft of the pilot against the one their hands know, in words. */
export function FleetPanel({
  pilot,
  aircraft,
  settings,
  elsewhere,
  mayChange,
}: {
  pilot: Pilot;
  aircraft: Aircraft;
  /** As they stand on this screen, saved or not. */
  settings: Settings;
  elsewhere: readonly FleetMember[];
  mayChange: boolean;
}) {
  const air = useAir();
  const { units } = usePreferences();
  const fleet = [
    { aircraft, settings, setupNumber: null },
    ...elsewhere.map(({ aircraft: other, setup }) => ({
      aircraft: other,
      settings: setup.settings,
      setupNumber: setup.number,
    })),
  ];
  const { sendAction } = useSend();
  const [referenceId, setReferenceId] = useState(pilot.referenceAircraftId ?? aircraft.id);
  const reference = fleet.find((one) => one.aircraft.id === referenceId) ?? fleet[0];
  const choose = (id: string) => {
    setReferenceId(id);
    // A pilot may look from any side; only the coach's choice is kept.
    if (mayChange) void sendAction("choose-reference", { id });
  };
  if (elsewhere.length === 0) {
    return (
      <Typography color="text.secondary">
        Only one aircraft with a setup here. With a second one, this is where you see what it changes for the hands.
      </Typography>
    );
  }
  return (
    <section aria-labelledby="fleet">
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, alignItems: "center", mb: 2 }}>
        <Typography variant="h2" id="fleet">
          Fleet
        </Typography>
        <SelectField
          size="small"
          label="Reference aircraft"
          value={reference.aircraft.id}
          onChange={(event) => choose(event.target.value)}
          sx={{ minWidth: 220 }}
        >
          {fleet.map((one) => (
            <Option key={one.aircraft.id} value={one.aircraft.id}>
              {one.aircraft.name}
            </Option>
          ))}
        </SelectField>
      </Box>
      {fleet
        .filter((one) => one !== reference)
        .map((one) => {
          const difference = compareAircraft(
            { airframe: reference.aircraft.airframe, settings: reference.settings },
            { airframe: one.aircraft.airframe, settings: one.settings },
            air,
            TURN_DPS,
          );
          const { headline, lines } = fleetWords(difference, units);
          return (
            <Box key={one.aircraft.id} sx={(theme) => ({ borderTop: `1.5px solid ${theme.tokens.rule}`, py: 1.5 })}>
              <Box
                component={Link}
                href={`/setup?pilot=${one.aircraft.pilotId}&aircraft=${one.aircraft.id}`}
                sx={{ fontWeight: 700 }}
              >
                {one.aircraft.name}
                {one.setupNumber !== null && ` · setup ${one.setupNumber}`}
              </Box>
              <Typography sx={{ fontSize: "1.1rem", fontWeight: 600 }}>{headline}</Typography>
              <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
                {lines.map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </Box>
            </Box>
          );
        })}
      <Typography sx={{ fontSize: "0.85rem", color: "text.secondary", mt: 1 }}>
        Compared at level cruise in sea-level air and in a level turn of {TURN_DPS} °/s. After a crash check the tilt
        first: two degrees are felt and rarely seen.
      </Typography>
    </section>
  );
}
