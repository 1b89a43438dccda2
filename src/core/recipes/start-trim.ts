import { commandForThrust, type Airframe } from "../airframe";
import { fromEuler } from "../attitude";
import type { Air } from "../atmosphere";
import { levelState, STATE, type Settings } from "../flight";
import { bisect } from "../numbers";
import { attitudeOfView, cruise, cruiseIfPossible, orbitFacingCentre, steadyTurn, type BodyRates } from "../sustained";
import type { Environment } from "./environment";
import { resolve, type Recipe, type TrimFigures } from "./recipe";

/** What a flight begins with: the state vector, the motor command that holds it, and what the recipe may refer to. */
export interface StartTrim {
  readonly state: Float64Array;
  readonly motor: number;
  readonly figures: TrimFigures;
  /** Body rates of the steady turn; zero for a straight start. */
  readonly rates: BodyRates;
  /** What the nose is held on, m north and east of the start. */
  readonly object: { readonly northM: number; readonly eastM: number } | null;
}

const NO_RATES: BodyRates = { rollDps: 0, pitchDps: 0, yawDps: 0 };

/** Trims the aircraft for the start of a recipe. Throws a RangeError when it has not the thrust, or no such flight exists. */
export function startTrim(recipe: Recipe, aircraft: Airframe, settings: Settings, environment: Environment): StartTrim {
  const air = { heightM: environment.siteElevationM + environment.entryHeightM, isaOffsetK: environment.isaOffsetK };
  const { pitchDeg, bankDeg, thrustG, northMps, eastMps, rates, centre } = trimOf(recipe, aircraft, settings, air);
  const fraction = thrustG / aircraft.thrustToWeight;
  const state = levelState(environment.entryHeightM, fraction);
  const attitude = fromEuler({ yawDeg: 0, pitchDeg, rollDeg: bankDeg });
  state.set([attitude.w, attitude.x, attitude.y, attitude.z], STATE.qw);
  state[STATE.vNorth] = northMps + environment.windNorthMps;
  state[STATE.vEast] = eastMps + environment.windEastMps;
  state[STATE.p] = (rates.rollDps * Math.PI) / 180;
  state[STATE.q] = (rates.pitchDps * Math.PI) / 180;
  state[STATE.r] = (rates.yawDps * Math.PI) / 180;
  const figures = {
    tiltDeg: settings.tiltDeg,
    trimPitchDeg: pitchDeg,
    trimBankDeg: bankDeg,
    trimSpeedMps: Math.hypot(northMps, eastMps),
  };
  const { object } = recipe;
  return {
    state,
    motor: commandForThrust(aircraft, fraction),
    figures,
    rates,
    object:
      centre ??
      (object
        ? { northM: resolve(recipe, object.alongM, figures), eastM: resolve(recipe, object.acrossM, figures) }
        : null),
  };
}

interface Trim {
  readonly pitchDeg: number;
  readonly bankDeg: number;
  readonly thrustG: number;
  readonly northMps: number;
  readonly eastMps: number;
  readonly rates: BodyRates;
  readonly centre: { readonly northM: number; readonly eastM: number } | null;
}

function trimOf(recipe: Recipe, aircraft: Airframe, { tiltDeg }: Settings, air: Air): Trim {
  const { start } = recipe;
  const straight = (pitchDeg: number, thrustG: number, northMps: number): Trim => ({
    pitchDeg,
    bankDeg: 0,
    thrustG,
    northMps,
    eastMps: 0,
    rates: NO_RATES,
    centre: null,
  });
  const circle = (attitude: { pitchDeg: number; bankDeg: number }, turnDps: number): Trim => {
    const turn = steadyTurn(aircraft, { ...attitude, turnDps }, air);
    return {
      ...attitude,
      thrustG: turn.thrustG,
      northMps: turn.velocityNorthMps,
      eastMps: turn.velocityEastMps,
      rates: turn.rates,
      centre: { northM: turn.centreNorthM, eastM: turn.centreEastM },
    };
  };
  switch (start.kind) {
    case "hover":
      return straight(0, 1, 0);
    case "cruise": {
      const level = cruise(aircraft, tiltDeg, air);
      return straight(-tiltDeg, level.thrustG, level.speedMps);
    }
    case "level": {
      const speedMps = resolve(recipe, start.speedMps);
      const leanDeg = leanForSpeed(aircraft, speedMps, air);
      return straight(-leanDeg, cruise(aircraft, leanDeg, air).thrustG, speedMps);
    }
    case "orbit": {
      const radiusM = resolve(recipe, start.radiusM);
      const orbit = orbitFacingCentre(aircraft, { radiusM, tiltDeg, clockwise: start.clockwise }, air);
      return circle({ pitchDeg: -tiltDeg, bankDeg: orbit.leanDeg }, orbit.turnDps);
    }
    case "steady-turn": {
      const view = {
        tiltDeg,
        viewElevationDeg: resolve(recipe, start.viewElevationDeg),
        viewRollDeg: resolve(recipe, start.viewRollDeg),
      };
      return circle(attitudeOfView(view), resolve(recipe, start.turnDps));
    }
  }
}

/** Lean at which level flight has a speed. Throws a RangeError for more speed than the aircraft has. */
function leanForSpeed(aircraft: Airframe, speedMps: number, air: Air): number {
  const fastestAt = bisect((lean) => (cruiseIfPossible(aircraft, lean, air) ? -1 : 1), 0, 80, 0.1) ?? 80;
  const lean = bisect(
    (tried) => (cruiseIfPossible(aircraft, tried, air)?.speedMps ?? Infinity) - speedMps,
    0,
    fastestAt,
    1e-6,
  );
  if (lean === null)
    throw new RangeError(`speedMps is ${speedMps}; this aircraft does not fly that fast in level flight`);
  return lean;
}
