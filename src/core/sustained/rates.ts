import { RAD_PER_DEG, requireNumber } from "../numbers";

/** Body rates in °/s. */
export interface BodyRates {
  readonly rollDps: number;
  readonly pitchDps: number;
  readonly yawDps: number;
}

/** Body rates of a level-camera turn at `turnDps`: pitch −tilt, no bank, so roll : yaw = tan tilt. */
export function levelTurnRates(tiltDeg: number, turnDps: number): BodyRates {
  const tilt = RAD_PER_DEG * requireNumber("tiltDeg", tiltDeg, 0, 90);
  requireNumber("turnDps", turnDps, -3000, 3000);
  return { rollDps: turnDps * Math.sin(tilt), pitchDps: 0, yawDps: turnDps * Math.cos(tilt) };
}

/** Body rates of a roll about the view axis at `rollDps`: p = Ω·cos tilt, r = −Ω·sin tilt. */
export function viewRollRates(tiltDeg: number, rollDps: number): BodyRates {
  const tilt = RAD_PER_DEG * requireNumber("tiltDeg", tiltDeg, 0, 90);
  requireNumber("rollDps", rollDps, -3000, 3000);
  return { rollDps: rollDps * Math.cos(tilt), pitchDps: 0, yawDps: -rollDps * Math.sin(tilt) };
}
