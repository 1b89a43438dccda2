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
import { LineChart, type Line, type LineChartProps } from "@/ui/charts/chart";
import { NumberSlider } from "./number-slider";

const STICKS = Array.from({ length: 101 }, (_, i) => i / 100);
const percent = (share: number) => `${Math.round(100 * share)} %`;
const hundredths = (share: number) => String(Math.round(100 * share));
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
  const lines = useMemo(() => [profileLine(profile)], [profile]);
  const marks = useMemo(() => hoverMark(profile, airframe), [profile, airframe]);
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
        x={{ name: "throttle stick, %", min: 0, max: 1 }}
        y={{ name: "to the motors, %", min: 0, max: 1 }}
        height={210}
        tickX={hundredths}
        tickY={hundredths}
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

function profileLine(profile: ThrottleProfile): Line {
  return {
    name: "throttle",
    look: "solid",
    colour: "ink",
    points: STICKS.map((stick) => [stick, throttleAtStick(profile, stick)]),
  };
}

/** Where the aircraft hovers on the stick, unless the limit keeps it from hovering. */
function hoverMark(profile: ThrottleProfile, airframe: Airframe): LineChartProps["marks"] {
  const hover = hoverCommand(airframe);
  if (throttleAtStick(profile, 1) < hover) return [];
  const at = stickForThrottleClamped(profile, hover);
  return [{ axis: "x", at, text: `hover ${percent(at)}` }];
}
