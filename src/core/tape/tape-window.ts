import { DEG_PER_RAD, RAD_PER_DEG, requireFinite, requireWhole } from "../numbers";
import { gridOf, type Grid } from "./grid";
import { tapeAxes, type PerAxis, type Tape } from "./tape";

/** Least and most in equal parts of a stretch of time: nothing that is shorter than a part is lost. */
export interface Extremes {
  readonly low: number[];
  readonly high: number[];
}

/** A stretch of a recording as it is drawn, in as many parts as there is room for. */
export interface TapeWindow {
  readonly fromS: number;
  readonly toS: number;
  /** Elevation of the camera's axis, °, as the gyro tells. */
  readonly view: Extremes;
  readonly rateDps: PerAxis<Extremes>;
  readonly stick: PerAxis<Extremes>;
  readonly throttle: Extremes;
}

const MOST_COLUMNS = 4000;

/**
 * A stretch of a recording in at most `columns` parts. Walks over the grid, which has at most 250 steps a second: an hour and a half is a few milliseconds.
 * Throws a DomainError for a stretch or columns out of range.
 */
export function tapeWindow(
  tape: Tape,
  { fromS, toS, columns, tiltDeg }: { fromS: number; toS: number; columns: number; tiltDeg: number },
): TapeWindow {
  requireFinite("fromS", fromS);
  requireFinite("toS", toS);
  requireWhole("columns", columns, 1, MOST_COLUMNS);
  const grid = gridOf(tape);
  const { hz, startS, count, rate, stick } = grid;
  const first = Math.max(0, Math.min(count - 1, Math.floor((fromS - startS) * hz)));
  const end = Math.max(first + 1, Math.min(count, Math.ceil((toS - startS) * hz)));
  const part = (value: (i: number) => number) => extremes(value, first, end, Math.min(columns, end - first));
  const perAxis = (of: PerAxis<Float32Array>) =>
    Object.fromEntries(tapeAxes.map((axis) => [axis, part((i) => of[axis][i])])) as unknown as PerAxis<Extremes>;
  return {
    fromS: startS + first / hz,
    toS: startS + end / hz,
    view: part(elevationIn(grid, tiltDeg)),
    rateDps: perAxis(rate),
    stick: perAxis(stick),
    throttle: part((i) => stick.throttle[i]),
  };
}

/** Elevation of an axis tilted up from the nose, by where down is in the body. */
function elevationIn({ down, downNose }: Grid, tiltDeg: number): (i: number) => number {
  const [cos, sin] = [Math.cos(RAD_PER_DEG * tiltDeg), Math.sin(RAD_PER_DEG * tiltDeg)];
  return (i) => DEG_PER_RAD * Math.asin(Math.max(-1, Math.min(1, sin * down[i] - cos * downNose[i])));
}

function extremes(value: (i: number) => number, first: number, end: number, columns: number): Extremes {
  const low = new Array<number>(columns).fill(Infinity);
  const high = new Array<number>(columns).fill(-Infinity);
  for (let i = first; i < end; i++) {
    const at = Math.min(columns - 1, Math.floor(((i - first) * columns) / (end - first)));
    const here = value(i);
    low[at] = Math.min(low[at], here);
    high[at] = Math.max(high[at], here);
  }
  return { low, high };
}
