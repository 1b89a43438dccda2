import type { Figure, Move } from "./figures";
import { mainAxis, moveOf } from "./figures";
import type { Grid } from "./grid";
import { tapeAxes, type TapeAxis } from "./tape";
import type { TrickKind } from "./trick";

/** What a figure is told by: angles in degrees, times in s. */
export interface Features {
  readonly whole: Move["turned"];
  /** Turned in any sense. */
  readonly travelled: Readonly<Record<TapeAxis, number>>;
  readonly forS: number;
  readonly leastDown: number;
  readonly endDown: number;
  /** Longest rest upside down, and on its side. */
  readonly hangS: number;
  readonly knifeS: number;
  /** Share of it on its side or its nose, turning or not. */
  readonly onEdgeShare: number;
  /** Turned about the body's own vertical while upside down. */
  readonly yawInverted: number;
  readonly throttleInverted: number;
  /** Furthest bank that was reached, right positive. */
  readonly furthestRoll: number;
  /** The axis about which it first turned much. */
  readonly firstAxis: TapeAxis;
  readonly peakDps: number;
  readonly peakYawDps: number;
}

const RESTING_DPS = 70;
const INVERTED = -0.4;
const BEGUN_DEG = 60;

export function featuresOf(grid: Grid, figure: Figure): Features {
  const { hz, rate, down, stick } = grid;
  const { turned } = moveOf(grid, figure.from, figure.to);
  const travelled = { roll: 0, pitch: 0, yaw: 0 };
  let [leastDown, yawInverted, throttle, inverted, furthestRoll] = [1, 0, 0, 0, 0];
  let [onEdge, peakDps, peakYawDps] = [0, 0, 0];
  const soFar = { roll: 0, pitch: 0, yaw: 0 };
  let firstAxis: TapeAxis | null = null;
  const hang = new Longest();
  const knife = new Longest();
  for (let i = figure.from; i < figure.to; i++) {
    for (const axis of tapeAxes) {
      travelled[axis] += Math.abs(rate[axis][i]) / hz;
      soFar[axis] += rate[axis][i] / hz;
      if (firstAxis === null && Math.abs(soFar[axis]) > BEGUN_DEG) firstAxis = axis;
    }
    leastDown = Math.min(leastDown, down[i]);
    if (Math.abs(soFar.roll) > Math.abs(furthestRoll)) furthestRoll = soFar.roll;
    if (Math.abs(down[i]) < 0.6) onEdge++;
    const size = Math.hypot(rate.roll[i], rate.pitch[i], rate.yaw[i]);
    peakDps = Math.max(peakDps, size);
    peakYawDps = Math.max(peakYawDps, Math.abs(rate.yaw[i]));
    const rests = size < RESTING_DPS;
    hang.take(rests && down[i] < INVERTED);
    knife.take(rests && Math.abs(down[i]) < 0.5);
    if (down[i] >= 0) continue;
    inverted++;
    throttle += stick.throttle[i];
    yawInverted += rate.yaw[i] / hz;
  }
  const after = Math.min(grid.count - 1, figure.to + Math.round(0.05 * hz));
  return {
    whole: turned,
    travelled,
    forS: (figure.to - figure.from) / hz,
    leastDown,
    endDown: down[after],
    hangS: hang.longest / hz,
    knifeS: knife.longest / hz,
    onEdgeShare: onEdge / (figure.to - figure.from),
    yawInverted,
    throttleInverted: inverted === 0 ? 0 : throttle / inverted,
    furthestRoll,
    firstAxis: firstAxis ?? mainAxis({ turned }),
    peakDps,
    peakYawDps,
  };
}

/** The longest run of steps that are something. */
class Longest {
  longest = 0;
  private run = 0;
  take(is: boolean): void {
    this.run = is ? this.run + 1 : 0;
    this.longest = Math.max(this.longest, this.run);
  }
}

export interface Named {
  readonly kind: TrickKind;
  readonly axis: TapeAxis;
  /** Signed angle about the axis that it is counted by. */
  readonly angleDeg: number;
  readonly confidence: number;
}

/** A half turn and a whole one, with what hands miss. */
const HALF = [120, 245] as const;
const WHOLE = 270;
/** Longer still upside down, and a rolled hang is meant, or a flipped one. */
const ROLLED_HANG_S = 0.4;
const FLIPPED_HANG_S = 0.6;
/** A loop is flown round with power, over the tail; a flip is turned, and a throttle left a little open makes no loop of it. */
const LOOP_MEAN_DPS = 330;
const LOOP_THROTTLE = 0.22;
/** Nobody flies a loop at nearly the end of the pitch rate. */
const THROWN_SHARE = 0.75;
const SPIN_S_A_TURN = 2.5;
/** A roll is on its side for two fifths of it; a circle flown with the roll stick nearly always. */
const ON_EDGE = 0.65;
/** An ordinary bend is turned more slowly. */
const QUICK_YAW_DPS = 180;
/** The right way up, this much at this rate is more than flying about. */
const MUCH_DEG = 400;
const MUCH_DPS = 350;

const within = (x: number, [low, high]: readonly [number, number]) => Math.abs(x) >= low && Math.abs(x) <= high;
/** How near an angle is to a whole number of some part of a turn, 1 for exactly there and 0 half way between. */
const nearness = (angle: number, part: number) => 1 - 2 * Math.abs(angle / part - Math.round(angle / part));

