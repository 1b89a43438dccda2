import { fullThrustG, requireAirframe, type Airframe } from "../airframe";
import { fromEuler, toBody, toWorld } from "../attitude";
import { airDensity, STANDARD_GRAVITY_MPS2, type Air } from "../atmosphere";
import { DEG_PER_RAD, DomainError, RAD_PER_DEG, requireNumber } from "../numbers";
import { mostThrustG, powerFor, rotorDragPerS, TooLittleThrust } from "./power";
import type { BodyRates } from "./rates";
import { turnRates } from "./turn";

/** A circle flown at constant height with an attitude that keeps its angle to the centre. Headings are those of the moment the nose points north. */
export interface SteadyTurn {
  readonly thrustG: number;
  /** Speed fraction of the rotors, and the motor command behind it. */
  readonly rotorSpeed: number;
  readonly throttle: number;
  readonly speedMps: number;
  readonly radiusM: number;
  readonly velocityNorthMps: number;
  readonly velocityEastMps: number;
  /** Where the centre lies, m from the aircraft. */
  readonly centreNorthM: number;
  readonly centreEastM: number;
  readonly rates: BodyRates;
}

const ROUNDS = 600;
const SETTLED_MPS = 1e-6;

/**
 * The steady turn of an attitude at `turnDps`: thrust that holds the height, and the velocity at which thrust and body-axis drag bend the path
 * as fast as the nose turns, m·Ω × v = F. Found by repeated substitution, because the drag asks for the velocity. Throws a DomainError when the
 * aircraft has not the thrust, or when the drag lets no such circle be.
 */
export function steadyTurn(
  airframe: Airframe,
  turn: { readonly pitchDeg: number; readonly bankDeg: number; readonly turnDps: number },
  air: Air,
): SteadyTurn {
  requireAirframe(airframe);
  const attitude = fromEuler({ yawDeg: 0, pitchDeg: turn.pitchDeg, rollDeg: turn.bankDeg });
  const turnRad = RAD_PER_DEG * requireNumber("turnDps", turn.turnDps, -1000, 1000);
  if (Math.abs(turnRad) < 0.01) throw new DomainError("turnDps", turn.turnDps, "1 °/s or more either way");
  const weight = airframe.massKg * STANDARD_GRAVITY_MPS2;
  const density = airDensity(air);
  const halfRho = 0.5 * density;
  const push = toWorld(attitude, { x: 0, y: 0, z: -1 });
  const { x: areaX, y: areaY, z: areaZ } = airframe.dragAreaM2;
  let rotorSpeed = 0;
  const drag = (north: number, east: number) => {
    const v = toBody(attitude, { x: north, y: east, z: 0 });
    const perSpeed = -halfRho * Math.hypot(v.x, v.y, v.z);
    const rotors = -airframe.massKg * rotorDragPerS(airframe, rotorSpeed, density);
    return toWorld(attitude, {
      x: (perSpeed * areaX + rotors) * v.x,
      y: (perSpeed * areaY + rotors) * v.y,
      z: perSpeed * areaZ * v.z,
    });
  };
  const axialAt = (north: number, east: number) => -toBody(attitude, { x: north, y: east, z: 0 }).z;
  const powerAt = (north: number, east: number) => powerFor(airframe, thrust / weight, axialAt(north, east), density);
  let north = 0;
  let east = 0;
  let thrust = weight;
  for (let round = 0; round < ROUNDS; round++) {
    const held = drag(north, east);
    if (push.z > -0.02)
      throw new DomainError(
        "attitude",
        attitude,
        "thrust pointing up",
        "no thrust points upward in this attitude: it falls however much there is",
      );
    thrust = (weight + held.z) / -push.z;
    rotorSpeed = powerAt(north, east)?.rotorSpeed ?? 1;
    const perOmega = 1 / (airframe.massKg * turnRad);
    // Ω about the down axis: a = Ω × v = (−Ω·east, Ω·north).
    const nextNorth = (thrust * push.y + held.y) * perOmega;
    const nextEast = -(thrust * push.x + held.x) * perOmega;
    const moved = Math.hypot(nextNorth - north, nextEast - east);
    // Small steps, because the drag turns against what made it.
    north += 0.15 * (nextNorth - north);
    east += 0.15 * (nextEast - east);
    if (moved < SETTLED_MPS) break;
    if (round === ROUNDS - 1 || !Number.isFinite(moved))
      throw new DomainError(
        "turnDps",
        turn.turnDps,
        "what the drag lets be a circle",
        `turnDps is ${turn.turnDps}; the drag lets no steady circle be at this attitude`,
      );
  }
  const thrustG = thrust / weight;
  const power = powerAt(north, east);
  if (!power)
    throw new TooLittleThrust(
      `this turn needs ${thrustG.toFixed(1)} g of thrust; the aircraft has ${mostThrustG(airframe, axialAt(north, east), density).toFixed(1)} g there and ${fullThrustG(airframe, density).toFixed(1)} g standing still`,
    );
  return {
    thrustG,
    ...power,
    speedMps: Math.hypot(north, east),
    radiusM: Math.hypot(north, east) / Math.abs(turnRad),
    velocityNorthMps: north,
    velocityEastMps: east,
    centreNorthM: -east / turnRad,
    centreEastM: north / turnRad,
    rates: turnRates(turn),
  };
}

/** Pitch and bank of an attitude whose view is raised by `viewElevationDeg` and whose picture is turned by `viewRollDeg` about the view axis. */
export function attitudeOfView(view: {
  readonly tiltDeg: number;
  readonly viewElevationDeg: number;
  readonly viewRollDeg: number;
}): { readonly pitchDeg: number; readonly bankDeg: number } {
  const tilt = RAD_PER_DEG * requireNumber("tiltDeg", view.tiltDeg, 0, 90);
  const up = RAD_PER_DEG * requireNumber("viewElevationDeg", view.viewElevationDeg, -89, 89);
  const roll = RAD_PER_DEG * requireNumber("viewRollDeg", view.viewRollDeg, -180, 180);
  // Down components of the body axes: view axis −sin ε; picture right and picture down turned about it by φ; then back by the tilt.
  const axis = -Math.sin(up);
  const right = Math.cos(up) * Math.sin(roll);
  const down = Math.cos(up) * Math.cos(roll);
  const x = axis * Math.cos(tilt) + down * Math.sin(tilt);
  const z = -axis * Math.sin(tilt) + down * Math.cos(tilt);
  return {
    pitchDeg: -DEG_PER_RAD * Math.asin(Math.max(-1, Math.min(1, x))),
    bankDeg: DEG_PER_RAD * Math.atan2(right, z),
  };
}
