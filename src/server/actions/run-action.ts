import "reflect-metadata";
import "server-only";
import { plainToInstance } from "class-transformer";
import { validate, type ValidationError } from "class-validator";
import type { ActionResult } from "@/contract";
import { DomainError } from "@/core";
import { requireAccess, type Found, type Need } from "../access";
import { isCoach, type SignedIn, type SignedInCoach } from "../accounts/sign-ins";
import { refusedWords, type UnitSystem } from "@/words";
import { causeForLog, log } from "../log";
import { Refusal } from "./errors";
import { requireShallow } from "./nesting";

/** Who asks, from where, and how to hand them a sign-in. */
export interface Asker {
  /** Null for a stranger. */
  readonly identify: () => Promise<SignedIn | null>;
  readonly address: string;
  readonly device: string;
  /** The account something was done with that is sent only now; null for what is sent at once. */
  readonly doneByAccountId?: string | null;
  /** The clock of the device when it sent this, ms; null where it did not say. */
  readonly deviceNowMs?: number | null;
  /** The units figures are said in; metric where nobody chose. */
  readonly units?: UnitSystem;
  /** Also in every line of the log that this request leaves. */
  readonly requestId: string;
  readonly setToken: (token: string | null) => Promise<void>;
}

/** What an action is run with besides its input and who asks: from where, and what access has found of what it is about. */
export type Call = Asker & Found;

/** Who may ask for an action at all. */
export type Audience = "anybody" | "signed-in" | "coaches";

/** One thing a person can do: who may, the class that checks its input, and what it does. */
export interface Action<Input extends object, Output> {
  readonly audience: Audience;
  readonly input: new () => Input;
  /** Longest request in bytes, where the usual is not enough. */
  readonly longestBytes?: number;
  /** Fields that hold a file: they go past the input class as they were read, to be checked by their schema. */
  readonly files?: readonly string[];
  /** What else must be theirs, from the checked input; see access/rules.ts. */
  readonly needs: (input: Input) => readonly Need[];
  readonly run: (input: Input, who: SignedIn, call: Call) => Promise<Output>;
}

/** An action for coaches. `needs` says whose records it touches; an empty list means none but their own. */
export function coachAction<Input extends object, Output>(
  input: new () => Input,
  needs: (input: Input) => readonly Need[],
  run: (input: Input, who: SignedInCoach, call: Call) => Promise<Output>,
): Action<Input, Output> {
  return { audience: "coaches", input, needs, run: run as Action<Input, Output>["run"] };
}

/** An action for everybody who is signed in, coaches and pilots. */
export function memberAction<Input extends object, Output>(
  input: new () => Input,
  needs: (input: Input) => readonly Need[],
  run: (input: Input, who: SignedIn, call: Call) => Promise<Output>,
): Action<Input, Output> {
  return { audience: "signed-in", input, needs, run };
}

/** An action for anybody, such as signing in. */
export function openAction<Input extends object, Output>(
  input: new () => Input,
  run: (input: Input, asker: Asker) => Promise<Output>,
): Action<Input, Output> {
  return { audience: "anybody", input, needs: () => [], run: (checked, _, asker) => run(checked, asker) };
}

const STRANGER: SignedIn = { signInId: "", accountId: "", name: "", coachId: null, pilotId: null };

/**
 * The one way in for everything that writes: turns away who may not ask, reads what they send, checks it against the action's input class,
 * then whose records it touches, runs it and turns whatever goes wrong into a typed result. Never throws.
 */
export async function runAction<Input extends object, Output>(
  { audience, input: InputClass, files = [], needs, run }: Action<Input, Output>,
  read: () => Promise<unknown>,
  asker: Asker,
): Promise<ActionResult<Output>> {
  let asked: { readonly who: SignedIn; readonly needs: readonly Need[] } | null = null;
  try {
    const who = await asker.identify();
    requireAudience(audience, who);
    requireSameAccount(who, asker);
    const raw = await read();
    if (typeof raw !== "object" || raw === null || Array.isArray(raw)) {
      throw new Refusal(400, "The request is not an object with fields.");
    }
    const plain = Object.fromEntries(Object.entries(raw).filter(([name]) => !files.includes(name)));
    requirePlain(plain);
    const input = plainToInstance(InputClass, plain);
    for (const name of files)
      if (Object.hasOwn(raw, name)) Object.assign(input, { [name]: (raw as Record<string, unknown>)[name] });
    const errors = await validate(input, { whitelist: true, forbidNonWhitelisted: true, forbidUnknownValues: true });
    if (errors.length) {
      const fields = fieldMessages(errors);
      throw new Refusal(422, Object.values(fields)[0] ?? "Some fields need fixing.", fields);
    }
    asked = { who: who ?? STRANGER, needs: needs(input) };
    const found = await requireAccess(asked.who, asked.needs);
    return { ok: true, data: await run(input, asked.who, { ...asker, ...found }) };
  } catch (error) {
    return failure(asked ? await asItIsNow(error, asked, asker.requestId) : error, asker);
  }
}

