import { fullThrustG, thrustFraction, type Airframe } from "../airframe";
import { fromEuler } from "../attitude";
import { levelState, STATE, type Settings } from "../flight";
import { DomainError, RAD_PER_DEG } from "../numbers";
import {
  attitudeOfView,
  cruise,
  leanForSpeed,
  orbitFacingCentre,
  powerFor,
  steadyTurn,
  TooLittleThrust,
  type BodyRates,
  type Power,
} from "../sustained";
import { airOf, densityOf, type Environment } from "./environment";
import type { SeenObject } from "./in-picture";
import { resolve, type Recipe, type Start } from "./recipe";
import type { TrimFigures, Value } from "./value";

/** What a flight begins with: the state vector, the motor command that holds it, and what the recipe may refer to. */
export interface StartTrim {
  readonly state: Float64Array;
  readonly motor: number;
  /** That of the circle it begins in or leads into. */
  readonly sustainedMotor: number;
  readonly figures: TrimFigures;
  /** Body rates of the steady flight it begins with, or leads into; zero for a straight start. */
  readonly rates: BodyRates;
  /** It begins straight and leads into its circle. */
  readonly straight: boolean;
  /** Cosine of the thrust's angle to straight up, in the circle where it leads into one. */
  readonly upright: number;
  /** What is looked at. */
  readonly object: SeenObject | null;
}

const NO_RATES: BodyRates = { rollDps: 0, pitchDps: 0, yawDps: 0 };

/** Trims the aircraft for the start of a recipe. Throws a DomainError when it has not the thrust, or no such flight exists. */
export function startTrim(recipe: Recipe, aircraft: Airframe, settings: Settings, environment: Environment): StartTrim {
  const begun = trimOf(recipe, recipe.start, aircraft, settings, environment);
  const { northMps, eastMps, rates, leadIn } = begun;
  const { pitchDeg, power } = leadIn ?? begun;
  const bankDeg = leadIn ? 0 : begun.bankDeg;
  const state = levelState(environment.entryHeightM, power.rotorSpeed ** 2);
  state[STATE.packUsed] = environment.packUsed ?? 0;
  const attitude = fromEuler({ yawDeg: 0, pitchDeg, rollDeg: bankDeg });
  state.set([attitude.w, attitude.x, attitude.y, attitude.z], STATE.qw);
  // Who hovers holds a place over the ground; what flies, flies through the air.
  if (recipe.start.kind !== "hover") {
    state[STATE.vNorth] = (leadIn ? Math.hypot(northMps, eastMps) : northMps) + environment.windNorthMps;
    // Who comes across the wind has put its drift right already.
    state[STATE.vEast] = recipe.sideWindMps === undefined ? (leadIn ? 0 : eastMps) + environment.windEastMps : 0;
  }
  if (!leadIn) {
    state[STATE.p] = (rates.rollDps * Math.PI) / 180;
    state[STATE.q] = (rates.pitchDps * Math.PI) / 180;
    state[STATE.r] = (rates.yawDps * Math.PI) / 180;
  }
  const figures = {
    tiltDeg: settings.tiltDeg,
    trimPitchDeg: begun.pitchDeg,
    trimBankDeg: begun.bankDeg,
    leadInPitchDeg: pitchDeg,
    trimSpeedMps: Math.hypot(northMps, eastMps),
    trimThrustG: fullThrustG(aircraft, densityOf(environment)) * thrustFraction(aircraft, begun.power.throttle),
  };
  return {
    state,
    motor: power.throttle,
    sustainedMotor: begun.power.throttle,
    figures,
    rates,
    straight: leadIn !== undefined,
    upright: Math.cos(RAD_PER_DEG * begun.pitchDeg) * Math.cos(RAD_PER_DEG * begun.bankDeg),
    object: objectOf(recipe, figures, begun.centre, environment),
  };
}

/** What a recipe looks at: its own object, the middle of the circle it starts in, else the first thing it brings to fly at. */
function objectOf(
  recipe: Recipe,
  figures: TrimFigures,
  centre: Trim["centre"],
  { entryHeightM }: Environment,
): SeenObject | null {
  const value = (of: Value) => resolve(recipe, of, figures);
  const { object, obstacles = [] } = recipe;
  const topM =
    object?.heightM === undefined ? 0 : Math.max(0, value(object.heightM) + (object.aboveEntry ? entryHeightM : 0));
  if (centre) return { ...centre, baseM: 0, topM };
  if (object) return { northM: value(object.alongM), eastM: value(object.acrossM), baseM: 0, topM };
  const [first] = obstacles;
  if (!first) return null;
  const heightM = value(first.heightM) + (first.aboveEntry ? entryHeightM : 0);
  // Of a beam or a gap the opening and the beam are looked at, of the rest all of it.
  const open = first.kind === "bar" || first.kind === "gap";
  return {
    northM: value(first.alongM),
    eastM: value(first.acrossM),
    baseM: open ? 0.5 * heightM : 0,
    topM: heightM,
  };
}

