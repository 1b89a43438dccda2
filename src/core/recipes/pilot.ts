import { thrustFraction, type Airframe } from "../airframe";
import { STANDARD_GRAVITY_MPS2 } from "../atmosphere";
import { STATE, type Settings } from "../flight";
import { DEG_PER_RAD, RAD_PER_DEG, seededNormal, seededRandom, wrapDeg } from "../numbers";
import { rateAtStick, stickForRateClamped } from "../rates";
import { stickForThrottleClamped, throttleAtStick } from "../throttle";
import type { Environment } from "./environment";
import {
  resolve,
  type Axis,
  type Phase,
  type Recipe,
  type StickPlan,
  type ThrottlePlan,
  type TurnAxis,
  type Value,
} from "./recipe";
import type { Slip } from "./slips";
import type { StartTrim } from "./start-trim";
import { stickForThrust } from "./thrust-stick";

/** How fast fingers move a stick, full deflections per second. Common practice, no source. */
export const STICK_SPEED_PER_S = 15;
const LONGEST_DELAY_S = 0.5;
/** Hands wander slowly: they are moved on once in so many steps. */
const NOISE_STEPS = 5;
/** With which a height is flown through the climb speed. Ours. */
const CLIMB_GAIN_PER_S = 3;
/** Self-level and bank-limit loops turn an angle error into a rate at this gain. Common practice, no source. */
const ANGLE_LOOP_PER_S = 6;
const SELF_LEVEL_REACH_DEG = 45;

/** What is seen with a delay. */
type Sight = "pitch" | "bank" | "heading" | "object" | "climb" | "height";
const sights: readonly Sight[] = ["pitch", "bank", "heading", "object", "climb", "height"];

/** What the pilot sees and the clock of the phase, filled in by `fly` before each step. */
export interface Seen {
  timeInPhaseS: number;
  pitchDeg: number;
  rollDeg: number;
  yawDeg: number;
  climbMps: number;
  /** Heading turned since the entry, right positive, counted on past half a turn. */
  headingDeg: number;
  /** Above the entry. */
  aboveEntryM: number;
  /** Cosine of the angle between the thrust axis and straight up. */
  upright: number;
  /** The state vector of the flight. */
  readonly state: Float64Array;
  readonly turnedDeg: Record<TurnAxis, number>;
  readonly rateDps: Record<TurnAxis, number>;
}

