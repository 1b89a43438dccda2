import type { TallyPilot } from "..";

/** A made-up pilot of a session, for tests: flies some steps, each as a block of its own. */
export function tallyPilot(
  id: string,
  name: string,
  stepIds: readonly string[],
  more: Partial<TallyPilot> = {},
): TallyPilot {
  return {
    id,
    name,
    setupId: null,
    loadId: null,
    blocks: stepIds.map((stepId) => ({ kind: "main", stepId, minutes: 4, firstDirection: null, why: "" })),
    turns: [],
    steps: stepIds.map((stepId) => ({ stepId, earlier: [] })),
    signedOff: [],
    checkFirst: [],
    route: "eyes-first",
    currentStepId: stepIds[0] ?? null,
    ...more,
  };
}
