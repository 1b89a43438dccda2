"use client";

import { typedNumber } from "@/contract";
import Typography from "@mui/material/Typography";
import { useEffect, useState } from "react";
import {
  chanceThrough,
  environmentOn,
  rounded,
  spanM,
  usualCrossTrackM,
  widthForChance,
  type DayAir,
  type Settings,
} from "@/core";
import type { Aircraft } from "@/contract";
import { TextField } from "@/ui/forms/text-field";
import { Box } from "@/ui/layout/box";
import { usePreferences } from "@/ui/theme/preferences";
import { entryIn, numeral, quantityText, refusedWords, type Entry } from "@/words";
import { MODEL_LEAVES_OUT } from "@/ui/why/why";
import { Figure } from "@/ui/units/figure";
import { workerClient } from "@/ui/worker/worker-client";
import type { BriefWorker } from "@/workers/brief.worker";

/** Three of four: the pass mark of a gap. */
const PASS = 0.75;
const WIDTHS_TO_BEGIN_WITH = 6;
const USUAL_SPEED_MPS = 4;
const WIDTHS_M = [0.1, 30] as const;
const SPEEDS_MPS = [2, 15] as const;
const OFFS_M = [0.02, 5] as const;

/** How likely a gap is gone through, and from where it is too late to go round: for the gap that stands there. */
export function GapPanel({
  aircraft,
  settings,
  stage,
  reactionS,
  air,
}: {
  aircraft: Aircraft;
  settings: Settings;
  stage: number;
  reactionS: number;
  air: DayAir;
}) {
  const span = spanM(aircraft.airframe);
  const { units } = usePreferences();
  const [length, speed] = [entryIn("length", units), entryIn("speed", units)];
  const [typed, setTyped] = useState<Readonly<Record<"width" | "speed" | "off", string>>>({
    width: length.text(rounded(WIDTHS_TO_BEGIN_WITH * span, 1)),
    speed: speed.text(USUAL_SPEED_MPS),
    off: "",
  });
  const read = (text: string, entry: Entry, range: readonly [number, number]) => {
    const value = typedNumber(text);
    const [least, most] = entry.range(range);
    return text.trim() !== "" && value >= least && value <= most ? entry.read(value) : null;
  };
  const widthM = read(typed.width, length, WIDTHS_M);
  const speedMps = read(typed.speed, speed, SPEEDS_MPS);
  const usualM = speedMps === null ? null : usualCrossTrackM(stage, speedMps);
  const crossTrackM = typed.off.trim() === "" ? usualM : read(typed.off, length, OFFS_M);
  const last = useLastGoAround(aircraft, settings, air, speedMps, reactionS);
  const field = (name: keyof typeof typed, label: string, bad: boolean, range: string, placeholder = "") => (
    <TextField
      size="small"
      label={label}
      value={typed[name]}
      placeholder={placeholder}
      error={bad}
      helperText={bad ? range : undefined}
      onChange={(event) => setTyped((before) => ({ ...before, [name]: event.target.value }))}
      slotProps={{ htmlInput: { inputMode: "decimal", maxLength: 6 }, inputLabel: { shrink: true } }}
      sx={{ width: 150 }}
    />
  );
  return (
    <Box component="section" aria-labelledby="this-gap" sx={{ my: 2, maxWidth: 640 }}>
      <Typography variant="h2" id="this-gap">
        This gap
      </Typography>
      <Typography sx={{ fontSize: "0.9rem", color: "text.secondary", mb: 1.5 }}>
        First wide and low, tilt and throttle left as they are. One thing narrower or faster at a time.
      </Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
        {field("width", `Width, ${length.symbol}`, widthM === null, between(length, WIDTHS_M))}
        {field("speed", `Speed, ${speed.symbol}`, speedMps === null, between(speed, SPEEDS_MPS))}
        {field(
          "off",
          `Off-centre, ± ${length.symbol}`,
          crossTrackM === null,
          between(length, OFFS_M),
          usualM === null ? "" : length.text(rounded(usualM, 2)),
        )}
      </Box>
      {last.why !== null && <Typography color="error">{refusedWords(last.why, units)}</Typography>}
      {widthM !== null && speedMps !== null && crossTrackM !== null && (
        <GapFigures gap={{ widthM, speedMps, crossTrackM, spanM: span }} lastM={last.lastM} reactionS={reactionS} />
      )}
    </Box>
  );
}

