import type { Settings } from "../flight";
import { checkTape, type AxisCheck } from "./check-tape";
import { cruiseOf } from "./cruise-of";
import { throttleUse, type ThrottleUse } from "./throttle-use";
import { findByTurning } from "./find-by-turning";
import { firstMend, type FirstMend } from "./first-mend";
import { moveOf } from "./figures";
import { gridOf } from "./grid";
import { smoothness, type Smoothness } from "./smoothness";
import type { Tape, TapeWarning } from "./tape";
import { tapeWindow, type TapeWindow } from "./tape-window";
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
  /** The vertical down along body z, x and y: below 0 along z it is upside down. */
  readonly down: number[];
  readonly downNose: number[];
  readonly downRight: number[];
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
  /** The whole of it as it is drawn. */
  readonly whole: TapeWindow;
  readonly axes: readonly AxisCheck[];
  readonly wobbles: readonly Wobble[];
  readonly cruise: { readonly throttle: number; readonly share: number } | null;
  readonly throttleUse: ThrottleUse | null;
  readonly smoothness: (Smoothness & { readonly moves: number }) | null;
}

const COLUMNS = 1200;
const BEFORE_S = 0.4;
const AFTER_S = 0.6;

/** A recording searched and checked against the settings it is said to be flown with. Throws a DomainError for settings out of range. */
export function packOf(tape: Tape, settings: Settings): Pack {
  const { rates, tiltDeg } = settings;
  const tricks = findByTurning(tape, rates);
  const shakes = wobbles(tape);
  return {
    fromS: tape.timeS[0],
    toS: tape.timeS[tape.timeS.length - 1],
    sampleHz: tape.sampleHz,
    rows: tape.timeS.length,
    warnings: tape.warnings,
    tricks,
    pictures: tricks.map((trick) => pictureOf(tape, trick)),
    mend: firstMend(tricks, shakes),
    whole: tapeWindow(tape, {
      fromS: tape.timeS[0],
      toS: tape.timeS[tape.timeS.length - 1],
      columns: COLUMNS,
      tiltDeg,
    }),
    axes: checkTape(tape, settings),
    wobbles: shakes,
    cruise: cruiseOf(tape),
    throttleUse: throttleUse(tape),
    smoothness: smoothness(tape),
  };
}

/** A trick of a recording as it is drawn. */
export function pictureOf(tape: Tape, { axis, fromS, toS }: FoundTrick): TrickPicture {
  const grid = gridOf(tape);
  const { hz, startS, rate, stick, down, downNose, downRight, count } = grid;
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
    downNose: part(downNose),
    downRight: part(downRight),
  };
}
