import { seededRandom } from "@/core";
import { lineOf, type Frame } from "./made-up-aircraft";

/** What a made-up line can be told to do. */
const misdeeds = ["lost-frames", "garbage", "restart", "clock-jump", "slipped-tilt", "swapped-axes", "noise"] as const;
export type Misdeed = (typeof misdeeds)[number];
export const isMisdeed = (value: unknown): value is Misdeed => misdeeds.some((one) => one === value);

const LOST_SHARE = 0.03;
const GARBAGE_SHARE = 0.01;
const NOISE_DPS = 4;
const SLIPPED_DEG = 8;
const JUMP_S = 100;

/** A line between the aircraft and who listens, with what it does to the frames. */
export class Line {
  private readonly random: () => number;
  private shiftS = 0;

  constructor(seed: number) {
    this.random = seededRandom(seed);
  }

  /** A clock that jumps, forward or back. */
  jump(): void {
    this.shiftS += this.random() < 0.5 ? JUMP_S : -JUMP_S / 3;
  }

  /** Lines for a frame: none that was lost, one more where there is garbage. */
  sent(frame: Frame, doing: ReadonlySet<Misdeed>): string[] {
    if (doing.has("lost-frames") && this.random() < LOST_SHARE) return [];
    const [p, q, r] = frame.gyroDps;
    const noise = () => (doing.has("noise") ? NOISE_DPS * (2 * this.random() - 1) : 0);
    // A gyro that sits askew reads some of roll in yaw.
    const slip = doing.has("slipped-tilt") ? (SLIPPED_DEG * Math.PI) / 180 : 0;
    const [roll, yaw] = [p * Math.cos(slip) - r * Math.sin(slip), r * Math.cos(slip) + p * Math.sin(slip)];
    const gyro: [number, number, number] = [roll + noise(), q + noise(), yaw + noise()];
    const line = lineOf({
      ...frame,
      timeS: frame.timeS + this.shiftS,
      gyroDps: doing.has("swapped-axes") ? [gyro[1], gyro[0], gyro[2]] : gyro,
    });
    if (doing.has("garbage") && this.random() < GARBAGE_SHARE)
      return [this.random() < 0.5 ? line.slice(0, Math.floor(line.length * this.random())) : "\u0007#!,,x", line];
    return [line];
  }
}
