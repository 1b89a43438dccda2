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
    beta: Record<"pdf" | "cdf" | "inv", (x: number, a: number, b: number) => number>;
  };
}
