import { commandForThrust, thrustFraction, type Airframe } from "../airframe";
import { stickForThrottleClamped, throttleAtStick, type ThrottleProfile } from "../throttle";

/** The throttle stick 0..1 that gives a thrust over weight; full stick where neither motors nor limit reach it. */
export function stickForThrust(aircraft: Airframe, throttle: ThrottleProfile, thrustG: number): number {
  const fraction = Math.max(0, Math.min(1, thrustG / aircraft.thrustToWeight));
  return stickForThrottleClamped(throttle, commandForThrust(aircraft, fraction));
}

/** Thrust over weight at a throttle stick position 0..1. */
export function thrustAtStick(aircraft: Airframe, throttle: ThrottleProfile, stick: number): number {
  return aircraft.thrustToWeight * thrustFraction(aircraft, throttleAtStick(throttle, Math.max(0, Math.min(1, stick))));
}
