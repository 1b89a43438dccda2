import type { Airframe } from "../airframe";
import { airDensity, type Air } from "../atmosphere";
import type { Settings } from "../flight";
import { powerFor } from "../sustained";
import { stickForThrottleClamped } from "../throttle";

/** A learner's punch: so many times the thrust that hovers. Common practice, no source. */
const USUAL_TIMES = 2;

/** Throttle stick of a learner's punch, 0..1: full where the limit leaves less. Null for an aircraft that cannot hover. */
export function punchStick(airframe: Airframe, { throttle }: Settings, air: Air): number | null {
  const density = airDensity(air);
  if (powerFor(airframe, 1, 0, density) === null) return null;
  const power = powerFor(airframe, USUAL_TIMES, 0, density);
  return power === null ? 1 : stickForThrottleClamped(throttle, power.throttle);
}
