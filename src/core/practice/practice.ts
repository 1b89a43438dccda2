import { requireAirframe, type Airframe } from "../airframe";
import { COMMAND_SIZE, requireSettings, STATE, type Settings } from "../flight";
import { DEG_PER_RAD, DomainError, requireNumber } from "../numbers";
import { stickForRateClamped } from "../rates";
import {
  LONGEST_TRY_S,
  requireEnvironment,
  standingAbout,
  startTrim,
  STEP_S,
  StickCommand,
  TryFlight,
  type Environment,
  type FlightEvent,
  type Recipe,
  type Seen,
} from "../recipes";
import { stickForThrottleClamped, throttleAtStick } from "../throttle";
import { isRecipe, requireTask, type Drill } from "./drill";
import { inSteps, RATE_STEP, Rows, STICK_STEP, THRUST_STEP, type PracticeRecord, type Switched } from "./record";
import { requireSticks, StickLine, type StampedSticks, type Sticks } from "./sticks";

/** What is to be seen of a try under way. */
export interface PracticeState {
  readonly timeS: number;
  /** m north and east of the start, and above the ground. */
  readonly northM: number;
  readonly eastM: number;
  readonly heightM: number;
  /** m/s north, east and up. */
  readonly northMps: number;
  readonly eastMps: number;
  readonly climbMps: number;
  /** Body to world. */
  readonly attitude: { readonly w: number; readonly x: number; readonly y: number; readonly z: number };
  readonly rateDps: { readonly roll: number; readonly pitch: number; readonly yaw: number };
  readonly sticks: Sticks;
  /** Motor command 0..1. */
  readonly motor: number;
  /** Speed fractions of the rotors front right, rear right, rear left, front left. */
  readonly rotors: readonly number[];
  /** Share of the pack used. */
  readonly packUsed: number;
  /** Touched down or crashed: the try is over. Null while it flies. */
  readonly ended: FlightEvent | null;
  /** The longest try there is was flown. */
  readonly outOfTime: boolean;
}

export interface Practice {
  /**
   * Flies on by the real time that has passed, with where the sticks stand now, or with readings stamped in model time since the last call. The model goes in
   * steps of 2 ms and never past the last reading: the same readings give the same flight whatever frames they come in. After half a second
   * and more without a call, as behind a hidden tab, nothing of that time is flown.
   */
  readonly advance: (elapsedS: number, sticks: Sticks | readonly StampedSticks[]) => PracticeState;
  readonly state: () => PracticeState;
  /** What was flown so far, to be flown again. */
  readonly record: () => PracticeRecord;
}

/** Longer between two calls is a pause, s. Ours. */
const PAUSE_S = 0.5;
/** Nearer to the end of a step than this it is whole, s: sums of frame times come out short. */
const SAME_S = 1e-9;

/**
 * A drill to be flown by hand: begun as its recipe begins, in the same model as `fly`. Its own wake does not shake the aircraft: what is drawn by chance is
 * not the same to the last bit everywhere. Throws a DomainError naming the field for input out of range.
 */
