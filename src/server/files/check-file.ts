import "server-only";
import Ajv2020, { type ValidateFunction } from "ajv/dist/2020";
import addFormats from "ajv-formats";
import { badField, Refusal } from "../actions/errors";
import { requireShallow } from "../actions/nesting";

const ajv = new Ajv2020({ strict: true, strictTypes: false });
addFormats(ajv, ["date-time"]);

/** A kind of file: how it is called, its format, and its published schema. */
export interface FileKind<T> {
  /** After "The file is not": "the record of a pilot". */
  readonly name: string;
  readonly format: string;
  readonly matches: ValidateFunction<T>;
}

/** A check of what is no file but has a schema, with the schemas it leans on. */
export function schemaCheck<T>(schema: object, leansOn: readonly { readonly $id: string }[]): ValidateFunction<T> {
  for (const one of leansOn) if (!ajv.getSchema(one.$id)) ajv.addSchema(one);
  const known = "$id" in schema && ajv.getSchema<T>(String(schema.$id));
  return known || ajv.compile<T>(schema);
}

export function fileKind<T>(
  name: string,
  format: string,
  schema: object,
  leansOn: readonly { readonly $id: string }[] = [],
): FileKind<T> {
  return { name, format, matches: schemaCheck(schema, leansOn) };
}

/** The file when it is of a kind and version 1 and matches the schema; otherwise throws a Refusal that names the place. */
export function requireFile<T>(file: unknown, { name, format, matches }: FileKind<T>): T {
  if (typeof file !== "object" || file === null || Array.isArray(file))
    throw new Refusal(422, `The file is not ${name}.`);
  const { format: own, version } = file as { format?: unknown; version?: unknown };
  if (own !== format) throw badField("format", `The file is not ${name}.`);
  if (version !== 1)
    throw badField(
      "version",
      `The file is of version ${JSON.stringify(version)?.slice(0, 20)}; this program reads version 1.`,
    );
  requireShallow(file, "The file");
  if (!matches(file)) {
    // Of rules that may be one thing or another the deepest miss says most.
    const errors = matches.errors ?? [];
    const error = errors.reduce((worst, one) => (one.instancePath.length > worst.instancePath.length ? one : worst));
    const place = error.instancePath.slice(1).replaceAll("/", ".") || "the file";
    const extra = (error.params as { additionalProperty?: string }).additionalProperty;
    throw badField(place, `${place} ${error.message}${extra ? `: ${extra.slice(0, 40)}` : ""}.`);
  }
  return file;
}
