import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import { DomainError, requireNumber } from "../numbers";
import { recipes, wayOut, withParameters, type Environment } from "../recipes";

/** How far off a line the nose is held, standard deviation by stage 0 to 7, °: from 4 down to 1.5. Common practice, no source. */
const NOSE_OFF_DEG = [4, 1.5] as const;
const LAST_STAGE = 7;
/** Nobody corrects later than this before a gap without being told off for it, s. Common practice, no source. */
const LAST_CORRECTION_S = 1;

/**
 * How far beside the middle a pilot at a stage comes to a gap, standard deviation in m: what the nose is off over the way flown since the last correction, and
 * the drift of gusts of `gustMps` in that time.
 */
export function usualCrossTrackM(stage: number, speedMps: number, gustMps = 0.5): number {
  requireNumber("stage", stage, 0, 100);
  requireNumber("speedMps", speedMps, 0.2, 60);
  requireNumber("gustMps", gustMps, 0, 20);
  const share = Math.min(1, stage / LAST_STAGE);
  const noseDeg = NOSE_OFF_DEG[0] + share * (NOSE_OFF_DEG[1] - NOSE_OFF_DEG[0]);
  const wayM = speedMps * LAST_CORRECTION_S;
  return Math.hypot(wayM * Math.tan((noseDeg * Math.PI) / 180), gustMps * LAST_CORRECTION_S * 0.5);
}

/** Chance of going through a gap without touching: that a normal cross-track error stays within what the gap leaves on either side. */
export function chanceThrough(gap: {
  readonly widthM: number;
  readonly spanM: number;
  readonly crossTrackM: number;
}): number {
  const widthM = requireNumber("widthM", gap.widthM, 0.05, 100);
  const span = requireNumber("spanM", gap.spanM, 0.02, 5);
  const crossTrackM = requireNumber("crossTrackM", gap.crossTrackM, 1e-3, 50);
  const room = 0.5 * (widthM - span);
  return room <= 0 ? 0 : 2 * normalShare(room / crossTrackM) - 1;
}

/** Width of a gap that is gone through with a chance, m. */
export function widthForChance(chance: number, aircraftSpanM: number, crossTrackM: number): number {
  requireNumber("chance", chance, 0.01, 0.999);
  let low = aircraftSpanM;
  let high = aircraftSpanM + 20 * crossTrackM;
  for (let i = 0; i < 60; i++) {
    const widthM = 0.5 * (low + high);
    if (chanceThrough({ widthM, spanM: aircraftSpanM, crossTrackM }) < chance) low = widthM;
    else high = widthM;
  }
  return high;
}

/** What is stood in the way far ahead of the start, so that all of it is flown. */
const AHEAD_M = 45;

/**
 * Least distance from a gap, m, at which going round still clears it: leaning back with a blip as off a wall, `reactionS` after it was seen that the line is
 * off. Null where this aircraft does not fly that speed or has no such instant.
 */
export function lastGoAroundM(
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  { speedMps, reactionS }: { readonly speedMps: number; readonly reactionS: number },
): number | null {
  requireNumber("reactionS", reactionS, 0, 3);
  try {
    const recipe = withParameters(recipes["bail-wall"], { speedMps, wallM: AHEAD_M, brakeAtM: AHEAD_M - 15 });
    const last = wayOut(recipe, aircraft, settings, { ...environment, entryHeightM: 3 });
    return last && AHEAD_M - last.lastAlongM + reactionS * speedMps;
  } catch (error) {
    // Faster or slower than this aircraft or this recipe flies.
    if (error instanceof DomainError) return null;
    throw error;
  }
}

/** Share of a standard normal distribution below z, to 1.5e-7 (Abramowitz and Stegun 7.1.26 for the error function). */
function normalShare(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const tail =
    t *
    (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429)))) *
    Math.exp(-x * x);
  return z >= 0 ? 1 - 0.5 * tail : 0.5 * tail;
}
