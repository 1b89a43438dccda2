import "server-only";
import { requireVariant, type VariantDocument } from "@/syllabus";
import { fileKind, requireFile } from "./check-file";
import schema from "./trick-variant.schema.json";

/** The published schema of a coach's own way to fly a trick. */
export const variantSchema: object = schema;

const kind = fileKind<VariantDocument>("a way to fly a trick", "bathygon-trick-variant", schema);

/** The document when it matches the schema and can be flown; otherwise throws an error that names the place. */
export const requireVariantFile = (file: unknown): VariantDocument => requireVariant(requireFile(file, kind));
