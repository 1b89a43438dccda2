"use client";

import type { SyllabusDocument } from "@/syllabus";
import { useDraft, type Draft } from "@/ui/drafts/use-draft";

const isWhole = ({ skills, stages }: SyllabusDocument) => Array.isArray(skills) && Array.isArray(stages);

/** What a coach has changed in a squad's syllabus and not saved. */
export function useSyllabusDraft(squadId: string, basedOn: number, saved: SyllabusDocument): Draft<SyllabusDocument> {
  return useDraft({ key: `bathygon-syllabus-draft-${squadId}`, saved, basedOn, isWhole });
}
