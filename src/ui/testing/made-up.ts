import {
  airframePresets,
  firstSettings,
  MODEL_VERSION,
  flyAsSet,
  learningCurve,
  usualRules,
  type Airframe,
  type Attempt,
  type FlownTrick,
  type Settings,
  type TrickRequest,
} from "@/core";
import { builtInSyllabus, digestSteps, findStep, standingAt, standingOf, type StandingInput } from "@/syllabus";

/** A made-up pilot; tests change what they are about. */
export const odo = {
  id: "odo",
  squadId: "squad",
  name: "Odo Fenn",
  stickMode: 2,
  grip: "pinch",
  settingsFrozen: false,
  reactionS: null,
  cruiseMps: null,
  reachShare: null,
  stickLengthMm: null,
  referenceAircraftId: null,
  school: {},
  version: 4,
} as const;

/** An aircraft of theirs. */
export const plank = (airframe: Airframe = airframePresets["five-inch-freestyle"].airframe) =>
  ({
    id: "plank",
    pilotId: "odo",
    name: "Plank",
    presetId: "five-inch-freestyle",
    airframe,
    flightState: "flying",
    clearedAtMs: 0,
    openCrashes: [],
    lastTilt: null,
    openDefects: [],
    mount: null,
    measurements: [],
    estimate: airframe,
    version: 1,
    modelVersion: MODEL_VERSION,
  }) as const;

/** A version of its settings. */
export const plankSetup = (number: number, settings: Settings = firstSettings) =>
  ({
    id: `v${number}`,
    aircraftId: "plank",
    number,
    settings,
    reason: "",
    coachId: "coach",
    coachName: "Ann",
    createdAtMs: number,
  }) as const;

/** Stands in for the worker that flies what is set: does it on the spot, each thing once. */
export function onTheSpot() {
  type Flown = { kind: "flown"; trick: FlownTrick } | { kind: "refused"; why: Error };
  const flown = new Map<string, Flown>();
  const fly = (request: TrickRequest): Flown => {
    try {
      return { kind: "flown", trick: flyAsSet(request) };
    } catch (error) {
      return { kind: "refused", why: error as Error };
    }
  };
  return (request: TrickRequest | null) => {
    if (!request) return { flown: null, pending: false };
    const key = JSON.stringify(request);
    if (!flown.has(key)) flown.set(key, fly(request));
    return { flown: flown.get(key)!, pending: false };
  };
}

export const oneSquad = {
  id: "squad",
  name: "The squad",
  version: 1,
  school: {},
  rules: usualRules,
  coaches: [],
} as const;

export type StepAttempt = Attempt & { readonly stepId: string };

/** What where a pilot stands is told from, by the built-in syllabus. */
export function standingInput(
  attempts: readonly StepAttempt[],
  {
    signedOff = [],
    nowMs = 0,
    ...more
  }: Partial<Omit<StandingInput, "signedOff">> & { signedOff?: readonly string[] } = {},
): StandingInput {
  return {
    syllabus: builtInSyllabus,
    school: {},
    flown: digestSteps(attempts),
    signedOff: new Set(signedOff),
    setupId: "s",
    nowMs,
    rules: usualRules,
    ...more,
  };
}

/** Where a made-up pilot stands, and the step looked at more closely. */
export function standingWith(attempts: readonly StepAttempt[], more: Parameters<typeof standingInput>[1] = {}) {
  const input = standingInput(attempts, more);
  const standing = standingOf(input);
  const one = standing.current ?? standing.steps[0];
  const own = attempts.filter(({ stepId }) => stepId === one.stepId);
  return {
    standing,
    lookedAt: {
      one,
      curve: learningCurve(own, "UTC"),
      tallies: input.flown.get(one.stepId)?.digest.tallies ?? [],
      setupNames: {},
    },
  };
}

/** One step of the built-in syllabus for a made-up pilot. */
export function standingAtStep(
  stepId: string,
  attempts: readonly StepAttempt[] = [],
  more: Parameters<typeof standingInput>[1] = {},
) {
  return standingAt(findStep(builtInSyllabus, stepId)!, standingInput(attempts, more));
}
