"use client";

import { Box } from "@/ui/layout/box";
import { usePreferences } from "@/ui/theme/preferences";
import { numeral, percent, quantityText, type UnitSystem } from "@/words";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useMemo } from "react";
import {
  rounded,
  limitEffect,
  midVerdict,
  proposedMid,
  stickTravelOf,
  throttleAtStick,
  throttleExpoByFlying,
  throttlePoints,
  type Airframe,
  type ThrottlePoint,
  type ThrottlePoints,
  type ThrottleProfile,
} from "@/core";
import type { Pilot } from "@/contract";
import { useAir } from "@/ui/air/use-air";
import { LineChart, type Line, type LineChartProps } from "@/ui/charts/chart";
import { PlainTable } from "@/ui/layout/plain-table";
import { LimitControls, MidAndExpo } from "@/ui/settings/setting-sliders";

const STICKS = Array.from({ length: 101 }, (_, i) => i / 100);
const hundredths = (share: number) => String(Math.round(100 * share));

/** The throttle profile with where this aircraft hovers on it. */
export function ThrottlePanel({
  profile,
  airframe,
  tiltDeg,
  pilot,
  onChange,
}: {
  profile: ThrottleProfile;
  airframe: Airframe;
  tiltDeg: number;
  pilot: Pilot;
  onChange: (profile: ThrottleProfile) => void;
}) {
  const air = useAir();
  const { units } = usePreferences();
  const { cruiseMps } = pilot;
  const points = useMemo(
    () => throttlePoints(profile, airframe, { tiltDeg, cruiseMps }, air, stickTravelOf(pilot)),
    [profile, airframe, tiltDeg, cruiseMps, pilot, air],
  );
  const lines = useMemo(() => [profileLine(profile)], [profile]);
  const marks = useMemo(() => marksOf(points), [points]);
  const { hover, cruise } = points;
  return (
    <section aria-labelledby="throttle">
      <Typography variant="h2" id="throttle" sx={{ mb: 1 }}>
        Throttle
      </Typography>
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "minmax(0,1fr)", md: "1fr 1fr" }, gap: 4 }}>
        <Box>
          <MidAndExpo profile={profile} onChange={onChange} />
          <ExpoByFlying {...{ profile, airframe, tiltDeg, pilot, onChange }} />
          <LimitControls profile={profile} onChange={onChange} />
          <LineChart
            label={`Motor command against throttle stick; hover at ${hover.stick === null ? "no stick" : percent(hover.stick)} of the stick`}
            lines={lines}
            marks={marks}
            x={{ name: "throttle stick, %", min: 0, max: 1 }}
            y={{ name: "to the motors, %", min: 0, max: 1 }}
            height={240}
            tickX={hundredths}
            tickY={hundredths}
            formatX={percent}
            formatY={percent}
          />
        </Box>
        <Box>
          <PlainTable
            label="Hover and cruise on the stick"
            head={["", "to the motors", "stick", "climb change per mm of stick"]}
            rows={[
              ["Hover", ...pointCells(hover)],
              [cruiseName(tiltDeg, cruiseMps, units), ...(cruise ? pointCells(cruise) : ["not possible", "", ""])],
            ]}
          />
          {hover.stick === null ? (
            <Typography color="error.main" sx={{ mt: 1 }}>
              ▲ The limit leaves too little to hover: it takes {percent(hover.command)} and this gives{" "}
              {percent(throttleAtStick(profile, 1))}.
            </Typography>
          ) : (
            <MidAdvice profile={profile} points={points} onChange={onChange} />
          )}
          <LimitLine profile={profile} airframe={airframe} />
          <Typography sx={{ fontSize: "0.85rem", color: "text.secondary", mt: 1 }}>
            Thrust over weight {numeral(airframe.thrustToWeight, 1)}, level cruise{" "}
            {cruiseMps === null
              ? "with the horizon centred; enter the pilot's cruise speed under Pilot to use that instead"
              : "at the pilot's own speed, whatever the tilt"}
            . Stick travel{" "}
            {pilot.stickLengthMm === null
              ? `of a ${pilot.grip} grip is an estimate`
              : `by a stick of ${pilot.stickLengthMm} mm`}
            .
          </Typography>
        </Box>
      </Box>
    </section>
  );
}

const cruiseName = (tiltDeg: number, cruiseMps: number | null, units: UnitSystem) =>
  cruiseMps === null ? `Level cruise at ${tiltDeg}°` : `Own cruise at ${quantityText(cruiseMps, "speed", units)}`;

