"use client";

import { Box } from "@/ui/layout/box";
import { numeral, percent, quantityText } from "@/words";
import FormControlLabel from "@mui/material/FormControlLabel";
import Switch from "@mui/material/Switch";
import Typography from "@mui/material/Typography";
import { memo, useDeferredValue, useMemo, useState } from "react";
import {
  cruiseIfPossible,
  fromEuler,
  invertedFlat,
  multiply,
  pureHalfTurnViewDeg,
  settingsRanges,
  stickForThrottleClamped,
  type Airframe,
  type Cruise,
  type Quaternion,
  type Settings,
} from "@/core";
import { useRouter } from "next/navigation";
import { v7 as newId } from "uuid";
import type { Aircraft, TiltReading } from "@/contract";
import { useSend } from "@/ui/actions/use-send";
import { usualTilt } from "@/syllabus";
import { LineChart, type Line } from "@/ui/charts/chart";
import { CameraView } from "@/ui/flight/camera-view";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { usePreferences } from "@/ui/theme/preferences";
import { Figure } from "@/ui/units/figure";
import { useAir } from "@/ui/air/use-air";
import { NumberSlider } from "@/ui/forms/number-slider";
import { TiltSlider } from "@/ui/settings/setting-sliders";
import { Protractor } from "./protractor";
import { TiltReadings } from "./tilt-readings";

const bankLimits = [30, 45, 60] as const;
const TILTS_DEG = Array.from({ length: 31 }, (_, i) => 2 * i);
const degrees = (value: number) => `${Math.round(value)}°`;
const bare = (value: number) => String(Math.round(value));

/** Camera tilt: the level cruise it asks for, what the camera then sees, the lens and the learning modes. */
export function TiltPanel({
  settings,
  aircraft,
  tilts,
  mayChange,
  stage,
  onChange,
}: {
  settings: Settings;
  aircraft: Aircraft;
  /** Readings of its tilt, newest first. */
  tilts: readonly TiltReading[];
  mayChange: boolean;
  /** Stage the pilot is at, whose usual tilt stands beside the slider. */
  stage: number;
  onChange: (change: Partial<Settings>) => void;
}) {
  const { tiltDeg, camera } = settings;
  const { airframe, mount } = aircraft;
  const router = useRouter();
  const { sendAction } = useSend();
  const [readId, setReadId] = useState(() => newId());
  const keepReadings = async (readingsDeg: readonly number[]) => {
    const { ok } = await sendAction("read-tilt", { id: readId, aircraftId: aircraft.id, readingsDeg });
    if (ok) {
      setReadId(newId());
      router.refresh();
    }
    return ok;
  };
  // The pictures follow the slider when there is time.
  const shown = useDeferredValue(settings);
  return (
    <section aria-labelledby="tilt">
      <Typography variant="h2" id="tilt" sx={{ mb: 1 }}>
        Camera tilt
      </Typography>
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "minmax(0,1fr)", md: "1fr 1fr" }, columnGap: 4 }}>
        <div>
          <TiltSlider tiltDeg={tiltDeg} onChange={(value) => onChange({ tiltDeg: value })} />
          <Typography sx={{ fontSize: "0.88rem", color: "text.secondary" }}>
            {mount === "fixed" ? "The mount is fixed: set what was read." : `Usual at this stage: ${usualTilt(stage)}`}
          </Typography>
          <NumberSlider
            label="Camera vertical field of view, °"
            value={camera.verticalFovDeg}
            range={settingsRanges.verticalFovDeg}
            step={1}
            digits={0}
            unit="°"
            onChange={(verticalFovDeg) => onChange({ camera: { ...camera, verticalFovDeg } })}
          />
        </div>
        <CruiseFigures settings={settings} airframe={airframe} />
      </Box>
      <Views settings={shown} />
      <CruiseCharts settings={shown} airframe={airframe} />
      <Protractor onTilt={(measured) => onChange({ tiltDeg: measured })} onReadings={mayChange ? keepReadings : null} />
      <TiltReadings aircraft={aircraft} tilts={tilts} setupTiltDeg={tiltDeg} mayChange={mayChange} />
      <Modes settings={settings} onChange={onChange} />
    </section>
  );
}

