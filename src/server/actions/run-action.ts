import "reflect-metadata";
import "server-only";
import { randomUUID } from "node:crypto";
import { plainToInstance } from "class-transformer";
import { validate, type ValidationError } from "class-validator";
import { FieldRangeError } from "@/core";
import { Refusal } from "./errors";

/** One thing a person can do: the class that checks its input and what it does. */
export interface Action<Input extends object, Output> {
  readonly input: new () => Input;
  readonly run: (input: Input) => Promise<Output>;
}

export type ActionResult<Output> =
  | { readonly ok: true; readonly data: Output }
  | {
      readonly ok: false;
      readonly status: number;
      readonly message: string;
      readonly fields: Readonly<Record<string, string>>;
      /** Also in the server's log, for failures that are not the visitor's. */
      readonly errorId?: string;
    };

/** Defines an action; only ties the types together. */
export function action<Input extends object, Output>(
  input: new () => Input,
  run: (input: Input) => Promise<Output>,
): Action<Input, Output> {
  return { input, run };
}

/**
 * The one way in for everything that writes: checks `raw` against the action's input class, runs it and turns whatever
 * goes wrong into a typed result. Never throws.
 */
export async function runAction<Input extends object, Output>(
  { input: InputClass, run }: Action<Input, Output>,
  raw: unknown,
): Promise<ActionResult<Output>> {
  try {
    if (typeof raw !== "object" || raw === null || Array.isArray(raw)) {
      throw new Refusal(400, "The request is not an object with fields.");
    }
    const input = plainToInstance(InputClass, raw);
    const errors = await validate(input, { whitelist: true, forbidNonWhitelisted: true, forbidUnknownValues: true });
    if (errors.length) {
      const fields = fieldMessages(errors);
      throw new Refusal(422, Object.values(fields)[0] ?? "Some fields cannot be taken as they are.", fields);
    }
    return { ok: true, data: await run(input) };
  } catch (error) {
    return failure(error);
  }
}

function failure(error: unknown): ActionResult<never> {
  if (error instanceof Refusal)
    return { ok: false, status: error.status, message: error.message, fields: error.fields };
  if (error instanceof FieldRangeError) {
    return { ok: false, status: 422, message: error.message, fields: { [error.field]: error.message } };
  }
  const errorId = randomUUID();
  console.error(`[${errorId}]`, error);
  if (databaseIsAway(error)) {
    return {
      ok: false,
      status: 503,
      message:
        "The database does not answer. Nothing was saved; what you entered is still here. Try again in a moment.",
      fields: {},
      errorId,
    };
  }
  return {
    ok: false,
    status: 500,
    message: `Something went wrong here. Nothing was saved; what you entered is still here. Error ${errorId}.`,
    fields: {},
    errorId,
  };
}

/** True for errors that mean MariaDB could not be reached or went away, rather than that it refused something. */
export function databaseIsAway(error: unknown): boolean {
  const { code, name } = error as { code?: string; name?: string };
  return (
    name === "KnexTimeoutError" ||
    ["ECONNREFUSED", "ECONNRESET", "EPIPE", "ETIMEDOUT", "PROTOCOL_CONNECTION_LOST", "ER_SERVER_SHUTDOWN"].includes(
      code ?? "",
    )
  );
}

/** First message of every field, nested fields as `outer.inner`. */
function fieldMessages(errors: readonly ValidationError[], prefix = ""): Record<string, string> {
  const fields: Record<string, string> = {};
  for (const { property, constraints, children } of errors) {
    const path = prefix + property.slice(0, 60);
    if (constraints)
      fields[path] = constraints.whitelistValidation ? `${path} is not a known field` : Object.values(constraints)[0];
    if (children?.length) Object.assign(fields, fieldMessages(children, `${path}.`));
  }
  return fields;
}
