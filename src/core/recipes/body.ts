import { toEuler } from "../attitude";
import { COMMAND_SIZE, STATE, STATE_SIZE, type Step } from "../flight";
import { DEG_PER_RAD, RAD_PER_DEG, wrapDeg } from "../numbers";
import type { Seen } from "./pilot";
import type { TurnAxis } from "./recipe";

// Copies of this module: what is imported is looked up at every use in some builds.
const { down: DOWN, vDown: V_DOWN, p: P, q: Q, r: R } = STATE;
const TO_DEG = DEG_PER_RAD;
const eulerOf = toEuler;
const wrapped = wrapDeg;
const COMMANDS = COMMAND_SIZE;
const STATES = STATE_SIZE;
const turnAxes = ["roll", "pitch", "yaw", "view"] as const satisfies readonly TurnAxis[];

/** Whose sticks command it. */
export interface Commands {
  /** Writes the commanded body rates (rad/s) and thrust fraction. */
  command(seen: Seen, out: Float64Array): void;
  /** Takes back the last `share` of a move. */
  takeBack(share: number): void;
}

/** The aircraft in flight: its state, what is seen of it, and how far it has turned since the mark. Moves step by step and can take back a part of the last. */
export class Body {
  readonly turned: Record<TurnAxis, number> = { roll: 0, pitch: 0, yaw: 0, view: 0 };
  readonly seen: Seen;
  private commandNow = new Float64Array(COMMAND_SIZE);
  private commandNext = new Float64Array(COMMAND_SIZE);
  private readonly stateBefore = new Float64Array(STATE_SIZE);
  private readonly commandBefore = new Float64Array(COMMAND_SIZE);
  private readonly before = { roll: 0, pitch: 0, yaw: 0, view: 0, headingDeg: 0, yawDeg: 0 };
  private readonly viewCos: number;
  private readonly viewSin: number;

  constructor(
    readonly state: Float64Array,
    private readonly step: Step,
    private readonly hands: Commands,
    tiltDeg: number,
    private readonly entryHeightM: number,
    private readonly wind: { readonly windNorthMps: number; readonly windEastMps: number },
  ) {
    this.viewCos = Math.cos(RAD_PER_DEG * tiltDeg);
    this.viewSin = Math.sin(RAD_PER_DEG * tiltDeg);
    this.seen = {
      timeInPhaseS: 0,
      pitchDeg: 0,
      rollDeg: 0,
      sideDeg: 0,
      yawDeg: 0,
      climbMps: 0,
      headingDeg: 0,
      aboveEntryM: 0,
      upright: 1,
      axialMps: 0,
      airspeedMps: 0,
      state,
      turnedDeg: this.turned,
      rateDps: { roll: 0, pitch: 0, yaw: 0, view: 0 },
    };
    this.look();
    hands.command(this.seen, this.commandNow);
  }

  /** Goes on from another: its command runs on without a step. */
  goOnFrom(other: Body): void {
    this.commandNow.set(other.commandNow);
  }

  get heightM(): number {
    return -this.state[DOWN];
  }

  get climbMps(): number {
    return -this.state[V_DOWN];
  }

  /** Counts the angle turned afresh. */
  mark(): void {
    for (const axis of turnAxes) this.turned[axis] = 0;
  }

  /** Flies on for `dtS` while the command goes from where it is to where the hands are now. */
  advance(dtS: number): void {
    const { state, seen, before, turned, hands } = this;
    hands.command(seen, this.commandNext);
    // One by one: at this length a call of `set` takes longer than what it does.
    for (let i = 0; i < STATES; i++) this.stateBefore[i] = state[i];
    for (let i = 0; i < COMMANDS; i++) this.commandBefore[i] = this.commandNow[i];
    before.headingDeg = seen.headingDeg;
    before.yawDeg = seen.yawDeg;
    before.roll = turned.roll;
    before.pitch = turned.pitch;
    before.yaw = turned.yaw;
    before.view = turned.view;
    this.integrate(dtS);
  }

  /** Takes back the last `share` of a step of `dtS`, hands included. */
  takeBack(share: number, dtS: number): void {
    const { state, seen, before, turned, commandBefore, commandNow } = this;
    // The step went from commandBefore to what is now commandNow.
    for (let i = 0; i < COMMANDS; i++)
      this.commandNext[i] = commandBefore[i] + (1 - share) * (commandNow[i] - commandBefore[i]);
    state.set(this.stateBefore);
    commandNow.set(commandBefore);
    seen.headingDeg = before.headingDeg;
    seen.yawDeg = before.yawDeg;
    turned.roll = before.roll;
    turned.pitch = before.pitch;
    turned.yaw = before.yaw;
    turned.view = before.view;
    this.hands.takeBack(share);
    this.integrate((1 - share) * dtS);
  }

  private integrate(dtS: number): void {
    const { state, turned } = this;
    const p = state[P];
    const q = state[Q];
    const r = state[R];
    this.step(state, this.commandNow, this.commandNext, dtS);
    [this.commandNow, this.commandNext] = [this.commandNext, this.commandNow];
    const halfStepDeg = 0.5 * dtS * TO_DEG;
    turned.roll += halfStepDeg * (p + state[P]);
    turned.pitch += halfStepDeg * (q + state[Q]);
    turned.yaw += halfStepDeg * (r + state[R]);
    turned.view += halfStepDeg * (this.viewCos * (p + state[P]) - this.viewSin * (r + state[R]));
    this.look();
  }

  private look(): void {
    const { state, seen, wind } = this;
    const [w, x, y, z] = [state[6], state[7], state[8], state[9]];
    const angles = eulerOf({ w, x, y, z });
    const toDeg = TO_DEG;
    seen.pitchDeg = angles.pitchDeg;
    seen.rollDeg = angles.rollDeg;
    seen.sideDeg = toDeg * Math.asin(Math.max(-1, Math.min(1, 2 * (y * z + w * x))));
    // Near the vertical the heading jumps about; what was turned there is not counted.
    if (Math.abs(angles.pitchDeg) < 80) seen.headingDeg += wrapped(angles.yawDeg - seen.yawDeg);
    seen.yawDeg = angles.yawDeg;
    seen.climbMps = -state[5];
    seen.aboveEntryM = -state[2] - this.entryHeightM;
    seen.rateDps.roll = state[10] * toDeg;
    seen.rateDps.pitch = state[11] * toDeg;
    seen.rateDps.yaw = state[12] * toDeg;
    seen.rateDps.view = this.viewCos * seen.rateDps.roll - this.viewSin * seen.rateDps.yaw;
    seen.upright = 1 - 2 * (x * x + y * y);
    const north = state[3] - wind.windNorthMps;
    const east = state[4] - wind.windEastMps;
    seen.axialMps = -(2 * (x * z + w * y) * north + 2 * (y * z - w * x) * east + seen.upright * state[5]);
    seen.airspeedMps = Math.sqrt(north * north + east * east + state[5] * state[5]);
  }
}
