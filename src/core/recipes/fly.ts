import { requireAirframe, type Airframe } from "../airframe";
import { createDerivative, createStep, requireSettings, STATE, type Settings } from "../flight";
import { DomainError, wrapDeg } from "../numbers";
import { TooLittleThrust } from "../sustained";
import { throttleAtStick } from "../throttle";
import { Body } from "./body";
import { flownInto, metGround } from "./contact";
import { requireEnvironment } from "./check-environment";
import { acrossWind, densityOf, type Environment } from "./environment";
import { outOfPicture, type OutOfPicture, type SeenObject } from "./in-picture";
import { measure, outcomeOf, type Measures } from "./measures";
import { Hands } from "./pilot";
import { distanceTo, requireObstacle, type Obstacle } from "./obstacles";
import { Guards } from "./guards";
import { Recorder } from "./recorder";
import { PhaseRunner, type ChangeOfPlan } from "./phase-runner";
import { resolve, type Recipe } from "./recipe";
import type { TrimFigures, Value } from "./value";
import { Shake } from "./shake";
import type { Slip } from "./slips";
import { startTrim, type StartTrim } from "./start-trim";
import { stateGoingOn, type GoingOn, type UnderWay } from "./under-way";
import { indexAt, type FlightEvent, type Happening, type InPhase, type Trace } from "./trace";

export interface Flight {
  /** What stood about, in m along, across and above the ground. */
  readonly obstacles: readonly Obstacle[];
  readonly trace: Trace;
  readonly events: readonly FlightEvent[];
  readonly measures: Measures;
  /** What is looked at, and the times in which it is out of the picture; null where nothing is. */
  readonly looksAt: { readonly object: SeenObject; readonly out: readonly OutOfPicture[] } | null;
}

export const STEP_S = 1 / 500;
export const SAMPLE_STEPS = 5;
/** No flight lasts longer than this, whatever its recipe says. */
export const LONGEST_FLIGHT_S = 40;
/** Two instants nearer than this share of a step are one. */
const SAME_INSTANT = 1e-3;
/** From the middle to the tip of a propeller, as a share of the motor diagonal. Estimate; common practice, no source. */
export const HALF_SPAN = 0.75;

/**
 * Flies a recipe with an aircraft and a pilot's settings and returns the sampled path, what happened and what it measures.
 * Fixed-step RK4 at 500 Hz. `slips` has how the hands stray in each phase, by its place. Throws a DomainError naming the field for input out of range or an aircraft that cannot hover.
 */
export function fly(
  recipe: Recipe,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  change?: ChangeOfPlan,
  slips: readonly Slip[] = [],
): Flight {
  const { obstacles, trace, events, measures, looksAt } = flyWhole({
    recipe,
    aircraft,
    settings,
    environment,
    change,
    slips,
  });
  return { obstacles, trace, events, measures, looksAt };
}

/** A flight that goes on from another, and itself at its end. */
export interface FlownOn extends Flight {
  readonly end: UnderWay;
}

/**
 * Flies a recipe on from a flight under way instead of from its own start; from that, to the last bit as `fly`, where there is none. What it counts from its
 * entry, and the wind and the obstacles of its environment, count along the line of entry that it goes on along.
 */
export function flyOn(
  recipe: Recipe,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  { going, change, slips = [] }: Pick<Asked, "going" | "change"> & { readonly slips?: readonly Slip[] },
): FlownOn {
  return flyWhole({ recipe, aircraft, settings, environment, change, slips, going });
}

/** Where the sticks of a recipe's pilot stand at the end of every step of 2 ms, as a radio would give them. */
export function sticksFlown(
  recipe: Recipe,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  slips: readonly Slip[],
  take: (timeS: number, hands: Pick<Hands, "roll" | "pitch" | "yaw" | "throttle">) => void,
): void {
  play({ recipe, aircraft, settings, environment, slips }, true, take);
}

function flyWhole(asked: Asked): FlownOn {
  const { recipe, settings, environment } = asked;
  const { object, end, ...flown } = play(asked, false);
  const { trace, events, obstacles } = flown;
  const camera = { ...settings.camera, tiltDeg: settings.tiltDeg };
  const measures = measure({ ...flown, recipe, environment, seen: object && { object, camera } });
  // Once it is left nobody looks back at it; a spot is looked for till it is stood on.
  const left =
    recipe.ends === "landed"
      ? undefined
      : events.find((event) => event.kind === "phase" && event.detail === recipe.inPicture?.to);
  const lookedFor = left ? indexAt(trace, left.timeS) : trace.timeS.length - 1;
  const looksAt = object && { object, out: outOfPicture(trace, object, camera, 0, lookedFor) };
  return { obstacles, trace, events, measures, looksAt, end };
}

