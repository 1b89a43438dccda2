import { gridOf, type Grid } from "./grid";
import { spectrumOf } from "./spectrum";
import { tapeAxes, type Tape, type TapeAxis } from "./tape";

/** A wobble: the hand where the stick goes with it, else the machine (tune, propeller, a loose part). */
export interface Wobble {
  readonly axis: TapeAxis;
  readonly fromS: number;
  readonly toS: number;
  readonly hz: number;
  readonly cause: "hand" | "machine";
}

const WINDOW_S = 2;
const HAND_HZ = [0.7, 4.5] as const;
const MACHINE_HZ = [5, 110] as const;
/** Smaller than this nobody sees, °/s amplitude. Estimates of ours. */
const SEEN_DPS = { hand: 10, machine: 5 };
/** One tone: this share of what moves in its band. */
const ONE_TONE = 0.5;
/** More than one window of it, and so many times to and fro: bends flown one after the other look like fewer. */
const LEAST_S = 1.25 * WINDOW_S;
const LEAST_CYCLES = 6;
/** The stick goes with it: its own tone, as a share of full stick, and at the same frequency. */
const STICK_TONE = 0.015;
/** Nothing is told of while it turns. */
const TURNING_DPS = 150;

/** Wobbles of a recording outside its tricks, each with its frequency and whether hand or machine makes it. */
export function wobbles(tape: Tape): Wobble[] {
  const grid = gridOf(tape);
  const length = Math.round(WINDOW_S * grid.hz);
  const found: Wobble[] = [];
  for (let from = 0; from + length <= grid.count; from += Math.floor(length / 2)) {
    if (turns(grid, from, length)) continue;
    for (const axis of tapeAxes) {
      const wobble = wobbleIn(grid, axis, from, length);
      if (wobble) joinInto(found, wobble);
    }
  }
  // Steering is now quick, now slow; what wobbles keeps its frequency.
  return found
    .filter(({ fromS, toS, hz }) => toS - fromS > Math.max(LEAST_S, LEAST_CYCLES / hz))
    .sort((a, b) => a.fromS - b.fromS);
}

function turns({ rate, down }: Grid, from: number, length: number): boolean {
  for (let i = from; i < from + length; i++)
    if (down[i] < 0.3 || Math.hypot(rate.roll[i], rate.pitch[i], rate.yaw[i]) > TURNING_DPS) return true;
  return false;
}

function wobbleIn(grid: Grid, axis: TapeAxis, from: number, length: number): Wobble | null {
  const gyro = spectrumOf(grid.rate[axis], from, length);
  const stick = spectrumOf(grid.stick[axis], from, length);
  const wide = { fromS: grid.startS + from / grid.hz, toS: grid.startS + (from + length) / grid.hz };
  for (const [cause, band] of [
    ["hand", HAND_HZ],
    ["machine", MACHINE_HZ],
  ] as const) {
    const tone = toneIn(gyro, grid.hz, band);
    if (!tone || tone.amplitude < SEEN_DPS[cause] || tone.share < ONE_TONE) continue;
    // Slow and without the stick is wind; fast is the machine's, whatever the stick.
    if (cause === "hand") {
      const hand = toneIn(stick, grid.hz, band);
      if (!hand || hand.amplitude < STICK_TONE || Math.abs(hand.bin - tone.bin) > 1) continue;
    }
    return { axis, ...wide, hz: tone.hz, cause };
  }
  return null;
}

/** The strongest tone of a band, null where none stands out from what is beside it: its frequency between two bins by a parabola, its amplitude, and its share of the band's power. */
function toneIn({ re, im, size }: ReturnType<typeof spectrumOf>, hz: number, [low, high]: readonly [number, number]) {
  const power = (k: number) => re[k] * re[k] + im[k] * im[k];
  const first = Math.max(2, Math.ceil((low * size) / hz));
  const last = Math.min(size / 2 - 3, Math.floor((high * size) / hz));
  if (last <= first) return null;
  let [bin, all] = [first, 0];
  for (let k = first; k <= last; k++) {
    all += power(k);
    if (power(k) > power(bin)) bin = k;
  }
  // At the edge of a band it is what lies beyond it.
  if (power(bin - 1) >= power(bin) || power(bin + 1) >= power(bin)) return null;
  const near = power(bin - 2) + power(bin - 1) + power(bin) + power(bin + 1) + power(bin + 2);
  const [a, b, c] = [bin - 1, bin, bin + 1].map((k) => Math.log(power(k) + 1e-30));
  const bend = a - 2 * b + c;
  const off = bend < 0 ? (0.5 * (a - c)) / bend : 0;
  return { bin, hz: ((bin + off) * hz) / size, amplitude: Math.sqrt(power(bin)), share: near / Math.max(1e-30, all) };
}

/** The same wobble going on is one. */
function joinInto(found: Wobble[], wobble: Wobble): void {
  const at = found.findIndex(
    (one) =>
      one.axis === wobble.axis && one.cause === wobble.cause && one.toS >= wobble.fromS && alike(one.hz, wobble.hz),
  );
  if (at < 0) found.push(wobble);
  else found[at] = { ...found[at], toS: wobble.toS };
}

/** A wobble that comes again and again: its mean frequency, how long in all, and when first. */
export interface GatheredWobble extends Pick<Wobble, "axis" | "cause" | "hz" | "fromS"> {
  readonly forS: number;
}

/** The same wobble, about one axis and at one frequency, told once, longest first. */
export function gatheredWobbles(wobbles: readonly Wobble[]): readonly GatheredWobble[] {
  const gathered: GatheredWobble[] = [];
  for (const { axis, cause, hz, fromS, toS } of wobbles) {
    const at = gathered.findIndex((one) => one.axis === axis && one.cause === cause && alike(one.hz, hz));
    const known = gathered[at] as GatheredWobble | undefined;
    if (!known) {
      gathered.push({ axis, cause, hz, fromS, forS: toS - fromS });
      continue;
    }
    const forS = known.forS + toS - fromS;
    gathered[at] = { ...known, forS, hz: known.hz + ((hz - known.hz) * (toS - fromS)) / forS };
  }
  return gathered.sort((a, b) => b.forS - a.forS);
}

const alike = (a: number, b: number) => Math.abs(a - b) < Math.max(0.7, 0.15 * b);
