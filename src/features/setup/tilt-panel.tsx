"use client";

import Box from "@mui/material/Box";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import Switch from "@mui/material/Switch";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { cruise, SEA_LEVEL_AIR, settingsRanges, stickForThrottleClamped, type Airframe, type Settings } from "@/core";
import { Figure } from "@/ui/units/figure";
import { NumberSlider } from "./number-slider";

const bankLimits = [30, 45, 60] as const;

/** Camera tilt with the level cruise it asks for, the lens and the learning modes. */
export function TiltPanel({
  settings,
  airframe,
  onChange,
}: {
  settings: Settings;
  airframe: Airframe;
  onChange: (change: Partial<Settings>) => void;
}) {
  const { tiltDeg, camera, modes, throttle } = settings;
  const level = levelCruise(airframe, tiltDeg);
  const why = {
    how: "Level flight with the horizon through the middle of the picture: pitch is minus the tilt; thrust, weight and drag along the body balance.",
    inputs: [
      ["tilt", `${tiltDeg}°`],
      ["drag area x, z", `${airframe.dragAreaM2.x}, ${airframe.dragAreaM2.z} m²`],
      ["mass", `${airframe.massKg} kg`],
    ] as const,
    source: "Balance of forces in the flight model; sea-level air of ISO 2533. Drag area is the preset's estimate.",
  };
  return (
    <section aria-labelledby="tilt">
      <Typography variant="h2" id="tilt" sx={{ mb: 1 }}>
        Camera and modes
      </Typography>
      <NumberSlider
        label="Tilt, °"
        value={tiltDeg}
        range={settingsRanges.tiltDeg}
        step={1}
        digits={0}
        unit="°"
        onChange={(value) => onChange({ tiltDeg: value })}
      />
      <NumberSlider
        label="Vertical view, °"
        value={camera.verticalFovDeg}
        range={settingsRanges.verticalFovDeg}
        step={1}
        digits={0}
        unit="°"
        onChange={(verticalFovDeg) => onChange({ camera: { ...camera, verticalFovDeg } })}
      />
      {level ? (
        <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", columnGap: 2 }}>
          <Figure label="Level cruise" value={level.speedMps} quantity="speed" why={why} />
          <Figure
            label="Throttle stick there"
            value={stickForThrottleClamped(throttle, level.throttle)}
            quantity="share"
            why={why}
          />
        </Box>
      ) : (
        <Typography color="error.main">▲ This aircraft cannot hold level flight at that tilt.</Typography>
      )}
      <FormControlLabel
        sx={{ mt: 1, display: "flex" }}
        control={
          <Switch
            checked={modes.idleAuthority}
            onChange={(_, idleAuthority) => onChange({ modes: { ...modes, idleAuthority } })}
          />
        }
        label="Authority at idle: turns with the throttle closed"
      />
      <FormControlLabel
        sx={{ display: "flex" }}
        control={
          <Switch checked={modes.selfLevel} onChange={(_, selfLevel) => onChange({ modes: { ...modes, selfLevel } })} />
        }
        label="Self-level (learning mode)"
      />
      <TextField
        select
        size="small"
        fullWidth
        sx={{ mt: 1 }}
        label="Bank limit (learning mode)"
        value={modes.bankLimitDeg ?? "none"}
        onChange={(event) =>
          onChange({
            modes: { ...modes, bankLimitDeg: event.target.value === "none" ? null : Number(event.target.value) },
          })
        }
      >
        <MenuItem value="none">none</MenuItem>
        {bankLimits.map((limit) => (
          <MenuItem key={limit} value={limit}>
            {limit}°
          </MenuItem>
        ))}
      </TextField>
    </section>
  );
}

function levelCruise(airframe: Airframe, tiltDeg: number) {
  try {
    return cruise(airframe, tiltDeg, SEA_LEVEL_AIR);
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}
