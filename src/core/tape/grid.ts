import { RAD_PER_DEG } from "../numbers";
import { gyroBias } from "./bias";
import { tapeAxes, type PerAxis, type Tape } from "./tape";

/** A recording at equal steps: mean rates between them, so that the angle turned is kept, and where down is. */
export interface Grid {
  readonly hz: number;
  readonly startS: number;
  readonly count: number;
  /** Mean rate over the step that begins here, bias off, °/s. */
  readonly rate: PerAxis<Float32Array>;
  readonly stick: PerAxis<Float32Array> & { readonly throttle: Float32Array };
  /** Along body z of the vertical down: 1 upright, −1 upside down, as far as the gyro tells. */
  readonly down: Float32Array;
  /** Along body x of the vertical down: 1 nose down, −1 nose up. */
  readonly downNose: Float32Array;
  /** Along body y of the vertical down: 1 lying on its right side. */
  readonly downRight: Float32Array;
  /** Turning about the vertical, right from above positive, °/s. */
  readonly heading: Float32Array;
}

/** Fine enough for what hands do. */
const GRID_HZ = 250;
/** While hardly turning and roughly upright, what is taken as level comes back to the mean attitude in this time. Estimates of ours. */
const LEVEL_S = 3;
const QUIET_DPS = 45;
const UPRIGHT = 0.5;
/** What was turned in a longer gap than this nobody knows: nothing is taken. */
const KNOWN_S = 0.25;

const known = new WeakMap<Tape, Grid>();

/** Made once for a recording: everything that is asked of it reads the same. */
export function gridOf(tape: Tape): Grid {
  const grid = known.get(tape) ?? madeGrid(tape);
  known.set(tape, grid);
  return grid;
}

function madeGrid(tape: Tape): Grid {
  const { timeS, gyroDps, stick, sampleHz } = tape;
  const hz = Math.min(GRID_HZ, sampleHz);
  const startS = timeS[0];
  const count = Math.max(2, Math.floor((timeS[timeS.length - 1] - startS) * hz));
  const { dps } = gyroBias(tape);
  const rate = { roll: new Float32Array(count), pitch: new Float32Array(count), yaw: new Float32Array(count) };
  for (const axis of tapeAxes) meanRates(rate[axis], timeS, gyroDps[axis], dps[axis], hz);
  const at = (values: Float32Array) => heldAt(values, timeS, hz, count);
  const sticks = { roll: at(stick.roll), pitch: at(stick.pitch), yaw: at(stick.yaw), throttle: at(stick.throttle) };
  return { hz, startS, count, rate, stick: sticks, ...downOf(rate, hz) };
}

/** The angle turned by each step's begin and end, by the trapezoidal rule, shared out over the step. */
function meanRates(out: Float32Array, timeS: Float64Array, gyro: Float32Array, bias: number, hz: number): void {
  let row = 0;
  let angle = 0;
  let before = 0;
  const from = timeS[0];
  for (let i = 0; i <= out.length; i++) {
    const wanted = from + i / hz;
    while (row < timeS.length - 2 && timeS[row + 1] <= wanted) {
      const stepS = timeS[row + 1] - timeS[row];
      if (stepS <= KNOWN_S) angle += (0.5 * (gyro[row] + gyro[row + 1]) - bias) * stepS;
      row++;
    }
    const h = timeS[row + 1] - timeS[row];
    const t = Math.min(h, wanted - timeS[row]);
    const here = h > KNOWN_S ? angle : angle + (gyro[row] - bias + (0.5 * (gyro[row + 1] - gyro[row]) * t) / h) * t;
    if (i > 0) out[i - 1] = (here - before) * hz;
    before = here;
  }
}

/** The last value at or before each step. */
function heldAt(values: Float32Array, timeS: Float64Array, hz: number, count: number): Float32Array {
  const out = new Float32Array(count);
  let row = 0;
  for (let i = 0; i < count; i++) {
    const wanted = timeS[0] + i / hz;
    while (row < timeS.length - 1 && timeS[row + 1] <= wanted) row++;
    out[i] = values[row];
  }
  return out;
}

/** Where down is in the body, turned on by the gyro and drawn back to level while nothing turns. */
function downOf(rate: PerAxis<Float32Array>, hz: number): Pick<Grid, "down" | "downNose" | "downRight" | "heading"> {
  const count = rate.roll.length;
  const down = new Float32Array(count);
  const downNose = new Float32Array(count);
  const downRight = new Float32Array(count);
  const heading = new Float32Array(count);
  let [x, y, z] = [0, 0, 1];
  const back = 1 / (hz * LEVEL_S);
  for (let i = 0; i < count; i++) {
    const [p, q, r] = [rate.roll[i], rate.pitch[i], rate.yaw[i]];
    down[i] = z;
    downNose[i] = x;
    downRight[i] = y;
    heading[i] = p * x + q * y + r * z;
    const size = Math.sqrt(p * p + q * q + r * r);
    const angle = (RAD_PER_DEG * size) / hz;
    if (size > 1e-9) {
      // What stands still in the world turns the other way in the body (Rodrigues).
      const [a, b, c] = [p / size, q / size, r / size];
      const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
      const dot = (a * x + b * y + c * z) * (1 - cos);
      [x, y, z] = [
        x * cos - (b * z - c * y) * sin + a * dot,
        y * cos - (c * x - a * z) * sin + b * dot,
        z * cos - (a * y - b * x) * sin + c * dot,
      ];
    }
    if (size < QUIET_DPS && z > UPRIGHT) {
      x -= x * back;
      y -= y * back;
      const norm = 1 / Math.sqrt(x * x + y * y + z * z);
      [x, y, z] = [x * norm, y * norm, z * norm];
    }
  }
  return { down, downNose, downRight, heading };
}
