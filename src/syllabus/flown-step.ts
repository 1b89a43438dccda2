import { builtInSyllabus, findStep, type Syllabus } from "./syllabus";
import type { Step } from "./types";

/** A step of a session. One that no syllabus has any more is counted all the same; it has no mark to be judged by. */
export type FlownStep = Step & { readonly leftOut: boolean };

/** The step flown; one that has been left out of the squad's syllabus since is found where it was, or stands in by its key and the directions it was flown in. */
export function flownStep(syllabus: Syllabus, stepId: string, flownIn: readonly string[] = []): FlownStep {
  const step = findStep(syllabus, stepId) ?? findStep(builtInSyllabus, stepId);
  if (step) return { ...step, leftOut: false };
  const directions = [...new Set(flownIn)].map((id) => ({ id, name: id || "flown" }));
  return { ...nothingKnownOf(stepId), directions: directions.length > 0 ? directions : [{ id: "", name: "flown" }] };
}

const nothingKnownOf = (id: string): FlownStep => ({
  // Fields that a step has to have and nobody shows of this one.
  ...builtInSyllabus.steps[0],
  id,
  name: id,
  short: id,
  aim: "",
  drill: [],
  clean: "",
  stopWithinDeg: null,
  faults: [],
  wayOut: "",
  turnsOver: null,
  flownAs: null,
  lookAt: [],
  settings: "",
  heightM: null,
  measures: [],
  needs: [],
  leftOut: true,
});
