"use client";

import { useMemo } from "react";
import type { Trace } from "@/core";
import { LineChart, type Line, type LineChartProps } from "@/ui/charts/chart";
import { Box } from "@/ui/layout/box";
import { usePreferences } from "@/ui/theme/preferences";
import { numeral, formatQuantity, quantityText, type UnitSystem } from "@/words";

/** A point in this many samples is enough for a line. */
const EVERY = 3;

/** Rates, throttle, height and thrust over time, with the moment marked in each. */
export function FlightGraphs({ trace, ghost, cursorS }: { trace: Trace; ghost: Trace | null; cursorS: number | null }) {
  const { units } = usePreferences();
  const graphs = useMemo(() => graphsOf(trace, ghost, units), [trace, ghost, units]);
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: { xs: "minmax(0,1fr)", sm: "repeat(2, minmax(0,1fr))" }, gap: 1 }}>
      {graphs.map((graph) => (
        <LineChart key={graph.label} {...graph} cursor={cursorS} />
      ))}
    </Box>
  );
}

function graphsOf(trace: Trace, ghost: Trace | null, units: UnitSystem): LineChartProps[] {
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
    ...(ghost ? [line("the dashed one", ghost, pick(ghost), "slate", "dotted")] : []),
  ];
  const most = (lines: readonly Line[], least: number) =>
    Math.max(least, ...lines.flatMap(({ points }) => points.map(([, value]) => Math.abs(value))));
  const shared = {
    x: { name: "time, s", min: 0, max: Math.ceil(10 * trace.timeS[trace.timeS.length - 1]) / 10 },
    height: 190,
    namesAtEnds: false,
    tickX: (value: number) => numeral(value, 1),
    formatX: (value: number) => `${numeral(value, 2)} s`,
  };
  const rates = [
    line("roll", trace, trace.rollDps, "ink"),
    line("pitch", trace, trace.pitchDps, "shoal", "dashed"),
    line("yaw", trace, trace.yawDps, "buoy", "dotted"),
  ];
  const rateTop = Math.ceil(most(rates, 100) / 100) * 100;
  const height = both("height", (of) => of.heightM, "shoal");
  const thrust = both("thrust", (of) => of.thrustG, "buoy");
  return [
    {
      ...shared,
      label: "Turning rates over time",
      lines: rates,
      y: { name: "roll ——  pitch – –  yaw ···   °/s", min: -rateTop, max: rateTop },
      tickY: (value) => String(Math.round(value)),
      formatY: (value) => quantityText(value, "rate", units),
    },
    {
      ...shared,
      label: "Throttle stick over time",
      lines: both("stick", (of) => of.stickThrottle, "ink"),
      y: { name: "throttle stick, %", min: 0, max: 1 },
      tickY: (value) => String(Math.round(100 * value)),
      formatY: (value) => quantityText(value, "share", units),
    },
    {
      ...shared,
      label: "Height over time",
      lines: height,
      y: {
        name: `height, ${formatQuantity(0, "length", units).unit}`,
        min: 0,
        max: Math.ceil(most(height, 1) / 2) * 2,
      },
      tickY: (value) => formatQuantity(value, "length", units, 0).value,
      formatY: (value) => quantityText(value, "length", units),
    },
    {
      ...shared,
      label: "Thrust over weight over time",
      lines: thrust,
      y: { name: "thrust, g", min: 0, max: Math.ceil(most(thrust, 2)) },
      tickY: (value) => numeral(value, 1),
      formatY: (value) => quantityText(value, "thrust", units),
    },
  ];
}
