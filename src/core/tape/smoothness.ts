import { median } from "../numbers";
import { figuresOf } from "./figures";
import { gridOf } from "./grid";
import { powerOfTwo, transform } from "./spectrum";
import type { Tape } from "./tape";

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

/** Shorter movements than this say nothing. */
const LEAST_S = 0.2;

/** The middle smoothness of the movements of a recording, by how fast the aircraft turned in each; null where it never did. */
export function smoothness(tape: Tape): (Smoothness & { readonly moves: number }) | null {
  const grid = gridOf(tape);
  const each = figuresOf(grid)
    .flatMap(({ moves }) => moves)
    .filter(({ from, to }) => to - from >= LEAST_S * grid.hz)
    .flatMap(({ from, to }) => {
      const speed = Array.from({ length: to - from }, (_, i) =>
        Math.hypot(grid.rate.roll[from + i], grid.rate.pitch[from + i], grid.rate.yaw[from + i]),
      );
      return movementSmoothness(speed, grid.hz) ?? [];
    });
  if (each.length === 0) return null;
  return {
    logDimensionlessJerk: median(each.map((one) => one.logDimensionlessJerk)),
    spectralArcLength: median(each.map((one) => one.spectralArcLength)),
    moves: each.length,
  };
}
