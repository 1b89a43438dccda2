import { requireAirframe, type Airframe } from "../airframe";
import { toEuler } from "../attitude";
import { horizonInFrame } from "../camera";
import { COMMAND_SIZE, createDerivative, createStep, requireSettings, STATE, type Settings } from "../flight";
import { DEG_PER_RAD, RAD_PER_DEG, wrapDeg } from "../numbers";
import { throttleAtStick } from "../throttle";
import { densityOf, requireEnvironment, type Environment } from "./environment";
import { measure, outcomeOf, type Measures } from "./measures";
import { Hands, type Seen } from "./pilot";
import { distanceTo, requireObstacle, type Obstacle } from "./obstacles";
import { Guards } from "./guards";
import { resolve, type Phase, type Recipe, type TrimFigures, type Value } from "./recipe";
import { NO_SLIP, type Slip } from "./slips";
import { startTrim } from "./start-trim";
import { emptyTrace, type FlightEvent, type Trace } from "./trace";

export interface Flight {
  /** What stood about, in m along, across and above the ground. */
  readonly obstacles: readonly Obstacle[];
  readonly trace: Trace;
  readonly events: readonly FlightEvent[];
  readonly measures: Measures;
}

/** The pilot changes plan: from `atS` on, `phases` are flown instead of what is left. */
export interface ChangeOfPlan {
  readonly atS: number;
  readonly phases: readonly Phase[];
}

export const STEP_S = 1 / 500;
export const SAMPLE_STEPS = 5;
/** No flight lasts longer than this, whatever its recipe says. */
export const LONGEST_FLIGHT_S = 40;
/** A contact faster or steeper than this is a crash. Common practice, no source. */
const CRASH_SPEED_MPS = 2.5;
const CRASH_TILT_DEG = 35;
/** From the middle to the tip of a propeller, as a share of the motor diagonal. Estimate; common practice, no source. */
const HALF_SPAN = 0.75;

/**
 * Flies a recipe with an aircraft and a pilot's settings and returns the sampled path, what happened and what it measures.
 * Fixed-step RK4 at 500 Hz. `slips` has how the hands stray in each phase, by its place. Throws a RangeError naming the field for input out of range or an aircraft that cannot hover.
 */
export function fly(
  recipe: Recipe,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  change?: ChangeOfPlan,
  slips: readonly Slip[] = [],
): Flight {
  const { trace, events, complete, obstacles, reachM } = play(
    { recipe, aircraft, settings, environment, change, slips },
    false,
  );
  const measures = measure(recipe, trace, events, environment, complete, obstacles, reachM);
  return { obstacles, trace, events, measures };
}

/** What a flight came to, without its sticks, pictures and most of its figures: the same flight as `fly` to the last bit, for many of them. */
export interface FlightOutcome {
  readonly events: readonly FlightEvent[];
  readonly complete: boolean;
  readonly stopErrorDeg: number | null;
  readonly lowestM: number;
  /** m north and east of the start and above the ground, every 10 ms. */
  readonly path: Pick<Trace, "timeS" | "northM" | "eastM" | "heightM">;
}

/** Flies a recipe for what it comes to. Input and errors as of `fly`. */
export function flyOutcome(
  recipe: Recipe,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  slips: readonly Slip[],
): FlightOutcome {
  const { trace, events, complete } = play({ recipe, aircraft, settings, environment, slips }, true);
  return { events, path: trace, ...outcomeOf(recipe, trace, events, complete) };
}

interface Played {
  readonly obstacles: readonly Obstacle[];
  readonly trace: Trace;
  readonly events: readonly FlightEvent[];
  /** Every phase ended as planned. */
  readonly complete: boolean;
  readonly reachM: number;
}

