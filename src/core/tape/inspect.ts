import { median } from "../numbers";
import type { TapeColumn } from "./columns";
import { TapeRefused } from "./problem";
import { tapeAxes, type PerAxis, type Tape, type TapeAxis, type TapeGap, type TapeWarning } from "./tape";

const LEAST_ROWS = 20;
const SAMPLE_HZ = [45, 4400] as const;
/** More rows out of order than this share, and the file is something else. */
const MOST_OUT_OF_ORDER = 0.05;
const GAP_STEPS = 3;
/** Two rows apart by a step of 1 ms cannot differ by more. Estimate: beyond it is no turning. */
const JUMP_DPS = 1500;
const JUMP_DPS_PER_S = 400_000;
const SILENT_S = 2;
const CLIPPED_S = 0.02;
const UNEVEN = 0.25;

interface Late {
  readonly rows: number;
  readonly row: number;
}

/** A recording as it was read, with what is odd in it. Throws TapeRefused for one that is too short, out of order or sampled too rarely. */
export function inspected(read: {
  readonly timeS: Float64Array;
  readonly columns: ReadonlyMap<TapeColumn, Float32Array>;
  readonly modes: Tape["modes"];
  readonly late: { readonly repeated: Late; readonly backward: Late };
}): Tape {
  const { timeS, columns, late } = read;
  const count = timeS.length;
  const outOfOrder = late.repeated.rows + late.backward.rows;
  const all = count + outOfOrder;
  if (outOfOrder > Math.max(2, MOST_OUT_OF_ORDER * all))
    throw new TapeRefused({
      kind: "out-of-order",
      rows: outOfOrder,
      of: all,
      row: Math.min(...[late.repeated, late.backward].filter(({ rows }) => rows > 0).map(({ row }) => row)),
    });
  if (count < LEAST_ROWS) throw new TapeRefused({ kind: "too-few-rows", rows: count, least: LEAST_ROWS });
  const stepS = usualStep(timeS);
  const sampleHz = 1 / stepS;
  if (sampleHz < SAMPLE_HZ[0] || sampleHz > SAMPLE_HZ[1])
    throw new TapeRefused({ kind: "sample-rate", hz: sampleHz, range: SAMPLE_HZ });
  const column = (name: TapeColumn) => columns.get(name)!;
  const perAxis = (before: string, after: string): PerAxis<Float32Array> => ({
    roll: column(`${before}_roll${after}` as TapeColumn),
    pitch: column(`${before}_pitch${after}` as TapeColumn),
    yaw: column(`${before}_yaw${after}` as TapeColumn),
  });
  const has = (...names: TapeColumn[]) => names.every((name) => columns.has(name));
  const tape = {
    timeS,
    stick: { ...perAxis("stick", ""), throttle: column("throttle") },
    gyroDps: perAxis("gyro", "_dps"),
    rateDps: has("rate_roll_dps", "rate_pitch_dps", "rate_yaw_dps") ? perAxis("rate", "_dps") : null,
    accelMps2: has("accel_x_mps2", "accel_y_mps2", "accel_z_mps2")
      ? { x: column("accel_x_mps2"), y: column("accel_y_mps2"), z: column("accel_z_mps2") }
      : null,
    motors: has("motor_1", "motor_2", "motor_3", "motor_4")
      ? (["motor_1", "motor_2", "motor_3", "motor_4"] as const).map(column)
      : [],
    batteryV: columns.get("battery_v") ?? null,
    modes: read.modes,
    sampleHz,
    gaps: gapsOf(timeS, stepS),
  };
  return { ...tape, warnings: warningsOf(tape, late) };
}

/** The middle one of the steps of time, by a sample of them. */
function usualStep(timeS: Float64Array): number {
  const every = Math.max(1, Math.floor(timeS.length / 20_000));
  const steps: number[] = [];
  for (let i = 1; i < timeS.length; i += every) steps.push(timeS[i] - timeS[i - 1]);
  return median(steps);
}

function gapsOf(timeS: Float64Array, stepS: number): TapeGap[] {
  const gaps: TapeGap[] = [];
  for (let i = 1; i < timeS.length; i++)
    if (timeS[i] - timeS[i - 1] > GAP_STEPS * stepS) gaps.push({ fromS: timeS[i - 1], toS: timeS[i] });
  return gaps;
}

type Unwarned = Omit<Tape, "warnings">;

