import { NormalDraws } from "../numbers";

/** The wake is unsteady over about the time air takes through it. Estimate. */
const MEMORY_S = 0.05;
/** Drawn anew once in so many steps of 2 ms. */
const STEPS = 5;
const KEEP = Math.exp((-0.002 * STEPS) / MEMORY_S);
const ADD = Math.sqrt(1 - KEEP * KEEP);

/** The shake of the four rotors in the aircraft's own wake: first-order noise of standard deviation 1 from a seed. */
export class Shake {
  readonly rotors = new Float64Array(4);
  private readonly draws: NormalDraws;

  /** From a seed, or going on from where another stands. */
  constructor(from: number | Shake) {
    this.draws = typeof from === "number" ? new NormalDraws(from) : from.draws.copy();
    if (typeof from !== "number") this.rotors.set(from.rotors);
  }

  moveOn(step: number): void {
    if (step % STEPS !== 0) return;
    for (let rotor = 0; rotor < 4; rotor++) this.rotors[rotor] = KEEP * this.rotors[rotor] + ADD * this.draws.next();
  }
}
