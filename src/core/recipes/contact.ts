import { STATE } from "../flight";
import { DEG_PER_RAD } from "../numbers";
import type { Body } from "./body";
import { distanceTo, type Obstacle } from "./obstacles";
import type { Happening } from "./trace";

/** A contact faster or steeper than this is a crash. Common practice, no source. */
const CRASH_SPEED_MPS = 2.5;
const CRASH_TILT_DEG = 35;

/** The obstacle an aircraft that reaches so far about its middle has flown into, or null. */
export function flownInto(obstacles: readonly Obstacle[], body: Body, reachM: number): Happening | null {
  const { state } = body;
  const hit = obstacles.find((one) => distanceTo(one, state[0], state[1], body.heightM) < reachM);
  return hit ? { kind: "crash", into: hit.kind, ...arrival(body) } : null;
}

/** How the ground was met: touched down, or a crash. */
export function metGround(body: Body): Happening {
  const met = arrival(body);
  return met.speedMps > CRASH_SPEED_MPS || met.tiltDeg > CRASH_TILT_DEG
    ? { kind: "crash", into: "ground", ...met }
    : { kind: "touchdown", ...met };
}

const arrival = ({ state, seen }: Body) => ({
  speedMps: Math.hypot(state[STATE.vNorth], state[STATE.vEast], state[STATE.vDown]),
  tiltDeg: DEG_PER_RAD * Math.acos(Math.max(-1, Math.min(1, seen.upright))),
});
