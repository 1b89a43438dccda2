import { requireAirframe, type Airframe } from "../airframe";
import { airDensity, STANDARD_GRAVITY_MPS2, type Air } from "../atmosphere";
import { requireNumber } from "../numbers";

/** How an aircraft flies at the moment its power is gone. */
export interface PowerLost {
  /** Level speed over the ground, m/s. */
  readonly speedMps: number;
  /** Upward speed, m/s; negative for a dive. */
  readonly climbMps: number;
  /** Above the ground, m. */
  readonly heightM: number;
  readonly air: Air;
  /** Wind blowing the way it flies, m/s; 0 if not said. */
  readonly windMps?: number;
}

const STEP_S = 0.005;
/** Nothing falls longer from the heights allowed here, s. */
const LONGEST_S = 240;

/**
 * How far an aircraft is thrown, m over the ground from where its power is lost to where it meets level ground: a falling body with quadratic
 * drag by the least of its drag areas (it tumbles; edge on it goes farthest), fourth-order Runge-Kutta. Without drag it is the parabola of the
 * textbooks. Rotors that still turn are left out. Throws a DomainError naming the field.
 */
export function throwDistanceM(
  airframe: Airframe,
  { speedMps, climbMps, heightM, air, windMps = 0 }: PowerLost,
): number {
  const { massKg, dragAreaM2 } = requireAirframe(airframe);
  requireNumber("speedMps", speedMps, 0, 150);
  requireNumber("climbMps", climbMps, -100, 100);
  requireNumber("heightM", heightM, 0, 1000);
  requireNumber("windMps", windMps, -40, 40);
  const drag = (0.5 * airDensity(air) * Math.min(dragAreaM2.x, dragAreaM2.y, dragAreaM2.z)) / massKg;
  const slope = ([, , alongMps, upMps]: readonly number[]): number[] => {
    const throughAir = alongMps - windMps;
    const pull = drag * Math.hypot(throughAir, upMps);
    return [alongMps, upMps, -pull * throughAir, -pull * upMps - STANDARD_GRAVITY_MPS2];
  };
  let state: readonly number[] = [0, heightM, speedMps, climbMps];
  for (let timeS = 0; timeS < LONGEST_S; timeS += STEP_S) {
    const before = state;
    const off = (k: readonly number[], h: number) => before.map((value, i) => value + h * k[i]);
    const a = slope(before);
    const b = slope(off(a, 0.5 * STEP_S));
    const c = slope(off(b, 0.5 * STEP_S));
    const d = slope(off(c, STEP_S));
    state = before.map((value, i) => value + (STEP_S / 6) * (a[i] + 2 * b[i] + 2 * c[i] + d[i]));
    if (state[1] > 0) continue;
    const share = before[1] / (before[1] - state[1]);
    return before[0] + share * (state[0] - before[0]);
  }
  return state[0];
}