interface Trim {
  readonly pitchDeg: number;
  readonly bankDeg: number;
  readonly power: Power;
  readonly northMps: number;
  readonly eastMps: number;
  readonly rates: BodyRates;
  readonly centre: { readonly northM: number; readonly eastM: number } | null;
  /** Straight and level at the same speed, where it begins before its circle. */
  readonly leadIn?: { readonly pitchDeg: number; readonly power: Power };
}

function trimOf(
  recipe: Recipe,
  start: Start,
  aircraft: Airframe,
  { tiltDeg }: Settings,
  environment: Environment,
): Trim {
  const air = airOf(environment);
  const airDensityKgM3 = densityOf(environment);
  const packUsed = environment.packUsed ?? 0;
  const value = (of: Value) => resolve(recipe, of);
  const straight = (pitchDeg: number, power: Power, northMps: number): Trim => ({
    pitchDeg,
    bankDeg: 0,
    power,
    northMps,
    eastMps: 0,
    rates: NO_RATES,
    centre: null,
  });
  const circle = (attitude: { pitchDeg: number; bankDeg: number }, turnDps: number): Trim => {
    const turn = steadyTurn(aircraft, { ...attitude, turnDps }, air);
    return {
      ...attitude,
      power: turn,
      northMps: turn.velocityNorthMps,
      eastMps: turn.velocityEastMps,
      rates: turn.rates,
      centre: { northM: turn.centreNorthM, eastM: turn.centreEastM },
    };
  };
  /** The circle, begun so far before it along its tangent where it has a lead-in. */
  const ledInto = (round: Trim, leadInM: Value | undefined, radiusM: number, clockwise: boolean): Trim => {
    if (leadInM === undefined) return round;
    const leanDeg = leanForSpeed(aircraft, Math.hypot(round.northMps, round.eastMps), air, packUsed);
    return {
      ...round,
      centre: { northM: value(leadInM), eastM: clockwise ? radiusM : -radiusM },
      leadIn: { pitchDeg: -leanDeg, power: cruise(aircraft, leanDeg, air, packUsed) },
    };
  };
  switch (start.kind) {
    case "hover":
      return straight(0, hoverPower(aircraft, airDensityKgM3, packUsed), 0);
    case "cruise": {
      return remembered(aircraft, ["cruise", tiltDeg, airDensityKgM3, packUsed], () => {
        const level = cruise(aircraft, tiltDeg, air, packUsed);
        return straight(-tiltDeg, level, level.speedMps);
      });
    }
    case "level": {
      const speedMps = value(start.speedMps);
      return remembered(aircraft, ["level", speedMps, airDensityKgM3, packUsed], () => {
        const leanDeg = leanForSpeed(aircraft, speedMps, air, packUsed);
        return straight(-leanDeg, cruise(aircraft, leanDeg, air, packUsed), speedMps);
      });
    }
    case "orbit": {
      const radiusM = value(start.radiusM);
      const orbit = orbitFacingCentre(aircraft, { radiusM, tiltDeg, clockwise: start.clockwise }, air);
      const round = circle({ pitchDeg: -tiltDeg, bankDeg: orbit.leanDeg }, orbit.turnDps);
      return ledInto(round, start.leadInM, radiusM, start.clockwise);
    }
    case "looking-back": {
      const noseUpDeg = value(start.noseUpDeg);
      if (noseUpDeg + tiltDeg <= 90)
        throw new DomainError(
          "noseUpDeg",
          noseUpDeg,
          `${90 - tiltDeg} or more`,
          `noseUpDeg is ${noseUpDeg}; with ${tiltDeg}° of tilt the camera looks back only from ${90 - tiltDeg}° up, which takes ${(1 / Math.sin(RAD_PER_DEG * Math.max(0.1, tiltDeg))).toFixed(1)} g`,
        );
      const round = circle({ pitchDeg: noseUpDeg, bankDeg: 0 }, value(start.turnDps));
      const { northM, eastM } = round.centre!;
      return ledInto(round, start.leadInM, Math.hypot(northM, eastM), round.rates.yawDps > 0);
    }
    case "steady-turn": {
      const view = {
        tiltDeg,
        viewElevationDeg: value(start.viewElevationDeg),
        viewRollDeg: value(start.viewRollDeg),
      };
      return circle(attitudeOfView(view), value(start.turnDps));
    }
  }
}

/** Straight trims of an aircraft that were worked out lately: a thousand scattered flights begin alike. */
const trims = new WeakMap<Airframe, Map<string, Trim>>();
const MOST_REMEMBERED = 50;

function remembered(aircraft: Airframe, what: readonly (string | number)[], make: () => Trim): Trim {
  let known = trims.get(aircraft);
  if (!known) trims.set(aircraft, (known = new Map()));
  const key = what.join(" ");
  const found = known.get(key);
  if (found) return found;
  const made = make();
  if (known.size >= MOST_REMEMBERED) known.clear();
  known.set(key, made);
  return made;
}

function hoverPower(aircraft: Airframe, airDensityKgM3: number, packUsed: number): Power {
  const power = powerFor(aircraft, 1, 0, airDensityKgM3, packUsed);
  if (!power)
    throw new TooLittleThrust(
      `airframe.thrustToWeight is ${aircraft.thrustToWeight}; in this air, on this pack, the aircraft cannot hover`,
    );
  return power;
}
