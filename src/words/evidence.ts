import type { MilestoneEvidence } from "@/contract";
import type { Syllabus } from "@/syllabus";
import { adviceWords } from "./advice";
import { markWords } from "./marks";

/** What stood when a step was signed off, in a sentence. */
export const evidenceWords = ({ sentence, reason }: MilestoneEvidence, stepId: string, syllabus: Syllabus): string =>
  reason ? adviceWords(reason, stepId, syllabus) : (sentence ?? "");

/** The mark it was judged by. */
export const judgedByWords = ({ mark }: NonNullable<MilestoneEvidence["judgedBy"]>): string =>
  typeof mark === "string" ? mark : markWords(mark);
