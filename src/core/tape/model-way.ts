import type { Airframe } from "../airframe";
import { requireSettings, type Settings } from "../flight";
import { interpolate, mean } from "../numbers";
import { CALM_AIR, fly, recipes, type Trace } from "../recipes";
import { findByTurning } from "./find-by-turning";
import { pictureOf, type TrickPicture } from "./pack";
import type { Tape } from "./tape";
import type { FoundTrick, TrickKind } from "./trick";

/** A trick as the model flies it with the same aircraft and settings, read by the same eyes as a recording. */
export interface ModelWay {
  /** Id of the trick that is most like what was flown. */
  readonly recipe: string;
  /** 0 to 1: how near its rates are, over the turn. */
  readonly likeness: number;
  readonly trick: FoundTrick;
  readonly picture: TrickPicture;
}

/** What may be flown where a recording shows a kind; the side comes behind. */
const candidates: Readonly<Partial<Record<TrickKind, readonly string[]>>> = {
  flip: ["flip-slow", "flip-ease-quarter", "flip-one-move", "flip-ease-end", "segments-180-180", "speed-mix"],
  roll: ["roll-pure", "roll-level", "low-line", "roll-180-180", "roll-fast-slow-fast"],
  spin: ["spin-level"],
  hang: ["hang"],
  split: ["split-s-float", "split-s-tight"],
  helix: ["helix-pitch", "helix-roll"],
  "knife-edge": ["gap-knife"],
  "turn-about": ["turn-brake"],
};
const GRID_HZ = 250;
const STILL_S = 2;
const QUIET_S = 1.5;
const ENTRY_M = 60;

/**
 * The trick of the library that is most like one of a recording, flown with the aircraft and settings of it. Null where nothing of its kind is flown in the
 * model. Throws a DomainError for settings out of range.
 */
export function modelWay(
  trick: FoundTrick,
  { airframe, settings }: { readonly airframe: Airframe; readonly settings: Settings },
): ModelWay | null {
  requireSettings(settings);
  let best: ModelWay | null = null;
  for (const name of candidates[trick.kind] ?? []) {
    const recipe = `${name}-${trick.direction}`;
    const { trace } = fly(recipes[recipe], airframe, settings, { ...CALM_AIR, entryHeightM: ENTRY_M });
    const { tape } = tapeOfTrace(trace);
    const flown = findByTurning(tape, settings.rates).find(
      ({ kind, direction }) => kind === trick.kind && direction === trick.direction,
    );
    if (!flown || flown.turns !== trick.turns) continue;
    const likeness = likenessOf(trick.measures.rateByShareDps, flown.measures.rateByShareDps);
    if (!best || likeness > best.likeness) best = { recipe, likeness, trick: flown, picture: pictureOf(tape, flown) };
  }
  return best;
}

/** 1 for the same rates over the turn; less by how far they are apart, against how large they are. */
function likenessOf(a: readonly number[], b: readonly number[]): number {
  const apart = mean(a.map((dps, i) => Math.abs(dps - b[i])));
  return Math.max(0, 1 - apart / Math.max(1, mean(a.map((dps, i) => Math.max(dps, b[i])))));
}

/** A model flight as a recording: still on the ground, flying level, then what was flown, which begins at `beginsS`. */
export function tapeOfTrace(trace: Trace): { readonly tape: Tape; readonly beginsS: number } {
  const before = Math.round((STILL_S + QUIET_S) * GRID_HZ);
  const flown = Math.floor((trace.timeS.length - 1) * trace.sampleS * GRID_HZ);
  const count = before + flown + Math.round(QUIET_S * GRID_HZ);
  const column = (values: readonly number[], outside: number) =>
    Float32Array.from({ length: count }, (_, i) => {
      const n = i - before;
      if (n < 0 || n > flown) return i < STILL_S * GRID_HZ ? 0 : outside;
      return interpolate(values, n / GRID_HZ / trace.sampleS);
    });
  const [stickRoll, stickPitch, stickYaw] = [trace.stickRoll, trace.stickPitch, trace.stickYaw].map((one) =>
    column(one, 0),
  );
  const [roll, pitch, yaw] = [trace.rollDps, trace.pitchDps, trace.yawDps].map((one) => column(one, 0));
  const throttle = column(trace.stickThrottle, trace.stickThrottle[0]);
  const tape = {
    timeS: Float64Array.from({ length: count }, (_, i) => i / GRID_HZ),
    stick: { roll: stickRoll, pitch: stickPitch, yaw: stickYaw, throttle },
    gyroDps: { roll, pitch, yaw },
    ...{ rateDps: null, accelMps2: null, motors: [], batteryV: null, modes: [], gaps: [], warnings: [] },
    sampleHz: GRID_HZ,
  };
  return { tape, beginsS: before / GRID_HZ };
}
