import "server-only";
import { hash, verify } from "@node-rs/argon2";
import { badField, Refusal } from "../actions/errors";
import { commonPasswords } from "./common-passwords";

/** Length counts, composition does not (OWASP ASVS 5.0, 6.2). */
const SHORTEST_PASSWORD = 12;
const LONGEST_PASSWORD = 200;

/** argon2id with 19 MiB, two passes, one lane (OWASP Password Storage Cheat Sheet; values from memory). */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

/** What stands against a new password, or null. */
export function passwordProblem(password: string, name: string): string | null {
  if (password.length < SHORTEST_PASSWORD)
    return `is too short: use at least ${SHORTEST_PASSWORD} characters; a few random words work well`;
  if (password.length > LONGEST_PASSWORD) return `is longer than ${LONGEST_PASSWORD} characters`;
  const plain = password.toLowerCase().replace(/[^\p{L}\p{N}]/gu, "");
  if (plain.length === 0 || new Set(plain).size < 4) return "repeats too few characters";
  if (commonPasswords.some((common) => plain === common || plain.replace(/\d+$/, "") === common))
    return "is too common; pick another";
  const ownName = name.toLowerCase().replace(/[^\p{L}\p{N}]/gu, "");
  if (ownName.length > 3 && plain.replace(ownName, "").length < 6) return "is too close to your name";
  return null;
}

/** Throws a Refusal at its field for a password that will not do. */
export function requireGoodPassword(field: string, password: string, name: string): void {
  const problem = passwordProblem(password, name);
  if (problem) throw badField(field, `This password ${problem}.`);
}

/** So much hashing at once leaves the machine to everybody else; so many may wait for it. */
const AT_ONCE = 2;
const MOST_WAITING = 40;
let underWay = 0;
const waiting: (() => void)[] = [];

/** Does costly work with passwords in turn. Throws a Refusal when too many wait for theirs. */
async function inTurn<T>(work: () => Promise<T>): Promise<T> {
  if (underWay >= AT_ONCE) {
    if (waiting.length >= MOST_WAITING)
      throw new Refusal(429, "Too many sign in at this moment. Try again in a few seconds.");
    await new Promise<void>((turn) => waiting.push(turn));
  } else underWay++;
  try {
    return await work();
  } finally {
    const next = waiting.shift();
    if (next) next();
    else underWay--;
  }
}

export function hashPassword(password: string): Promise<string> {
  return inTurn(() => hash(password, COST));
}

/** Something to compare with where there is no account, so that the answer takes as long. */
let decoy: Promise<string> | undefined;

/** Whether the password belongs to the hash. Takes as long without a hash as with one. */
export async function passwordMatches(passwordHash: string | undefined, password: string): Promise<boolean> {
  const compared = passwordHash ?? (await (decoy ??= hashPassword("nobody has this password")));
  const matches = await inTurn(() => verify(compared, password));
  return matches && passwordHash !== undefined;
}
