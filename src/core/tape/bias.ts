import { tapeAxes, type PerAxis, type Tape } from "./tape";

/** What the gyro says while the aircraft stands still. */
export interface GyroBias {
  readonly dps: PerAxis<number>;
  /** Seconds of standing still that it was taken from; 0 where there were none and nothing is taken off. */
  readonly stillS: number;
}

const WINDOW_S = 0.5;
const STILL_THROTTLE = 0.05;
/** A gyro that stands still says the same within this, rms, and not more than that. Estimates of ours. */
const STILL_RMS_DPS = 1.5;
const MOST_BIAS_DPS = 10;

/** The gyro's bias from moments on the ground: throttle closed, sticks left alone, no turning for half a second. */
export function gyroBias({ timeS, stick, gyroDps, sampleHz }: Tape): GyroBias {
  const rows = Math.max(4, Math.round(WINDOW_S * sampleHz));
  const sums = [0, 0, 0];
  let windows = 0;
  for (let from = 0; from + rows <= timeS.length; from += rows) {
    if (!closed(stick.throttle, from, from + rows)) continue;
    const means = tapeAxes.map((axis) => stillMean(gyroDps[axis], from, from + rows));
    if (means.some((mean) => mean === null)) continue;
    means.forEach((mean, i) => (sums[i] += mean!));
    windows++;
  }
  const [roll, pitch, yaw] = sums.map((sum) => (windows === 0 ? 0 : sum / windows));
  return { dps: { roll, pitch, yaw }, stillS: (windows * rows) / sampleHz };
}

function closed(throttle: Float32Array, from: number, to: number): boolean {
  for (let i = from; i < to; i++) if (throttle[i] > STILL_THROTTLE) return false;
  return true;
}

/** The mean of a stretch that is still; null for one that is not. */
function stillMean(values: Float32Array, from: number, to: number): number | null {
  let [sum, squares] = [0, 0];
  for (let i = from; i < to; i++) {
    sum += values[i];
    squares += values[i] * values[i];
  }
  const mean = sum / (to - from);
  const rms = Math.sqrt(Math.max(0, squares / (to - from) - mean * mean));
  return rms <= STILL_RMS_DPS && Math.abs(mean) <= MOST_BIAS_DPS ? mean : null;
}