/** Learning modes, and the angle the controller mixes for. */
function Modes({ settings, onChange }: { settings: Settings; onChange: (change: Partial<Settings>) => void }) {
  const { tiltDeg, modes } = settings;
  return (
    <>
      <Typography variant="h2" sx={{ mt: 2 }}>
        Modes
      </Typography>
      <FormControlLabel
        sx={{ mt: 1, display: "flex" }}
        control={
          <Switch
            checked={modes.idleAuthority}
            onChange={(_, idleAuthority) => onChange({ modes: { ...modes, idleAuthority } })}
          />
        }
        label="Idle authority (keeps turning at zero throttle)"
      />
      <FormControlLabel
        sx={{ display: "flex" }}
        control={
          <Switch checked={modes.selfLevel} onChange={(_, selfLevel) => onChange({ modes: { ...modes, selfLevel } })} />
        }
        label="Self-level (learning mode)"
      />
      <SelectField
        size="small"
        sx={{ mt: 1, minWidth: 260 }}
        label="Bank limit (learning mode)"
        value={modes.bankLimitDeg ?? "none"}
        onChange={(event) =>
          onChange({
            modes: { ...modes, bankLimitDeg: event.target.value === "none" ? null : Number(event.target.value) },
          })
        }
      >
        <Option value="none">none</Option>
        {bankLimits.map((limit) => (
          <Option key={limit} value={limit}>
            {limit}°
          </Option>
        ))}
      </SelectField>
      <FormControlLabel
        sx={{ mt: 1, display: "flex" }}
        control={
          <Switch
            checked={modes.mixAngleDeg != null}
            onChange={(_, on) => onChange({ modes: { ...modes, mixAngleDeg: on ? tiltDeg : null } })}
          />
        }
        label="The controller mixes roll and yaw for the camera angle"
      />
      {modes.mixAngleDeg != null && (
        <Box sx={{ maxWidth: 420 }}>
          <NumberSlider
            label="Angle it mixes for, °"
            value={modes.mixAngleDeg}
            range={settingsRanges.mixAngleDeg}
            step={1}
            digits={0}
            unit="°"
            onChange={(mixAngleDeg) => onChange({ modes: { ...modes, mixAngleDeg } })}
          />
          {modes.mixAngleDeg !== tiltDeg && (
            <Typography sx={(theme) => ({ fontSize: "0.88rem", color: theme.tokens.buoyText })}>
              ▲ The camera is at {tiltDeg}°: in a level turn the horizon leans, in a roll the view leaves the path, by
              what {Math.abs(modes.mixAngleDeg - tiltDeg)}° make. The lab flies it.
            </Typography>
          )}
        </Box>
      )}
    </>
  );
}

function CruiseFigures({ settings, airframe }: { settings: Settings; airframe: Airframe }) {
  const { tiltDeg, throttle } = settings;
  const air = useAir();
  const level = cruiseIfPossible(airframe, tiltDeg, air);
  if (!level) return <Typography color="error.main">▲ This aircraft cannot hold level flight at that tilt.</Typography>;
  const why = {
    how: "Level flight with the horizon through the middle of the picture: pitch is minus the tilt; thrust, weight and drag along the body balance.",
    inputs: [
      ["tilt", `${tiltDeg}°`],
      ["drag area x, z", `${airframe.dragAreaM2.x}, ${airframe.dragAreaM2.z} m²`],
      ["mass", `${airframe.massKg} kg`],
    ] as const,
    source: "Balance of forces in the flight model; sea-level air of ISO 2533. Drag area is the preset's estimate.",
    leftOut: "Wind, climb and descent, and whatever the drag of the frame does at other angles.",
  };
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr 1fr", columnGap: 2, alignContent: "start" }}>
      <Figure label="Level cruise" value={level.speedMps} quantity="speed" why={why} />
      <Figure
        label="Throttle stick there"
        value={stickForThrottleClamped(throttle, level.throttle)}
        quantity="share"
        why={why}
      />
      <Figure label="Thrust there" value={level.thrustG} quantity="thrust" digits={2} why={why} />
    </Box>
  );
}

