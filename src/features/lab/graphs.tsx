"use client";

import Box from "@mui/material/Box";
import { useMemo } from "react";
import type { Trace } from "@/core";
import { LineChart, type Line } from "@/ui/charts/chart";
import { usePreferences } from "@/ui/theme/preferences";
import { formatQuantity, quantityText } from "@/ui/units/quantity";

/** A point in this many samples is enough for a line. */
const EVERY = 3;
const seconds = (value: number) => value.toFixed(1);

/** Rates, throttle, height and thrust over time, with the moment marked in each. */
export function FlightGraphs({ trace, ghost, cursorS }: { trace: Trace; ghost: Trace | null; cursorS: number | null }) {
  const { units } = usePreferences();
  const drawn = useMemo(() => {
    const line = (
      name: string,
      of: Trace,
      column: readonly number[],
      colour: Line["colour"],
      look: Line["look"] = "solid",
    ): Line => ({
      name,
      colour,
      look,
      points: of.timeS.flatMap((timeS, i): [number, number][] => (i % EVERY === 0 ? [[timeS, column[i]]] : [])),
    });
    const both = (name: string, pick: (of: Trace) => readonly number[], colour: Line["colour"]) => [
      line(name, trace, pick(trace), colour),
      ...(ghost ? [line("other", ghost, pick(ghost), "slate", "dotted")] : []),
    ];
    return {
      rates: [
        line("roll", trace, trace.rollDps, "ink"),
        line("pitch", trace, trace.pitchDps, "shoal", "dashed"),
        line("yaw", trace, trace.yawDps, "buoy", "dotted"),
      ],
      throttle: both("stick", (of) => of.stickThrottle, "ink"),
      height: both("height", (of) => of.heightM, "shoal"),
      thrust: both("g", (of) => of.thrustG, "buoy"),
    };
  }, [trace, ghost]);
  const x = { name: "time, s", min: 0, max: Math.ceil(10 * trace.timeS[trace.timeS.length - 1]) / 10 };
  const marks = cursorS === null ? [] : [{ axis: "x" as const, at: cursorS, text: "" }];
  const most = (lines: readonly Line[], least: number) =>
    Math.max(least, ...lines.flatMap(({ points }) => points.map(([, value]) => Math.abs(value))));
  const shared = {
    x,
    marks,
    height: 190,
    namesAtEnds: false,
    tickX: seconds,
    formatX: (value: number) => `${value.toFixed(2)} s`,
  };
  const rateTop = Math.ceil(most(drawn.rates, 100) / 100) * 100;
  const heightTop = Math.ceil(most(drawn.height, 1) / 2) * 2;
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0,1fr)", sm: "repeat(2, minmax(0,1fr))", lg: "repeat(2, minmax(0,1fr))" },
        gap: 1,
      }}
    >
      <LineChart
        {...shared}
        label="Turning rates over time"
        lines={drawn.rates}
        y={{ name: "roll ——  pitch – –  yaw ···   °/s", min: -rateTop, max: rateTop }}
        tickY={(value) => String(Math.round(value))}
        formatY={(value) => quantityText(value, "rate", units)}
      />
      <LineChart
        {...shared}
        label="Throttle stick over time"
        lines={drawn.throttle}
        y={{ name: "throttle, %", min: 0, max: 1 }}
        tickY={(value) => String(Math.round(100 * value))}
        formatY={(value) => quantityText(value, "share", units)}
      />
      <LineChart
        {...shared}
        label="Height over time"
        lines={drawn.height}
        y={{ name: `height, ${formatQuantity(0, "length", units).unit}`, min: 0, max: heightTop }}
        tickY={(value) => formatQuantity(value, "length", units, 0).value}
        formatY={(value) => quantityText(value, "length", units)}
      />
      <LineChart
        {...shared}
        label="Thrust over weight over time"
        lines={drawn.thrust}
        y={{ name: "thrust, g", min: 0, max: Math.ceil(most(drawn.thrust, 2)) }}
        tickY={(value) => value.toFixed(0)}
        formatY={(value) => quantityText(value, "thrust", units)}
      />
    </Box>
  );
}
