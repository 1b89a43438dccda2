"use client";

import "ol/ol.css";
import { useTheme } from "@mui/material/styles";
import { useEffect, useRef } from "react";
import { Box } from "@/ui/layout/box";
import { usePreferences } from "@/ui/theme/preferences";
import { planLooks } from "./plan-looks";
import { PlanMap, type Drawn, type PlanEvents, type Tool } from "./plan-map";

export interface PlanCanvasProps {
  readonly drawn: Drawn;
  readonly events: PlanEvents;
  readonly tool: Tool;
  readonly mayChange: boolean;
  readonly label: string;
  /** Hands out what the buttons beside it do. */
  readonly onReady: (map: Pick<PlanMap, "zoom" | "fit" | "cancel" | "centre"> | null) => void;
}

/** The plan itself; everything it does can be done by keys and fields beside it, too. */
export default function PlanCanvas({ drawn, events, tool, mayChange, label, onReady }: PlanCanvasProps) {
  const { tokens } = useTheme();
  const imperial = usePreferences().units === "imperial";
  const target = useRef<HTMLDivElement>(null);
  const map = useRef<PlanMap | null>(null);
  const first = useRef({ drawn, events, onReady });
  useEffect(() => {
    first.current = { drawn, events, onReady };
    map.current?.listen(events);
    map.current?.show(drawn);
  }, [drawn, events, onReady]);
  useEffect(() => {
    const element = target.current;
    if (!element) return;
    const made = new PlanMap(element, planLooks(tokens), first.current.events, { mayChange, imperial });
    map.current = made;
    made.show(first.current.drawn);
    const watch = new ResizeObserver(() => made.resized());
    watch.observe(element);
    const tell = first.current.onReady;
    tell(made);
    return () => {
      tell(null);
      watch.disconnect();
      made.end();
      map.current = null;
    };
  }, [tokens, mayChange, imperial]);
  useEffect(() => map.current?.use(tool), [tool, tokens, mayChange, imperial]);
  return <Box ref={target} role="img" aria-label={label} sx={{ position: "absolute", inset: 0 }} />;
}
