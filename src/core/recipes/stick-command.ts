import { thrustFraction, type Airframe } from "../airframe";
import type { Settings } from "../flight";
import { RAD_PER_DEG } from "../numbers";
import { rateAtStick } from "../rates";

// Copies of this module: what is imported is looked up at every use in some builds.
const TO_RAD = RAD_PER_DEG;
const rateAt = rateAtStick;
const fractionAt = thrustFraction;

/** Self-level and bank-limit loops turn an angle error into a rate at this gain. Common practice, no source. */
export const ANGLE_LOOP_PER_S = 6;
/** Lean at full stick in self-level where no bank limit says less, °. Common practice, no source. */
export const SELF_LEVEL_REACH_DEG = 45;

/** Where the sticks stand, and the motor command behind the throttle. */
export interface SticksNow {
  readonly roll: number;
  readonly pitch: number;
  readonly yaw: number;
  readonly throttle: number;
  /** Motor command 0..1 behind the throttle stick. */
  readonly motor: number;
}

/** How it leans, as far as self-level and a bank limit ask. */
interface Leans {
  readonly rollDeg: number;
  readonly pitchDeg: number;
}

/** What the aircraft's controller makes of the sticks: by the pilot's curves, modes and mixing angle. */
export class StickCommand {
  /** Whether the controller mixes roll and yaw for the camera, and the angle it does it for. */
  readonly mixes: boolean;
  readonly mixCos: number;
  readonly mixSin: number;

  constructor(
    private readonly airframe: Airframe,
    private readonly settings: Settings,
  ) {
    const mixAngleDeg = settings.modes.mixAngleDeg ?? null;
    this.mixes = mixAngleDeg !== null;
    this.mixCos = Math.cos(TO_RAD * (mixAngleDeg ?? 0));
    this.mixSin = Math.sin(TO_RAD * (mixAngleDeg ?? 0));
  }

  /** Writes the commanded body rates (rad/s) and thrust fraction for these stick positions. */
  write({ roll, pitch, yaw, motor }: SticksNow, seen: Leans, out: Float64Array): void {
    const { rates } = this.settings;
    const rollDps = this.levelled(rateAt(rates.roll, roll), roll, seen.rollDeg);
    const yawDps = rateAt(rates.yaw, yaw);
    out[0] = TO_RAD * (this.mixes ? rollDps * this.mixCos + yawDps * this.mixSin : rollDps);
    out[1] = TO_RAD * this.levelled(rateAt(rates.pitch, pitch), pitch, seen.pitchDeg);
    out[2] = TO_RAD * (this.mixes ? yawDps * this.mixCos - rollDps * this.mixSin : yawDps);
    out[3] = fractionAt(this.airframe, motor);
  }

  private levelled(rateDps: number, stick: number, angleDeg: number): number {
    const { selfLevel, bankLimitDeg } = this.settings.modes;
    if (selfLevel) return ANGLE_LOOP_PER_S * (stick * (bankLimitDeg ?? SELF_LEVEL_REACH_DEG) - angleDeg);
    if (bankLimitDeg === null) return rateDps;
    return Math.max(
      ANGLE_LOOP_PER_S * (-bankLimitDeg - angleDeg),
      Math.min(ANGLE_LOOP_PER_S * (bankLimitDeg - angleDeg), rateDps),
    );
  }
}
