import { findStep, type Step } from "@/syllabus";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import type { BriefData } from "./load";

/** The step of a brief, as the syllabus at hand has it. */
export function useStep(data: BriefData): Step {
  return findStep(useSyllabus(), data.standing.stepId)!;
}
