import { fullThrustG, type Airframe } from "../airframe";
import { STANDARD_GRAVITY_MPS2 } from "../atmosphere";
import { STATE, type Settings } from "../flight";
import { DEG_PER_RAD, NormalDraws, RAD_PER_DEG, wrapDeg } from "../numbers";
import { rateAtStick, stickForRateClamped } from "../rates";
import { stickForThrottleClamped, throttleAtStick } from "../throttle";
import { densityOf, type Environment } from "./environment";
import {
  resolve,
  type Axis,
  type Phase,
  type Recipe,
  type StickPlan,
  type ThrottlePlan,
  type TurnAxis,
} from "./recipe";
import type { Value } from "./value";
import type { Slip } from "./slips";
import type { StartTrim } from "./start-trim";
import { StickCommand } from "./stick-command";
import { stickForThrust } from "./thrust-stick";

// Copies of this module: what is imported is looked up at every use in some builds.
const TO_DEG = DEG_PER_RAD;
const TO_RAD = RAD_PER_DEG;
const wrapped = wrapDeg;
const rateAt = rateAtStick;
const stickForRate = stickForRateClamped;
const stickForThrottle = stickForThrottleClamped;
const throttleAt = throttleAtStick;
const G_MPS2 = STANDARD_GRAVITY_MPS2;
const stickForStaticThrust = stickForThrust;
const resolved = resolve;

/** How fast fingers move a stick, full deflections per second. Common practice, no source. */
const STICK_SPEED_PER_S = 15;
const LONGEST_DELAY_S = 0.5;
/** Nobody comes down on a spot faster, m/s. Ours. */
const STEEPEST_SINK_MPS = 6;
/** Hands wander slowly: they are moved on once in so many steps. */
const NOISE_STEPS = 5;
/** With which a height is flown through the climb speed. Ours. */
const CLIMB_GAIN_PER_S = 3;

type EyePlan = Extract<StickPlan, { kind: "eye" }>;
/** What is seen with a delay. */
type Sight =
  | "pitch"
  | "bank"
  | "side"
  | "heading"
  | "object"
  | "distance"
  | "growing"
  | "sideways"
  | "ahead"
  | "climb"
  | "height";
const sights: readonly Sight[] = [
  "pitch",
  "bank",
  "side",
  "heading",
  "object",
  "distance",
  "growing",
  "sideways",
  "ahead",
  "climb",
  "height",
];

