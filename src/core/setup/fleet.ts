import type { Airframe } from "../airframe";
import type { Air } from "../atmosphere";
import type { Settings } from "../flight";
import { feelDistance, type FeelDistance } from "../rates";
import { cruiseIfPossible, type Cruise } from "../sustained";
import { stickForThrottleClamped } from "../throttle";
import { mixFor, tiltOfSticks } from "./mix";

/** An aircraft as it is set up. */
export interface SetAircraft {
  readonly airframe: Airframe;
  readonly settings: Settings;
}

/** What flying another aircraft changes for hands that know the reference. Differences are other minus reference. */
export interface FleetDifference {
  readonly tiltDeg: number;
  readonly feel: FeelDistance;
  /** Null where one of the two cannot cruise level at its tilt. */
  readonly cruise: {
    readonly speedMps: number;
    readonly speedShare: number;
    /** Throttle stick 0..1 at level cruise. */
    readonly throttleStick: number;
  } | null;
  /** Roll and yaw stick of a level turn at `turnDps`. */
  readonly turn: { readonly rollStick: number; readonly yawStick: number } | null;
  /**
   * Tilt of the horizon after half a turn, °, when the reference's sticks are moved on this aircraft: twice the angle between the axis they turn
   * about here and the upright one.
   */
  readonly horizonOffDeg: number | null;
}

/** Compares an aircraft with the pilot's reference one, for a level turn at `turnDps`. */
export function compareAircraft(
  reference: SetAircraft,
  other: SetAircraft,
  air: Air,
  turnDps: number,
): FleetDifference {
  const [refCruise, ownCruise] = [reference, other].map(({ airframe, settings }) =>
    cruiseIfPossible(airframe, settings.tiltDeg, air),
  );
  const refMix = mixFor("level-turn", reference.settings.rates, reference.settings.tiltDeg, turnDps);
  const ownMix = mixFor("level-turn", other.settings.rates, other.settings.tiltDeg, turnDps);
  const stick = ({ settings }: SetAircraft, { throttle }: Cruise) =>
    stickForThrottleClamped(settings.throttle, throttle);
  return {
    tiltDeg: other.settings.tiltDeg - reference.settings.tiltDeg,
    feel: feelDistance(reference.settings.rates, other.settings.rates),
    cruise: refCruise &&
      ownCruise && {
        speedMps: ownCruise.speedMps - refCruise.speedMps,
        speedShare: refCruise.speedMps > 0 ? ownCruise.speedMps / refCruise.speedMps - 1 : 0,
        throttleStick: stick(other, ownCruise) - stick(reference, refCruise),
      },
    turn:
      refMix.rollStick === null || refMix.yawStick === null || ownMix.rollStick === null || ownMix.yawStick === null
        ? null
        : { rollStick: ownMix.rollStick - refMix.rollStick, yawStick: ownMix.yawStick - refMix.yawStick },
    horizonOffDeg:
      refMix.rollStick === null || refMix.yawStick === null
        ? null
        : 2 * (tiltOfSticks(other.settings.rates, refMix.rollStick, refMix.yawStick) - other.settings.tiltDeg),
  };
}
