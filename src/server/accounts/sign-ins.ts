import "server-only";
import { createHash, randomBytes } from "node:crypto";
import { v7 as newId } from "uuid";
import { database, type Transaction } from "../database";

/** A coach who is signed in on this device. */
export interface SignedIn {
  readonly signInId: string;
  readonly accountId: string;
  readonly coachId: string;
  readonly coachName: string;
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
  coach_id: string;
  sign_in_name: string;
  password_hash: string;
}

const DAY_MS = 86_400_000;
/** A sign-in ends after this long without use, and after this long in any case. */
export const IDLE_MS = 7 * DAY_MS;
export const LONGEST_MS = 30 * DAY_MS;
/** Last use is written down no more often than this. */
const SEEN_EVERY_MS = 5 * 60_000;

/** Names are compared without regard to case, width or stray spaces. */
export function signInName(name: string): string {
  return name.normalize("NFKC").trim().replace(/\s+/g, " ").toLowerCase();
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

export async function insertAccount(
  transaction: Transaction,
  account: { readonly coachId: string; readonly name: string; readonly passwordHash: string },
  now: Date,
): Promise<string> {
  const id = newId();
  await transaction("account").insert({
    id,
    coach_id: account.coachId,
    sign_in_name: signInName(account.name),
    password_hash: account.passwordHash,
    created_at: now,
  });
  return id;
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
  await transaction("sign_in")
    .where("created_at", "<", new Date(now.getTime() - LONGEST_MS))
    .delete();
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

/** Who a token belongs to, while its sign-in stands. Notes that it was used. */
export async function signedInBy(token: string, now: Date): Promise<SignedIn | null> {
  const row: { id: string; account_id: string; coach_id: string; coach_name: string; seen_at: Date } | undefined =
    await database()("sign_in")
      .join("account", "account.id", "sign_in.account_id")
      .join("coach", "coach.id", "account.coach_id")
      .select("sign_in.id", "sign_in.account_id", "sign_in.seen_at", "account.coach_id", "coach.name as coach_name")
      .where("sign_in.token_hash", tokenHash(token))
      .where("sign_in.seen_at", ">", new Date(now.getTime() - IDLE_MS))
      .where("sign_in.created_at", ">", new Date(now.getTime() - LONGEST_MS))
      .first();
  if (!row) return null;
  if (now.getTime() - row.seen_at.getTime() > SEEN_EVERY_MS)
    await database()("sign_in").where({ id: row.id }).update({ seen_at: now });
  return { signInId: row.id, accountId: row.account_id, coachId: row.coach_id, coachName: row.coach_name };
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

/** Ends one sign-in of an account, or all but one. Returns how many ended. */
export async function endSignIns(
  transaction: Transaction,
  accountId: string,
  which: { readonly id: string } | { readonly allBut: string },
): Promise<number> {
  const own = transaction("sign_in").where({ account_id: accountId });
  return "id" in which ? own.where({ id: which.id }).delete() : own.whereNot({ id: which.allBut }).delete();
}