const pointCells = ({ command, stick, climbPerMm }: ThrottlePoint) => [
  percent(command),
  stick === null ? "beyond" : percent(stick),
  climbPerMm === null ? "" : `${numeral(climbPerMm, 2)} m/s²`,
];

/** Where the soft part of the stick should lie, and what happens when it does not. */
function MidAdvice({
  profile,
  points: { cruise },
  onChange,
}: {
  profile: ThrottleProfile;
  points: ThrottlePoints;
  onChange: (profile: ThrottleProfile) => void;
}) {
  if (!cruise) return <Typography color="error.main">▲ This aircraft does not fly level like that.</Typography>;
  if (cruise.stick === null)
    return <Typography color="error.main">▲ The limit keeps that cruise out of reach.</Typography>;
  const mid = rounded(proposedMid(profile, cruise.command), 2);
  const verdict = midVerdict(profile, cruise.stick);
  return (
    <Box sx={{ mt: 1 }}>
      {verdict.kind === "on" ? (
        <Typography>■ The mid lies on the cruise: small corrections there stay small.</Typography>
      ) : (
        <Typography>
          ▲ The mid lies <b className="num">{percent(Math.abs(verdict.offBy))}</b> of the stick{" "}
          {verdict.kind === "too-low" ? "below" : "above"} the cruise. There the throttle answers{" "}
          <b className="num">{numeral(verdict.gainRatio, 1)}</b> times as quickly as at the mid, so corrections come out
          too large and the height pumps.
        </Typography>
      )}
      {mid !== profile.mid && (
        <Button size="small" variant="outlined" sx={{ mt: 0.5 }} onClick={() => onChange({ ...profile, mid })}>
          Set throttle mid to cruise: {numeral(mid, 2)}
        </Button>
      )}
    </Box>
  );
}

/** Expo by how the pilot flies, each with what a millimetre of stick then does at the cruise. */
function ExpoByFlying(props: {
  profile: ThrottleProfile;
  airframe: Airframe;
  tiltDeg: number;
  pilot: Pilot;
  onChange: (profile: ThrottleProfile) => void;
}) {
  const { profile, airframe, tiltDeg, pilot, onChange } = props;
  const { cruiseMps } = pilot;
  const air = useAir();
  return (
    <Box
      role="group"
      aria-label="Expo by flying"
      sx={{ display: "grid", gridTemplateColumns: "repeat(auto-fill, minmax(168px, 1fr))", gap: 1, my: 1 }}
    >
      {throttleExpoByFlying.map(({ flying, expo }) => {
        const { cruise, hover } = throttlePoints(
          { ...profile, expo },
          airframe,
          { tiltDeg, cruiseMps },
          air,
          stickTravelOf(pilot),
        );
        const perMm = (cruise ?? hover).climbPerMm;
        return (
          <Button
            key={flying}
            size="small"
            variant={profile.expo === expo ? "contained" : "outlined"}
            onClick={() => onChange({ ...profile, expo })}
          >
            <span>
              {flying}: {numeral(expo, 1)}
              {perMm !== null && (
                <Box component="span" sx={{ display: "block", fontWeight: 450 }}>
                  {numeral(perMm, 2)} m/s² per mm
                </Box>
              )}
            </span>
          </Button>
        );
      })}
    </Box>
  );
}

function LimitLine({ profile, airframe }: { profile: ThrottleProfile; airframe: Airframe }) {
  const { topCommand, punchG, deadAbove } = limitEffect(profile, airframe);
  return (
    <Typography sx={{ mt: 1 }}>
      A punch at full stick gives <b className="num">{percent(topCommand)}</b> to the motors and climbs with{" "}
      <b className="num">{numeral(punchG, 1)} g</b>
      {profile.limit.kind === "scale" && "; all of the stick works, each millimetre does less"}
      {deadAbove < 1 && (
        <>
          ; above <b className="num">{percent(deadAbove)}</b> the stick does nothing
        </>
      )}
      .
    </Typography>
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

/** Where the aircraft hovers and cruises on the stick, unless the limit keeps it from that. */
function marksOf({ hover, cruise }: ThrottlePoints): LineChartProps["marks"] {
  const mark = (name: string, point: ThrottlePoint | null) =>
    point?.stick == null ? [] : [{ axis: "x" as const, at: point.stick, text: `${name} ${percent(point.stick)}` }];
  return [...mark("hover", hover), ...mark("cruise", cruise)];
}
