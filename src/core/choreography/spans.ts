import { toEuler } from "../attitude";
import { DEG_PER_RAD, RAD_PER_DEG, wrapDeg } from "../numbers";
import { resolve, type Flight, type Guard, type Recipe, type Trace, type TrimFigures } from "../recipes";

/** When a phase was flown. */
export interface PhaseSpan {
  readonly startS: number;
  readonly endS: number;
  /** It was given up after its longest time: no guard ended it. */
  readonly timedOut: boolean;
  /** The flight broke off in it. */
  readonly brokeOff: boolean;
}

/** When each phase was flown, by its place; null for those never begun. */
export function phaseSpans(recipe: Recipe, { events, trace }: Flight): readonly (PhaseSpan | null)[] {
  const startOf = (id: string) => events.find((event) => event.kind === "phase" && event.detail === id)?.timeS;
  const overS = trace.timeS[trace.timeS.length - 1];
  const met = events.some(({ kind }) => kind === "crash" || kind === "touchdown");
  return recipe.phases.map((phase, i) => {
    const startS = startOf(phase.id);
    if (startS === undefined) return null;
    const next = recipe.phases[i + 1];
    const nextS = next && startOf(next.id);
    const timedOut = events.some((event) => event.kind === "phase-timeout" && event.detail === phase.id);
    return { startS, endS: nextS ?? overS, timedOut, brokeOff: nextS === undefined && met };
  });
}

const turnedColumns = {
  roll: "turnedRollDeg",
  pitch: "turnedPitchDeg",
  yaw: "turnedYawDeg",
  view: "turnedViewDeg",
} as const;

/** What a guard of a phase that began at `startS` watches, sample by sample of the whole flight. */
export function watchedBy(
  recipe: Recipe,
  guard: Guard,
  trace: Trace,
  startS: number,
  figures: TrimFigures,
): readonly number[] {
  const each = (of: (i: number) => number) => trace.timeS.map((_, i) => of(i));
  switch (guard.kind) {
    case "time":
      return each((i) => trace.timeS[i] - startS);
    case "turned": {
      const leadS = resolve(recipe, guard.leadS ?? 0, figures);
      const turned = trace[turnedColumns[guard.axis]];
      return each((i) => Math.abs(turned[i] + leadS * rateAbout(guard.axis, trace, i, figures.tiltDeg)));
    }
    case "climb":
      return trace.climbMps;
    case "height":
      return each((i) => trace.heightM[i] - trace.heightM[0]);
    case "ground":
      return trace.heightM;
    case "along":
      return trace.northM;
    case "ahead":
      return trace.vNorthMps;
    case "pitch":
      return each((i) => eulerAt(trace, i).pitchDeg);
    case "heading":
      return headingTurned(trace);
    case "upright":
      return each((i) => DEG_PER_RAD * Math.acos(Math.max(-1, 1 - 2 * (trace.qx[i] ** 2 + trace.qy[i] ** 2))));
  }
}

/** What is watched at a time, and how fast it moves: read on from the two samples before it, in which nothing of what comes after shows. */
export function readAt(
  trace: Trace,
  watched: readonly number[],
  timeS: number,
): { readonly value: number; readonly perS: number } {
  const to = Math.max(1, Math.min(trace.timeS.length - 1, Math.floor(timeS / trace.sampleS + 1e-6)));
  const spanS = Math.max(1e-9, trace.timeS[to] - trace.timeS[to - 1]);
  const perS = (watched[to] - watched[to - 1]) / spanS;
  return { value: watched[to] + perS * (timeS - trace.timeS[to]), perS };
}

const eulerAt = (trace: Trace, i: number) =>
  toEuler({ w: trace.qw[i], x: trace.qx[i], y: trace.qy[i], z: trace.qz[i] });

function rateAbout(axis: keyof typeof turnedColumns, trace: Trace, i: number, tiltDeg: number): number {
  const tilt = RAD_PER_DEG * tiltDeg;
  switch (axis) {
    case "roll":
      return trace.rollDps[i];
    case "pitch":
      return trace.pitchDps[i];
    case "yaw":
      return trace.yawDps[i];
    case "view":
      return Math.cos(tilt) * trace.rollDps[i] - Math.sin(tilt) * trace.yawDps[i];
  }
}

/** As the pilot counts it in flight: on past half a turn, and not near the vertical, where the heading jumps about. */
function headingTurned(trace: Trace): readonly number[] {
  let turned = 0;
  let before = 0;
  return trace.timeS.map((_, i) => {
    const { pitchDeg, yawDeg } = eulerAt(trace, i);
    if (i > 0 && Math.abs(pitchDeg) < 80) turned += wrapDeg(yawDeg - before);
    before = yawDeg;
    return turned;
  });
}
