import "server-only";
import { requireSyllabus, SyllabusError, type SyllabusDocument } from "@/syllabus";
import { badField } from "../actions/errors";
import { fileKind, requireFile } from "./check-file";
import { refusedWords } from "@/words";
import schema from "./syllabus.schema.json";

/** The published schema of a syllabus. */
export const syllabusSchema: object = schema;

const kind = fileKind<SyllabusDocument>("a syllabus", "bathygon-syllabus", schema);

/** The syllabus when the file is one and everything in it fits together; otherwise throws a Refusal that names the place. */
export function requireSyllabusFile(file: unknown): SyllabusDocument {
  const document = requireFile(file, kind);
  try {
    return requireSyllabus(document);
  } catch (error) {
    if (error instanceof SyllabusError) throw badField(error.place, refusedWords(error));
    throw error;
  }
}
