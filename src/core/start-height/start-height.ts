import type { Airframe } from "../airframe";
import { DomainError, requireNumber, requireOneOf } from "../numbers";
import type { StartHeight } from "../recipes";

/** Scattered flights for a figure, and the place of the one whose loss it covers: of 1,000 three lose more. */
export const START_HEIGHT_RUNS = 1000;
const RANK = 4;
/** From the middle of an aircraft down to what touches the ground first, as a share of the motor diagonal. Estimate. */
const BELLY_SHARE = 0.5;
/** The seed of the figure, so that it is the same wherever it is worked out. */
export const START_HEIGHT_SEED = 20261;

/** The start height that scattered flights ask for on one pack. */
export function startHeightOf(losses: readonly number[], packUsed: number, airframe: Airframe): StartHeight {
  const lostM = [...losses].sort((a, b) => b - a)[Math.min(RANK, losses.length) - 1];
  return {
    heightM: lostM + BELLY_SHARE * airframe.motorDiagonalM,
    reason: { kind: "scatter", runs: losses.length, lostM, packUsed },
  };
}

/** Returns a start height with only what it needs, each number in range; throws a DomainError naming the field. */
export function requireStartHeight(given: StartHeight): StartHeight {
  const heightM = requireNumber("startHeight.heightM", given?.heightM, 0, 1000);
  const reason = given.reason as Partial<Record<string, unknown>> | undefined;
  const lostM = requireNumber("startHeight.reason.lostM", reason?.lostM, 0, 1000);
  const packUsed = requireNumber("startHeight.reason.packUsed", reason?.packUsed, 0, 1);
  if (requireOneOf("startHeight.reason.kind", reason?.kind, ["freeze", "scatter"]) === "scatter")
    return {
      heightM,
      reason: {
        kind: "scatter",
        runs: requireNumber("startHeight.reason.runs", reason?.runs, 1, 1e6),
        lostM,
        packUsed,
      },
    };
  const before = reason?.before;
  if (typeof before !== "string" || before.length === 0 || before.length > 60)
    throw new DomainError(
      "startHeight.reason.before",
      before,
      "the name of a phase",
      "startHeight.reason.before is no phase",
    );
  return { heightM, reason: { kind: "freeze", before, lostM, packUsed } };
}

/** The higher of two. */
export function worseStartHeight(a: StartHeight | null, b: StartHeight | null): StartHeight | null {
  if (a === null || b === null) return a ?? b;
  return b.heightM > a.heightM ? b : a;
}