function warningsOf(tape: Unwarned, late: { readonly repeated: Late; readonly backward: Late }): TapeWarning[] {
  const warnings: TapeWarning[] = [];
  if (late.repeated.rows > 0) warnings.push({ kind: "time-repeated", ...late.repeated });
  if (late.backward.rows > 0) warnings.push({ kind: "time-backward", ...late.backward });
  if (tape.gaps.length > 0) {
    const longest = tape.gaps.reduce((a, b) => (b.toS - b.fromS > a.toS - a.fromS ? b : a));
    const longestS = longest.toS - longest.fromS;
    warnings.push({ kind: "gaps", count: tape.gaps.length, longestS, atS: longest.fromS });
  }
  const share = unevenShare(tape);
  if (share > 0.02) warnings.push({ kind: "uneven", share });
  for (const axis of tapeAxes) warnings.push(...oddTurning(tape, axis), ...oddStick(tape, axis));
  return warnings;
}

function unevenShare({ timeS, sampleHz }: Unwarned): number {
  let uneven = 0;
  for (let i = 1; i < timeS.length; i++) {
    const steps = (timeS[i] - timeS[i - 1]) * sampleHz;
    if (Math.abs(steps - 1) > UNEVEN && steps <= GAP_STEPS) uneven++;
  }
  return uneven / timeS.length;
}

/** Jumps, ends and silence of a gyro, in one pass. */
function oddTurning({ timeS, gyroDps, sampleHz }: Unwarned, axis: TapeAxis): TapeWarning[] {
  const gyro = gyroDps[axis];
  const warnings: TapeWarning[] = [];
  let jumps = 0;
  let jumpAtS = 0;
  let most = 0;
  for (let i = 1; i < gyro.length; i++) {
    const size = Math.abs(gyro[i]);
    if (size > most) most = size;
    if (Math.abs(gyro[i] - gyro[i - 1]) > Math.max(JUMP_DPS, (timeS[i] - timeS[i - 1]) * JUMP_DPS_PER_S))
      if (jumps++ === 0) jumpAtS = timeS[i];
  }
  if (jumps > 0) warnings.push({ kind: "jump", axis, count: jumps, atS: jumpAtS });
  const runs = sameRuns(timeS, gyro);
  const ends = runs.filter(({ value, forS }) => Math.abs(value) === most && most > 200 && forS >= CLIPPED_S);
  if (ends.length > 0 && CLIPPED_S * sampleHz >= 2)
    warnings.push({
      kind: "clipped",
      axis,
      atDps: most,
      atS: ends[0].fromS,
      forS: ends.reduce((sum, { forS }) => sum + forS, 0),
    });
  warnings.push(
    ...runs
      .filter(({ forS }) => forS >= SILENT_S)
      .map(({ fromS, toS }) => ({ kind: "silent" as const, what: "gyro" as const, axis, fromS, toS })),
  );
  return warnings;
}

/** A stick that never moves, or one that the aircraft turns against. */
function oddStick({ timeS, stick, gyroDps, sampleHz }: Unwarned, axis: TapeAxis): TapeWarning[] {
  const [x, y] = [stick[axis], gyroDps[axis]];
  const last = timeS.length - 1;
  if (x.every((value) => value === x[0]))
    return [{ kind: "silent", what: "stick", axis, fromS: timeS[0], toS: timeS[last] }];
  // The aircraft answers some 50 ms later.
  const lag = Math.round(0.05 * sampleHz);
  let [xy, xx, yy] = [0, 0, 0];
  for (let i = lag; i < x.length; i++) {
    const moved = x[i - lag];
    xy += moved * y[i];
    xx += moved * moved;
    yy += y[i] * y[i];
  }
  const correlation = xx * yy > 0 ? xy / Math.sqrt(xx * yy) : 0;
  return correlation < -0.5 ? [{ kind: "sign", axis, correlation }] : [];
}

interface SameRun {
  readonly fromS: number;
  readonly toS: number;
  readonly forS: number;
  readonly value: number;
}

/** Stretches in which a column says exactly the same, of at least CLIPPED_S. */
function sameRuns(timeS: Float64Array, values: Float32Array): SameRun[] {
  const runs: SameRun[] = [];
  let from = 0;
  for (let i = 1; i <= values.length; i++) {
    if (i < values.length && values[i] === values[from]) continue;
    const [fromS, toS] = [timeS[from], timeS[i - 1]];
    if (toS - fromS >= CLIPPED_S) runs.push({ fromS, toS, forS: toS - fromS, value: values[from] });
    from = i;
  }
  return runs;
}
