import { median } from "../numbers";
import { gridOf } from "./grid";
import { powerOfTwo, transform } from "./spectrum";
import { tapeAxes, type Tape } from "./tape";

/** How smooth movements are: the nearer to 0, the smoother. */
export interface Smoothness {
  readonly logDimensionlessJerk: number;
  readonly spectralArcLength: number;
}

/** Of the spectrum above which amplitudes count, and up to where. As their authors chose. */
const CUTOFF_HZ = 10;
const THRESHOLD = 0.05;
const PADDING = 16;

/**
 * Smoothness of one movement from its speed at equal steps: log dimensionless jerk, −ln(T³/v² ∫|v″|²dt), and spectral arc length, the negative length of the
 * normalised amplitude spectrum up to 10 Hz or where it stays below 5 % (Balasubramanian, Melendez-Calderon, Roby-Brami and Burdet, Journal of
 * NeuroEngineering and Rehabilitation 12:112, 2015). Null for a movement of fewer than eight steps or none at all.
 */
export function movementSmoothness(speed: ArrayLike<number>, hz: number): Smoothness | null {
  const n = speed.length;
  let peak = 0;
  for (let i = 0; i < n; i++) peak = Math.max(peak, Math.abs(speed[i]));
  if (n < 8 || peak === 0) return null;
  let jerk = 0;
  for (let i = 1; i < n - 1; i++) jerk += ((speed[i + 1] - 2 * speed[i] + speed[i - 1]) * hz * hz) ** 2 / hz;
  const durationS = (n - 1) / hz;
  return {
    logDimensionlessJerk: -Math.log((durationS ** 3 / peak ** 2) * jerk),
    spectralArcLength: arcLength(speed, hz),
  };
}

function arcLength(speed: ArrayLike<number>, hz: number): number {
  const size = powerOfTwo(speed.length) * PADDING;
  const re = new Float64Array(size);
  const im = new Float64Array(size);
  for (let i = 0; i < speed.length; i++) re[i] = speed[i];
  transform(re, im);
  const step = hz / size;
  const bins = Math.min(size / 2, Math.floor(CUTOFF_HZ / step) + 1);
  const amplitude = Array.from({ length: bins }, (_, k) => Math.hypot(re[k], im[k]));
  const most = Math.max(...amplitude);
  let last = bins - 1;
  while (last > 1 && amplitude[last] / most < THRESHOLD) last--;
  const whole = last * step;
  let length = 0;
  for (let k = 1; k <= last; k++) length += Math.hypot(step / whole, (amplitude[k] - amplitude[k - 1]) / most);
  return -length;
}

/** Stretches of so long are judged one by one; a running mean of so long, twice, takes off what is the machine's. Estimates of ours. */
const STRETCH_S = 2;
const SMOOTHED_S = 0.06;
const FLYING = 0.05;
/** Slower than this nothing is moved. */
const MOVED_DPS = 15;

/**
 * How smoothly a recording is flown: the middle smoothness of its stretches in the air, by how fast the aircraft turned, which hangs neither on the steps of the
 * sticks nor on how often they are sent. `moves` is the number of stretches; null where there is none.
 */
export function smoothness(tape: Tape): (Smoothness & { readonly moves: number }) | null {
  const grid = gridOf(tape);
  const { hz, count, stick } = grid;
  const width = Math.max(1, Math.round(SMOOTHED_S * hz));
  const [roll, pitch, yaw] = tapeAxes.map((axis) => runningMean(runningMean(grid.rate[axis], width), width));
  const length = Math.round(STRETCH_S * hz);
  const each: Smoothness[] = [];
  for (let from = 0; from + length <= count; from += length) {
    const speed = Float64Array.from({ length }, (_, i) => Math.hypot(roll[from + i], pitch[from + i], yaw[from + i]));
    if (Math.max(...speed) < MOVED_DPS) continue;
    if (stick.throttle.subarray(from, from + length).every((x) => x < FLYING)) continue;
    each.push(...[movementSmoothness(speed, hz)].flatMap((one) => one ?? []));
  }
  if (each.length === 0) return null;
  return {
    logDimensionlessJerk: median(each.map((one) => one.logDimensionlessJerk)),
    spectralArcLength: median(each.map((one) => one.spectralArcLength)),
    moves: each.length,
  };
}

function runningMean(values: ArrayLike<number>, width: number): Float64Array {
  const out = new Float64Array(values.length);
  let sum = 0;
  for (let i = 0; i < values.length; i++) {
    sum += values[i] - (i >= width ? values[i - width] : 0);
    out[i] = sum / Math.min(i + 1, width);
  }
  return out;
}
