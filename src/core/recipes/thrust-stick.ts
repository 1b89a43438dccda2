import { commandForThrust, rotorSpeedForThrust, thrustFraction, type Airframe } from "../airframe";
import { stickForThrottleClamped, throttleAtStick, type ThrottleProfile } from "../throttle";

// Copies of this module: what is imported is looked up at every use in some builds.
const speedForThrust = rotorSpeedForThrust;
const stickForThrottle = stickForThrottleClamped;
const commandFor = commandForThrust;
const fractionAt = thrustFraction;
const throttleAt = throttleAtStick;

/**
 * The throttle stick 0..1 that gives a thrust over weight in air in which full throttle gives `fullThrustG`, with the air coming along the thrust at
 * `axialMps`; full stick where neither motors nor limit reach it.
 */
export function stickForThrust(
  aircraft: Airframe,
  throttle: ThrottleProfile,
  thrustG: number,
  fullThrustG = aircraft.thrustToWeight,
  axialMps = 0,
): number {
  const speed = speedForThrust(aircraft, Math.max(0, thrustG) / fullThrustG, axialMps);
  return stickForThrottle(throttle, commandFor(aircraft, Math.min(1, speed * speed)));
}

/** Static thrust over weight at a throttle stick position 0..1, in the air of the measurement. */
export function thrustAtStick(aircraft: Airframe, throttle: ThrottleProfile, stick: number): number {
  return aircraft.thrustToWeight * fractionAt(aircraft, throttleAt(throttle, Math.max(0, Math.min(1, stick))));
}
