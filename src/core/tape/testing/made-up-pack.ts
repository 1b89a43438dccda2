import { seededRandom } from "../../numbers";
import { columnNames } from "../columns";

/**
 * A pack of flying that shares nothing with the flight model: rates that follow the stick through two lags, integrated by semi-implicit Euler steps of a rotation matrix,
 * and a pilot who lets go of a turn by eye, sees a reaction time later where it came to rest, and levels. For finding tricks in what is not our own model.
 */

export interface AskedTrick {
  readonly kind: "flip" | "roll" | "spin" | "hang" | "split";
  /** −1 front or left. */
  readonly side: 1 | -1;
  readonly turns: number;
}

export interface FlownTruth extends AskedTrick {
  readonly fromS: number;
  readonly toS: number;
  /** First peak of the angle about the axis, minus what was asked; null where it stops twice. */
  readonly stopErrorDeg: number | null;
}

const STEP_S = 0.0005;
const END_DPS = { roll: 720, pitch: 680, yaw: 520 };
const LAG_S = { roll: 0.035, pitch: 0.04, yaw: 0.07 };
const MOTOR_S = 0.028;
const REACTION_S = 0.24;
const RAD = Math.PI / 180;

type Rows = [number[], number[], number[]];
const axes = ["roll", "pitch", "yaw"] as const;

/** One pilot in the air. */
class Sky {
  timeS = 0;
  throttle = 0.32;
  readonly stick = [0, 0, 0];
  private readonly torque = [0, 0, 0];
  readonly dps = [0, 0, 0];
  /** Body axes in the world, a column each: forward, right, down. */
  private r: Rows = [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ];
  private readonly seen: { bank: number; nose: number }[] = [];
  readonly lines: string[] = [columnNames.slice(0, 8).join(",")];
  private nextRow = 0;

  constructor(
    readonly random: () => number,
    private readonly hz: number,
    private readonly noiseDps: number,
    private readonly biasDps: number,
  ) {}

  normal(): number {
    return Math.sqrt(-2 * Math.log(1 - this.random())) * Math.cos(2 * Math.PI * this.random());
  }

  /** Bank to the right and nose up, degrees, as they were a reaction time ago. */
  remembered(): { bank: number; nose: number } {
    return this.seen.length < REACTION_S / STEP_S ? { bank: 0, nose: 0 } : this.seen[0];
  }

  step(): void {
    axes.forEach((axis, k) => {
      const x = this.stick[k];
      const asked = END_DPS[axis] * (0.4 * x + 0.6 * x ** 3);
      this.torque[k] += ((asked - this.torque[k]) * STEP_S) / MOTOR_S;
      this.dps[k] += ((this.torque[k] - this.dps[k]) * STEP_S) / LAG_S[axis];
    });
    this.turn();
    this.timeS += STEP_S;
    this.seen.push({
      bank: Math.atan2(this.r[2][1], this.r[2][2]) / RAD,
      nose: Math.asin(clamp(-this.r[2][0], 1)) / RAD,
    });
    if (this.seen.length > REACTION_S / STEP_S) this.seen.shift();
    if (this.timeS < this.nextRow) return;
    this.nextRow += 1 / this.hz;
    const gyro = this.dps.map((dps) => dps + this.biasDps + this.noiseDps * this.normal());
    const row = [this.timeS, ...this.stick.map((x) => Math.round(x * 512) / 512), this.throttle, ...gyro];
    this.lines.push(row.map((one) => one.toFixed(4)).join(","));
  }

  private turn(): void {
    const [p, q, r] = this.dps.map((dps) => dps * RAD * STEP_S);
    this.r = this.r.map(([x, y, z]) => [x + r * y - q * z, y - r * x + p * z, z + q * x - p * y]) as Rows;
    // Straight again by Gram and Schmidt, on the rows.
    const [a, b] = this.r;
    const n = Math.hypot(...a);
    const u = a.map((x) => x / n);
    const d = u[0] * b[0] + u[1] * b[1] + u[2] * b[2];
    const w = b.map((x, i) => x - d * u[i]);
    const m = Math.hypot(...w);
    const v = w.map((x) => x / m);
    this.r = [u, v, [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]]];
  }
}

const clamp = (x: number, most: number) => Math.max(-most, Math.min(most, x));

