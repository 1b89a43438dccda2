import type { Airframe } from "../airframe";
import { thrustFraction } from "../airframe";
import { airDensity, type Air } from "../atmosphere";
import { createDerivative, createStep, levelState, STATE, type Settings } from "../flight";
import { RAD_PER_DEG, requireNumber } from "../numbers";
import { rateAtStick } from "../rates";
import { powerFor, TooLittleThrust } from "../sustained";
import { throttleAtStick } from "../throttle";

const STEP_S = 1 / 500;
/** Nothing hangs longer: a punch that has not come down by then is an aircraft that cannot be. */
const LONGEST_S = 60;
/** A flip that is not round by then does not turn. */
const LONGEST_TURN_S = 5;

/** A punch straight up out of the hover, throttle then closed. Heights above the start. */
export interface PunchFlight {
  readonly punchS: number;
  /** Where and how fast it is when the throttle is closed. */
  readonly climbedM: number;
  readonly climbMps: number;
  readonly peakM: number;
  /** From closing the throttle to falling past that height again. */
  readonly hangS: number;
}

export interface Punch {
  readonly airframe: Airframe;
  readonly air: Air;
  /** What the motors get, 0..1. */
  readonly command: number;
  readonly punchS: number;
  /** Share of the pack used before. */
  readonly packUsed?: number;
}

/** Flies a punch: level, from the hover, full command at once for so long, then closed. Throws a DomainError for an aircraft that cannot hover. */
export function flyPunch({ airframe, air, command, punchS, packUsed = 0 }: Punch): PunchFlight {
  requireNumber("command", command, 0, 1);
  requireNumber("punchS", punchS, 0.05, 5);
  const { state, fly } = hovering(airframe, air, packUsed);
  fly(thrustFraction(airframe, command), punchS);
  const climbedM = -state[STATE.down];
  const climbMps = -state[STATE.vDown];
  let peakM = climbedM;
  let hangS = 0;
  // Momentum carries it on even where the punch was too weak to climb.
  while (hangS < LONGEST_S) {
    const before = -state[STATE.down];
    fly(0, STEP_S);
    const height = -state[STATE.down];
    hangS += STEP_S;
    peakM = Math.max(peakM, height);
    if (height < climbedM) {
      hangS -= (STEP_S * (climbedM - height)) / Math.max(1e-12, before - height);
      break;
    }
  }
  return { punchS, climbedM, climbMps, peakM, hangS: Math.max(0, hangS) };
}

/** Seconds of a whole flip at a steady pitch command from the moment the throttle is closed, thrown up by a punch; null where it does not get round. */
function flipS(punch: Punch, rateDps: number, idleAuthority: boolean): number | null {
  const { state, fly } = hovering(punch.airframe, punch.air, punch.packUsed ?? 0, idleAuthority);
  fly(thrustFraction(punch.airframe, punch.command), punch.punchS);
  let turned = 0;
  for (let t = 0; t < LONGEST_TURN_S; t += STEP_S) {
    const before = state[STATE.q];
    fly(0, STEP_S, RAD_PER_DEG * rateDps);
    const by = 0.5 * STEP_S * (before + state[STATE.q]);
    if (turned + by >= 2 * Math.PI) return t + (STEP_S * (2 * Math.PI - turned)) / by;
    turned += by;
  }
  return null;
}

/** An aircraft in the hover, and the way to fly it on. */
function hovering(airframe: Airframe, air: Air, packUsed: number, idleAuthority = true) {
  const airDensityKgM3 = airDensity(air);
  const power = powerFor(airframe, 1, 0, airDensityKgM3, packUsed);
  if (power === null) throw new TooLittleThrust("this aircraft has too little thrust to hover");
  const step = createStep(
    createDerivative(airframe, { airDensityKgM3, windNorthMps: 0, windEastMps: 0 }, idleAuthority),
  );
  const state = levelState(0, power.rotorSpeed ** 2);
  state[STATE.packUsed] = packUsed;
  const command = new Float64Array(4);
  return {
    state,
    fly: (thrust: number, seconds: number, pitchRadS = 0) => {
      command[1] = pitchRadS;
      command[3] = thrust;
      for (let left = seconds; left > 1e-9; left -= STEP_S) step(state, command, command, Math.min(STEP_S, left));
    },
  };
}

/** Punches of a ladder, s (practised so; common practice, no source). */
const RUNGS_S = [0.3, 0.45, 0.6, 0.75, 0.9, 1.05, 1.2];

export interface PunchRung extends PunchFlight {
  /** The same late in the pack. */
  readonly lateHangS: number;
  /** Seconds of a flip at full stick out of this punch; null where it does not turn. */
  readonly flipS: number | null;
  /** Whole flips at full stick in the hang, with `CATCH_S` left; null where it does not turn. */
  readonly flips: number | null;
}

/** Of the hang so much is kept for the throttle to come back and the catch, s. Common practice, no source. */
export const CATCH_S = 0.3;
/** What punches of growing length at one throttle stick buy: height, hang and the flips that fit, with these settings; `alsoS` are further punches. */
export function punchLadder(
  airframe: Airframe,
  { throttle, rates, modes }: Settings,
  air: Air,
  { stick, lateUsed, alsoS = [] }: { stick: number; lateUsed: number; alsoS?: readonly number[] },
): readonly PunchRung[] {
  const command = throttleAtStick(throttle, requireNumber("stick", stick, 0, 1));
  const endDps = rateAtStick(rates.pitch, 1);
  return [...new Set([...RUNGS_S, ...alsoS])]
    .sort((a, b) => a - b)
    .map((punchS) => {
      const punch = { airframe, air, command, punchS };
      const flown = flyPunch(punch);
      const turn = flipS(punch, endDps, modes.idleAuthority);
      return {
        ...flown,
        lateHangS: flyPunch({ ...punch, packUsed: lateUsed }).hangS,
        flipS: turn,
        flips: turn === null ? null : Math.max(0, Math.floor((flown.hangS - CATCH_S) / turn)),
      };
    });
}
