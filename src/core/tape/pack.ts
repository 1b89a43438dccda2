import type { Settings } from "../flight";
import { DEG_PER_RAD, RAD_PER_DEG } from "../numbers";
import { checkTape, type AxisCheck } from "./check-tape";
import { cruiseOf } from "./cruise-of";
import { findTricks } from "./find-tricks";
import { firstMend, type FirstMend } from "./first-mend";
import { moveOf } from "./figures";
import { gridOf, type Grid } from "./grid";
import { smoothness, type Smoothness } from "./smoothness";
import type { Tape, TapeWarning } from "./tape";
import type { FoundTrick } from "./trick";
import { unitAxis } from "./turn-measures";
import { wobbles, type Wobble } from "./wobbles";

/** A trick as it is drawn: from a little before it to a little after, at equal steps. */
export interface TrickPicture {
  readonly startS: number;
  readonly sampleS: number;
  /** Angle turned about its axis since it began, and how fast, ° and °/s, positive the way it went. */
  readonly turnedDeg: number[];
  readonly rateDps: number[];
  readonly stickRoll: number[];
  readonly stickPitch: number[];
  readonly stickYaw: number[];
  readonly stickThrottle: number[];
  /** Body z against the vertical: below 0 it is upside down. */
  readonly down: number[];
}

/** All that is shown of a recording. */
export interface Pack {
  readonly fromS: number;
  readonly toS: number;
  readonly sampleHz: number;
  readonly rows: number;
  readonly warnings: readonly TapeWarning[];
  readonly tricks: readonly FoundTrick[];
  readonly pictures: readonly TrickPicture[];
  readonly mend: FirstMend;
  /** Elevation of the camera's axis, °, as the gyro tells: least and most in equal parts of the recording. */
  readonly view: { readonly low: number[]; readonly high: number[] };
  readonly axes: readonly AxisCheck[];
  readonly wobbles: readonly Wobble[];
  readonly cruise: { readonly throttle: number; readonly share: number } | null;
  readonly smoothness: (Smoothness & { readonly moves: number }) | null;
}

const COLUMNS = 1200;
const BEFORE_S = 0.4;
const AFTER_S = 0.6;

/** A recording searched and checked against the settings it is said to be flown with. Throws a DomainError for settings out of range. */
export function packOf(tape: Tape, settings: Settings): Pack {
  const { rates, tiltDeg } = settings;
  const grid = gridOf(tape);
  const tricks = findTricks(tape, { rates, tiltDeg });
  return {
    fromS: tape.timeS[0],
    toS: tape.timeS[tape.timeS.length - 1],
    sampleHz: tape.sampleHz,
    rows: tape.timeS.length,
    warnings: tape.warnings,
    tricks,
    pictures: tricks.map((trick) => pictureOf(grid, trick)),
    mend: firstMend(tricks),
    view: viewOf(grid, tiltDeg),
    axes: checkTape(tape, settings),
    wobbles: wobbles(tape),
    cruise: cruiseOf(tape),
    smoothness: smoothness(tape),
  };
}

function viewOf({ down, downNose, count }: Grid, tiltDeg: number): Pack["view"] {
  const [cos, sin] = [Math.cos(RAD_PER_DEG * tiltDeg), Math.sin(RAD_PER_DEG * tiltDeg)];
  const columns = Math.min(COLUMNS, count);
  const low = new Array<number>(columns).fill(90);
  const high = new Array<number>(columns).fill(-90);
  for (let i = 0; i < count; i++) {
    const at = Math.min(columns - 1, Math.floor((i * columns) / count));
    const sine = sin * down[i] - cos * downNose[i];
    const elevation = DEG_PER_RAD * Math.asin(Math.max(-1, Math.min(1, sine)));
    low[at] = Math.min(low[at], elevation);
    high[at] = Math.max(high[at], elevation);
  }
  return { low, high };
}

function pictureOf(grid: Grid, { axis, fromS, toS }: FoundTrick): TrickPicture {
  const { hz, startS, rate, stick, down, count } = grid;
  const first = Math.max(0, Math.round((fromS - BEFORE_S - startS) * hz));
  const begun = Math.round((fromS - startS) * hz);
  const end = Math.min(count, Math.round((toS + AFTER_S - startS) * hz));
  const unit = unitAxis({ axis, turned: moveOf(grid, begun, Math.round((toS - startS) * hz)).turned });
  let turned = 0;
  const turnedDeg: number[] = [];
  const rateDps: number[] = [];
  for (let i = first; i < end; i++) {
    const dps = rate.roll[i] * unit[0] + rate.pitch[i] * unit[1] + rate.yaw[i] * unit[2];
    if (i >= begun) turned += dps / hz;
    turnedDeg.push(turned);
    rateDps.push(dps);
  }
  const part = (values: Float32Array) => Array.from(values.subarray(first, end));
  return {
    startS: startS + first / hz,
    sampleS: 1 / hz,
    turnedDeg,
    rateDps,
    stickRoll: part(stick.roll),
    stickPitch: part(stick.pitch),
    stickYaw: part(stick.yaw),
    stickThrottle: part(stick.throttle),
    down: part(down),
  };
}
