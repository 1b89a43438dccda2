import { RAD_PER_DEG, requireNumber } from "../numbers";

/**
 * Layout of the state vector. Position north, east, down (m); velocity in the world (m/s); attitude quaternion
 * body to world; body rates p, q, r (rad/s); speed fractions of the rotors front right, rear right, rear left, front left;
 * share of the pack used, 0 when full.
 */
export const STATE = {
  north: 0,
  east: 1,
  down: 2,
  vNorth: 3,
  vEast: 4,
  vDown: 5,
  qw: 6,
  qx: 7,
  qy: 8,
  qz: 9,
  p: 10,
  q: 11,
  r: 12,
  rotor: 13,
  packUsed: 17,
} as const;
export const STATE_SIZE = 18;

/** Length of the command vector: commanded body rates p, q, r (rad/s) and collective thrust fraction 0..1. */
export const COMMAND_SIZE = 4;

/** Rest state at a height above the ground: level, heading north, rotors at the speed that gives `thrustFraction` of full thrust, on a full pack. */
export function levelState(heightM: number, thrustFraction: number, pitchDeg = 0): Float64Array {
  requireNumber("heightM", heightM, -1e5, 1e5);
  requireNumber("thrustFraction", thrustFraction, 0, 1);
  requireNumber("pitchDeg", pitchDeg, -360, 360);
  const state = new Float64Array(STATE_SIZE);
  state[STATE.down] = -heightM;
  state[STATE.qw] = Math.cos(0.5 * pitchDeg * RAD_PER_DEG);
  state[STATE.qy] = Math.sin(0.5 * pitchDeg * RAD_PER_DEG);
  state.fill(Math.sqrt(thrustFraction), STATE.rotor, STATE.rotor + 4);
  return state;
}
