import type { Syllabus } from "@/syllabus";
import type { SentSyllabus } from "./tally";

/** What is sent of syllabi: only those that are not built in. */
export function sentSyllabi(syllabi: ReadonlyMap<string, Syllabus>): SentSyllabus[] {
  return [...syllabi]
    .filter(([, { number }]) => number > 0)
    .map(([squadId, { number, document }]) => ({ squadId, number, document }));
}