/** What the pilot sees and the clock of the phase, filled in by `fly` before each step. */
export interface Seen {
  timeInPhaseS: number;
  pitchDeg: number;
  rollDeg: number;
  /** How far the right-hand side hangs below the horizon. */
  sideDeg: number;
  yawDeg: number;
  climbMps: number;
  /** Heading turned since the entry, right positive, counted on past half a turn. */
  headingDeg: number;
  /** Above the entry. */
  aboveEntryM: number;
  /** Cosine of the angle between the thrust axis and straight up. */
  upright: number;
  /** Speed of the air along the thrust, positive climbing, and of the air altogether, m/s. */
  axialMps: number;
  airspeedMps: number;
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
  private draws: NormalDraws;
  private readonly noise = { roll: 0, pitch: 0, yaw: 0 };
  private phase: Phase | null = null;
  /** What is looked at is another from now on: what was seen of the one before says nothing of it. */
  private looksAfresh = false;
  private readonly before = { roll: 0, pitch: 0, yaw: 0, throttle: 0 };
  /** Static thrust over weight of full throttle in this air, on a full pack and on this one. */
  private readonly fullG: number;
  private readonly fullNowG: number;
  /** Less upright than this, throttle raises nothing that a hand would hold. */
  private readonly leastUpright: number;
  /** Drag along body z over weight, for a speed squared in m²/s². */
  private readonly dragZPerG: number;
  private readonly controller: StickCommand;
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
    this.controller = new StickCommand(airframe, settings);
    this.fullG = fullThrustG(airframe, densityOf(environment));
    this.fullNowG = this.fullG * (1 - (airframe.sag?.emptyShare ?? 0) * (environment.packUsed ?? 0)) ** 2;
    this.leastUpright = Math.min(0.2, 0.5 * Math.abs(start.upright));
    this.dragZPerG = (0.5 * densityOf(environment) * airframe.dragAreaM2.z) / (airframe.massKg * G_MPS2);
    this.throttle = stickForThrottle(settings.throttle, start.motor);
    if (!start.straight) {
      this.roll = stickForRate(settings.rates.roll, this.sustainedDps("roll"));
      this.pitch = stickForRate(settings.rates.pitch, this.sustainedDps("pitch"));
      this.yaw = stickForRate(settings.rates.yaw, this.sustainedDps("yaw"));
    }
    this.length = Math.ceil(LONGEST_DELAY_S / dtS) + 1;
    this.history = Object.fromEntries(sights.map((sight) => [sight, new Float64Array(this.length)])) as Record<
      Sight,
      Float64Array
    >;
    this.draws = new NormalDraws(environment.seed);
  }

  /**
   * Goes on from other hands: sticks, what was seen and how they wander. What they saw as heading and height against their entry counts from this one:
   * so many ° and m are taken off. An object is looked for from here on.
   */
  goOnFrom(other: Hands, headingDeg: number, heightM: number): void {
    this.roll = other.roll;
    this.pitch = other.pitch;
    this.yaw = other.yaw;
    this.throttle = other.throttle;
    this.motor = other.motor;
    this.count = other.count;
    this.draws = other.draws.copy();
    Object.assign(this.noise, other.noise);
    const { history } = this;
    for (const sight of sights) history[sight].set(other.history[sight]);
    for (let i = 0; i < this.length; i++) {
      history.heading[i] -= headingDeg;
      history.height[i] -= heightM;
    }
    this.looksAfresh = true;
  }

  /** Moves the sticks for `dtS` towards what the phase asks. What is seen is remembered on the grid of equal steps only. */
  move(phase: Phase, seen: Seen, slip: Slip, dtS: number, onGrid: boolean): void {
    if (onGrid) {
      this.remember(seen);
      if (this.environment.stickNoise > 0 && this.count % NOISE_STEPS === 1) this.drawNoise();
    }
    const { before } = this;
    before.roll = this.roll;
    before.pitch = this.pitch;
    before.yaw = this.yaw;
    before.throttle = this.throttle;
    const reach = STICK_SPEED_PER_S * dtS;
    if (phase.frozen) return;
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
    const pushed =
      phase.throttle.kind === "eye" ? throttle : Math.max(0, Math.min(1, throttle * (1 + slip.throttleGain)));
    this.throttle = towards(this.throttle, pushed, reach);
    this.motor = throttleAt(this.settings.throttle, this.throttle);
  }

  /** Takes back the last `share` of the move. */
  takeBack(share: number): void {
    const { before } = this;
    this.roll = before.roll + (1 - share) * (this.roll - before.roll);
    this.pitch = before.pitch + (1 - share) * (this.pitch - before.pitch);
    this.yaw = before.yaw + (1 - share) * (this.yaw - before.yaw);
    this.throttle = before.throttle + (1 - share) * (this.throttle - before.throttle);
    this.motor = throttleAt(this.settings.throttle, this.throttle);
  }

  /** Writes the commanded body rates (rad/s) and thrust fraction for the present stick positions. */
  command(seen: Seen, out: Float64Array): void {
    this.controller.write(this, seen, out);
  }

  private begin(phase: Phase): void {
    this.phase = phase;
    const { throttle } = phase;
    this.fixed.roll = this.fixedTarget(phase.roll, "roll");
    this.fixed.pitch = this.fixedTarget(phase.pitch, "pitch");
    this.fixed.yaw = this.fixedTarget(phase.yaw, "yaw");
    if (throttle.kind === "sustained")
      this.fixed.throttle = stickForThrottle(this.settings.throttle, this.start.sustainedMotor);
    else if (throttle.kind === "hold") this.fixed.throttle = Math.max(0, Math.min(1, this.value(throttle.at)));
    else this.fixed.throttle = throttle.kind === "thrust" ? this.stickForStillThrust(this.value(throttle.g)) : null;
  }

  private fixedTarget(plan: StickPlan | undefined, axis: Axis): number | null {
    if (!plan) return 0;
    if (plan.kind === "hold") return clampStick(this.value(plan.at));
    if (plan.kind === "loop") {
      const dps = (TO_DEG * this.start.figures.trimSpeedMps) / this.value(plan.radiusM);
      return stickForRate(this.settings.rates[axis], dps);
    }
    if (plan.kind === "sustained") return stickForRate(this.settings.rates[axis], this.sustainedDps(axis));
    return plan.kind === "rate" ? stickForRate(this.settings.rates[axis], this.value(plan.dps)) : null;
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
        // The controller does it; a wrong angle of it goes uncorrected.
        if (this.controller.mixes) return 0;
        const rollDps = rateAt(this.settings.rates.roll, this.roll);
        const wantedDps = -rollDps * Math.tan(TO_RAD * this.settings.tiltDeg);
        return stickForRate(this.settings.rates[axis], wantedDps);
      }
      case "level-turn": {
        if (this.controller.mixes) return 0;
        const yawDps = rateAt(this.settings.rates.yaw, this.yaw);
        return stickForRate(this.settings.rates[axis], yawDps * Math.tan(TO_RAD * this.settings.tiltDeg));
      }
      case "round":
        return stickForRate(this.settings.rates[axis], this.roundDps(axis, seen));
      case "eye": {
        const delayS = this.value(plan.delayS);
        const targetDeg =
          this.value(plan.targetDeg) +
          (plan.keeps ? this.nearer(plan.keeps, delayS) : 0) +
          (plan.stills ? this.against(plan.see, plan.stills, delayS) : 0);
        const miss = wrapped(targetDeg - this.recall(plan.see, delayS));
        // An object is where it is seen; everything else is where the aircraft is.
        // Upside down a turn of the stick goes round the other way: it is put right as the picture shows it.
        const error = plan.see === "object" && seen.upright >= 0 ? -miss : miss;
        const wantedDps = this.value(plan.gainPerS) * error + (plan.sustained ? this.sustainedDps(axis) : 0);
        return clampStick(stickForRate(this.settings.rates[axis], wantedDps) + this.noise[axis]);
      }
      default:
        return 0;
    }
  }

  private movingThrottle(plan: ThrottlePlan, seen: Seen): number {
    if (plan.kind === "loop") {
      const { trimSpeedMps } = this.start.figures;
      const pull = trimSpeedMps ** 2 / (this.value(plan.radiusM) * G_MPS2);
      return this.stickForThrust(
        this.value(plan.share) * pull + this.value(plan.weightG) * seen.upright,
        seen.axialMps,
      );
    }
    if (plan.kind !== "eye") return 0;
    const delayS = this.value(plan.delayS);
    const gain = this.value(plan.gainPerS);
    const targetMps = this.climbWanted(plan, gain, delayS);
    const error = targetMps - this.recall("climb", delayS);
    const lift = 1 - this.dragLiftG(seen) + ((plan.see === "height" ? CLIMB_GAIN_PER_S : gain) * error) / G_MPS2;
    return seen.upright > this.leastUpright ? this.stickForThrust(lift / seen.upright, seen.axialMps) : 0;
  }

  /** Climb speed that an eye on climb, height or a spot asks for. */
  private climbWanted(plan: Extract<ThrottlePlan, { kind: "eye" }>, gain: number, delayS: number): number {
    switch (plan.see) {
      case "climb":
        return this.value(plan.targetMps);
      case "height":
        return Math.max(-3, Math.min(3, gain * (this.value(plan.targetM) - this.recall("height", delayS))));
      case "spot": {
        const upM = this.environment.entryHeightM + this.recall("height", delayS);
        const closingMps = Math.max(0.3, -this.recall("growing", delayS));
        return Math.max(-STEEPEST_SINK_MPS, (-upM * closingMps) / Math.max(0.5, this.recall("distance", delayS)));
      }
    }
  }

  /** How far a target is moved to keep a distance: by what is too far, and by how fast it grows. */
  private nearer({ distanceM, degPerM, degPerMps, mostDeg }: NonNullable<EyePlan["keeps"]>, delayS: number): number {
    const offM = this.recall("distance", delayS) - this.value(distanceM);
    const moved = degPerM * offM + degPerMps * this.recall("growing", delayS);
    return Math.max(-mostDeg, Math.min(mostDeg, moved));
  }

  /** How far a lean is moved to stand still over the ground. */
  private against(
    see: EyePlan["see"],
    { degPerMps, mostDeg, paceMps = 0 }: NonNullable<EyePlan["stills"]>,
    delayS: number,
  ): number {
    const moved =
      see === "pitch"
        ? degPerMps * (this.recall("ahead", delayS) - this.value(paceMps))
        : -degPerMps * this.recall("sideways", delayS);
    return Math.max(-mostDeg, Math.min(mostDeg, moved));
  }

  private value(value: Value): number {
    return typeof value === "number" ? value : resolved(this.recipe, value, this.start.figures);
  }

  /** Where a stick is put for a punch: as on a full pack, standing still. */
  private stickForStillThrust(thrustG: number): number {
    return stickForStaticThrust(this.airframe, this.settings.throttle, thrustG, this.fullG);
  }

  /** Hands that hold something by eye give what it takes at the speed it goes and on the pack there is. */
  private stickForThrust(thrustG: number, axialMps: number): number {
    return stickForStaticThrust(this.airframe, this.settings.throttle, thrustG, this.fullNowG, axialMps);
  }

  /** Part of the weight that the drag of the body carries, negative where it pushes down: along z, leant on by the air. */
  private dragLiftG({ axialMps, upright, airspeedMps }: Seen): number {
    return -this.dragZPerG * airspeedMps * axialMps * upright;
  }

  private remember(seen: Seen): void {
    const at = this.count % this.length;
    const { history } = this;
    const { state } = seen;
    history.pitch[at] = seen.pitchDeg;
    history.bank[at] = seen.rollDeg;
    history.side[at] = seen.sideDeg;
    history.heading[at] = seen.headingDeg;
    history.climb[at] = seen.climbMps;
    history.height[at] = seen.aboveEntryM;
    const yaw = seen.yawDeg * TO_RAD;
    const [cos, sin] = [Math.cos(yaw), Math.sin(yaw)];
    history.ahead[at] = cos * state[STATE.vNorth] + sin * state[STATE.vEast];
    history.sideways[at] = cos * state[STATE.vEast] - sin * state[STATE.vNorth];
    const { object } = this.start;
    if (object) {
      const north = object.northM - state[STATE.north];
      const east = object.eastM - state[STATE.east];
      const distanceM = Math.hypot(north, east);
      history.object[at] = wrapped(Math.atan2(east, north) * TO_DEG - seen.yawDeg);
      history.distance[at] = distanceM;
      history.growing[at] = -(north * state[STATE.vNorth] + east * state[STATE.vEast]) / Math.max(0.1, distanceM);
      if (this.looksAfresh)
        for (const sight of ["object", "distance", "growing"] as const) history[sight].fill(history[sight][at]);
      this.looksAfresh = false;
    }
    this.count++;
  }

  private recall(what: Sight, delayS: number): number {
    const back = Math.min(Math.round(delayS / this.dtS), this.count - 1, this.length - 1);
    return this.history[what][(this.count - 1 - back) % this.length];
  }

  /** What a stick asks for so that the body turns as in the start: with a mixing controller, about the axes of the picture. */
  private sustainedDps(axis: Axis): number {
    const { rates } = this.start;
    const { mixes, mixCos, mixSin } = this.controller;
    if (!mixes || axis === "pitch") return rates[`${axis}Dps`];
    return axis === "roll"
      ? rates.rollDps * mixCos - rates.yawDps * mixSin
      : rates.rollDps * mixSin + rates.yawDps * mixCos;
  }

  /** The turn of the start about straight down, as body rates of the attitude there is. */
  private roundDps(axis: Axis, { pitchDeg, rollDeg }: Seen): number {
    const { rollDps, pitchDps, yawDps } = this.start.rates;
    const downDps = Math.sign(yawDps) * Math.hypot(rollDps, pitchDps, yawDps);
    if (axis === "roll") return -downDps * Math.sin(TO_RAD * pitchDeg);
    const level = downDps * Math.cos(TO_RAD * pitchDeg);
    return level * (axis === "pitch" ? Math.sin(TO_RAD * rollDeg) : Math.cos(TO_RAD * rollDeg));
  }

  /** First-order noise with a 0.2 s memory, so that hands wander rather than rattle. */
  private drawNoise(): void {
    const keep = Math.exp((-NOISE_STEPS * this.dtS) / 0.2);
    const add = this.environment.stickNoise * Math.sqrt(1 - keep * keep);
    this.noise.roll = keep * this.noise.roll + add * this.draws.next();
    this.noise.pitch = keep * this.noise.pitch + add * this.draws.next();
    this.noise.yaw = keep * this.noise.yaw + add * this.draws.next();
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