/** Plays a recipe; `briefly` records only what an outcome is told from. */
function play(
  {
    recipe,
    aircraft,
    settings,
    environment,
    change,
    slips,
  }: {
    readonly recipe: Recipe;
    readonly aircraft: Airframe;
    readonly settings: Settings;
    readonly environment: Environment;
    readonly change?: ChangeOfPlan;
    readonly slips: readonly Slip[];
  },
  briefly: boolean,
): Played {
  requireAirframe(aircraft);
  requireSettings(settings);
  requireEnvironment(environment);
  const start = startTrim(recipe, aircraft, settings, environment);
  const obstacles = obstaclesOf(recipe, environment, start.figures);
  const reachM = HALF_SPAN * aircraft.motorDiagonalM;
  for (const { kind, ...at } of obstacles) {
    if (distanceTo({ kind, ...at }, 0, 0, environment.entryHeightM) < reachM)
      throw new RangeError(
        `obstacle: the flight would begin inside the ${kind}; stand it further off or make it smaller`,
      );
  }
  if (throttleAtStick(settings.throttle, 1) < start.motor) {
    throw new RangeError(
      `throttle.limit.fraction is ${settings.throttle.limit.fraction}; too little for this aircraft to stay up, which takes ${start.motor.toFixed(2)}`,
    );
  }
  const medium = {
    airDensityKgM3: densityOf(environment),
    windNorthMps: environment.windNorthMps,
    windEastMps: environment.windEastMps,
  };
  const step = createStep(createDerivative(aircraft, medium, settings.modes.idleAuthority));
  const hands = new Hands(recipe, aircraft, settings, environment, STEP_S, start);
  const camera = { tiltDeg: settings.tiltDeg, ...settings.camera };
  const state = start.state;
  let commandNow = new Float64Array(COMMAND_SIZE);
  let commandNext = new Float64Array(COMMAND_SIZE);
  const turned = { roll: 0, pitch: 0, yaw: 0, view: 0 };
  const viewCos = Math.cos(RAD_PER_DEG * settings.tiltDeg);
  const viewSin = Math.sin(RAD_PER_DEG * settings.tiltDeg);
  const seen: Seen = {
    timeInPhaseS: 0,
    pitchDeg: 0,
    rollDeg: 0,
    yawDeg: 0,
    climbMps: 0,
    headingDeg: 0,
    aboveEntryM: 0,
    upright: 1,
    state,
    turnedDeg: turned,
    rateDps: { roll: 0, pitch: 0, yaw: 0, view: 0 },
  };
  const trace = emptyTrace(STEP_S * SAMPLE_STEPS);
  const events: FlightEvent[] = [];

  // Local copies: module bindings are looked up at every use in some builds.
  const { north, east, down, vNorth, vEast, vDown, p: rollRate, q: pitchRate, r: yawRate } = STATE;
  const halfStepDeg = 0.5 * STEP_S * DEG_PER_RAD;
  const stepS = STEP_S;
  const sampleSteps = SAMPLE_STEPS;

  const guards = new Guards(recipe, start.figures, environment.entryHeightM, STEP_S);
  let phases = recipe.phases;
  let phaseIndex = 0;
  let phaseStartStep = 0;
  let changed = false;
  let complete = false;
  const heightM = () => -state[down];
  const note = (kind: FlightEvent["kind"], detail: string, stepNumber: number) =>
    events.push({ timeS: stepNumber * stepS, kind, detail, heightM: heightM() });

  look(state, seen);
  hands.command(seen, commandNow);
  note("phase", phases[0].id, 0);
  for (let n = 0; n * stepS <= LONGEST_FLIGHT_S; n++) {
    if (change && !changed && n * stepS >= change.atS) {
      changed = true;
      phases = change.phases;
      phaseIndex = 0;
      phaseStartStep = n;
      note("gave-up", phases[0].id, n);
    }
    // Leave every phase whose guard already holds.
    for (;;) {
      const phase = phases[phaseIndex];
      seen.timeInPhaseS = (n - phaseStartStep) * stepS;
      const { lateS } = slipOf(phaseIndex);
      const timedOut = seen.timeInPhaseS >= phase.maxS + Math.max(0, lateS);
      if (!timedOut && !guards.anyHolds(phase, seen, lateS)) break;
      if (timedOut) note("phase-timeout", phase.id, n);
      if (phaseIndex === phases.length - 1) {
        complete = !timedOut;
        phaseIndex = -1;
        break;
      }
      phaseIndex++;
      phaseStartStep = n;
      if (phases[phaseIndex].mark) turned.roll = turned.pitch = turned.yaw = turned.view = 0;
      note("phase", phases[phaseIndex].id, n);
    }
    if (phaseIndex < 0) {
      record(phases.length - 1, n);
      break;
    }

    const wasOpen = hands.throttle > 0;
    hands.move(phases[phaseIndex], seen, slipOf(phaseIndex));
    if (wasOpen && hands.throttle === 0 && phases[phaseIndex].throttle.kind === "hold")
      note("throttle-closed", phases[phaseIndex].id, n);
    hands.command(seen, commandNext);
    if (n % sampleSteps === 0) record(phaseIndex, n);

    guards.remember(seen);
    const climbBefore = -state[vDown];
    const p = state[rollRate];
    const q = state[pitchRate];
    const r = state[yawRate];
    step(state, commandNow, commandNext, stepS);
    [commandNow, commandNext] = [commandNext, commandNow];
    turned.roll += halfStepDeg * (p + state[rollRate]);
    turned.pitch += halfStepDeg * (q + state[pitchRate]);
    turned.yaw += halfStepDeg * (r + state[yawRate]);
    turned.view += halfStepDeg * (viewCos * (p + state[rollRate]) - viewSin * (r + state[yawRate]));
    look(state, seen);
    seen.rateDps.view = viewCos * seen.rateDps.roll - viewSin * seen.rateDps.yaw;
    seen.aboveEntryM = heightM() - environment.entryHeightM;
    if (climbBefore > 0 && seen.climbMps <= 0) note("apex", phases[phaseIndex].id, n + 1);
    if (obstacles.length > 0 && n % sampleSteps === 0) {
      const hit = obstacles.find((one) => distanceTo(one, state[north], state[east], heightM()) < reachM);
      if (hit) {
        note("crash", `into the ${hit.kind}`, n + 1);
        record(phaseIndex, n + 1);
        break;
      }
    }
    if (heightM() <= 0) {
      const tiltDeg = DEG_PER_RAD * Math.acos(Math.max(-1, Math.min(1, seen.upright)));
      const speed = Math.hypot(state[vNorth], state[vEast], state[vDown]);
      const crash = speed > CRASH_SPEED_MPS || tiltDeg > CRASH_TILT_DEG;
      if (!crash && recipe.ends === "landed" && phaseIndex === phases.length - 1) complete = true;
      note(crash ? "crash" : "touchdown", `${speed.toFixed(1)} m/s, ${tiltDeg.toFixed(0)}° off level`, n + 1);
      record(phaseIndex, n + 1);
      break;
    }
  }
  return { obstacles, trace, events, complete, reachM };

  function slipOf(phase: number): Slip {
    return changed ? NO_SLIP : (slips[phase] ?? NO_SLIP);
  }

  function record(phase: number, stepNumber: number): void {
    trace.timeS.push(stepNumber * stepS);
    trace.northM.push(state[0]);
    trace.eastM.push(state[1]);
    trace.heightM.push(-state[2]);
    trace.qx.push(state[7]);
    trace.qy.push(state[8]);
    trace.turnedRollDeg.push(turned.roll);
    trace.turnedPitchDeg.push(turned.pitch);
    trace.turnedYawDeg.push(turned.yaw);
    trace.turnedViewDeg.push(turned.view);
    if (briefly) return;
    const attitude = { w: state[6], x: state[7], y: state[8], z: state[9] };
    const horizon = horizonInFrame(attitude, camera);
    trace.phase.push(phase);
    trace.stickRoll.push(hands.roll);
    trace.stickPitch.push(hands.pitch);
    trace.stickYaw.push(hands.yaw);
    trace.stickThrottle.push(hands.throttle);
    trace.throttle.push(hands.motor);
    trace.vNorthMps.push(state[3]);
    trace.vEastMps.push(state[4]);
    trace.climbMps.push(-state[5]);
    trace.qw.push(attitude.w);
    trace.qz.push(attitude.z);
    trace.rollDps.push(state[10] * DEG_PER_RAD);
    trace.pitchDps.push(state[11] * DEG_PER_RAD);
    trace.yawDps.push(state[12] * DEG_PER_RAD);
    trace.rotor0.push(state[13]);
    trace.rotor1.push(state[14]);
    trace.rotor2.push(state[15]);
    trace.rotor3.push(state[16]);
    trace.viewElevationDeg.push(horizon.axisElevationDeg);
    trace.viewHeadingDeg.push(horizon.axisHeadingDeg);
    trace.horizonSlopeDeg.push(horizon.slopeDeg);
    trace.thrustG.push(
      (aircraft.thrustToWeight * (state[13] ** 2 + state[14] ** 2 + state[15] ** 2 + state[16] ** 2)) / 4,
    );
  }
}