/** A flight for what it measures and its path: `fly` without the times in which what is looked at is lost, for many of them. */
export function flyMeasured(
  recipe: Recipe,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  slips: readonly Slip[],
): Pick<Flight, "trace" | "events" | "measures"> {
  const { object, ...flown } = play({ recipe, aircraft, settings, environment, slips }, false);
  const { trace, events } = flown;
  const looks = recipe.marks?.some(({ kind }) => kind === "in-picture") ?? false;
  const seen = object && { object, camera: looks ? { ...settings.camera, tiltDeg: settings.tiltDeg } : null };
  return { trace, events, measures: measure({ ...flown, recipe, environment, seen }) };
}

/** What a flight came to, without its sticks, pictures and most of its figures: the same flight as `fly` to the last bit, for many of them. */
export interface FlightOutcome {
  readonly events: readonly FlightEvent[];
  readonly complete: boolean;
  readonly stopErrorDeg: number | null;
  readonly lowestM: number;
  /** Below the entry. */
  readonly heightLostM: number;
  /** m north and east of the start and above the ground, every 10 ms. */
  readonly path: Pick<Trace, "timeS" | "northM" | "eastM" | "heightM">;
}

/** Flies a recipe for what it comes to, for many of them: on from a flight under way and given up where that is said. Input and errors as of `flyOn`. */
export function flyOutcome(
  recipe: Recipe,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  slips: readonly Slip[],
  { going, change }: Pick<Asked, "going" | "change"> = {},
): FlightOutcome {
  const { trace, events, complete } = play({ recipe, aircraft, settings, environment, slips, going, change }, true);
  const outcome = outcomeOf(recipe, trace, events, complete);
  return { events, path: trace, ...outcome, heightLostM: Math.max(0, environment.entryHeightM - outcome.lowestM) };
}

/**
 * By how much the turn of a recipe stops past its angle (short of it: negative), °, or null where it never comes to its stop: as `flyOn` measures it, to the
 * last bit, flown no further than to the catch. Input and errors as of `flyOn`.
 */
export function flyToStop(
  recipe: Recipe,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
  going?: GoingOn,
): number | null {
  const until = recipe.turn?.catchPhase;
  const { trace, events } = play({ recipe, aircraft, settings, environment, slips: [], going, until }, true);
  return outcomeOf(recipe, trace, events, false).stopErrorDeg;
}

interface Played {
  readonly obstacles: readonly Obstacle[];
  readonly trace: Trace;
  readonly events: readonly FlightEvent[];
  /** Every phase ended as planned. */
  readonly complete: boolean;
  readonly reachM: number;
  readonly object: SeenObject | null;
  readonly end: UnderWay;
}

/** What is flown, by whom and where. */
interface Asked {
  readonly recipe: Recipe;
  readonly aircraft: Airframe;
  readonly settings: Settings;
  readonly environment: Environment;
  readonly change?: ChangeOfPlan;
  readonly slips: readonly Slip[];
  /** What it goes on from; from its own start if not said. */
  readonly going?: GoingOn;
  /** Phase of which the first sample is the last that is flown to; to the end if not said. */
  readonly until?: string;
}

/** Plays a recipe; `briefly` records only what an outcome is told from. `take` is told the hands at the end of every step. */
function play(asked: Asked, briefly: boolean, take?: (timeS: number, hands: Hands) => void): Played {
  const { recipe, change, slips, until } = asked;
  const { start, entryHeightM, obstacles, reachM, shake, hands, body, recorder } = prepare(asked, briefly);
  const { seen } = body;
  const guards = new Guards(recipe, start.figures, entryHeightM);
  const events: FlightEvent[] = [];
  // Whole steps flown, and how far into the next: a phase may begin between two steps.
  let steps = 0;
  let into = 0;
  let timeS = 0;
  const happened = (what: Happening) => events.push({ ...what, timeS, heightM: body.heightM });
  const note = (kind: InPhase, detail: string) => happened({ kind, detail });
  const run = new PhaseRunner(recipe, slips, change, guards, body, note);

  while (timeS <= LONGEST_FLIGHT_S) {
    if (!run.goOn(timeS)) {
      recorder.record(run.phases.length - 1, timeS);
      break;
    }
    const { phase, slip } = run;
    const onGrid = into === 0;
    const dtS = (1 - into) * STEP_S;
    const wasOpen = hands.throttle > 0;
    hands.move(phase, seen, slip, dtS, onGrid);
    if (wasOpen && hands.throttle === 0 && phase.throttle.kind === "hold") note("throttle-closed", phase.id);
    if (onGrid && steps % SAMPLE_STEPS === 0) {
      recorder.record(run.index, timeS);
      if (phase.id === until) break;
    }
    if (onGrid) shake?.moveOn(steps);
    guards.remember(seen, dtS);
    const climbBefore = body.climbMps;
    body.advance(dtS);
    const ago = run.look(timeS + dtS);
    if (ago !== null && ago > SAME_INSTANT) {
      const share = Math.min(ago, 1 - SAME_INSTANT);
      body.takeBack(share, dtS);
      into += (1 - share) * (1 - into);
    } else {
      steps++;
      into = 0;
      take?.(steps * STEP_S, hands);
    }
    timeS = (steps + into) * STEP_S;
    if (climbBefore > 0 && body.climbMps <= 0) note("apex", phase.id);
    const looksAbout = obstacles.length > 0 && onGrid && (steps - 1) % SAMPLE_STEPS === 0;
    const met = (looksAbout && flownInto(obstacles, body, reachM)) || (body.heightM <= 0 ? metGround(body) : null);
    if (met) {
      const last = run.index === run.phases.length - 1;
      if (met.kind === "touchdown" && recipe.ends === "landed" && last) run.complete = true;
      happened(met);
      recorder.record(run.index, timeS);
      break;
    }
  }
  return {
    obstacles,
    trace: recorder.trace,
    events,
    complete: run.complete,
    reachM,
    object: start.object,
    end: { body, hands, shake, entryHeightM },
  };
}