/** Turns about body axes from level cruise at the tilt. */
function viewsOf({ tiltDeg }: Settings): readonly (readonly [title: string, attitude: Quaternion])[] {
  const level = fromEuler({ yawDeg: 0, pitchDeg: -tiltDeg, rollDeg: 0 });
  const half = (axis: "x" | "z"): Quaternion => ({ w: 0, x: 0, y: 0, z: 0, [axis]: 1 });
  const tilt = (tiltDeg * Math.PI) / 180;
  // Half a turn about the view axis (cos τ, 0, −sin τ).
  const aboutView: Quaternion = { w: 0, x: Math.cos(tilt), y: 0, z: -Math.sin(tilt) };
  return [
    ["Level cruise", level],
    ["Half a roll, pure", multiply(level, half("x"))],
    ["Half a level-horizon roll", multiply(level, aboutView)],
    ["Half turn, yaw only", multiply(level, half("z"))],
    ["Upside down and flat", fromEuler({ yawDeg: 0, pitchDeg: 0, rollDeg: 180 })],
  ];
}

const Views = memo(function Views({ settings }: { settings: Settings }) {
  const { tiltDeg, camera } = settings;
  const { pitchForwardDeg, pitchBackDeg } = invertedFlat(tiltDeg, camera.verticalFovDeg);
  return (
    <Box sx={{ my: 2 }}>
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "repeat(2, 1fr)", sm: "repeat(5, 1fr)" }, gap: 1.5 }}>
        {viewsOf(settings).map(([title, attitude]) => (
          <CameraView key={title} title={title} attitude={attitude} tiltDeg={tiltDeg} lens={camera} />
        ))}
      </Box>
      <Typography sx={{ fontSize: "0.9rem", mt: 1 }}>
        A pure half roll looks <b className="num">{degrees(-pureHalfTurnViewDeg("roll", tiltDeg))}</b> below the
        horizon, half round by yaw <b className="num">{degrees(pureHalfTurnViewDeg("yaw", tiltDeg))}</b> above it. From
        cruise, flat upside down is <b className="num">{degrees(pitchForwardDeg)}</b> of pitch forward or{" "}
        <b className="num">{degrees(pitchBackDeg)}</b> back.
      </Typography>
    </Box>
  );
});

const CruiseCharts = memo(function CruiseCharts({ settings, airframe }: { settings: Settings; airframe: Airframe }) {
  const { units } = usePreferences();
  const air = useAir();
  const { tiltDeg, throttle } = settings;
  const sweep = useMemo(
    () =>
      TILTS_DEG.flatMap((tilt) => {
        const level = cruiseIfPossible(airframe, tilt, air);
        return level ? [{ tilt, level }] : [];
      }),
    [airframe, air],
  );
  const line = (name: string, value: (level: Cruise) => number, colour: Line["colour"]): Line[] => [
    { name, look: "solid", colour, points: sweep.map(({ tilt, level }) => [tilt, value(level)]) },
  ];
  const marks = [{ axis: "x" as const, at: tiltDeg, text: degrees(tiltDeg) }];
  const x = { name: "tilt, °", min: 0, max: TILTS_DEG[TILTS_DEG.length - 1] };
  const top = Math.max(1, ...sweep.map(({ level }) => level.speedMps));
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: { xs: "minmax(0,1fr)", md: "repeat(3, minmax(0,1fr))" }, gap: 1 }}>
      <LineChart
        label="Speed of level cruise against tilt"
        lines={line("speed", (level) => level.speedMps, "shoal")}
        marks={marks}
        x={x}
        y={{ name: "m/s", min: 0, max: Math.ceil(top / 5) * 5 }}
        height={190}
        tickX={bare}
        tickY={bare}
        formatX={degrees}
        formatY={(value) => quantityText(value, "speed", units)}
      />
      <LineChart
        label="Throttle stick of level cruise against tilt"
        lines={line("stick", (level) => stickForThrottleClamped(throttle, level.throttle), "ink")}
        marks={marks}
        x={x}
        y={{ name: "throttle stick, %", min: 0, max: 1 }}
        height={190}
        tickX={bare}
        tickY={(share) => bare(100 * share)}
        formatX={degrees}
        formatY={percent}
      />
      <LineChart
        label="Thrust of level cruise against tilt"
        lines={line("g", (level) => level.thrustG, "buoy")}
        marks={marks}
        x={x}
        y={{
          name: "thrust, g",
          min: 1,
          max: Math.ceil(2 * Math.max(1.5, ...sweep.map(({ level }) => level.thrustG))) / 2,
        }}
        height={190}
        tickX={bare}
        tickY={(g) => numeral(g, 1)}
        formatX={degrees}
        formatY={(g) => `${numeral(g, 2)} g`}
      />
    </Box>
  );
});
