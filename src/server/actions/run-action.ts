import "reflect-metadata";
import "server-only";
import { randomUUID } from "node:crypto";
import { plainToInstance } from "class-transformer";
import { validate, type ValidationError } from "class-validator";
import { FieldRangeError } from "@/core";
import type { SignedIn } from "../accounts";
import { Refusal } from "./errors";

/** Who asks, from where, and how to hand them a sign-in. */
export interface Asker {
  /** Null for a stranger. */
  readonly identify: () => Promise<SignedIn | null>;
  readonly address: string;
  readonly device: string;
  readonly setToken: (token: string | null) => Promise<void>;
}

/** One thing a person can do: who may, the class that checks its input, and what it does. */
export interface Action<Input extends object, Output> {
  readonly openToStrangers: boolean;
  readonly input: new () => Input;
  readonly run: (input: Input, who: SignedIn, asker: Asker) => Promise<Output>;
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

/** An action for coaches who are signed in. */
export function action<Input extends object, Output>(
  input: new () => Input,
  run: (input: Input, who: SignedIn, asker: Asker) => Promise<Output>,
): Action<Input, Output> {
  return { openToStrangers: false, input, run };
}

/** An action for anybody, such as signing in. */
export function openAction<Input extends object, Output>(
  input: new () => Input,
  run: (input: Input, asker: Asker) => Promise<Output>,
): Action<Input, Output> {
  return { openToStrangers: true, input, run: (checked, _, asker) => run(checked, asker) };
}

const STRANGER: SignedIn = { signInId: "", accountId: "", coachId: "", coachName: "" };

/**
 * The one way in for everything that writes: turns strangers away, checks `raw` against the action's input class, runs it and turns whatever
 * goes wrong into a typed result. Never throws.
 */
export async function runAction<Input extends object, Output>(
  { openToStrangers, input: InputClass, run }: Action<Input, Output>,
  raw: unknown,
  asker: Asker,
): Promise<ActionResult<Output>> {
  try {
    const who = await asker.identify();
    if (!who && !openToStrangers)
      throw new Refusal(
        401,
        "You are not signed in, or your sign-in has ended. Sign in again; what you entered is still here.",
      );
    if (typeof raw !== "object" || raw === null || Array.isArray(raw)) {
      throw new Refusal(400, "The request is not an object with fields.");
    }
    const input = plainToInstance(InputClass, raw);
    const errors = await validate(input, { whitelist: true, forbidNonWhitelisted: true, forbidUnknownValues: true });
    if (errors.length) {
      const fields = fieldMessages(errors);
      throw new Refusal(422, Object.values(fields)[0] ?? "Some fields cannot be taken as they are.", fields);
    }
    return { ok: true, data: await run(input, who ?? STRANGER, asker) };
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
  console.error(`[${errorId}]`, forLog(error));
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

/** The message of a database error repeats the statement with its values; what the log gets is MariaDB's own words. */
function forLog(error: unknown): unknown {
  const { code, sqlMessage, stack } = error as { code?: string; sqlMessage?: string; stack?: string };
  if (sqlMessage === undefined) return error;
  return { code, sqlMessage, at: stack?.split("\n").filter((line) => line.startsWith("    at ")) };
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
    // An input of no known shape has no property to name.
    const path = prefix + (property ?? "input").slice(0, 60);
    if (constraints)
      fields[path] = constraints.whitelistValidation ? `${path} is not a known field` : Object.values(constraints)[0];
    if (children?.length) Object.assign(fields, fieldMessages(children, `${path}.`));
  }
  return fields;
}