/** The aircraft at its start with hands, air and obstacles. Throws a DomainError for what cannot be flown. */
function prepare({ recipe, aircraft, settings, environment: given, going }: Asked, briefly: boolean) {
  requireAirframe(aircraft);
  requireSettings(settings);
  requireEnvironment(given);
  const { sideWindMps } = recipe;
  const environment = sideWindMps === undefined ? given : acrossWind(given, resolve(recipe, sideWindMps));
  const { entryHeightM, windNorthMps, windEastMps, shakeSeed } = environment;
  const trim = startTrim(recipe, aircraft, settings, environment);
  const start = going ? begunOn(trim, going, recipe, environment) : trim;
  const obstacles = standingAbout(recipe, environment, start.figures);
  const reachM = HALF_SPAN * aircraft.motorDiagonalM;
  if (!going) requireClear(obstacles, entryHeightM, reachM);
  const neededMotor = Math.max(start.motor, start.sustainedMotor);
  if (throttleAtStick(settings.throttle, 1) < neededMotor) {
    throw new TooLittleThrust(
      `throttle.limit.fraction is ${settings.throttle.limit.fraction}; too little for this aircraft to stay up, which takes ${neededMotor.toFixed(2)}`,
    );
  }
  const wind = { windNorthMps, windEastMps };
  const shake = shakeSeed === undefined ? undefined : new Shake(going?.from.shake ?? shakeSeed);
  const airDensityKgM3 = densityOf(environment);
  const step = createStep(
    createDerivative(aircraft, { airDensityKgM3, ...wind, shake: shake?.rotors }, settings.modes.idleAuthority),
  );
  const hands = new Hands(recipe, aircraft, settings, environment, STEP_S, start);
  if (going) {
    const { body: before, hands: theirs, entryHeightM: wasM } = going.from;
    // In the line of entry that it goes on along its nose points straight on, by what it was turned.
    hands.goOnFrom(
      theirs,
      before.seen.headingDeg - wrapDeg(before.seen.yawDeg - going.frame.headingDeg),
      before.heightM - wasM,
    );
  }
  const body = new Body(start.state, step, hands, settings.tiltDeg, entryHeightM, wind);
  if (going) body.goOnFrom(going.from.body);
  const camera = { tiltDeg: settings.tiltDeg, ...settings.camera };
  const recorder = new Recorder(body, hands, aircraft, camera, airDensityKgM3, STEP_S * SAMPLE_STEPS, briefly);
  return { start, entryHeightM, obstacles, reachM, shake, hands, body, recorder };
}

/** Speed below which a trick that is flown with speed is begun standing. */
const STANDING_MPS = 1;

/** The trim of a recipe, begun where another flight stands: its figures are those of the speed that there is. */
function begunOn(
  trim: StartTrim,
  going: GoingOn,
  { start }: Recipe,
  { windNorthMps, windEastMps }: Environment,
): StartTrim {
  const state = stateGoingOn(going);
  const speedMps = Math.hypot(state[STATE.vNorth] - windNorthMps, state[STATE.vEast] - windEastMps);
  const straight = start.kind === "cruise" || start.kind === "level";
  return {
    ...trim,
    state,
    figures: {
      ...trim.figures,
      ...(straight && speedMps > STANDING_MPS && { trimSpeedMps: speedMps }),
    },
  };
}

function requireClear(obstacles: readonly Obstacle[], entryHeightM: number, reachM: number): void {
  for (const one of obstacles) {
    if (distanceTo(one, 0, 0, entryHeightM) < reachM)
      throw new DomainError(
        "obstacle",
        one.kind,
        "clear of where it begins",
        `obstacle: the flight would begin inside the ${one.kind}; stand it further off or make it smaller`,
      );
  }
}

/** Everything that stands about in a flight: what the environment has and what the recipe brings. */
export function standingAbout(recipe: Recipe, environment: Environment, figures: TrimFigures): readonly Obstacle[] {
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
