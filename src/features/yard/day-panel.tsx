"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { NumberSlider } from "@/ui/forms/number-slider";
import { Box } from "@/ui/layout/box";
import { Fold } from "@/ui/layout/fold";
import { Moment } from "@/ui/moment/moment";
import { Num } from "@/ui/units/figure";
import { compassName } from "@/words";
import type { YardDay, YardFigures } from "./use-day";

/** The quarter of an hour of a moment. */
function hourOf(ms: number | null): number {
  if (ms === null) return 12;
  const date = new Date(ms);
  return date.getHours() + Math.floor(date.getMinutes() / 15) / 4;
}

/** The day: wind, air, sun and the light that is left. */
export function DayPanel(props: {
  day: YardDay;
  onDay: (change: Partial<YardDay>) => void;
  figures: YardFigures | null;
  elevationKnown: boolean;
  placeKnown: boolean;
  /** Null in what the server writes. */
  nowMs: number | null;
}) {
  const { day, onDay, figures, elevationKnown, placeKnown, nowMs } = props;
  const sun = figures?.sun;
  return (
    <Fold
      title="The day"
      beside={day.windMps > 0 ? `wind from the ${compassName(day.windFromDeg)}` : "calm"}
      level={2}
      open
    >
      <Box sx={{ display: "grid", gap: 0.5 }}>
        <NumberSlider
          label="Wind"
          value={day.windMps}
          range={[0, 20]}
          step={0.5}
          digits={1}
          quantity="speed"
          onChange={(windMps) => onDay({ windMps })}
        />
        <NumberSlider
          label={`Wind from the ${compassName(day.windFromDeg)}`}
          value={day.windFromDeg}
          range={[0, 355]}
          step={5}
          digits={0}
          quantity="angle"
          onChange={(windFromDeg) => onDay({ windFromDeg })}
        />
        <NumberSlider
          label="Air"
          value={day.temperatureC}
          range={[-20, 45]}
          step={1}
          digits={0}
          quantity="temperature"
          onChange={(temperatureC) => onDay({ temperatureC })}
        />
        <NumberSlider
          label="Flown at a height of"
          value={day.heightM}
          range={[1, 60]}
          step={1}
          digits={0}
          quantity="length"
          onChange={(heightM) => onDay({ heightM })}
        />
        {placeKnown && (
          <>
            <NumberSlider
              label="Hour of the day"
              value={day.hour ?? hourOf(nowMs)}
              range={[0, 23.75]}
              step={0.25}
              digits={2}
              onChange={(hour) => onDay({ hour })}
            />
            {day.hour !== null && (
              <Button size="small" onClick={() => onDay({ hour: null })} sx={{ justifySelf: "start" }}>
                Now
              </Button>
            )}
          </>
        )}
      </Box>
      {sun && (
        <Typography sx={{ mt: 1 }}>
          {sun.elevationDeg < 0 ? (
            "The sun is down."
          ) : (
            <>
              Sun <Num value={sun.elevationDeg} quantity="angle" /> up in the {compassName(sun.azimuthDeg)}
              {sun.elevationDeg < 25 && ": low, nobody flies or watches into it"}.
            </>
          )}
        </Typography>
      )}
      <LightOfDay figures={figures} placeKnown={placeKnown} />
      {figures && (
        <Typography>
          Air as thin as at <Num value={figures.densityAltitudeM} quantity="length" digits={0} />
          {!elevationKnown && ", taken at sea level: the site has no elevation"}.
        </Typography>
      )}
    </Fold>
  );
}

function LightOfDay({ figures, placeKnown }: { figures: YardFigures | null; placeKnown: boolean }) {
  if (!placeKnown)
    return (
      <Typography sx={{ mt: 1, fontSize: "0.9rem", color: "text.secondary" }}>
        Say where the site lies, and sun and light are worked out.
      </Typography>
    );
  const light = figures?.light;
  if (!light) return null;
  if (light.allDay)
    return (
      <Typography>{light.allDay === "up" ? "The sun stays up all day." : "The sun stays down all day."}</Typography>
    );
  return (
    <Typography>
      {light.sunsetMs !== null && (
        <>
          Sunset <Moment atMs={light.sunsetMs} show="time" />
        </>
      )}
      {light.duskMs !== null && (
        <>
          , light until{" "}
          <b>
            <Moment atMs={light.duskMs} show="time" />
          </b>
        </>
      )}
      .
    </Typography>
  );
}
