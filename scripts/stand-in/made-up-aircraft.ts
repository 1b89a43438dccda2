import {
  CALM_AIR,
  fly,
  interpolate,
  multiply,
  rateAtStick,
  recipes,
  requiredColumns,
  seededNormal,
  seededRandom,
  stickForRateClamped,
  toBody,
  type Airframe,
  type Quaternion,
  type Settings,
  type Slip,
  type Trace,
} from "@/core";

/** One frame as a radio and a gyro would send it: the columns of an open recording. */
export interface Frame {
  readonly timeS: number;
  /** Roll, pitch, yaw, −1..1. */
  readonly stick: readonly [number, number, number];
  readonly throttle: number;
  /** Roll, pitch, yaw, °/s. */
  readonly gyroDps: readonly [number, number, number];
}

/** How a made-up pilot flies. */
export interface Hands {
  /** How unsteady the sticks are, share of full stick. */
  readonly unsteady: number;
  /** The throttle stands at no less than this upside down. */
  readonly openThrottle: number;
  /** Turns are let go so much too late, s. */
  readonly lateS: number;
}

/** What the machine does by itself. */
export interface Machine {
  readonly biasDps: number;
  readonly noiseDps: number;
  /** A loose propeller: one tone in roll and pitch; null for none. */
  readonly loose: { readonly hz: number; readonly dps: number } | null;
}
export const SOUND_MACHINE: Machine = { biasDps: 0.4, noiseDps: 0.6, loose: null };

/** What is flown next. */
export type Act =
  | { readonly kind: "stand"; readonly untilS: number }
  | { readonly kind: "cruise"; readonly untilS: number }
  /** A trick of the library, with hands of its own where it is flown otherwise than the rest. */
  | { readonly kind: "trick"; readonly recipe: string; readonly hands?: Partial<Hands> };

const LAG_S = 0.03;
/** How long an unsteady hand stays where it strayed, s, and what a full stick of it turns in a trick, °/s. */
const SHAKE_S = 0.12;
const SHAKE_DPS = 600;
/** Bends of the cruise: bank and nose that are aimed at, °, and for how long, s. */
const BEND = { bankDeg: 24, noseDeg: 7, leastS: 1.2, moreS: 2 };
/** Level before a trick for so long, s: what a recording takes as level. */
const LEVEL_S = 2.4;
const RAD = Math.PI / 180;

/** A pilot with their aircraft, that flies the model's tricks with errors, and ordinary flying between. The same for the same seed. */
export class MadeUpAircraft {
  timeS = 0;
  private throttle = 0;
  private readonly stick: [number, number, number] = [0, 0, 0];
  private readonly dps: [number, number, number] = [0, 0, 0];
  private attitude: Quaternion = { w: 1, x: 0, y: 0, z: 0 };
  private readonly shake: [number, number, number] = [0, 0, 0];
  private readonly shaken: [number, number, number] = [0, 0, 0];
  private readonly aim = { bankDeg: 0, noseDeg: 0, yawDps: 0, untilS: 0 };
  private readonly uniform: () => number;
  private readonly normal: () => number;
  private frames = 0;
  private readonly stepS: number;

  constructor(
    private readonly aircraft: { readonly airframe: Airframe; readonly settings: Settings },
    private readonly hands: Hands,
    private readonly machine: Machine,
    private readonly hz: number,
    seed: number,
  ) {
    this.stepS = 1 / Math.max(500, hz);
    this.uniform = seededRandom(seed);
    this.normal = seededNormal(this.uniform);
  }

  /** How long a trick takes with these hands, s, to have it end at a moment. */
  durationS(recipe: string, hands: Partial<Hands> = {}): number {
    return LEVEL_S + turnEndS(this.flown(recipe, hands).trace);
  }

  /** How late a turn is let go that ends so far past, s: the nearest of those tried. */
  lateFor(recipe: string, pastDeg: number): number {
    const misses = LATE_S.map((lateS) => Math.abs((this.flown(recipe, { lateS }).stopErrorDeg ?? 0) - pastDeg));
    return LATE_S[misses.indexOf(Math.min(...misses))];
  }