/** Flies towards a bank and a nose for a while, with hands that wander. */
function cruise(sky: Sky, forS: number, aim: { bank: number; nose: number; yaw: number; throttle: number }): void {
  const wander = [0, 0, 0];
  for (const end = sky.timeS + forS; sky.timeS < end;) {
    const { bank, nose } = sky.remembered();
    const pull = [0.006 * (aim.bank - bank), 0.006 * (aim.nose - nose), aim.yaw];
    for (let k = 0; k < 3; k++) {
      wander[k] += (-wander[k] * STEP_S) / 0.3 + 0.02 * Math.sqrt((2 * STEP_S) / 0.3) * sky.normal();
      sky.stick[k] += ((clamp(pull[k], 0.35) + wander[k] - sky.stick[k]) * STEP_S) / 0.06;
    }
    sky.throttle += ((aim.throttle - sky.throttle) * STEP_S) / 0.1;
    sky.step();
  }
}

/** Holds a stick until the turn will come round by itself, give or take. Returns the first peak of the angle. */
function turn(sky: Sky, axis: 0 | 1 | 2, side: number, deg: number, held: number, throttle: number): number {
  let angle = 0;
  const lagS = MOTOR_S + LAG_S[axes[axis]] + 0.03;
  const missDeg = 6 * sky.normal();
  const hand = (to: number) => (sky.stick[axis] += ((side * to - sky.stick[axis]) * STEP_S) / 0.03);
  const on = () => {
    sky.throttle += ((throttle - sky.throttle) * STEP_S) / 0.03;
    for (let k = 0; k < 3; k++) if (k !== axis) sky.stick[k] += ((0.01 * sky.normal() - sky.stick[k]) * STEP_S) / 0.05;
    sky.step();
    angle += side * sky.dps[axis] * STEP_S;
  };
  while (angle + side * sky.dps[axis] * lagS < deg + missDeg) {
    hand(held);
    on();
  }
  // A little against it, as hands stop a turn.
  const peak = { deg: angle };
  for (let n = 0; n < 400 && side * sky.dps[axis] > 0; n++) {
    hand(-0.12);
    on();
    peak.deg = angle;
  }
  return peak.deg;
}

function trick(sky: Sky, asked: AskedTrick): FlownTruth {
  const { kind, side, turns } = asked;
  if (kind !== "spin") cruise(sky, 0.3, { bank: 0, nose: 0, yaw: 0, throttle: 0.85 });
  for (let n = 0; n < 100; n++) {
    sky.throttle = kind === "spin" ? sky.throttle : 0;
    sky.step();
  }
  const fromS = sky.timeS;
  const held = 0.85 + 0.15 * sky.random();
  let stopErrorDeg: number | null = null;
  if (kind === "flip") stopErrorDeg = turn(sky, 1, side, 360 * turns, held, 0) - 360 * turns;
  if (kind === "roll") stopErrorDeg = turn(sky, 0, side, 360 * turns, held, 0.1) - 360 * turns;
  if (kind === "spin") stopErrorDeg = turn(sky, 2, side, 360 * turns, held, 0.32) - 360 * turns;
  if (kind === "hang" || kind === "split") {
    turn(sky, 0, side, 180, held, 0);
    sky.stick[0] = 0;
    for (const end = sky.timeS + (kind === "hang" ? 0.8 : 0.1); sky.timeS < end;) {
      for (let k = 0; k < 3; k++) sky.stick[k] += (-sky.stick[k] * STEP_S) / 0.03;
      sky.step();
    }
    turn(sky, kind === "hang" ? 0 : 1, kind === "hang" ? side : 1, 180, kind === "hang" ? held : 0.7, 0.1);
  }
  const toS = sky.timeS;
  cruise(sky, 1, { bank: 0, nose: 0, yaw: 0, throttle: 0.4 });
  return { ...asked, fromS, toS, stopErrorDeg };
}

/** A pack: still on the ground, then the tricks asked for with ordinary flying between them, in which nothing is a trick. */
export function madeUpPack(
  tricks: readonly AskedTrick[],
  { hz, seed, noiseDps = 0.5, biasDps = 0 }: { hz: number; seed: number; noiseDps?: number; biasDps?: number },
): { readonly text: string; readonly truth: readonly FlownTruth[] } {
  const sky = new Sky(seededRandom(seed), hz, noiseDps, biasDps);
  sky.throttle = 0;
  for (let n = 0; n < 2 / STEP_S; n++) sky.step();
  const truth = tricks.map((asked) => {
    for (let n = 0; n < 2; n++) {
      const some = (most: number) => most * (2 * sky.random() - 1);
      const throttle = 0.25 + 0.3 * sky.random();
      cruise(sky, 0.8 + 1.6 * sky.random(), { bank: some(40), nose: some(20), yaw: some(0.3), throttle });
    }
    cruise(sky, 1.2, { bank: 0, nose: 0, yaw: 0, throttle: 0.32 });
    return trick(sky, asked);
  });
  return { text: `${sky.lines.join("\n")}\n`, truth };
}
