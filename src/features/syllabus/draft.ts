"use client";

import type { SyllabusDocument } from "@/syllabus";
import { isRecord } from "@/ui/device/device-storage";
import { useDraft, type Draft } from "@/ui/drafts/use-draft";

const isWhole = (kept: unknown): kept is SyllabusDocument =>
  isRecord(kept) && Array.isArray(kept.skills) && Array.isArray(kept.stages);

/** What a coach has changed in a squad's syllabus and not saved. */
export function useSyllabusDraft(squadId: string, basedOn: number, saved: SyllabusDocument): Draft<SyllabusDocument> {
  return useDraft({ key: `bathygon-syllabus-draft-${squadId}`, saved, basedOn, isWhole });
}
