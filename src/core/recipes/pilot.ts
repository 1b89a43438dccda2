import { commandForThrust, thrustFraction, type Airframe } from "../airframe";
import { STANDARD_GRAVITY_MPS2 } from "../atmosphere";
import type { Settings } from "../flight";
import { RAD_PER_DEG, seededNormal, seededRandom, wrapDeg } from "../numbers";
import { rateAtStick, stickForRateClamped } from "../rates";
import { stickForThrottleClamped, throttleAtStick } from "../throttle";
import type { Environment } from "./environment";
import { resolve, type Axis, type Phase, type Recipe, type StickPlan, type ThrottlePlan, type Value } from "./recipe";

/** How fast fingers move a stick, full deflections per second. Common practice, no source. */
export const STICK_SPEED_PER_S = 15;
const LONGEST_DELAY_S = 0.5;
/** Self-level and bank-limit loops turn an angle error into a rate at this gain. Common practice, no source. */
const ANGLE_LOOP_PER_S = 6;
const SELF_LEVEL_REACH_DEG = 45;

/** What the pilot sees and the clock of the phase, filled in by `fly` before each step. */
export interface Seen {
  timeInPhaseS: number;
  pitchDeg: number;
  rollDeg: number;
  yawDeg: number;
  climbMps: number;
  /** Cosine of the angle between the thrust axis and straight up. */
  upright: number;
  readonly turnedDeg: Record<Axis, number>;
  readonly rateDps: Record<Axis, number>;
}

/** The pilot's hands: moves the sticks as a phase says and turns them into body rates and thrust. */
export class Hands {
  roll = 0;
  pitch = 0;
  yaw = 0;
  throttle: number;
  /** Motor command 0..1 behind the throttle stick. */
  motor = 0;
  private readonly history: { pitch: Float64Array; bank: Float64Array; heading: Float64Array; climb: Float64Array };
  private readonly length: number;
  private count = 0;
  private readonly normal: () => number;
  private readonly noise = { roll: 0, pitch: 0, yaw: 0 };
  private phase: Phase | null = null;
  /** Targets of the phase that do not move within it. */
  private readonly fixed: Record<Axis | "throttle", number | null> = {
    roll: null,
    pitch: null,
    yaw: null,
    throttle: null,
  };

  constructor(
    private readonly recipe: Recipe,
    private readonly airframe: Airframe,
    private readonly settings: Settings,
    private readonly environment: Environment,
    private readonly dtS: number,
    startMotor: number,
  ) {
    this.throttle = stickForThrottleClamped(settings.throttle, startMotor);
    this.length = Math.ceil(LONGEST_DELAY_S / dtS) + 1;
    const ring = () => new Float64Array(this.length);
    this.history = { pitch: ring(), bank: ring(), heading: ring(), climb: ring() };
    this.normal = seededNormal(seededRandom(environment.seed));
  }

  /** Moves the sticks one time step towards what the phase asks. */
  move(phase: Phase, seen: Seen): void {
    this.remember(seen);
    if (this.environment.stickNoise > 0) this.drawNoise();
    const reach = STICK_SPEED_PER_S * this.dtS;
    if (phase !== this.phase) this.begin(phase);
    const { fixed } = this;
    this.roll = towards(this.roll, fixed.roll ?? this.movingTarget(phase.roll, "roll", seen), reach);
    this.pitch = towards(this.pitch, fixed.pitch ?? this.movingTarget(phase.pitch, "pitch", seen), reach);
    this.yaw = towards(this.yaw, fixed.yaw ?? this.movingTarget(phase.yaw, "yaw", seen), reach);
    this.throttle = towards(this.throttle, fixed.throttle ?? this.movingThrottle(phase.throttle, seen), reach);
    this.motor = throttleAtStick(this.settings.throttle, this.throttle);
  }

