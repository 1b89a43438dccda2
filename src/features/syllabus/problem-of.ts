import { requireSyllabus, SyllabusError, type SyllabusDocument } from "@/syllabus";
import { refusedWords } from "@/words";

/** Why a document cannot be a syllabus, or null. What is not even shaped like one is told apart from what does not fit together. */
export function problemOf(document: SyllabusDocument): string | null {
  try {
    if ((document as { format?: unknown } | null)?.format !== "bathygon-syllabus") return "The file is not a syllabus.";
    requireSyllabus(document);
    return null;
  } catch (error) {
    if (error instanceof SyllabusError) return refusedWords(error);
    return "Something in this file is missing or has the wrong type.";
  }
}
