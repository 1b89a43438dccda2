export type Outcome = "clean" | "rough" | "bailed" | "crashed";
export const outcomes: readonly Outcome[] = ["clean", "rough", "bailed", "crashed"];

export type Place = "field" | "simulator" | "by-eye";
export const places: readonly Place[] = ["field", "simulator", "by-eye"];

/** One try at a step. */
export interface Attempt {
  readonly direction: string;
  readonly outcome: Outcome;
  readonly place: Place;
  readonly setupId: string | null;
  readonly atMs: number;
}

/** What passes: `k` clean of the last `n`, in each direction by itself, counting only these places. */
export interface PassMark {
  readonly kind: "k-of-last";
  readonly k: number;
  readonly n: number;
  readonly places: readonly Place[];
}
