"use client";

import Typography from "@mui/material/Typography";
import { useState } from "react";
import { stickTravelOf, throttlePoints, type Settings } from "@/core";
import type { Aircraft, Pilot } from "@/contract";
import { useAir } from "@/ui/air/use-air";
import { Box } from "@/ui/layout/box";
import { symptomNames, symptoms, symptomWords, type Symptom, type SymptomFacts } from "@/words";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";

/** What feels wrong, what it points to, and what this aircraft and its settings say about it. */
export function SymptomFinder({ aircraft, settings, pilot }: { aircraft: Aircraft; settings: Settings; pilot: Pilot }) {
  const air = useAir();
  const [symptom, setSymptom] = useState<Symptom | "">("");
  const { airframe, lastTilt } = aircraft;
  const facts = (): SymptomFacts => {
    const { hover } = throttlePoints(
      settings.throttle,
      airframe,
      { tiltDeg: settings.tiltDeg, cruiseMps: pilot.cruiseMps },
      air,
      stickTravelOf(pilot),
    );
    const { emptyShare, loadShare } = airframe.sag ?? { emptyShare: 0, loadShare: 0 };
    return {
      tiltDeg: settings.tiltDeg,
      measuredTiltDeg: lastTilt?.tiltDeg ?? null,
      hoverStick: hover.stick,
      climbPerMm: hover.climbPerMm,
      mid: settings.throttle.mid,
      expo: settings.throttle.expo,
      // Thrust goes with the square of the voltage, which sags under load as well.
      emptyThrustShare: ((1 - emptyShare - loadShare) / (1 - loadShare)) ** 2,
    };
  };
  return (
    <Box component="section" aria-label="Feels wrong?">
      <SelectField
        fullWidth
        size="small"
        label="Feels wrong?"
        value={symptom}
        onChange={(event) => setSymptom(symptoms.find((one) => one === event.target.value) ?? "")}
      >
        <Option value="">nothing</Option>
        {symptoms.map((one) => (
          <Option key={one} value={one}>
            {symptomNames[one]}
          </Option>
        ))}
      </SelectField>
      {symptom && (
        <Typography role="status" sx={{ mt: 1, fontSize: "0.9rem" }}>
          {symptomWords(symptom, facts())}
        </Typography>
      )}
    </Box>
  );
}
