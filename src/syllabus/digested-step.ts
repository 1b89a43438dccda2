import type { Attempt, StepDigest } from "@/core";

/** What is kept of the attempts at one step; the recent ones may be left out where only counts are asked for. */
export interface DigestedStep {
  readonly digest: StepDigest;
  readonly recent: readonly Attempt[];
}
