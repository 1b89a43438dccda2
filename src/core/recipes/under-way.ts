import { fromEuler, multiply } from "../attitude";
import { STATE } from "../flight";
import { DEG_PER_RAD, turnedLevel } from "../numbers";
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
    headingDeg: noseless ? DEG_PER_RAD * Math.atan2(east, north) : seen.yawDeg,
  };
}

/** The state seen from the line of entry that it goes on along: place and velocity turned, the attitude turned about the vertical. */
export function stateGoingOn({ from, frame, entryHeightM }: GoingOn): Float64Array {
  const state = Float64Array.from(from.body.state);
  const back = -frame.headingDeg;
  const place = turnedLevel(back, state[STATE.north] - frame.northM, state[STATE.east] - frame.eastM);
  const velocity = turnedLevel(back, state[STATE.vNorth], state[STATE.vEast]);
  const [w, x, y, z] = state.subarray(STATE.qw, STATE.qw + 4);
  const turned = multiply(fromEuler({ yawDeg: back, pitchDeg: 0, rollDeg: 0 }), { w, x, y, z });
  state.set([...place, -entryHeightM, ...velocity], STATE.north);
  state.set([turned.w, turned.x, turned.y, turned.z], STATE.qw);
  return state;
}
