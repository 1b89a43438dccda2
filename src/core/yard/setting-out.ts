import { DEG_PER_RAD, DomainError, requireNumber } from "../numbers";
import { between, middleOf, requirePoint, type PlanPoint } from "./point";
import { depthInside } from "./polygon";
import { shortestWalk } from "./walk";

/** By how much a tape laid in grass is taken to be off, m (9.2 of the design). */
export const TAPE_TOLERANCE_M = 0.2;
/** The longest tape a coach carries, m. Common practice, no source. */
const TAPE_M = 50;
/** What the check of the first pole goes to. */
const BASELINE_MIDDLE = "the middle of AB";
/** Pegs nearer than this give no direction, m. Ours. */
const LEAST_BASELINE_M = 2;

/** One pole as it is set out, in the order of walking. */
export interface SetPole {
  readonly pole: string;
  /** Two tapes, from peg A and from peg B. */
  readonly fromAM: number;
  readonly fromBM: number;
  /** Which side of the line from A to B it stands; "on" it the tapes give no place across. */
  readonly side: "left" | "right" | "on";
  /** Along the line from A to B, and across it, positive to the right: for who measures by offsets. */
  readonly alongM: number;
  readonly acrossM: number;
  /** The check, a third tape: distance to `checkTo`, the farthest that stands already, or the middle of the baseline. */
  readonly checkM: number;
  readonly checkTo: string;
  /** Angle in which the two tapes meet, °; 90 is best. */
  readonly meetDeg: number;
  /** How far the pole is off at most if each tape is off by the tolerance, m. */
  readonly worstM: number;
}

/**
 * How far off a place is by two tapes that meet in an angle and are each off by as much: tolerance / sin or cos of half the angle, whichever is more
 * (intersection of two arcs; the surveyor's textbook). Infinity where they lie in one line.
 */
export function arcErrorM(meetDeg: number, toleranceM = TAPE_TOLERANCE_M): number {
  const half = (0.5 * meetDeg) / DEG_PER_RAD;
  const least = Math.min(Math.sin(half), Math.cos(half));
  return least < 1e-9 ? Infinity : toleranceM / least;
}

function meeting(pole: PlanPoint, a: PlanPoint, b: PlanPoint): number {
  const [fromA, fromB, base] = [between(a, pole), between(b, pole), between(a, b)];
  if (fromA === 0 || fromB === 0) return 90;
  const cos = (fromA * fromA + fromB * fromB - base * base) / (2 * fromA * fromB);
  return DEG_PER_RAD * Math.acos(Math.max(-1, Math.min(1, cos)));
}

function requirePoles(poles: readonly PlanPoint[]): void {
  if (!Array.isArray(poles) || poles.length === 0) throw new DomainError("poles", poles, "one pole and more");
  poles.forEach((pole, i) => requirePoint(`poles[${i}]`, pole as PlanPoint));
}

function requirePegs(pegs: readonly PlanPoint[]): readonly [PlanPoint, PlanPoint] {
  const [a, b] = [requirePoint("pegs[0]", pegs?.[0]), requirePoint("pegs[1]", pegs?.[1])];
  const apart = between(a, b);
  if (apart < LEAST_BASELINE_M)
    throw new DomainError(
      "pegs",
      apart,
      `pegs ${LEAST_BASELINE_M} m apart and more`,
      `pegs are ${apart.toFixed(2)} m apart; they give no direction under ${LEAST_BASELINE_M} m`,
    );
  return [a, b];
}

/**
 * Every pole by two tape distances from a baseline of two pegs, in an order in which nobody walks twice (the shortest way from the baseline past all
 * poles), with a check for each. Distances in m. Throws a DomainError naming the field.
 */