function look(state: Float64Array, seen: Seen): void {
  const euler = toEuler({ w: state[6], x: state[7], y: state[8], z: state[9] });
  const toDeg = DEG_PER_RAD;
  seen.pitchDeg = euler.pitchDeg;
  seen.rollDeg = euler.rollDeg;
  // Near the vertical the heading jumps about; what was turned there is not counted.
  if (Math.abs(euler.pitchDeg) < 80) seen.headingDeg += wrapDeg(euler.yawDeg - seen.yawDeg);
  seen.yawDeg = euler.yawDeg;
  seen.climbMps = -state[5];
  seen.rateDps.roll = state[10] * toDeg;
  seen.rateDps.pitch = state[11] * toDeg;
  seen.rateDps.yaw = state[12] * toDeg;
  seen.upright = 1 - 2 * (state[7] * state[7] + state[8] * state[8]);
}

/** Everything that stands about in a flight: what the environment has and what the recipe brings. */
export function obstaclesOf(recipe: Recipe, environment: Environment, figures: TrimFigures): readonly Obstacle[] {
  const value = (of: Value) => resolve(recipe, of, figures);
  const brought = (recipe.obstacles ?? []).map((plan, i) =>
    requireObstacle(
      {
        kind: plan.kind,
        alongM: value(plan.alongM),
        acrossM: value(plan.acrossM),
        heightM: value(plan.heightM) + (plan.aboveEntry ? environment.entryHeightM : 0),
        widthM: value(plan.widthM),
      },
      `the recipe's obstacle ${i + 1}`,
    ),
  );
  return [...brought, ...(environment.obstacles ?? [])];
}
