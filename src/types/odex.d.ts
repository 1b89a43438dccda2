/** The reference integrator used by tests and the benchmark; the package ships sources that strict checking refuses. */
export class Solver {
  constructor(size: number);
  absoluteTolerance: number;
  relativeTolerance: number;
  maxSteps: number;
  solve(
    derivative: (x: number, y: number[]) => number[],
    from: number,
    start: number[],
    to: number,
  ): { y: number[]; outcome: number; nEval: number };
}