  /** Writes the commanded body rates (rad/s) and thrust fraction for the present stick positions. */
  command(seen: Seen, out: Float64Array): void {
    const { rates } = this.settings;
    out[0] = RAD_PER_DEG * this.levelled(rateAtStick(rates.roll, this.roll), this.roll, seen.rollDeg);
    out[1] = RAD_PER_DEG * this.levelled(rateAtStick(rates.pitch, this.pitch), this.pitch, seen.pitchDeg);
    out[2] = RAD_PER_DEG * rateAtStick(rates.yaw, this.yaw);
    out[3] = thrustFraction(this.airframe, this.motor);
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

  private begin(phase: Phase): void {
    this.phase = phase;
    const { throttle } = phase;
    this.fixed.roll = this.fixedTarget(phase.roll, "roll");
    this.fixed.pitch = this.fixedTarget(phase.pitch, "pitch");
    this.fixed.yaw = this.fixedTarget(phase.yaw, "yaw");
    if (throttle.kind === "hold") this.fixed.throttle = Math.max(0, Math.min(1, this.value(throttle.at)));
    else this.fixed.throttle = throttle.kind === "thrust" ? this.stickForThrust(this.value(throttle.g)) : null;
  }

  private fixedTarget(plan: StickPlan | undefined, axis: Axis): number | null {
    if (!plan) return 0;
    if (plan.kind === "hold") return clampStick(this.value(plan.at));
    return plan.kind === "rate" ? stickForRateClamped(this.settings.rates[axis], this.value(plan.dps)) : null;
  }

  private movingTarget(plan: StickPlan | undefined, axis: Axis, seen: Seen): number {
    switch (plan?.kind) {
      case "ramp": {
        const share = Math.min(1, seen.timeInPhaseS / Math.max(1e-6, this.value(plan.overS)));
        const from = this.value(plan.from);
        return clampStick(from + share * (this.value(plan.to) - from));
      }
      case "ease": {
        const fromDeg = this.value(plan.fromDeg);
        const span = Math.max(1e-6, this.value(plan.toDeg) - fromDeg);
        const share = Math.max(0, Math.min(1, (Math.abs(seen.turnedDeg[plan.axis]) - fromDeg) / span));
        const from = this.value(plan.from);
        return clampStick(from + share * (this.value(plan.to) - from));
      }
      case "view-roll": {
        const rollDps = rateAtStick(this.settings.rates.roll, this.roll);
        const wantedDps = -rollDps * Math.tan(RAD_PER_DEG * this.settings.tiltDeg);
        return stickForRateClamped(this.settings.rates[axis], wantedDps);
      }
      case "eye": {
        const error = wrapDeg(this.value(plan.targetDeg) - this.recall(plan.see, this.value(plan.delayS)));
        const wantedDps = this.value(plan.gainPerS) * error;
        return clampStick(stickForRateClamped(this.settings.rates[axis], wantedDps) + this.noise[axis]);
      }
      default:
        return 0;
    }
  }

  private movingThrottle(plan: ThrottlePlan, seen: Seen): number {
    if (plan.kind !== "eye") return 0;
    const error = this.value(plan.targetMps) - this.recall("climb", this.value(plan.delayS));
    const lift = 1 + (this.value(plan.gainPerS) * error) / STANDARD_GRAVITY_MPS2;
    return this.stickForThrust(seen.upright > 0.2 ? lift / seen.upright : 0);
  }

  private value(value: Value): number {
    return typeof value === "number" ? value : resolve(this.recipe, value);
  }

  private stickForThrust(thrustG: number): number {
    const fraction = Math.max(0, Math.min(1, thrustG / this.airframe.thrustToWeight));
    return stickForThrottleClamped(this.settings.throttle, commandForThrust(this.airframe, fraction));
  }

  private remember(seen: Seen): void {
    const at = this.count % this.length;
    this.history.pitch[at] = seen.pitchDeg;
    this.history.bank[at] = seen.rollDeg;
    this.history.heading[at] = seen.yawDeg;
    this.history.climb[at] = seen.climbMps;
    this.count++;
  }

  private recall(what: "pitch" | "bank" | "heading" | "climb", delayS: number): number {
    const back = Math.min(Math.round(delayS / this.dtS), this.count - 1, this.length - 1);
    return this.history[what][(this.count - 1 - back) % this.length];
  }

  /** First-order noise with a 0.2 s memory, so that hands wander rather than rattle. */
  private drawNoise(): void {
    const keep = Math.exp(-this.dtS / 0.2);
    const add = this.environment.stickNoise * Math.sqrt(1 - keep * keep);
    this.noise.roll = keep * this.noise.roll + add * this.normal();
    this.noise.pitch = keep * this.noise.pitch + add * this.normal();
    this.noise.yaw = keep * this.noise.yaw + add * this.normal();
  }
}

function towards(from: number, to: number, reach: number): number {
  return Math.abs(to - from) <= reach ? to : from + Math.sign(to - from) * reach;
}

function clampStick(value: number): number {
  return Math.max(-1, Math.min(1, value));
}
