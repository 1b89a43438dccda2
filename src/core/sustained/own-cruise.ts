import type { Airframe } from "../airframe";
import type { Air } from "../atmosphere";
import { bisect, requireNumber } from "../numbers";
import { cruiseIfPossible, topSpeed, type Cruise } from "./cruise";

/** Level cruise as a pilot flies it, with how far the nose is down in it. */
export interface OwnCruise extends Cruise {
  readonly leanDeg: number;
}

export const cruiseRangeMps = [1, 60] as const;

/**
 * Level cruise at a pilot's own speed, whatever the tilt of the camera; with `cruiseMps` null, at the lean that puts the horizon in the middle of
 * the picture. Null for an aircraft that does not fly level so.
 */
export function ownCruise(
  airframe: Airframe,
  { tiltDeg, cruiseMps }: { readonly tiltDeg: number; readonly cruiseMps: number | null },
  air: Air,
): OwnCruise | null {
  if (cruiseMps === null) {
    const level = cruiseIfPossible(airframe, tiltDeg, air);
    return level && { ...level, leanDeg: tiltDeg };
  }
  requireNumber("cruiseMps", cruiseMps, ...cruiseRangeMps);
  const most = topSpeed(airframe, air);
  if (most.speedMps <= cruiseMps) return null;
  const excess = (lean: number) => (cruiseIfPossible(airframe, lean, air)?.speedMps ?? Infinity) - cruiseMps;
  const leanDeg = bisect(excess, 0, most.leanDeg, 1e-4);
  const level = leanDeg === null ? null : cruiseIfPossible(airframe, leanDeg, air);
  return level && { ...level, leanDeg: leanDeg! };
}
