import "server-only";
import type { ErrorObject, ValidateFunction } from "ajv/dist/2020";
import type { RecordingFound } from "@/contract";
import type { TapeMapping } from "@/core";
import { badField } from "../actions/errors";
import { schemaCheck } from "./check-file";
import foundSchema from "./recording-found.schema.json";
import mappingSchema from "./tape-mapping.schema.json";

const isFound = schemaCheck<RecordingFound>(foundSchema, []);
const isMapping = schemaCheck<TapeMapping>(mappingSchema, []);

function required<T>(value: unknown, field: string, matches: ValidateFunction<T>): T {
  if (matches(value)) return value;
  const [{ instancePath, message }] = matches.errors as [ErrorObject];
  throw badField(field, `${field}${instancePath.replaceAll("/", ".")} ${message}.`);
}

/** What a browser found in a recording, when it is whole; otherwise throws a Refusal that names the place. */
export const requireFound = (found: object): RecordingFound => required(found, "found", isFound);

/** How another program's columns are read, when it is whole; otherwise throws a Refusal that names the place. */
export const requireMapping = (mapping: object): TapeMapping => required(mapping, "mapping", isMapping);