export function settingOut(
  poles: readonly (PlanPoint & { readonly id: string })[],
  { pegs, toleranceM = TAPE_TOLERANCE_M }: { readonly pegs: readonly PlanPoint[]; readonly toleranceM?: number },
): readonly SetPole[] {
  requirePoles(poles);
  requireNumber("toleranceM", toleranceM, 0, 5);
  const [a, b] = requirePegs(pegs);
  const base = between(a, b);
  const middle = { id: BASELINE_MIDDLE, ...middleOf([a, b]) };
  const standing: (PlanPoint & { readonly id: string })[] = [];
  return shortestWalk(middle, poles).map((pole): SetPole => {
    const [fromAM, fromBM] = [between(a, pole), between(b, pole)];
    const [east, north] = [(b.eastM - a.eastM) / base, (b.northM - a.northM) / base];
    const alongM = (pole.eastM - a.eastM) * east + (pole.northM - a.northM) * north;
    const acrossM = (pole.eastM - a.eastM) * north - (pole.northM - a.northM) * east;
    const meetDeg = meeting(pole, a, b);
    // A third tape: to the farthest that stands already, for the first to the middle of the baseline.
    const check = standing.reduce(
      (far, one) => (between(one, pole) > between(far, pole) ? one : far),
      standing[0] ?? middle,
    );
    standing.push(pole);
    return {
      pole: pole.id,
      fromAM,
      fromBM,
      side: Math.abs(acrossM) < 0.005 ? "on" : acrossM > 0 ? "right" : "left",
      alongM,
      acrossM,
      checkM: between(check, pole),
      checkTo: check.id,
      meetDeg,
      worstM: arcErrorM(meetDeg, toleranceM),
    };
  });
}

/** A length in whole and half steps of a coach's own. */
export const inSteps = (m: number, stepM: number): number =>
  Math.round((2 * requireNumber("m", m, 0, 10_000)) / requireNumber("stepM", stepM, 0.3, 1.5)) / 2;

export interface Baseline {
  readonly pegs: readonly [PlanPoint, PlanPoint];
  readonly lengthM: number;
  /** The most a pole is off, m. */
  readonly worstM: number;
}

/**
 * The two pegs from which the poles come out best: beside the course, on either side and at either slant, tried over length and distance, within the
 * boundary where there is one, and with no tape longer than 50 m where that can be.
 */
export function bestBaseline(
  poles: readonly PlanPoint[],
  {
    boundary,
    toleranceM = TAPE_TOLERANCE_M,
  }: { readonly boundary?: readonly PlanPoint[]; readonly toleranceM?: number } = {},
): Baseline {
  requirePoles(poles);
  const centre = middleOf(poles);
  const reach = Math.max(4, ...poles.map((pole) => between(centre, pole)));
  let best: Baseline | null = null;
  const look = (pegs: readonly [PlanPoint, PlanPoint], strict: boolean) => {
    if (between(...pegs) < LEAST_BASELINE_M) return;
    if (strict && boundary && pegs.some((peg) => depthInside(peg, boundary) < 0)) return;
    let worstM = 0;
    for (const pole of poles) {
      if (strict && pegs.some((peg) => between(peg, pole) > TAPE_M || between(peg, pole) < 0.5)) return;
      worstM = Math.max(worstM, arcErrorM(meeting(pole, ...pegs), toleranceM));
    }
    if (Number.isFinite(worstM) && (!best || worstM < best.worstM - 1e-9))
      best = { pegs, lengthM: between(...pegs), worstM };
  };
  for (const strict of [true, false]) {
    for (let turn = 0; turn < 180; turn += 7.5)
      for (const off of [-1.2, -0.9, -0.6, -0.3, 0.3, 0.6, 0.9, 1.2])
        for (const length of [0.4, 0.7, 1, 1.4, 1.8])
          for (const slide of [-0.5, 0, 0.5]) {
            const angle = turn / DEG_PER_RAD;
            const [east, north] = [Math.sin(angle), Math.cos(angle)];
            const at = (share: number): PlanPoint => ({
              eastM: centre.eastM + reach * ((share * length + slide) * east + off * north),
              northM: centre.northM + reach * ((share * length + slide) * north - off * east),
            });
            look([at(-1), at(1)], strict);
          }
    if (best) return best;
  }
  throw new DomainError("poles", poles.length, "poles that two pegs can set out");
}