  /** Frames of what is flown next. */
  *fly(act: Act): Generator<Frame> {
    if (act.kind === "trick") {
      yield* this.level(this.timeS + LEVEL_S);
      yield* this.trick(this.flown(act.recipe, act.hands ?? {}).trace, { ...this.hands, ...act.hands });
      return;
    }
    const flying = act.kind === "cruise";
    while (this.timeS < act.untilS) {
      if (flying && this.timeS > this.aim.untilS) this.newAim();
      this.steer(flying ? this.aim : null, flying ? 0.34 + 0.04 * Math.sin(this.timeS / 3) : 0);
      yield* this.step();
    }
  }

  private *level(untilS: number): Generator<Frame> {
    while (this.timeS < untilS) {
      this.steer({ bankDeg: 0, noseDeg: 0, yawDps: 0 }, 0.33);
      yield* this.step();
    }
  }

  /** Hands that are not steady. */
  private shakeOn(): void {
    const size = this.hands.unsteady * Math.sqrt((2 * this.stepS) / SHAKE_S);
    for (let k = 0; k < 3; k++) this.shake[k] += (-this.shake[k] * this.stepS) / SHAKE_S + size * this.normal();
  }

  private newAim(): void {
    const some = (most: number) => most * (2 * this.uniform() - 1);
    Object.assign(this.aim, {
      bankDeg: some(BEND.bankDeg),
      noseDeg: some(BEND.noseDeg),
      yawDps: some(22),
      untilS: this.timeS + BEND.leastS + BEND.moreS * this.uniform(),
    });
  }

  /** Sticks towards an attitude; null on the ground, where they rest. */
  private steer(aim: { bankDeg: number; noseDeg: number; yawDps: number } | null, throttle: number): void {
    const down = this.down();
    const bankDeg = Math.atan2(down.y, down.z) / RAD;
    const noseDeg = -Math.asin(Math.max(-1, Math.min(1, down.x))) / RAD;
    const pull = (off: number) => Math.max(-90, Math.min(90, 2.2 * off));
    const wanted = aim ? [pull(aim.bankDeg - bankDeg), pull(aim.noseDeg - noseDeg), aim.yawDps] : [0, 0, 0];
    const { rates } = this.aircraft.settings;
    this.shakeOn();
    [rates.roll, rates.pitch, rates.yaw].forEach((curve, k) => {
      const to = Math.sign(wanted[k]) * stickForRateClamped(curve, Math.abs(wanted[k])) + (aim ? this.shake[k] : 0);
      this.stick[k] += ((to - this.stick[k]) * this.stepS) / 0.07;
      const asked = Math.sign(this.stick[k]) * rateAtStick(curve, Math.min(1, Math.abs(this.stick[k])));
      this.dps[k] += ((asked - this.dps[k]) * this.stepS) / LAG_S;
    });
    this.throttle += ((throttle - this.throttle) * this.stepS) / 0.15;
  }

  private *trick(trace: Trace, hands: Hands): Generator<Frame> {
    const beganS = this.timeS;
    const endS = turnEndS(trace) + 0.5;
    for (let s = 0; s < endS; s = this.timeS - beganS) {
      const at = (column: readonly number[]) => interpolate(column, s / trace.sampleS);
      this.stick[0] = at(trace.stickRoll) + this.shake[0];
      this.stick[1] = at(trace.stickPitch) + this.shake[1];
      this.stick[2] = at(trace.stickYaw) + this.shake[2];
      this.shakeOn();
      [trace.rollDps, trace.pitchDps, trace.yawDps].forEach((column, k) => {
        this.shaken[k] += ((SHAKE_DPS * this.shake[k] - this.shaken[k]) * this.stepS) / LAG_S;
        this.dps[k] = at(column) + this.shaken[k];
      });
      const upsideDown = this.down().z < 0.2;
      const throttle = Math.max(at(trace.stickThrottle), upsideDown ? hands.openThrottle : 0);
      this.throttle += Math.max(-0.02, Math.min(0.02, throttle - this.throttle));
      yield* this.step();
    }
  }

