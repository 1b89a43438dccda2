import { LineChart } from "echarts/charts";
import { GridComponent, TitleComponent } from "echarts/components";
import { init, use as register } from "echarts/core";
import { SVGRenderer } from "echarts/renderers";

register([LineChart, GridComponent, TitleComponent, SVGRenderer]);

/** A curve on paper: points as share of the width and height of its frame, from the lower left. */
export interface PaperCurve {
  readonly points: readonly (readonly [x: number, y: number])[];
  readonly colour: string;
  readonly widthPt: number;
  /** Lengths of dashes and gaps, pt; a full line without. */
  readonly dash?: readonly number[];
  /** Stands at the first point. */
  readonly label?: string;
}

export interface CurvesOnPaper {
  readonly title: string;
  readonly widthPt: number;
  readonly heightPt: number;
  /** What stands at the upper end of the upright axis, and at the right end of the other. */
  readonly ends: { readonly top: string; readonly right: string };
  readonly curves: readonly PaperCurve[];
  readonly colours: { readonly ink: string; readonly rule: string };
}

/** The chart library draws to whole dots: so many to a point. */
const DOTS = 10;
const ROOM = { left: 16 * DOTS, right: 2 * DOTS, top: 9 * DOTS, bottom: 10 * DOTS };
const FONT = 5.5 * DOTS;
const QUARTERS = { min: 0, max: 1, interval: 0.25 } as const;

/** Curves in a frame with a grid of quarters, as SVG for a document: drawn by the chart library on the server. */
export function curvesSvg({ title, widthPt, heightPt, ends, curves, colours }: CurvesOnPaper): string {
  const chart = init(null, null, { renderer: "svg", ssr: true, width: widthPt * DOTS, height: heightPt * DOTS });
  const words = { fontFamily: "Words", fontSize: FONT, color: colours.ink };
  const axis = {
    type: "value" as const,
    ...QUARTERS,
    axisTick: { show: false },
    axisLine: { show: true, onZero: false, lineStyle: { color: colours.ink, width: 0.8 * DOTS } },
    splitLine: { lineStyle: { color: colours.rule, width: 0.4 * DOTS } },
  };
  chart.setOption({
    animation: false,
    grid: { ...ROOM, outerBoundsMode: "none" },
    title: {
      text: title,
      left: ROOM.left + 3 * DOTS,
      top: DOTS,
      padding: 0,
      textStyle: { ...words, fontWeight: "normal" },
    },
    xAxis: {
      ...axis,
      axisLabel: {
        ...words,
        margin: 3 * DOTS,
        alignMaxLabel: "right",
        formatter: (at: number) => (at === 1 ? ends.right : ""),
      },
    },
    yAxis: {
      ...axis,
      axisLabel: { ...words, margin: 2 * DOTS, formatter: (at: number) => ({ 0: "0", 1: ends.top })[at] ?? "" },
    },
    series: curves.map(({ points, colour, widthPt: width, dash, label }) => ({
      type: "line",
      data: points.map((value, i) =>
        label !== undefined && i === 0
          ? {
              value,
              label: { show: true, position: [2 * DOTS, -FONT - DOTS], formatter: label, ...words, color: colour },
            }
          : value,
      ),
      // Nothing to be seen of it; the words at a point want one.
      symbol: label === undefined ? "none" : "circle",
      symbolSize: 0.01,
      lineStyle: { color: colour, width: width * DOTS, type: dash?.map((length) => length * DOTS) ?? "solid" },
      itemStyle: { color: colour },
    })),
  });
  const svg = chart.renderToSVGString();
  chart.dispose();
  return svg;
}
