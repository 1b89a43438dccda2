import { fullThrustG, type Airframe } from "../airframe";
import { STANDARD_GRAVITY_MPS2 } from "../atmosphere";
import { SELF_LEVEL_REACH_DEG, densityOf, stickForThrust, type Environment } from "../recipes";
import { toEuler } from "../attitude";
import type { Settings } from "../flight";
import { DEG_PER_RAD, RAD_PER_DEG, wrapDeg } from "../numbers";
import { stickForRateClamped } from "../rates";
import type { Figure } from "./figure";
import type { PracticeState } from "./practice";
import type { Sticks } from "./sticks";
import { WayAhead } from "./way-ahead";

/**
 * Gains of hands that hold a place: acceleration for distance (1/s²) and for speed (1/s), turning for what the attitude is off by (1/s), yaw (1/s).
 * Estimates of ours, well damped: the pair for place and speed has a damping of 0.8.
 */
const PER_M = 2.5;
const PER_MPS = 2.5;
const PER_ATTITUDE = 7;
const PER_YAW = 3;
const MOST_LEAN_DEG = 32;
const MOST_TURN_DPS = 260;

type Seen = Pick<PracticeState, "timeS" | "northM" | "eastM" | "heightM" | "northMps" | "eastMps" | "climbMps">;

/**
 * Hands that fly a way: the lean that brings the aircraft to where it should be by now, the rates that bring it to that lean, the throttle for its weight.
 * What they see of place and speed may be late; where it leans they always know.
 */
export class WayHands {
  private readonly ahead: WayAhead;
  private readonly past: Seen[] = [];
  private readonly fullG: number;

  constructor(
    private readonly figure: Figure,
    private readonly aircraft: Airframe,
    private readonly settings: Settings,
    environment: Environment,
    /** What they answer to of place and speed was so long ago, s. */
    private readonly delayS: number,
  ) {
    this.ahead = new WayAhead(figure);
    this.fullG = fullThrustG(aircraft, densityOf(environment));
  }

  get done(): boolean {
    return this.ahead.done;
  }

  /** Where the sticks go, `dtS` after the last call. */
  read(state: PracticeState, dtS: number, levelled = false): Sticks {
    const seen = this.late(state);
    const wanted = this.ahead.moveOn(dtS);
    const g = STANDARD_GRAVITY_MPS2;
    const most = g * Math.tan(RAD_PER_DEG * this.mostLeanDeg);
    const toward = (m: number, now: number, mps: number, nowMps: number) =>
      PER_M * (m - now) + PER_MPS * (mps - nowMps);
    let north = toward(wanted.northM, seen.northM, wanted.northMps, seen.northMps);
    let east = toward(wanted.eastM, seen.eastM, wanted.eastMps, seen.eastMps);
    const level = Math.hypot(north, east);
    if (level > most) [north, east] = [(north * most) / level, (east * most) / level];
    const up = Math.max(0.3 * g, g + toward(this.figure.heightM, seen.heightM, 0, seen.climbMps));
    const { rollDeg, pitchDeg, yawDeg } = toEuler(state.attitude);
    // What pulls ahead and to the right of the nose, and the lean that does.
    const [sin, cos] = [Math.sin(RAD_PER_DEG * yawDeg), Math.cos(RAD_PER_DEG * yawDeg)];
    const [ahead, right] = [north * cos + east * sin, east * cos - north * sin];
    const wantsPitchDeg = -DEG_PER_RAD * Math.atan2(ahead, up);
    const wantsRollDeg = DEG_PER_RAD * Math.atan2(right, Math.hypot(up, ahead));
    const yawDps = this.clamped(PER_YAW * wrapDeg(wanted.noseDeg - yawDeg) + wanted.noseDps);
    return {
      ...this.sticksFor({ wantsRollDeg, wantsPitchDeg, rollDeg, pitchDeg, yawDps, levelled }),
      levelled,
      throttle: stickForThrust(
        this.aircraft,
        this.settings.throttle,
        Math.hypot(north, east, up) / g,
        this.fullG,
        seen.climbMps,
      ),
    };
  }

  private get mostLeanDeg(): number {
    const { bankLimitDeg, selfLevel } = this.settings.modes;
    const limit = bankLimitDeg ?? (selfLevel ? SELF_LEVEL_REACH_DEG : MOST_LEAN_DEG);
    return Math.min(MOST_LEAN_DEG, 0.9 * limit);
  }

  /** The sticks for a lean, in whatever mode they are: an angle in self-level, else the body rates that bring it there. */
  private sticksFor(to: {
    wantsRollDeg: number;
    wantsPitchDeg: number;
    rollDeg: number;
    pitchDeg: number;
    yawDps: number;
    levelled: boolean;
  }): Pick<Sticks, "roll" | "pitch" | "yaw"> {
    const { rates, modes } = this.settings;
    const [sinRoll, cosRoll] = [Math.sin(RAD_PER_DEG * to.rollDeg), Math.cos(RAD_PER_DEG * to.rollDeg)];
    const [sinPitch, cosPitch] = [Math.sin(RAD_PER_DEG * to.pitchDeg), Math.cos(RAD_PER_DEG * to.pitchDeg)];
    // Rates of the three angles, then about the axes of the body (kinematics of Euler angles, any textbook of flight mechanics).
    const rollPerS = this.clamped(PER_ATTITUDE * (to.wantsRollDeg - to.rollDeg));
    const pitchPerS = this.clamped(PER_ATTITUDE * (to.wantsPitchDeg - to.pitchDeg));
    const rollDps = rollPerS - to.yawDps * sinPitch;
    const pitchDps = pitchPerS * cosRoll + to.yawDps * cosPitch * sinRoll;
    const yawDps = to.yawDps * cosPitch * cosRoll - pitchPerS * sinRoll;
    const yaw = stickForRateClamped(rates.yaw, this.unmixed(rollDps, yawDps).yawDps);
    if (modes.selfLevel || to.levelled) {
      const reach = modes.bankLimitDeg ?? SELF_LEVEL_REACH_DEG;
      const share = (deg: number) => Math.max(-1, Math.min(1, deg / reach));
      return { roll: share(to.wantsRollDeg), pitch: share(to.wantsPitchDeg), yaw };
    }
    return {
      roll: stickForRateClamped(rates.roll, this.unmixed(rollDps, yawDps).rollDps),
      pitch: stickForRateClamped(rates.pitch, pitchDps),
      yaw,
    };
  }

  /** What the sticks ask for where the controller turns roll and yaw toward the picture. */
  private unmixed(rollDps: number, yawDps: number) {
    const angle = RAD_PER_DEG * (this.settings.modes.mixAngleDeg ?? 0);
    const [sin, cos] = [Math.sin(angle), Math.cos(angle)];
    return { rollDps: rollDps * cos - yawDps * sin, yawDps: rollDps * sin + yawDps * cos };
  }

  private clamped(dps: number): number {
    return Math.max(-MOST_TURN_DPS, Math.min(MOST_TURN_DPS, dps));
  }

  private late(state: PracticeState): Seen {
    const { past } = this;
    past.push(state);
    while (past.length > 1 && past[1].timeS <= state.timeS - this.delayS) past.shift();
    return past[0];
  }
}