  private down() {
    return toBody(this.attitude, { x: 0, y: 0, z: 1 });
  }

  /** A step of time; a frame where one is due. */
  private *step(): Generator<Frame> {
    const half = 0.5 * this.stepS * RAD;
    const [x, y, z] = this.dps.map((dps) => dps * half);
    const turned = multiply(this.attitude, { w: 1, x, y, z });
    const size = Math.hypot(turned.w, turned.x, turned.y, turned.z);
    this.attitude = { w: turned.w / size, x: turned.x / size, y: turned.y / size, z: turned.z / size };
    this.timeS += this.stepS;
    if (this.timeS * this.hz < this.frames) return;
    this.frames = Math.floor(this.timeS * this.hz) + 1;
    yield this.frame();
  }

  private frame(): Frame {
    const { biasDps, noiseDps, loose } = this.machine;
    const flying = this.throttle > 0.02;
    const tone = loose && flying ? loose.dps * Math.sin(2 * Math.PI * loose.hz * this.timeS) : 0;
    const gyro = (k: number) =>
      this.dps[k] + biasDps + (flying ? 1 : 0.1) * noiseDps * this.normal() + (k < 2 ? tone : 0);
    const place = (x: number) => Math.round(1024 * Math.max(-1, Math.min(1, x))) / 1024;
    return {
      timeS: this.timeS,
      stick: [place(this.stick[0]), place(this.stick[1]), place(this.stick[2])],
      throttle: Math.max(0, place(this.throttle)),
      gyroDps: [gyro(0), gyro(1), gyro(2)],
    };
  }

  /** By trick and lateness. */
  private readonly tricks = new Map<string, FlownOnce>();

  /** A trick flown in the model as it stands in the library, and let go as late as these hands do. */
  private flown(id: string, { lateS = this.hands.lateS }: Partial<Hands>): FlownOnce {
    const key = `${id} ${lateS}`;
    const known = this.tricks.get(key);
    if (known) return known;
    const { airframe, settings } = this.aircraft;
    const air = { ...CALM_AIR, entryHeightM: 60 };
    const recipe = recipes[id];
    const slips = recipe.phases.map(() => ({ ...NO_SLIP, lateS }));
    const { trace, measures } = fly(recipe, airframe, settings, air, undefined, slips);
    const flown = { trace, stopErrorDeg: measures.stopErrorDeg };
    this.tricks.set(key, flown);
    return flown;
  }
}
interface FlownOnce {
  readonly trace: Trace;
  readonly stopErrorDeg: number | null;
}
/** From sharp to far too late, s. */
const LATE_S = Array.from({ length: 19 }, (_, i) => i / 120);
const NO_SLIP: Slip = {
  ...{ lateS: 0, rollGain: 0, pitchGain: 0, yawGain: 0, throttleGain: 0 },
  ...{ rollOffset: 0, pitchOffset: 0, yawOffset: 0 },
};

const TURNING_DPS = 60;

/** When a trick has stopped turning, s. */
function turnEndS({ rollDps, pitchDps, yawDps, sampleS }: Trace): number {
  let last = 0;
  for (let i = 0; i < rollDps.length; i++) if (Math.hypot(rollDps[i], pitchDps[i], yawDps[i]) > TURNING_DPS) last = i;
  return last * sampleS;
}

/** The line of names. */
export const NAMES = requiredColumns.join(",");

/** Frames as an open recording. */
export function recordingText(frames: Iterable<Frame>): string {
  const lines = [NAMES];
  for (const frame of frames) lines.push(lineOf(frame));
  return `${lines.join("\n")}\n`;
}

/** One frame as a line of an open recording. */
export const lineOf = ({ timeS, stick, throttle, gyroDps }: Frame): string =>
  [timeS.toFixed(3), ...stick.map((x) => x.toFixed(3)), throttle.toFixed(3), ...gyroDps.map((x) => x.toFixed(2))].join(
    ",",
  );
