"use client";

import { LineChart } from "echarts/charts";
import {
  AriaComponent,
  GridComponent,
  MarkLineComponent,
  MarkPointComponent,
  TooltipComponent,
} from "echarts/components";
import { init, use as register, type EChartsCoreOption, type EChartsType } from "echarts/core";
import { CanvasRenderer } from "echarts/renderers";
import { useEffect, useRef } from "react";

register([
  LineChart,
  GridComponent,
  TooltipComponent,
  MarkLineComponent,
  MarkPointComponent,
  AriaComponent,
  CanvasRenderer,
]);

/** The canvas behind `Chart`; loaded in the browser only. */
export default function ChartCanvas({ option, label }: { option: EChartsCoreOption; label: string }) {
  const box = useRef<HTMLDivElement>(null);
  const chart = useRef<EChartsType | null>(null);
  useEffect(() => {
    const made = init(box.current!);
    chart.current = made;
    const watcher = new ResizeObserver(() => made.resize());
    watcher.observe(box.current!);
    return () => {
      watcher.disconnect();
      made.dispose();
    };
  }, []);
  useEffect(() => {
    // After the page, and each chart by itself: together they hold up whatever is dragged.
    const drawing = setTimeout(() => chart.current?.setOption(option, { notMerge: true }));
    return () => clearTimeout(drawing);
  }, [option]);
  return <div ref={box} role="img" aria-label={label} style={{ width: "100%", height: "100%" }} />;
}
