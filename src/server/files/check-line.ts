import "server-only";
import { DomainError, requireLine, requireRecipe } from "@/core";
import type { LineDocument, LineSheet } from "@/contract";
import { badField } from "../actions/errors";
import { faultOfName } from "../actions/fields";
import { fileKind, requireFile, schemaCheck } from "./check-file";
import schema from "./line.schema.json";
import sheetSchema from "./line-sheet.schema.json";
import variant from "./trick-variant.schema.json";

/** The published schema of a line of tricks. */
export const lineSchema: object = schema;

const kind = fileKind<LineDocument>("a line of tricks", "bathygon-line", schema, [variant]);

/** The document when it matches the schema and can be flown; otherwise throws an error that names the item and the field. */
export function requireLineFile(file: unknown): LineDocument {
  const read = requireFile(file, kind);
  const document = { ...read, name: read.name.trim() };
  const fault = faultOfName(document.name);
  if (fault) throw badField("name", `The name ${fault}.`);
  const parts = document.copy?.parts.map(({ id }) => id) ?? [];
  if (new Set(parts).size < parts.length) throw badField("copy.parts", "Two parts of the copied line have one id.");
  requireLine({ id: "line", label: document.name, ...document.line });
  document.line.items.forEach((item, i) => {
    if (item.kind !== "trick" || typeof item.recipe === "string") return;
    try {
      requireRecipe(item.recipe);
    } catch (error) {
      if (!(error instanceof DomainError)) throw error;
      throw badField(`items[${i}].recipe.${error.field}`, `Item ${i + 1}: ${error.message}`);
    }
  });
  return document;
}

const isSheet = schemaCheck<LineSheet>(sheetSchema, []);

/** What a browser has flown of a line, when it is whole; otherwise throws a Refusal that names the place. */
export function requireLineSheet(sheet: object): LineSheet {
  if (!isSheet(sheet)) {
    const [error] = isSheet.errors ?? [];
    throw badField("flown", `flown${error.instancePath.replaceAll("/", ".")} ${error.message}.`);
  }
  const lengths = new Set(Object.values(sheet.samples).map(({ length }) => length));
  if (lengths.size !== 1) throw badField("flown", "flown.samples are not all of the same length.");
  return sheet;
}
