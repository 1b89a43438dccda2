"use client";

import type { Flight, Trace, WayOut } from "@/core";
import { PathView } from "./path-view";
import { SideView, type SideViewProps } from "./side-view";
import { GLYPH_EVERY_S, travelsFar } from "./travels";

/** A flight from the side: to scale over its way, or over time where it hardly travels or that is asked for. */
export function FromTheSide({
  flight: { trace, obstacles },
  over = travelsFar(trace) ? "way" : "time",
  cursor,
  wayOut,
  ghost = null,
  ceilingM = null,
  phases = [],
  level = null,
  width = 460,
  height,
}: {
  flight: Pick<Flight, "trace" | "obstacles">;
  over?: "way" | "time";
  cursor: number | null;
  wayOut: WayOut | null;
  /** Another flight behind it. */
  ghost?: Trace | null;
  ceilingM?: number | null;
  width?: number;
  height: number;
} & Partial<Pick<SideViewProps, "phases" | "level">>) {
  return over === "way" ? (
    <PathView
      plane="side"
      everyS={GLYPH_EVERY_S}
      {...{ trace, obstacles, ghost, cursor, wayOut, ceilingM, width, height }}
    />
  ) : (
    <SideView everyS={GLYPH_EVERY_S} {...{ trace, phases, level, cursor }} />
  );
}
