import type { Syllabus, SyllabusDocument } from "@/syllabus";

/** A squad's own syllabus as it is sent to the browser; squads without one have the built-in syllabus, which the browser has already. */
export interface SentSyllabus {
  readonly squadId: string;
  readonly number: number;
  readonly document: SyllabusDocument;
}

/** What is sent of syllabi: only those that are not built in. */
export function sentSyllabi(syllabi: ReadonlyMap<string, Syllabus>): SentSyllabus[] {
  return [...syllabi]
    .filter(([, { number }]) => number > 0)
    .map(([squadId, { number, document }]) => ({ squadId, number, document }));
}