/** What a figure is called, by what it turned and how; null for what is no trick. Estimates of ours, measured against the model's own tricks. */
export function nameFigure(f: Features, pitchEndDps: number): Named | null {
  return f.leastDown > INVERTED ? nameUpright(f) : nameInverted(f, pitchEndDps);
}

/** Never upside down. */
function nameUpright(f: Features): Named | null {
  const { whole, travelled, forS, leastDown, knifeS, furthestRoll, peakDps, peakYawDps } = f;
  const { roll, pitch, yaw, heading } = whole;
  if (Math.abs(roll) >= WHOLE && Math.abs(roll) > Math.abs(yaw))
    return { kind: "orbit-back", axis: "roll", angleDeg: roll, confidence: 0.6 };
  if (knifeS >= 0.2 && within(furthestRoll, [55, 130]) && Math.abs(roll) < 60 && Math.abs(heading) < 100)
    return { kind: "knife-edge", axis: "roll", angleDeg: furthestRoll, confidence: 0.8 };
  if (Math.abs(heading) >= WHOLE) {
    const quick = forS / (Math.abs(heading) / 360) < SPIN_S_A_TURN;
    const flat = travelled.pitch + travelled.roll < 0.6 * travelled.yaw;
    if (quick && flat)
      return { kind: "spin", axis: "yaw", angleDeg: yaw, confidence: 0.5 + 0.45 * nearness(heading, 360) };
    return { kind: "orbit", axis: "yaw", angleDeg: heading, confidence: quick ? 0.45 : 0.7 };
  }
  if (within(heading, [130, 250]) && travelled.yaw > 120 && peakYawDps > QUICK_YAW_DPS && forS < 4)
    return { kind: "turn-about", axis: "yaw", angleDeg: heading, confidence: 0.6 };
  if (pitch >= 42 && pitch < 110 && leastDown < 0.75 && Math.abs(roll) < 20 && Math.abs(yaw) < 20 && forS < 0.8)
    return { kind: "brake", axis: "pitch", angleDeg: pitch, confidence: 0.55 };
  if (travelled.roll + travelled.pitch + travelled.yaw < MUCH_DEG || peakDps < MUCH_DPS) return null;
  return unsure(whole);
}

function nameInverted(f: Features, pitchEndDps: number): Named {
  const { whole, travelled, forS, yawInverted, firstAxis } = f;
  const { roll, pitch, yaw, heading } = whole;
  if (Math.abs(roll) >= WHOLE && f.onEdgeShare > ON_EDGE)
    return { kind: "orbit-back", axis: "roll", angleDeg: roll, confidence: 0.6 };
  if (Math.abs(heading) >= 250 && Math.abs(yaw) < 90 && forS > 1.5 && Math.abs(pitch) > 100)
    return { kind: "helix", axis: "yaw", angleDeg: heading, confidence: 0.6 };
  if (Math.abs(yawInverted) > 130) return { kind: "spin-inverted", axis: "yaw", angleDeg: yaw, confidence: 0.7 };
  const crossed = Math.min(travelled.roll, travelled.pitch);
  if (within(roll, HALF) && within(pitch, [90, 250]))
    return firstAxis === "roll"
      ? { kind: "split", axis: "roll", angleDeg: roll, confidence: 0.8 }
      : { kind: "loop", axis: "pitch", angleDeg: pitch, confidence: 0.5 };
  if (crossed > 230) return { kind: "tumble", axis: firstAxis, angleDeg: whole[firstAxis], confidence: 0.6 };
  return nameTurned(f, pitchEndDps);
}

/** Turned about one axis, all of it or half. */
function nameTurned(f: Features, pitchEndDps: number): Named {
  const { whole, forS, hangS, throttleInverted, firstAxis, endDown } = f;
  const { roll, pitch, yaw } = whole;
  const axis = Math.abs(roll) >= Math.abs(pitch) ? "roll" : "pitch";
  const angleDeg = whole[axis];
  const size = Math.abs(angleDeg);
  // About the camera's axis a roll takes yaw along.
  const off = axis === "roll" ? Math.abs(pitch) : Math.hypot(roll, yaw);
  const pure = off < 0.45 * size;
  const confidence = pure ? 0.5 + 0.45 * Math.max(0, nearness(size, 360)) : 0.4;
  if (size >= WHOLE && hangS >= (axis === "roll" ? ROLLED_HANG_S : FLIPPED_HANG_S))
    return { kind: "hang", axis, angleDeg, confidence };
  if (size >= WHOLE && axis === "roll") return { kind: "roll", axis, angleDeg, confidence };
  if (size >= WHOLE) {
    const thrown = f.peakDps > THROWN_SHARE * pitchEndDps;
    const loops = pitch > 0 && size / forS < LOOP_MEAN_DPS && throttleInverted >= LOOP_THROTTLE && !thrown;
    return { kind: loops ? "loop" : "flip", axis, angleDeg, confidence };
  }
  if (within(size, HALF) && endDown < INVERTED) return { kind: "half-turn", axis, angleDeg, confidence: 0.6 };
  // Half over one way and back the same way.
  if (hangS >= ROLLED_HANG_S && size < 60) return { kind: "hang", axis: firstAxis, angleDeg: 180, confidence: 0.5 };
  return unsure(whole);
}

function unsure(whole: Move["turned"]): Named {
  const axis = mainAxis({ turned: whole });
  return { kind: "unknown", axis, angleDeg: whole[axis], confidence: 0.2 };
}
