"use client";

import { useTheme } from "@mui/material/styles";
import type { EChartsCoreOption } from "echarts/core";
import dynamic from "next/dynamic";
import { memo, useDeferredValue, useMemo } from "react";
import { Box } from "../layout/box";
import { numberFont, wordFont } from "../theme/tokens";

const ChartCanvas = memo(dynamic(() => import("./chart-canvas"), { ssr: false }));

export interface Line {
  readonly name: string;
  /** x, y pairs. */
  readonly points: readonly (readonly [number, number])[];
  readonly look: "solid" | "dashed" | "dotted";
  readonly colour: "ink" | "shoal" | "buoy" | "slate";
}

export interface LineChartProps {
  /** What the chart shows, for people who do not see it. */
  readonly label: string;
  readonly lines: readonly Line[];
  readonly x: { readonly name: string; readonly min: number; readonly max: number };
  readonly y: { readonly name: string; readonly min: number; readonly max: number };
  /** Places marked across the chart. */
  readonly marks?: readonly { readonly at: number; readonly axis: "x" | "y"; readonly text: string }[];
  readonly height: number;
  /** A moment marked on the x axis that moves often; drawn over the chart. */
  readonly cursor?: number | null;
  /** Lines are named at their ends, or in words elsewhere. */
  readonly namesAtEnds?: boolean;
  /** Figures along the axes. */
  readonly tickX: (value: number) => string;
  readonly tickY: (value: number) => string;
  /** A reading under the pointer, with its unit. */
  readonly formatX: (value: number) => string;
  readonly formatY: (value: number) => string;
}

const NO_MARKS: NonNullable<LineChartProps["marks"]> = [];
/** Room for the figures of the y axis, px. */
const LEFT = 52;

/** The one chart wrapper: lines over a plane in the look of the theme, each told apart by dash and name. */
export function LineChart({
  label,
  lines,
  x,
  y,
  marks = NO_MARKS,
  height,
  tickX,
  tickY,
  formatX,
  formatY,
  namesAtEnds = true,
  cursor = null,
}: LineChartProps) {
  const { tokens } = useTheme();
  const right = namesAtEnds ? 92 : 12;
  const option = useMemo<EChartsCoreOption>(() => {
    const axis = (range: typeof x, format: (value: number) => string) => ({
      type: "value",
      name: range.name,
      nameLocation: "middle",
      min: range.min,
      max: range.max,
      axisLine: { lineStyle: { color: tokens.ink, width: 1.5 } },
      axisLabel: { color: tokens.ink, fontFamily: numberFont, fontSize: 10, formatter: format, hideOverlap: true },
      nameTextStyle: { color: tokens.inkSoft, fontFamily: wordFont, fontSize: 12 },
      splitLine: { lineStyle: { color: tokens.rule, width: 1, opacity: 0.6 } },
    });
    return {
      animation: false,
      grid: { left: LEFT, right, top: 14, bottom: 40 },
      textStyle: { fontFamily: wordFont },
      tooltip: {
        trigger: "axis",
        backgroundColor: tokens.ink,
        borderWidth: 0,
        textStyle: { color: tokens.paper, fontFamily: wordFont, fontSize: 12 },
        axisPointer: { type: "line", lineStyle: { color: tokens.ink, type: "solid" } },
        formatter: (found: readonly { seriesName: string; value: readonly [number, number] }[]) =>
          [formatX(found[0].value[0]), ...found.map((one) => `${one.seriesName}: ${formatY(one.value[1])}`)].join(
            "<br>",
          ),
      },
      xAxis: { ...axis(x, tickX), nameGap: 24 },
      yAxis: { ...axis(y, tickY), nameGap: 38 },
      series: lines.map((line, i) => ({
        type: "line",
        name: line.name,
        data: line.points,
        showSymbol: false,
        symbolSize: 7,
        lineStyle: { color: tokens[line.colour], width: 2.5, type: line.look },
        itemStyle: { color: tokens[line.colour] },
        endLabel: {
          show: namesAtEnds,
          formatter: line.name,
          color: tokens[line.colour === "buoy" ? "buoyText" : line.colour],
          fontSize: 12,
          fontWeight: 650,
        },
        labelLayout: { moveOverlap: "shiftY" },
        markLine:
          i > 0 || marks.length === 0
            ? undefined
            : {
                silent: true,
                symbol: "none",
                lineStyle: { color: tokens.ochreText, type: "dashed", width: 1.5 },
                label: { color: tokens.ochreText, fontSize: 11, position: "insideEndTop" },
                data: marks.map((mark) => ({
                  [mark.axis === "x" ? "xAxis" : "yAxis"]: mark.at,
                  label: { formatter: mark.text },
                })),
              },
      })),
    };
  }, [tokens, lines, x, y, marks, tickX, tickY, formatX, formatY, namesAtEnds, right]);
  // Drawn when there is time: under a moving slider the hand comes first, and pictures in between are left out.
  const shown = useDeferredValue(option);
  return (
    <Box sx={{ height, position: "relative", overflow: "hidden" }}>
      <ChartCanvas option={shown} label={label} />
      {cursor !== null && (
        <Box
          style={{
            left: `calc(${LEFT}px + (100% - ${LEFT + right}px) * ${(cursor - x.min) / (x.max - x.min)})`,
          }}
          sx={{ position: "absolute", top: 14, bottom: 40, width: "2px", bgcolor: tokens.buoy, pointerEvents: "none" }}
        />
      )}
    </Box>
  );
}
