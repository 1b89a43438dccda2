import { builtInSyllabus, findStep, type Step, type Syllabus } from "@/syllabus";

/** The step flown; one that has been left out of the syllabus since is found where it was, or stands in by its key. */
export function stepFlown(syllabus: Syllabus, stepId: string): Step {
  return (
    findStep(syllabus, stepId) ??
    findStep(builtInSyllabus, stepId) ?? { ...syllabus.steps[0], id: stepId, name: stepId }
  );
}
