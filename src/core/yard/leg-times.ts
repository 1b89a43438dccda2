import { fullThrustG, requireAirframe, type Airframe } from "../airframe";
import { airDensity, SEA_LEVEL_AIR, STANDARD_GRAVITY_MPS2, type Air } from "../atmosphere";
import { requireSettings, settingsRanges, type Settings } from "../flight";
import { bisect, DEG_PER_RAD, DomainError, RAD_PER_DEG, requireNumber } from "../numbers";
import { rateDps } from "../rates";
import { rotorDragPerS } from "../sustained";
import type { Course, CourseLeg } from "./course";

export interface LegTime extends CourseLeg {
  /** The most it reaches, m/s, and how long it takes, s. */
  readonly speedMps: number;
  readonly timeS: number;
}

export interface LegTimes {
  readonly legs: readonly LegTime[];
  readonly paceMps: number;
  /** Once along the course, s. */
  readonly lapS: number;
  /** Fastest pace at which a stop within half the shortest leg still shows the ground, m/s; null where leaning back at all loses it. */
  readonly groundInPictureMps: number | null;
  /** How far it may lean back for that, °. */
  readonly groundLeanDeg: number;
  /** Fastest pace at which the stop holds in half the shortest leg, however the picture looks, m/s. */
  readonly stopHoldsMps: number;
  readonly stopLeanDeg: number;
}

/** Ground is seen while the picture's lower edge points this far below the horizon, °. Ours. */
const GROUND_SEEN_DEG = 5;
/** Nobody leans further to stop, nor to gather speed. Common practice, no source. */
const MOST_STOP_LEAN_DEG = 60;
const MOST_START_LEAN_DEG = 25;
/** Half stick turns the nose. Ours. */
const STICK = 0.5;
const SELF_LEVEL_DEG = 45;
const STEP_S = 0.01;
const LONGEST_S = 120;
const SLOWEST_MPS = 0.3;
const FASTEST_MPS = 60;

/** Speed and way over the ground at a level height while the lean goes at a rate toward a wanted one: a = g·tan(lean) − drag. Forward lean positive, °. */
function run(
  body: { readonly quadratic: number; readonly linear: number; readonly turnDps: number },
  from: { readonly speedMps: number; readonly leanDeg: number },
  leanDeg: number,
  until: (speedMps: number) => boolean,
): { readonly m: number; readonly s: number } | null {
  let [speed, lean, m] = [from.speedMps, from.leanDeg, 0];
  for (let s = 0; s < LONGEST_S; s += STEP_S) {
    if (until(speed)) return { m, s };
    const turn = body.turnDps * STEP_S;
    lean += Math.max(-turn, Math.min(turn, leanDeg - lean));
    const pull = STANDARD_GRAVITY_MPS2 * Math.tan(RAD_PER_DEG * lean);
    const change = STEP_S * (pull - body.quadratic * speed * Math.abs(speed) - body.linear * speed);
    m += STEP_S * (speed + 0.5 * change);
    speed += change;
  }
  return null;
}

/**
 * Speed and time of each leg of a course at a pace, and the paces at which a stop still shows the ground and still holds. Level height throughout;
 * the nose turns at the rate of half stick; drag by the frontal area and the rotors; coming back to level at the end of a stop is left out, and so
 * are turns between legs. The pace is the fastest that shows the ground where none is given. Throws a DomainError naming the field.
 */
