import type { Flight } from "../../recipes";
import { seededRandom } from "../../numbers";
import { columnNames } from "../columns";

export interface Sampling {
  readonly hz: number;
  readonly seed?: number;
  /** Constant offset of the gyro, °/s; share by which it is too large; noise, °/s rms. */
  readonly biasDps?: number;
  readonly scale?: number;
  readonly noiseDps?: number;
  /** Of each step of time, as a share of it. */
  readonly jitter?: number;
  /** Share of rows that are lacking. */
  readonly dropped?: number;
  /** Positions of the sticks, and how often they are sent in a second. */
  readonly stickSteps?: number;
  readonly stickHz?: number;
}

/** Standing on the ground before it begins, for the gyro's bias, and flying on after it, s. */
const STILL_S = 2;
const QUIET_S = 1.5;

/** A model flight as a recording: text of the open format, with what receivers and gyros do to it. Rates between the flight's samples by a cubic. */
export function flownTape(flight: Pick<Flight, "trace">, sampling: Sampling): string {
  const { hz, seed = 1, biasDps = 0, scale = 0, noiseDps = 0, jitter = 0, dropped = 0 } = sampling;
  const { stickSteps = 2048, stickHz = 500 } = sampling;
  const { trace } = flight;
  const random = seededRandom(seed);
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  const endS = trace.timeS[trace.timeS.length - 1];
  const value = (column: number[], s: number) => cubicAt(column, Math.max(0, Math.min(endS, s)) / trace.sampleS);
  const lines = [columnNames.slice(0, 8).join(",")];
  const total = STILL_S + QUIET_S + endS + QUIET_S;
  for (let n = 0; n < total * hz; n++) {
    const timeS = (n + jitter * (random() - 0.5)) / hz;
    if (dropped > 0 && random() < dropped) continue;
    const s = timeS - STILL_S - QUIET_S;
    const flying = timeS > STILL_S;
    const turning = s >= 0 && s <= endS;
    const sent = Math.floor(s * stickHz) / stickHz;
    const stick = (column: number[]) =>
      turning ? Math.round((value(column, sent) * stickSteps) / 2) / (stickSteps / 2) : 0;
    const throttle = flying ? clamp(value(trace.stickThrottle, turning ? sent : s), 0, 1) : 0;
    const gyro = (column: number[]) =>
      (turning ? value(column, s) * (1 + scale) : 0) + biasDps + (flying ? noiseDps : 0.1 * noiseDps) * normal();
    const row = [
      clamp(stick(trace.stickRoll), -1, 1),
      clamp(stick(trace.stickPitch), -1, 1),
      clamp(stick(trace.stickYaw), -1, 1),
      throttle,
      gyro(trace.rollDps),
      gyro(trace.pitchDps),
      gyro(trace.yawDps),
    ];
    lines.push([timeS.toFixed(6), ...row.map((one) => one.toFixed(4))].join(","));
  }
  return `${lines.join("\n")}\n`;
}

const clamp = (x: number, min: number, max: number) => Math.min(max, Math.max(min, x));

/** By the cubic of Catmull and Rom through the four samples about a place. */
function cubicAt(values: number[], place: number): number {
  const i = Math.max(0, Math.min(values.length - 2, Math.floor(place)));
  const t = Math.min(1, place - i);
  const at = (k: number) => values[Math.max(0, Math.min(values.length - 1, k))];
  const [a, b, c, d] = [at(i - 1), at(i), at(i + 1), at(i + 2)];
  return b + 0.5 * t * (c - a + t * (2 * a - 5 * b + 4 * c - d + t * (3 * (b - c) + d - a)));
}
