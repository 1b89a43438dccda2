/** Reference libraries used by tests and the benchmark that ship without types. */
declare module "ode-rk4" {
  type Vector = Float64Array | number[];
  export default function rk4(
    start: Vector,
    derivative: (out: Float64Array, y: Float64Array, t: number) => void,
    t0: number,
    dt: number,
  ): { y: Float64Array; steps(count: number): void };
}
declare module "jstat" {
  export const jStat: {
    normal: Record<"pdf" | "cdf" | "inv", (x: number, mean: number, sd: number) => number>;
    binomial: Record<"pdf" | "cdf", (k: number, n: number, p: number) => number>;
    hypgeom: Record<"pdf" | "cdf", (k: number, all: number, marked: number, drawn: number) => number>;
    stdev: (values: readonly number[], sample: boolean) => number;
    beta: Record<"pdf" | "cdf" | "inv", (x: number, a: number, b: number) => number>;
  };
}