/** The pilot's hands: moves the sticks as a phase says and turns them into body rates and thrust. */
export class Hands {
  roll = 0;
  pitch = 0;
  yaw = 0;
  throttle: number;
  /** Motor command 0..1 behind the throttle stick. */
  motor = 0;
  private readonly history: Readonly<Record<Sight, Float64Array>>;
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
    private readonly start: StartTrim,
  ) {
    this.throttle = stickForThrottleClamped(settings.throttle, start.motor);
    this.roll = stickForRateClamped(settings.rates.roll, start.rates.rollDps);
    this.pitch = stickForRateClamped(settings.rates.pitch, start.rates.pitchDps);
    this.yaw = stickForRateClamped(settings.rates.yaw, start.rates.yawDps);
    this.length = Math.ceil(LONGEST_DELAY_S / dtS) + 1;
    this.history = Object.fromEntries(sights.map((sight) => [sight, new Float64Array(this.length)])) as Record<
      Sight,
      Float64Array
    >;
    this.normal = seededNormal(seededRandom(environment.seed));
  }

  /** Moves the sticks one time step towards what the phase asks. */
  move(phase: Phase, seen: Seen, slip: Slip): void {
    this.remember(seen);
    if (this.environment.stickNoise > 0 && this.count % NOISE_STEPS === 1) this.drawNoise();
    const reach = STICK_SPEED_PER_S * this.dtS;
    if (phase !== this.phase) this.begin(phase);
    const { fixed } = this;
    const roll = fixed.roll ?? this.movingTarget(phase.roll, "roll", seen);
    const pitch = fixed.pitch ?? this.movingTarget(phase.pitch, "pitch", seen);
    const yaw = fixed.yaw ?? this.movingTarget(phase.yaw, "yaw", seen);
    const throttle = fixed.throttle ?? this.movingThrottle(phase.throttle, seen);
    // What the eye leads, it puts right.
    this.roll = towards(this.roll, strayed(phase.roll, roll, slip.rollGain, slip.rollOffset), reach);
    this.pitch = towards(this.pitch, strayed(phase.pitch, pitch, slip.pitchGain, slip.pitchOffset), reach);
    this.yaw = towards(this.yaw, strayed(phase.yaw, yaw, slip.yawGain, slip.yawOffset), reach);
    const pushed = phase.throttle.kind === "eye" ? throttle : Math.min(1, throttle * (1 + slip.throttleGain));
    this.throttle = towards(this.throttle, pushed, reach);
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
    if (throttle.kind === "sustained")
      this.fixed.throttle = stickForThrottleClamped(this.settings.throttle, this.start.motor);
    else if (throttle.kind === "hold") this.fixed.throttle = Math.max(0, Math.min(1, this.value(throttle.at)));
    else this.fixed.throttle = throttle.kind === "thrust" ? this.stickForThrust(this.value(throttle.g)) : null;
  }

  private fixedTarget(plan: StickPlan | undefined, axis: Axis): number | null {
    if (!plan) return 0;
    if (plan.kind === "hold") return clampStick(this.value(plan.at));
    if (plan.kind === "loop") {
      const dps = (DEG_PER_RAD * this.start.figures.trimSpeedMps) / this.value(plan.radiusM);
      return stickForRateClamped(this.settings.rates[axis], dps);
    }
    if (plan.kind === "sustained") return stickForRateClamped(this.settings.rates[axis], this.sustainedDps(axis));
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
      case "level-turn": {
        const yawDps = rateAtStick(this.settings.rates.yaw, this.yaw);
        return stickForRateClamped(this.settings.rates[axis], yawDps * Math.tan(RAD_PER_DEG * this.settings.tiltDeg));
      }
      case "eye": {
        const miss = wrapDeg(this.value(plan.targetDeg) - this.recall(plan.see, this.value(plan.delayS)));
        // An object is where it is seen; everything else is where the aircraft is.
        const error = plan.see === "object" ? -miss : miss;
        const wantedDps = this.value(plan.gainPerS) * error + (plan.sustained ? this.sustainedDps(axis) : 0);
        return clampStick(stickForRateClamped(this.settings.rates[axis], wantedDps) + this.noise[axis]);
      }
      default:
        return 0;
    }
  }

  private movingThrottle(plan: ThrottlePlan, seen: Seen): number {
    if (plan.kind === "loop") {
      const { trimSpeedMps } = this.start.figures;
      const pull = trimSpeedMps ** 2 / (this.value(plan.radiusM) * STANDARD_GRAVITY_MPS2);
      return this.stickForThrust(this.value(plan.share) * pull + this.value(plan.weightG) * seen.upright);
    }
    if (plan.kind !== "eye") return 0;
    const delayS = this.value(plan.delayS);
    const gain = this.value(plan.gainPerS);
    const targetMps =
      plan.see === "climb"
        ? this.value(plan.targetMps)
        : Math.max(-3, Math.min(3, gain * (this.value(plan.targetM) - this.recall("height", delayS))));
    const error = targetMps - this.recall("climb", delayS);
    const lift = 1 + ((plan.see === "climb" ? gain : CLIMB_GAIN_PER_S) * error) / STANDARD_GRAVITY_MPS2;
    return this.stickForThrust(seen.upright > 0.2 ? lift / seen.upright : 0);
  }

  private value(value: Value): number {
    return typeof value === "number" ? value : resolve(this.recipe, value, this.start.figures);
  }

  private stickForThrust(thrustG: number): number {
    return stickForThrust(this.airframe, this.settings.throttle, thrustG);
  }

  private remember(seen: Seen): void {
    const at = this.count % this.length;
    const { history } = this;
    const { state } = seen;
    history.pitch[at] = seen.pitchDeg;
    history.bank[at] = seen.rollDeg;
    history.heading[at] = seen.headingDeg;
    history.climb[at] = seen.climbMps;
    history.height[at] = seen.aboveEntryM;
    const { object } = this.start;
    if (object) {
      const bearingRad = Math.atan2(object.eastM - state[STATE.east], object.northM - state[STATE.north]);
      history.object[at] = wrapDeg(bearingRad * DEG_PER_RAD - seen.yawDeg);
    }
    this.count++;
  }

  private recall(what: Sight, delayS: number): number {
    const back = Math.min(Math.round(delayS / this.dtS), this.count - 1, this.length - 1);
    return this.history[what][(this.count - 1 - back) % this.length];
  }

  private sustainedDps(axis: Axis): number {
    return this.start.rates[`${axis}Dps`];
  }

  /** First-order noise with a 0.2 s memory, so that hands wander rather than rattle. */
  private drawNoise(): void {
    const keep = Math.exp((-NOISE_STEPS * this.dtS) / 0.2);
    const add = this.environment.stickNoise * Math.sqrt(1 - keep * keep);
    this.noise.roll = keep * this.noise.roll + add * this.normal();
    this.noise.pitch = keep * this.noise.pitch + add * this.normal();
    this.noise.yaw = keep * this.noise.yaw + add * this.normal();
  }
}

/** Where a stick goes that was meant to go to `target`. */
function strayed(plan: StickPlan | undefined, target: number, gain: number, offset: number): number {
  return plan?.kind === "eye" || (gain === 0 && offset === 0) ? target : clampStick(target * (1 + gain) + offset);
}

function towards(from: number, to: number, reach: number): number {
  return Math.abs(to - from) <= reach ? to : from + Math.sign(to - from) * reach;
}

function clampStick(value: number): number {
  return Math.max(-1, Math.min(1, value));
}
