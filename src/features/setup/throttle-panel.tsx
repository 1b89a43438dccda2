"use client";

import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMemo } from "react";
import {
  hoverCommand,
  stickForThrottleClamped,
  throttleAtStick,
  throttleLimitKinds,
  throttleRanges,
  type Airframe,
  type ThrottleLimitKind,
  type ThrottleProfile,
} from "@/core";
import { LineChart } from "@/ui/charts/chart";
import { NumberSlider } from "./number-slider";

const STICKS = Array.from({ length: 101 }, (_, i) => i / 100);
const percent = (share: number) => `${Math.round(100 * share)} %`;
const limitNames: Readonly<Record<ThrottleLimitKind, string>> = {
  off: "off",
  scale: "scale: all of the stick, less of the power",
  clip: "clip: stick past the limit does nothing",
};

/** The throttle profile with where this aircraft hovers on it. */
export function ThrottlePanel({
  profile,
  airframe,
  onChange,
}: {
  profile: ThrottleProfile;
  airframe: Airframe;
  onChange: (profile: ThrottleProfile) => void;
}) {
  const hover = hoverCommand(airframe);
  const reachable = throttleAtStick(profile, 1) >= hover;
  const hoverStick = stickForThrottleClamped(profile, hover);
  const lines = useMemo(
    () => [
      {
        name: "throttle",
        look: "solid" as const,
        colour: "ink" as const,
        points: STICKS.map((stick) => [stick, throttleAtStick(profile, stick)] as const),
      },
    ],
    [profile],
  );
  const marks = useMemo(
    () => (reachable ? [{ axis: "x" as const, at: hoverStick, text: `hover ${percent(hoverStick)}` }] : []),
    [reachable, hoverStick],
  );
  return (
    <section aria-labelledby="throttle">
      <Typography variant="h2" id="throttle" sx={{ mb: 1 }}>
        Throttle
      </Typography>
      <NumberSlider
        label="Mid"
        value={profile.mid}
        range={throttleRanges.mid}
        step={0.01}
        digits={2}
        onChange={(mid) => onChange({ ...profile, mid })}
      />
      <NumberSlider
        label="Throttle expo"
        value={profile.expo}
        range={throttleRanges.expo}
        step={0.01}
        digits={2}
        onChange={(expo) => onChange({ ...profile, expo })}
      />
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr", gap: 1, my: 1 }}>
        <TextField
          select
          size="small"
          label="Limit"
          value={profile.limit.kind}
          onChange={(event) =>
            onChange({ ...profile, limit: { ...profile.limit, kind: event.target.value as ThrottleLimitKind } })
          }
        >
          {throttleLimitKinds.map((kind) => (
            <MenuItem key={kind} value={kind}>
              {limitNames[kind]}
            </MenuItem>
          ))}
        </TextField>
        {profile.limit.kind !== "off" && (
          <NumberSlider
            label="Limit at"
            value={profile.limit.fraction}
            range={throttleRanges.limitFraction}
            step={0.01}
            digits={2}
            onChange={(fraction) => onChange({ ...profile, limit: { ...profile.limit, fraction } })}
          />
        )}
      </Box>
      <LineChart
        label={`Motor command against throttle stick; hover at ${percent(hoverStick)} of the stick`}
        lines={lines}
        marks={marks}
        x={{ name: "throttle stick", min: 0, max: 1 }}
        y={{ name: "motor command", min: 0, max: 1 }}
        height={210}
        formatX={percent}
        formatY={percent}
      />
      {reachable ? (
        <Typography sx={{ fontSize: "0.9rem" }}>
          Hovers at <b className="num">{percent(hoverStick)}</b> of the stick (<b className="num">{percent(hover)}</b>{" "}
          to the motors, from thrust over weight). Slope at mid <b className="num">{(1 - profile.expo).toFixed(2)}</b>.
        </Typography>
      ) : (
        <Typography color="error.main">
          ▲ The limit leaves too little to hover: it takes {percent(hover)} and this gives{" "}
          {percent(throttleAtStick(profile, 1))}.
        </Typography>
      )}
    </section>
  );
}