const between = (entry: Entry, range: readonly [number, number]) => entry.range(range).join(" to ");

/** What a gap of this width asks for at this speed. */
function GapFigures({
  gap: { widthM, speedMps, crossTrackM, spanM: span },
  lastM,
  reactionS,
}: {
  gap: { readonly widthM: number; readonly speedMps: number; readonly crossTrackM: number; readonly spanM: number };
  lastM: number | null;
  reactionS: number;
}) {
  const { units } = usePreferences();
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr 1fr", sm: "repeat(3, 1fr)" }, columnGap: 2, mt: 1 }}>
      <Figure
        label="Chance through"
        value={chanceThrough({ widthM, spanM: span, crossTrackM })}
        quantity="share"
        warn={chanceThrough({ widthM, spanM: span, crossTrackM }) < PASS}
        why={{
          how: "That a normal error across the line stays within what the gap leaves on either side of the propellers.",
          inputs: [
            ["tip to tip", quantityText(span, "length", units, 2)],
            ["off the middle, standard deviation", quantityText(crossTrackM, "length", units, 2)],
          ],
          source:
            "Normal distribution. Spread as usual at this stage and speed, common practice, no source; type what was measured on this pilot.",
          leftOut: "Errors in height, a gust at the gap, and a drift that grows on the way in.",
        }}
      />
      <Figure
        label="Three of four at a width of"
        value={widthForChance(PASS, span, crossTrackM)}
        quantity="length"
        why={{
          how: "The width that is gone through without touching by three of four: the pass mark.",
          inputs: [["as a multiple of the aircraft", numeral(widthForChance(PASS, span, crossTrackM) / span, 1)]],
          source: "Normal distribution.",
          leftOut: "Errors in height, a gust at the gap, and a drift that grows on the way in.",
        }}
      />
      <Figure
        label="Last point to go round"
        value={lastM}
        quantity="length"
        why={{
          how: "Distance from the gap at which leaning back with a blip still clears it, the reaction counted. Nearer than this: through, with still sticks.",
          inputs: [
            ["speed", quantityText(speedMps, "speed", units)],
            ["reaction", quantityText(reactionS, "time", units)],
          ],
          source: "Flight model: the bail-out off a wall at this speed, in the air of the day.",
          leftOut: MODEL_LEAVES_OUT,
        }}
      />
    </Box>
  );
}

/** The last point to go round, worked out in a worker; null until it is there, and where there is none. */
function useLastGoAround(
  { airframe }: Aircraft,
  settings: Settings,
  air: DayAir,
  speedMps: number | null,
  reactionS: number,
): { readonly lastM: number | null; readonly why: Error | null } {
  const [found, setFound] = useState<{ key: string; lastM: number | null; why: Error | null } | null>(null);
  const key = speedMps === null ? "" : JSON.stringify([airframe, settings, air, speedMps, reactionS]);
  useEffect(() => {
    if (key === "") return;
    let gone = false;
    const client = workerClient<BriefWorker>(
      () => new Worker(new URL("../../workers/brief.worker.ts", import.meta.url), { type: "module" }),
    );
    const [frame, set, day, atMps, reaction] = JSON.parse(key) as [
      Aircraft["airframe"],
      Settings,
      DayAir,
      number,
      number,
    ];
    client
      .ask((remote) => remote.lastGoAroundM(frame, set, environmentOn(day), { speedMps: atMps, reactionS: reaction }))
      .then(
        (lastM) => !gone && setFound({ key, lastM, why: null }),
        (error: Error) => !gone && setFound({ key, lastM: null, why: error }),
      )
      .finally(() => client.close());
    return () => {
      gone = true;
      client.close();
    };
  }, [key]);
  return found?.key === key ? found : { lastM: null, why: null };
}
