import { usualRules } from "@/core";
import { standardDay } from "@/syllabus";
import type { Session, TallyData, TallyPilot } from "..";

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
    blocks: stepIds.map((stepId) => ({ kind: "main", stepId, minutes: 4, firstDirection: null, reason: null })),
    turns: [],
    aircraft: null,
    left: false,
    steps: stepIds.map((stepId) => ({ stepId, earlier: [] })),
    signedOff: [],
    checkFirst: [],
    route: "eyes-first",
    rules: usualRules,
    currentStepId: stepIds[0] ?? null,
    ...more,
  };
}

/** A made-up session in the field, begun, with one pilot and nothing flown yet. */
export function tallyData(more: Partial<TallyData> = {}, session: Partial<Session> = {}): TallyData {
  return {
    accountId: "account",
    name: "Ann Pell",
    session: {
      id: "s",
      squadId: "squad",
      coachId: "coach",
      place: "field",
      startedAtMs: 0,
      begun: true,
      endedAtMs: null,
      pilots: [{ pilotId: "odo", stepId: "flip-slow", setupId: null }],
      ...session,
    },
    pilots: [tallyPilot("odo", "Odo Fenn", ["flip-slow"])],
    others: [],
    attempts: [],
    notes: [],
    mayKeep: true,
    coaches: true,
    site: null,
    syllabi: [],
    day: standardDay,
    ...more,
  };
}
