import { DAY_MS } from "@/core";
import "server-only";
import { createHash, randomBytes } from "node:crypto";
import { v7 as newId } from "uuid";
import { badField } from "../actions/errors";
import { database, type Transaction } from "../database";

/** Somebody who is signed in on this device: a coach or a pilot, one of the two ids is set. */
export interface SignedIn {
  readonly signInId: string;
  readonly accountId: string;
  readonly name: string;
  readonly coachId: string | null;
  readonly pilotId: string | null;
}

export type SignedInCoach = SignedIn & { readonly coachId: string };

export function isCoach(who: SignedIn): who is SignedInCoach {
  return who.coachId !== null;
}

/** One device on which an account is signed in. */
export interface SignIn {
  readonly id: string;
  readonly device: string;
  readonly createdAtMs: number;
  readonly seenAtMs: number;
}

interface AccountRow {
  id: string;
  coach_id: string | null;
  pilot_id: string | null;
  sign_in_name: string;
  password_hash: string;
}

/** A sign-in ends after this long without use, and after this long in any case. */
const IDLE_MS = 7 * DAY_MS;
export const LONGEST_MS = 30 * DAY_MS;
/** Last use is written down no more often than this. */
const SEEN_EVERY_MS = 5 * 60_000;

/** Names are compared without regard to case, width or stray spaces. */
export function signInName(name: string): string {
  return name.normalize("NFKC").trim().replace(/\s+/g, " ").toLowerCase();
}

/** Names may grow as they are made comparable; the longest that is kept. */
const LONGEST_SIGN_IN_NAME = 80;

/** Throws a Refusal for a name that nobody could sign in by. */
export function requireShortName(name: string): void {
  if (signInName(name).length > LONGEST_SIGN_IN_NAME)
    throw badField("name", "This name is too long once its characters are written out. Use a shorter one.");
}

const tokenHash = (token: string) => createHash("sha256").update(token).digest("hex");

export async function findAccount(name: string): Promise<AccountRow | undefined> {
  return database()("account")
    .where({ sign_in_name: signInName(name) })
    .first();
}

export async function findAccountById(id: string): Promise<AccountRow | undefined> {
  return database()("account").where({ id }).first();
}

/** An account of a coach or of a pilot. Throws ER_DUP_ENTRY when the name is taken. */
export async function insertAccount(
  transaction: Transaction,
  account: {
    readonly coachId?: string;
    readonly pilotId?: string;
    readonly name: string;
    readonly passwordHash: string;
  },
  now: Date,
): Promise<string> {
  const id = newId();
  await transaction("account").insert({
    id,
    coach_id: account.coachId ?? null,
    pilot_id: account.pilotId ?? null,
    sign_in_name: signInName(account.name),
    password_hash: account.passwordHash,
    created_at: now,
  });
  return id;
}

/** The accounts of these pilots, by pilot id. */
export async function accountsOfPilots(pilotIds: readonly string[]): Promise<ReadonlyMap<string, string>> {
  const rows: { id: string; pilot_id: string }[] = await database()("account")
    .select("id", "pilot_id")
    .whereIn("pilot_id", [...pilotIds]);
  return new Map(rows.map((row) => [row.pilot_id, row.id]));
}

/** Closes a pilot's account and every sign-in of it. Returns whether there was one. */
export async function deletePilotAccount(transaction: Transaction, pilotId: string): Promise<boolean> {
  const account: { id: string } | undefined = await transaction("account").where({ pilot_id: pilotId }).first("id");
  if (!account) return false;
  await transaction("sign_in").where({ account_id: account.id }).delete();
  await transaction("account").where({ id: account.id }).delete();
  return true;
}

export async function updatePassword(transaction: Transaction, accountId: string, passwordHash: string): Promise<void> {
  await transaction("account").where({ id: accountId }).update({ password_hash: passwordHash });
}

/** Signs an account in on a device and returns the token for its cookie; only a hash of it is kept. */
export async function startSignIn(
  transaction: Transaction,
  accountId: string,
  device: string,
  now: Date,
): Promise<string> {
  const token = randomBytes(32).toString("base64url");
  await transaction("sign_in").insert({
    id: newId(),
    account_id: accountId,
    token_hash: tokenHash(token),
    device: device.slice(0, 200),
    created_at: now,
    seen_at: now,
  });
  return token;
}

/** Deletes sign-ins that ended long ago. */
export async function dropOldSignIns(now: Date): Promise<void> {
  await database()("sign_in")
    .where("created_at", "<", new Date(now.getTime() - LONGEST_MS))
    .delete();
}

/** Who a token belongs to, while its sign-in stands. Notes that it was used. A pilot whose record is in the bin is nobody. */
export async function signedInBy(token: string, now: Date): Promise<SignedIn | null> {
  const row:
    | {
        id: string;
        account_id: string;
        coach_id: string | null;
        pilot_id: string | null;
        coach_name: string | null;
        pilot_name: string | null;
        seen_at: Date;
      }
    | undefined = await database()("sign_in")
    .join("account", "account.id", "sign_in.account_id")
    .leftJoin("coach", "coach.id", "account.coach_id")
    .leftJoin("pilot", "pilot.id", "account.pilot_id")
    .select("sign_in.id", "sign_in.account_id", "sign_in.seen_at", "account.coach_id", "account.pilot_id")
    .select("coach.name as coach_name", "pilot.name as pilot_name")
    .where("sign_in.token_hash", tokenHash(token))
    .where("sign_in.seen_at", ">", new Date(now.getTime() - IDLE_MS))
    .where("sign_in.created_at", ">", new Date(now.getTime() - LONGEST_MS))
    .whereNull("pilot.removed_at")
    .first();
  if (!row) return null;
  if (now.getTime() - row.seen_at.getTime() > SEEN_EVERY_MS)
    await database()("sign_in").where({ id: row.id }).update({ seen_at: now });
  return {
    signInId: row.id,
    accountId: row.account_id,
    name: row.coach_name ?? row.pilot_name ?? "",
    coachId: row.coach_id,
    pilotId: row.pilot_id,
  };
}

/** The devices on which an account is signed in, used last first. */
export async function listSignIns(accountId: string, now: Date): Promise<SignIn[]> {
  const rows: { id: string; device: string; created_at: Date; seen_at: Date }[] = await database()("sign_in")
    .where({ account_id: accountId })
    .where("seen_at", ">", new Date(now.getTime() - IDLE_MS))
    .orderBy("seen_at", "desc");
  return rows.map((row) => ({
    id: row.id,
    device: row.device,
    createdAtMs: row.created_at.getTime(),
    seenAtMs: row.seen_at.getTime(),
  }));
}

/** Ends one sign-in of an account, or all but one, or all. Returns how many ended. */
export async function endSignIns(
  transaction: Transaction,
  accountId: string,
  which: { readonly id: string } | { readonly allBut: string } | "all",
): Promise<number> {
  const own = transaction("sign_in").where({ account_id: accountId });
  if (which === "all") return own.delete();
  return "id" in which ? own.where({ id: which.id }).delete() : own.whereNot({ id: which.allBut }).delete();
}
