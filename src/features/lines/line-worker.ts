import type { Environment, Line, LineFlight } from "@/core";
import type { Aircraft, Setup } from "@/contract";
import { createPool, type Pool } from "@/ui/scatter/pool";
import type { LineWorker } from "@/workers/line.worker";

/** With what lines are flown: an aircraft, its settings and the air of the day. */
export interface FlownWith {
  readonly airframe: Aircraft["airframe"];
  readonly settings: Setup["settings"];
  readonly environment: Environment;
}

export interface LineRequest extends FlownWith {
  readonly line: Line;
}

export interface FlownLine {
  /** With its first trick worked out. */
  readonly line: Line;
  readonly flight: LineFlight;
}

export const lineWorker = () =>
  new Worker(new URL("../../workers/line.worker.ts", import.meta.url), { type: "module" });

/** Workers that fly lines, as many as there are cores if not said. */
export const linePool = (count?: number): Pool<LineWorker> => createPool<LineWorker>({ start: lineWorker, count });