export function createPractice(
  drill: Drill | Recipe,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
): Practice {
  const recipe = isRecipe(drill) ? drill : drill?.recipe;
  if (!recipe) throw new DomainError("drill.recipe", recipe, "a recipe");
  if (!isRecipe(drill)) requireTask(drill.task);
  requireAirframe(aircraft);
  requireSettings(settings);
  requireEnvironment(environment);
  const { shakeSeed: _, ...still } = environment;
  const trim = startTrim(recipe, aircraft, settings, still);
  const obstacles = standingAbout(recipe, still, trim.figures);
  const hands = new HandControls(aircraft, settings, trim);
  const flight = new TryFlight({ state: trim.state, obstacles }, aircraft, settings, still, hands);
  hands.keep();
  const line = new StickLine();
  const most = Math.round(LONGEST_TRY_S / STEP_S);
  let clockS = 0;

  const state = (): PracticeState => {
    const { state: s, seen, heightM } = flight.body;
    return {
      timeS: flight.timeS,
      ...{ northM: s[STATE.north], eastM: s[STATE.east], heightM },
      ...{ northMps: s[STATE.vNorth], eastMps: s[STATE.vEast], climbMps: seen.climbMps },
      attitude: { w: s[STATE.qw], x: s[STATE.qx], y: s[STATE.qy], z: s[STATE.qz] },
      rateDps: { roll: s[STATE.p] * DEG_PER_RAD, pitch: s[STATE.q] * DEG_PER_RAD, yaw: s[STATE.r] * DEG_PER_RAD },
      sticks: { roll: hands.roll, pitch: hands.pitch, yaw: hands.yaw, throttle: hands.throttle },
      motor: hands.motor,
      rotors: Array.from(s.subarray(STATE.rotor, STATE.rotor + 4)),
      packUsed: s[STATE.packUsed],
      ended: flight.ended,
      outOfTime: flight.steps >= most,
    };
  };

  return {
    advance(elapsedS, sticks) {
      requireNumber("elapsedS", elapsedS, 0, Number.MAX_SAFE_INTEGER);
      const stamped = Array.isArray(sticks) ? (sticks as readonly StampedSticks[]) : null;
      const paused = elapsedS >= PAUSE_S;
      if (paused) line.restart();
      else clockS += elapsedS;
      if (stamped) for (const reading of stamped) line.add(reading);
      else line.add({ ...requireSticks(sticks as Sticks), timeS: clockS });
      // Readings are used no sooner than the next is known; what is held may be held a little longer than sums of frame times come to.
      const untilS = stamped ? Math.min(clockS + SAME_S, line.untilS) : clockS + SAME_S;
      while (!flight.ended && flight.steps < most && (flight.steps + 1) * STEP_S <= untilS) {
        hands.hold(line.read((flight.steps + 1) * STEP_S), flight.timeS);
        flight.step();
        hands.keep();
      }
      return state();
    },
    state,
    record: () => ({
      version: 1,
      drillId: isRecipe(drill) ? recipe.id : drill.id,
      stepS: STEP_S,
      start: Array.from(trim.state),
      obstacles,
      steps: flight.steps,
      commands: hands.commands.take(flight.steps + 1),
      sticks: hands.sticks.take(flight.steps + 1),
      ...(hands.switched.length > 0 && { switched: [...hands.switched] }),
    }),
  };
}

/** A radio's sticks through the pilot's curves and modes, with every command written down. */
class HandControls {
  roll = 0;
  pitch = 0;
  yaw = 0;
  throttle: number;
  motor: number;
  readonly commands = new Rows(new Float64Array(4096), (length) => new Float64Array(length), COMMAND_SIZE);
  readonly sticks = new Rows(new Float32Array(4096), (length) => new Float32Array(length), COMMAND_SIZE);
  readonly switched: Switched[] = [];
  private readonly controller: StickCommand;
  private readonly levelling: StickCommand;
  private levelled = false;
  private readonly last = new Float64Array(COMMAND_SIZE);

  constructor(
    aircraft: Airframe,
    private readonly settings: Settings,
    { motor, rates, straight }: ReturnType<typeof startTrim>,
  ) {
    this.controller = new StickCommand(aircraft, settings);
    this.levelling = new StickCommand(aircraft, { ...settings, modes: { ...settings.modes, selfLevel: true } });
    this.throttle = stickForThrottleClamped(settings.throttle, motor);
    this.motor = motor;
    if (!straight) {
      this.roll = stickForRateClamped(settings.rates.roll, rates.rollDps);
      this.pitch = stickForRateClamped(settings.rates.pitch, rates.pitchDps);
      this.yaw = stickForRateClamped(settings.rates.yaw, rates.yawDps);
    }
  }

  hold({ roll, pitch, yaw, throttle, levelled = false }: Sticks, timeS: number): void {
    if (levelled !== this.levelled) this.switched.push({ timeS, on: levelled });
    this.levelled = levelled;
    this.roll = roll;
    this.pitch = pitch;
    this.yaw = yaw;
    this.throttle = throttle;
    this.motor = throttleAtStick(this.settings.throttle, throttle);
  }

  command(seen: Seen, out: Float64Array): void {
    (this.levelled ? this.levelling : this.controller).write(this, seen, out);
    for (let i = 0; i < COMMAND_SIZE; i++) out[i] = inSteps(out[i], i < 3 ? RATE_STEP : THRUST_STEP);
    this.last.set(out);
  }

  /** Writes down the command that was given last: that of the start, then one for each step. */
  keep(): void {
    this.commands.add(this.last);
    this.sticks.add([this.roll, this.pitch, this.yaw, this.throttle].map((one) => inSteps(one, STICK_STEP)));
  }
}
