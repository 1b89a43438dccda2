import { STATE } from "../flight";
import { RAD_PER_DEG } from "../numbers";
import type { Body } from "./body";
import type { Hands } from "./pilot";
import type { Shake } from "./shake";

/** A flight at an instant, to be flown on from: nothing of it changes any more. State, heading and place count against its own line of entry. */
export interface UnderWay {
  readonly body: Body;
  readonly hands: Hands;
  readonly shake: Shake | undefined;
  /** m above the ground. */
  readonly entryHeightM: number;
}

/** A line of entry against another: where it begins, m along and across, and its heading, ° to the right. */
export interface Frame {
  readonly northM: number;
  readonly eastM: number;
  readonly headingDeg: number;
}

/** The line of entry against itself. */
export const SAME_FRAME: Frame = { northM: 0, eastM: 0, headingDeg: 0 };

/** A flight under way, and the line of entry that it goes on along, against the one that it came by. */
export interface GoingOn {
  readonly from: UnderWay;
  readonly frame: Frame;
  /** m above the ground; where it is, or lifted there to work something out clear of the ground. */
  readonly entryHeightM: number;
}

/** Steeper than this, ° above or below the level, the nose points nowhere in particular: what counts is where it flies. Ours. */
const STEEP_DEG = 60;
const SLOW_MPS = 1;

/** The line of entry of what is flown next: from where it is, the way its nose points, or the way it flies while that points up or down. */
export function frameAhead({ body: { state, seen } }: UnderWay): Frame {
  const [north, east] = [state[STATE.vNorth], state[STATE.vEast]];
  const noseless = Math.abs(seen.pitchDeg) > STEEP_DEG && Math.hypot(north, east) > SLOW_MPS;
  return {
    northM: state[STATE.north],
    eastM: state[STATE.east],
    headingDeg: noseless ? Math.atan2(east, north) / RAD_PER_DEG : seen.yawDeg,
  };
}

/** The state seen from the line of entry that it goes on along: place and velocity turned, the attitude turned about the vertical. */
export function stateGoingOn({ from, frame, entryHeightM }: GoingOn): Float64Array {
  const state = Float64Array.from(from.body.state);
  const { headingDeg, northM, eastM } = frame;
  const [cos, sin] = [Math.cos(RAD_PER_DEG * headingDeg), Math.sin(RAD_PER_DEG * headingDeg)];
  const [vNorth, vEast] = [state[STATE.vNorth], state[STATE.vEast]];
  const [north, east] = [state[STATE.north] - northM, state[STATE.east] - eastM];
  state[STATE.north] = cos * north + sin * east;
  state[STATE.east] = cos * east - sin * north;
  state[STATE.down] = -entryHeightM;
  state[STATE.vNorth] = cos * vNorth + sin * vEast;
  state[STATE.vEast] = cos * vEast - sin * vNorth;
  // Half a turn back about down, from the left: q' = q(−ψ)·q.
  const [w, x, y, z] = [state[STATE.qw], state[STATE.qw + 1], state[STATE.qw + 2], state[STATE.qw + 3]];
  const [half, turn] = [Math.cos(0.5 * RAD_PER_DEG * headingDeg), -Math.sin(0.5 * RAD_PER_DEG * headingDeg)];
  state[STATE.qw] = half * w - turn * z;
  state[STATE.qw + 1] = half * x - turn * y;
  state[STATE.qw + 2] = half * y + turn * x;
  state[STATE.qw + 3] = half * z + turn * w;
  return state;
}
