import { requireNumber, seededRandom } from "../numbers";

/** How the wind comes and goes: standard deviation of each of its two parts, m/s, and the seed they are drawn from. */
export interface GustPlan {
  readonly deviationMps: number;
  readonly seed: number;
}

/** Wind of a record blows the same to the last bit everywhere: nothing here but + − × ÷, the two shares written out. */
const STEPS = 5;
/**
 * Gusts last about 5 s: the Dryden form of MIL-F-8785C close to the ground, a scale of some 44 m at 6 m above it in winds of 9 m/s (from memory).
 * These are e^(−0.01 s / 5 s) and √(1 − its square).
 */
const KEEP = 0.998001998667;
const ADD = 0.0631823;
/** Drawn as a sum of twelve uniform numbers, which is normal near enough. */
const DRAWN = 12;

/** Share of the mean wind that its gusts deviate by: MIL-F-8785C at 6 m above the ground (from memory). */
export const GUSTS_PER_WIND = 0.19;

/** Throws a DomainError naming what of a plan can't be. */
export function requireGusts(gusts: GustPlan): GustPlan {
  requireNumber("gusts.deviationMps", gusts.deviationMps, 0, 20);
  requireNumber("gusts.seed", gusts.seed, 0, 4294967295);
  return gusts;
}

/** Gusts on top of a mean wind, moved on step by step. */
export class Gusts {
  northMps = 0;
  eastMps = 0;
  private readonly random: () => number;

  constructor(private readonly plan: GustPlan) {
    this.random = seededRandom(plan.seed);
  }

  /** Whether it blows otherwise after this step. */
  moveOn(step: number): boolean {
    if (step % STEPS !== 0) return false;
    const { deviationMps } = this.plan;
    this.northMps = KEEP * this.northMps + ADD * deviationMps * this.draw();
    this.eastMps = KEEP * this.eastMps + ADD * deviationMps * this.draw();
    return true;
  }

  private draw(): number {
    let sum = -DRAWN / 2;
    for (let i = 0; i < DRAWN; i++) sum += this.random();
    return sum;
  }
}
