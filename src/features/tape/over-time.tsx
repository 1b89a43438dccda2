"use client";

import { useMemo } from "react";
import type { Extremes, Pack, TapeWindow } from "@/core";
import { LineChart, type Line } from "@/ui/charts/chart";
import { Box } from "@/ui/layout/box";
import { momentText, numeral } from "@/words";

const looks = { roll: "solid", pitch: "dashed", yaw: "dotted" } as const;
const colours = { roll: "shoal", pitch: "buoy", yaw: "slate" } as const;
const axes = ["roll", "pitch", "yaw"] as const;

/** Rates and sticks over the stretch of the pack that is seen, with the moment at hand through both. */
export function OverTime({ pack, window, atS }: { pack: Pack; window: TapeWindow; atS: number | null }) {
  const { fromS, toS } = window;
  const from = fromS - pack.fromS;
  const to = toS - pack.fromS;
  const x = useMemo(() => ({ name: "", min: from, max: to }), [from, to]);
  const rates = useMemo(
    () => axes.map((axis): Line => line(axis, window.rateDps[axis], from, to, looks[axis], colours[axis])),
    [window, from, to],
  );
  const sticks = useMemo(
    () => [
      ...axes.map((axis): Line => line(axis, window.stick[axis], from, to, looks[axis], colours[axis])),
      line("throttle", window.throttle, from, to, "solid", "ink"),
    ],
    [window, from, to],
  );
  const most = Math.max(
    200,
    ...axes.flatMap((axis) => [...window.rateDps[axis].high, ...window.rateDps[axis].low].map(Math.abs)),
  );
  const end = Math.ceil(most / 200) * 200;
  const cursor = atS === null ? null : atS - pack.fromS;
  const common = {
    x,
    tickX: momentText,
    formatX: momentText,
    cursor: cursor !== null && cursor >= from && cursor <= to ? cursor : null,
  };
  return (
    <Box sx={{ display: "grid", gap: 1 }}>
      <LineChart
        {...common}
        label="Rates of roll, pitch and yaw over time"
        lines={rates}
        y={{ name: "rate, °/s", min: -end, max: end }}
        height={230}
        tickY={(dps) => numeral(dps, 0)}
        formatY={(dps) => `${numeral(dps, 0)}°/s`}
      />
      <LineChart
        {...common}
        label="Sticks and throttle over time"
        lines={sticks}
        y={{ name: "stick", min: -1, max: 1 }}
        height={230}
        tickY={(place) => numeral(place, 1)}
        formatY={(place) => numeral(place, 2)}
      />
    </Box>
  );
}

/** Down and up again within each part, so that nothing short is lost. */
function line(
  name: string,
  { low, high }: Extremes,
  from: number,
  to: number,
  look: Line["look"],
  colour: Line["colour"],
): Line {
  const step = (to - from) / low.length;
  const points = low.flatMap((value, i) => [
    [from + (i + 0.25) * step, value] as const,
    [from + (i + 0.75) * step, high[i]] as const,
  ]);
  return { name, points, look, colour };
}
