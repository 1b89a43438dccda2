import type { StepWants } from "./types";

/** Settings that are usual at a stage, and why. */
export interface StageSettings {
  readonly endDps: number;
  readonly tiltDeg: number;
  readonly tiltWords: string;
  /** Share of full throttle; null for no limit. */
  readonly throttleScale: number | null;
  readonly throttleExpo: number;
  readonly bankLimitDeg: number | null;
  readonly why: string;
}

/**
 * Usual settings by stage 0 to 7. Learner's end rate 300, first flips 700 and under 800, throttle 60–70 %, then 85, then off, bank limit 30, 45,
 * 60, off: common practice, no source. Where practice names a range, the value within it is ours.
 */
export const byStage: readonly StageSettings[] = [
  {
    endDps: 300,
    tiltDeg: 0,
    tiltWords: "0–5°",
    throttleScale: 0.65,
    throttleExpo: 0.4,
    bankLimitDeg: 30,
    why: "first flights: slow to turn, slow to climb",
  },
  {
    endDps: 300,
    tiltDeg: 0,
    tiltWords: "0–5°",
    throttleScale: 0.65,
    throttleExpo: 0.4,
    bankLimitDeg: 30,
    why: "by eye: the aircraft should not outrun the thought",
  },
  {
    endDps: 450,
    tiltDeg: 10,
    tiltWords: "0–5° hovering, 5–10° moving, 10–20° in rate mode",
    throttleScale: 0.85,
    throttleExpo: 0.4,
    bankLimitDeg: 60,
    why: "through the camera: the ground ahead stays in the picture while it slows",
  },
  {
    endDps: 550,
    tiltDeg: 15,
    tiltWords: "10–20°",
    throttleScale: 0.85,
    throttleExpo: 0.4,
    bankLimitDeg: null,
    why: "gaps: slow and exact; knife edge needs no bank limit",
  },
  {
    endDps: 700,
    tiltDeg: 20,
    tiltWords: "15–25°",
    throttleScale: null,
    throttleExpo: 0.35,
    bankLimitDeg: null,
    why: "flips and rolls: about 700 and under 800 to begin; the punch needs all of the throttle",
  },
  {
    endDps: 720,
    tiltDeg: 25,
    tiltWords: "20–30°",
    throttleScale: null,
    throttleExpo: 0.35,
    bankLimitDeg: null,
    why: "upside down: hang time comes from the punch",
  },
  {
    endDps: 740,
    tiltDeg: 25,
    tiltWords: "25–35°",
    throttleScale: null,
    throttleExpo: 0.3,
    bankLimitDeg: null,
    why: "loops, spins, orbits: more tilt sees into the loop sooner and holds a back-facing orbit with less thrust",
  },
  {
    endDps: 760,
    tiltDeg: 30,
    tiltWords: "25–40°",
    throttleScale: null,
    throttleExpo: 0.3,
    bankLimitDeg: null,
    why: "style and lines: speed without looking at the ground",
  },
];

/** Usual tilt of a stage in words. */
export function usualTilt(stage: number): string {
  return byStage[stage]?.tiltWords ?? "";
}

/** Settings a stage usually wants, in a line; a step's own wants go over the stage's. */
export function usualSettings(stage: number, wants: StepWants = {}): string {
  const usual = byStage[stage];
  if (!usual) return "";
  const { tiltWords, endDps, throttleScale } = usual;
  const own = wants.bankLimitDeg !== undefined;
  const bankLimitDeg = own ? wants.bankLimitDeg : usual.bankLimitDeg;
  return [
    ...(wants.selfLevel ? ["Self-level on"] : []),
    `${wants.selfLevel ? "tilt" : "Tilt"} ${wants.mostTiltDeg === undefined ? tiltWords : `up to ${wants.mostTiltDeg}°`}`,
    `end rate near ${endDps} °/s`,
    ...(throttleScale === null ? [] : [`throttle scaled to ${Math.round(100 * throttleScale)}\u202f%`]),
    ...(bankLimitDeg == null
      ? own
        ? ["no bank limit"]
        : []
      : [`bank limit ${bankLimitDeg}°${own ? "" : " where the route has one"}`]),
  ]
    .join(", ")
    .concat(".");
}

/** End rate and throttle scale that are usual at a stage; null for no scale. */
export const usualAt = (stage: number): Pick<StageSettings, "endDps" | "throttleScale"> | null =>
  byStage[stage] ?? null;
