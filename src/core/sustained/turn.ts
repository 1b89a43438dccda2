import { STANDARD_GRAVITY_MPS2 } from "../atmosphere";
import { DEG_PER_RAD, RAD_PER_DEG, requireNumber } from "../numbers";
import type { BodyRates } from "./rates";

/** A coordinated turn at constant height. */
export interface BankedTurn {
  /** Lift, here thrust, over weight. */
  readonly loadFactor: number;
  readonly radiusM: number;
  readonly turnDps: number;
}

/** Body rates of a steady turn at an attitude: p = −Ω sin θ, q = Ω cos θ sin φ, r = Ω cos θ cos φ (ISO 1151-1 axes). */
export function turnRates(turn: {
  readonly turnDps: number;
  readonly pitchDeg: number;
  readonly bankDeg: number;
}): BodyRates {
  const turnDps = requireNumber("turnDps", turn.turnDps, -3000, 3000);
  const pitch = RAD_PER_DEG * requireNumber("pitchDeg", turn.pitchDeg, -90, 90);
  const bank = RAD_PER_DEG * requireNumber("bankDeg", turn.bankDeg, -180, 180);
  return {
    rollDps: -turnDps * Math.sin(pitch),
    pitchDps: turnDps * Math.cos(pitch) * Math.sin(bank),
    yawDps: turnDps * Math.cos(pitch) * Math.cos(bank),
  };
}

/** Level turn: n = 1/cos φ, R = v²/(g·tan φ), Ω = g·tan φ/v (FAA-H-8083-25, load factors in turns). */
export function bankedTurn(turn: { readonly bankDeg: number; readonly speedMps: number }): BankedTurn {
  const bank = RAD_PER_DEG * requireNumber("bankDeg", turn.bankDeg, 1, 85);
  const speed = requireNumber("speedMps", turn.speedMps, 0.1, 120);
  const inward = STANDARD_GRAVITY_MPS2 * Math.tan(bank);
  return {
    loadFactor: 1 / Math.cos(bank),
    radiusM: (speed * speed) / inward,
    turnDps: (DEG_PER_RAD * inward) / speed,
  };
}
