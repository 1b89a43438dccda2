"use client";

import { Box } from "@/ui/layout/box";
import { numeral } from "@/words";
import { typedNumber } from "@/contract";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useEffect, useRef, useState } from "react";
import { rounded, settingsRanges } from "@/core";
import { TextField } from "@/ui/forms/text-field";
import { askForAngle, phoneAngle, simulatedAngle, type AngleSensor } from "@/ui/sensors/angle-sensor";

const SILENT_MS = 2000;
const MOST_READINGS = 9;
/** What the made-up phone reads on the plate and on the lens. */
const SIMULATED = { plate: 1, lens: 28 } as const;
type Place = "plate" | "lens";
const places = [
  ["plate", "along the frame's plate"],
  ["lens", "along the camera"],
] as const;

/**
 * The true tilt from two angles: a phone held against the plate, then against the lens; or both typed from a protractor. Several readings make a mean
 * and a spread.
 */
export function Protractor({
  onTilt,
  onReadings = null,
  sensor = phoneAngle,
}: {
  onTilt: (tiltDeg: number) => void;
  /** Takes the readings down; null where nobody may. Returns whether that went. */
  onReadings?: ((readingsDeg: readonly number[]) => Promise<boolean>) | null;
  sensor?: AngleSensor;
}) {
  const [readings, setReadings] = useState<readonly number[]>([]);
  const [reading, setReading] = useState<Place | null>(null);
  const [simulated, setSimulated] = useState(false);
  const [typed, setTyped] = useState<Readonly<Record<Place, string>>>({ plate: "", lens: "" });
  const number = (place: Place) => typedNumber(typed[place]);
  const read = rounded(Math.abs(number("lens") - number("plate")), 1);
  const [least, most] = settingsRanges.tiltDeg;
  const plausible = read >= least && read <= most;
  const all = Number.isFinite(read) && plausible ? [...readings, read] : readings;
  const meanDeg = rounded(all.reduce((sum, deg) => sum + deg, 0) / all.length, 1);
  const again = () => {
    setReadings(all);
    setTyped({ plate: "", lens: "" });
  };
  const keep = async () => {
    if (!onReadings || !(await onReadings(all))) return;
    setReadings([]);
    setTyped({ plate: "", lens: "" });
  };
  return (
    <Box sx={(theme) => ({ mt: 2, pt: 1.5, borderTop: `1.5px solid ${theme.tokens.rule}` })}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        Measure the tilt
      </Typography>
      <Typography sx={{ fontSize: "0.9rem", color: "text.secondary", mb: 1 }}>
        Hold a phone by its long side along the frame&apos;s plate, then along the camera&apos;s side, pointing the same
        way. After a crash this is the first thing to check.
      </Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, alignItems: "start" }}>
        {places.map(([place, name]) => (
          <Box key={place} sx={{ display: "grid", gap: 0.5 }}>
            <TextField
              size="small"
              label={`Angle ${name}, °`}
              value={typed[place]}
              onChange={(event) => setTyped({ ...typed, [place]: event.target.value })}
              slotProps={{ htmlInput: { inputMode: "decimal", maxLength: 8 } }}
              sx={{ width: 250 }}
            />
            {reading === place ? (
              <Reading
                key={String(simulated)}
                sensor={simulated ? simulatedAngle(SIMULATED[place]) : sensor}
                onTake={(angleDeg) => {
                  setTyped({ ...typed, [place]: angleDeg.toFixed(1) });
                  setReading(null);
                }}
                onSimulate={() => setSimulated(true)}
                onStop={() => setReading(null)}
              />
            ) : (
              <Button size="small" onClick={async () => (await askForAngle()) && setReading(place)}>
                Read it with this phone
              </Button>
            )}
          </Box>
        ))}
        {Number.isFinite(read) && !plausible && (
          <Button variant="outlined" disabled>
            {numeral(read, 1)}° cannot be; measure again
          </Button>
        )}
        {all.length > 0 && (Number.isNaN(read) || plausible) && (
          <>
            <Button variant="outlined" onClick={() => onTilt(meanDeg)}>
              Set the tilt to {numeral(meanDeg, 1)}°
            </Button>
            {onReadings && (
              <Button variant="outlined" onClick={keep}>
                Keep {all.length === 1 ? "this reading" : `these ${all.length} readings`}
              </Button>
            )}
            {Number.isFinite(read) && all.length < MOST_READINGS && <Button onClick={again}>Read once more</Button>}
          </>
        )}
      </Box>
      {readings.length > 0 && (
        <Typography sx={{ mt: 1 }}>
          Read: <span className="num">{all.map((deg) => `${numeral(deg, 1)}°`).join(", ")}</span>
          {all.length > 1 && (
            <>
              ; mean <b className="num">{numeral(meanDeg, 1)}°</b>, spread{" "}
              <b className="num">{numeral(Math.max(...all) - Math.min(...all), 1)}°</b>
            </>
          )}
        </Typography>
      )}
    </Box>
  );
}

/** The angle as it is read, steadied over the last readings. */
function Reading(props: {
  sensor: AngleSensor;
  onTake: (angleDeg: number) => void;
  onSimulate: () => void;
  onStop: () => void;
}) {
  const { sensor, onTake, onSimulate, onStop } = props;
  const [angleDeg, setAngle] = useState<number | null>(null);
  const [silent, setSilent] = useState(false);
  const source = useRef(sensor);
  useEffect(() => {
    source.current = sensor;
  });
  useEffect(() => {
    const last: number[] = [];
    const stop = source.current((value) => {
      last.push(value);
      if (last.length > 10) last.shift();
      setAngle(last.reduce((sum, one) => sum + one, 0) / last.length);
    });
    const timer = setTimeout(() => setSilent(true), SILENT_MS);
    return () => {
      stop();
      clearTimeout(timer);
    };
  }, []);
  return (
    <Box sx={{ display: "flex", gap: 1, alignItems: "center", minHeight: 44 }}>
      {angleDeg !== null ? (
        <>
          <b className="num">{numeral(angleDeg, 1)}°</b>
          <Button size="small" variant="contained" onClick={() => onTake(angleDeg)}>
            Take it
          </Button>
        </>
      ) : silent ? (
        <>
          <span>No sensor here; type it.</span>
          <Button size="small" onClick={onSimulate}>
            Try a made-up one
          </Button>
        </>
      ) : (
        <span>Waiting for the sensor</span>
      )}
      <Button size="small" onClick={onStop}>
        Stop
      </Button>
    </Box>
  );
}