/**
 * What went wrong may have gone wrong because somebody erased or moved the thing meanwhile: then who asks is told that. Anything else stays what it is.
 */
async function asItIsNow(
  error: unknown,
  { who, needs }: { readonly who: SignedIn; readonly needs: readonly Need[] },
  requestId: string,
): Promise<unknown> {
  if (error instanceof Refusal || error instanceof DomainError || databaseIsAway(error)) return error;
  // Said in the log whatever comes of it: a mistake of ours may look the same.
  log("error", { requestId, doing: "look what was changed meanwhile", cause: causeForLog(error) });
  try {
    await requireAccess(who, needs);
  } catch (gone) {
    return gone;
  }
  const { code } = error as { code?: string };
  if (MEANWHILE.includes(code ?? ""))
    return new Refusal(409, "Someone else changed or removed it. Reload to see the change.");
  return error;
}
/** What MariaDB says of rows that refer to what is gone, that something refers to, or whose key is taken. */
const MEANWHILE = ["ER_NO_REFERENCED_ROW_2", "ER_ROW_IS_REFERENCED_2", "ER_DUP_ENTRY"];

function requireAudience(audience: Audience, who: SignedIn | null): void {
  if (audience === "anybody") return;
  if (!who)
    throw new Refusal(
      401,
      "You are not signed in, or your sign-in has ended. Sign in again; what you entered is still here.",
    );
  if (audience === "coaches" && !isCoach(who)) throw new Refusal(403, "Only a coach may do that.");
}

/** What one person did is not sent with the sign-in of another, who may have the same device now. */
function requireSameAccount(who: SignedIn | null, { doneByAccountId }: Asker): void {
  if (doneByAccountId && who?.accountId !== doneByAccountId)
    throw new Refusal(
      401,
      "Someone else is signed in on this device now; it is sent when the person who did it signs in.",
    );
}

function failure(error: unknown, { requestId, units }: Asker): ActionResult<never> {
  if (error instanceof Refusal)
    return { ok: false, status: error.status, message: error.message, fields: error.fields };
  if (error instanceof DomainError) {
    const message = refusedWords(error, units);
    return { ok: false, status: 422, message, fields: { [error.field]: message } };
  }
  log("error", { requestId, cause: causeForLog(error) });
  if (databaseIsAway(error)) {
    return {
      ok: false,
      status: 503,
      message:
        "The database is not answering. Nothing was saved; what you entered is still here. Try again in a moment.",
      fields: {},
      errorId: requestId,
    };
  }
  return {
    ok: false,
    status: 500,
    message: `Something went wrong here. Nothing was saved; what you entered is still here. Error ${requestId}.`,
    fields: {},
    errorId: requestId,
  };
}

/** What MariaDB says when its disk is full. */
const NO_ROOM = ["ER_DISK_FULL", "ER_RECORD_FILE_FULL", "ER_ERROR_ON_WRITE", "ER_GET_ERRNO", "ER_CANT_CREATE_FILE"];

/** True for errors that mean MariaDB could not be reached or went away, rather than that it refused something. */
export function databaseIsAway(error: unknown): boolean {
  const { code, name, fatal } = error as { code?: string; name?: string; fatal?: boolean };
  return (
    name === "KnexTimeoutError" ||
    // What the driver calls fatal has cost it the connection.
    fatal === true ||
    [
      "ECONNREFUSED",
      "ECONNRESET",
      "EPIPE",
      "ETIMEDOUT",
      "PROTOCOL_CONNECTION_LOST",
      "ER_SERVER_SHUTDOWN",
      // A node of a cluster that lost the others, or has not caught up.
      "ER_UNKNOWN_COM_ERROR",
      "ER_ERROR_DURING_COMMIT",
      "ER_CON_COUNT_ERROR",
      "ER_LOCK_WAIT_TIMEOUT",
      // Nothing came back within the longest time a statement may take.
      "PROTOCOL_SEQUENCE_TIMEOUT",
      ...NO_ROOM,
    ].includes(code ?? "")
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

/** Names that objects have by themselves: as fields they would be taken for what they are not. */
const OWN_NAMES = new Set(["__proto__", "constructor", "prototype", "toString", "valueOf", "hasOwnProperty"]);

/**
 * Turns away what no form sends and what libraries stumble over: names that objects have by themselves, lists straight in lists, text that is not Unicode,
 * what is nested without end.
 */
function requirePlain(input: object): void {
  requireShallow(input, "The request");
  const waiting: unknown[] = [input];
  while (waiting.length > 0) {
    const value = waiting.pop();
    if (typeof value === "string" && !value.isWellFormed()) throw new Refusal(422, "Some of it is not text.");
    if (typeof value !== "object" || value === null) continue;
    const list = Array.isArray(value);
    for (const [name, inner] of Object.entries(value)) {
      if (OWN_NAMES.has(name) || !name.isWellFormed())
        throw new Refusal(422, `${name.slice(0, 20).toWellFormed()} is not a known field.`);
      if (list && Array.isArray(inner))
        throw new Refusal(422, "A list straight in a list is nothing this program sends.");
      waiting.push(inner);
    }
  }
}