export function legTimes(
  course: Pick<Course, "legs">,
  aircraft: Airframe,
  settings: Settings,
  tiltDeg = settings.tiltDeg,
  { paceMps, air = SEA_LEVEL_AIR }: { readonly paceMps?: number; readonly air?: Air } = {},
): LegTimes {
  requireAirframe(aircraft);
  requireSettings(settings);
  requireNumber("tiltDeg", tiltDeg, ...settingsRanges.tiltDeg);
  if (!Array.isArray(course?.legs) || course.legs.length === 0)
    throw new DomainError("course.legs", course?.legs?.length, "one leg and more");
  const lengths = course.legs.map(({ lengthM }, i) => requireNumber(`course.legs[${i}].lengthM`, lengthM, 0.1, 5000));
  const density = airDensity(air);
  const body = {
    quadratic: (0.5 * density * aircraft.dragAreaM2.x) / aircraft.massKg,
    // With the rotors as fast as they hover.
    linear: rotorDragPerS(aircraft, Math.sqrt(1 / fullThrustG(aircraft, density)), density),
    turnDps: Math.max(20, rateDps(settings.rates.pitch, STICK)),
  };
  const stopLeanDeg = mostLean(aircraft, settings, density);
  const groundLeanDeg = Math.min(stopLeanDeg, 0.5 * settings.camera.verticalFovDeg - tiltDeg - GROUND_SEEN_DEG);
  const cruising = (speedMps: number) =>
    DEG_PER_RAD * Math.atan((body.quadratic * speedMps * speedMps + body.linear * speedMps) / STANDARD_GRAVITY_MPS2);
  const stop = (speedMps: number, leanDeg: number) =>
    run(body, { speedMps, leanDeg: cruising(speedMps) }, -leanDeg, (speed) => speed <= 0);
  const within = 0.5 * Math.min(...lengths);
  const fastest = (leanDeg: number) => {
    const misses = (speedMps: number) => (stop(speedMps, leanDeg)?.m ?? Infinity) - within;
    if (misses(FASTEST_MPS) <= 0) return FASTEST_MPS;
    return (
      bisect((speed) => Math.max(-1e6, Math.min(1e6, misses(speed))), SLOWEST_MPS, FASTEST_MPS, 1e-3) ?? SLOWEST_MPS
    );
  };
  const groundInPictureMps = groundLeanDeg > 0 ? fastest(groundLeanDeg) : null;
  const stopHoldsMps = fastest(stopLeanDeg);
  const pace =
    paceMps === undefined
      ? (groundInPictureMps ?? stopHoldsMps)
      : requireNumber("paceMps", paceMps, SLOWEST_MPS, FASTEST_MPS);
  const startLeanDeg = Math.min(MOST_START_LEAN_DEG, stopLeanDeg);
  const brakeLeanDeg = pace <= (groundInPictureMps ?? 0) ? groundLeanDeg : stopLeanDeg;
  const start = (speedMps: number) =>
    run(body, { speedMps: 0, leanDeg: 0 }, startLeanDeg, (speed) => speed >= speedMps);
  const fromRest = (lengthM: number) => {
    const needs = (speedMps: number) =>
      (start(speedMps)?.m ?? Infinity) + (stop(speedMps, brakeLeanDeg)?.m ?? Infinity);
    const most =
      needs(pace) <= lengthM
        ? pace
        : (bisect((speed) => Math.min(1e6, needs(speed) - lengthM), SLOWEST_MPS, pace, 1e-3) ?? SLOWEST_MPS);
    const [up, down] = [start(most), stop(most, brakeLeanDeg)];
    const held = Math.max(0, lengthM - (up?.m ?? 0) - (down?.m ?? 0)) / most;
    return { speedMps: most, timeS: (up?.s ?? 0) + held + (down?.s ?? 0) };
  };
  const legs = course.legs.map((leg): LegTime => {
    const flown = leg.end === "stop" ? fromRest(leg.lengthM) : { speedMps: pace, timeS: leg.lengthM / pace };
    return { ...leg, ...flown };
  });
  const lapS = legs.reduce((sum, { timeS }) => sum + timeS, 0);
  return { legs, paceMps: pace, lapS, groundInPictureMps, groundLeanDeg, stopHoldsMps, stopLeanDeg };
}

/** As far as thrust still holds the height, the settings let it, and anybody leans, °. */
function mostLean(aircraft: Airframe, settings: Settings, density: number): number {
  const thrust = fullThrustG(aircraft, density);
  if (thrust <= 1)
    throw new DomainError("aircraft.thrustToWeight", aircraft.thrustToWeight, "thrust that carries it in this air");
  const carried = DEG_PER_RAD * Math.acos(1 / thrust);
  const { bankLimitDeg, selfLevel } = settings.modes;
  return Math.min(MOST_STOP_LEAN_DEG, carried, bankLimitDeg ?? (selfLevel ? SELF_LEVEL_DEG : MOST_STOP_LEAN_DEG));
}
