import type { MilestoneEvidence } from "@/contract";
import type { Syllabus } from "@/syllabus";
import { adviceWords, type Listener } from "./advice";
import { markWords } from "./marks";
import type { UnitSystem } from "./quantity";

/** What stood when a step was signed off, in a sentence. */
export const evidenceWords = (
  { sentence, reason }: MilestoneEvidence,
  stepId: string,
  syllabus: Syllabus,
  to: Listener = {},
): string => (reason ? adviceWords(reason, stepId, syllabus, to) : (sentence ?? ""));

/** The mark it was judged by. */
export const judgedByWords = (
  { mark }: NonNullable<MilestoneEvidence["judgedBy"]>,
  units: UnitSystem = "metric",
): string => (typeof mark === "string" ? mark : markWords(mark, units));
