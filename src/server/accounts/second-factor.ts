import "server-only";
import { database, type Transaction } from "../database";
import { newRecoveryCodes, recoveryHash, stepOf } from "./one-time-codes";

/** The second factor of an account, once it is on. */
export interface SecondFactor {
  readonly sinceMs: number;
  /** Recovery codes that were not used yet. */
  readonly codesLeft: number;
}

interface FactorRow {
  totp_secret: string | null;
  totp_pending: string | null;
  totp_step: number | string | null;
  totp_since: Date | null;
}

/** The second factor of an account, or null where there is none. */
export async function secondFactorOf(accountId: string): Promise<SecondFactor | null> {
  const row: FactorRow | undefined = await database()("account").where({ id: accountId }).first();
  if (!row?.totp_secret || !row.totp_since) return null;
  const left: { code_hash: string }[] = await database()("recovery_code")
    .select("code_hash")
    .where({ account_id: accountId })
    .whereNull("used_at");
  return { sinceMs: row.totp_since.getTime(), codesLeft: left.length };
}

/** Keeps a secret that is not in use before a code of it was typed. */
export async function keepPending(transaction: Transaction, accountId: string, secret: string): Promise<void> {
  await transaction("account").where({ id: accountId }).update({ totp_pending: secret });
}

/** Turns the pending secret on with a code of it; null for a wrong code. Returns fresh recovery codes. */
export async function confirmPending(
  transaction: Transaction,
  accountId: string,
  code: string,
  now: Date,
): Promise<readonly string[] | null> {
  const row: FactorRow | undefined = await transaction("account").where({ id: accountId }).forUpdate().first();
  const step = row?.totp_pending ? stepOf(row.totp_pending, code, now.getTime()) : null;
  if (!row?.totp_pending || step === null) return null;
  await transaction("account")
    .where({ id: accountId })
    .update({ totp_secret: row.totp_pending, totp_pending: null, totp_step: step, totp_since: now });
  return replaceRecoveryCodes(transaction, accountId);
}

/** New recovery codes in the place of the old ones. Only hashes are kept. */
export async function replaceRecoveryCodes(transaction: Transaction, accountId: string): Promise<readonly string[]> {
  const codes = newRecoveryCodes();
  await transaction("recovery_code").where({ account_id: accountId }).delete();
  await transaction("recovery_code").insert(
    codes.map((code) => ({ code_hash: recoveryHash(code), account_id: accountId })),
  );
  return codes;
}

/** Whether a one-time code or a recovery code is right. Each is taken once, also of two sends at the same moment. */
export async function takeCode(transaction: Transaction, accountId: string, code: string, now: Date): Promise<boolean> {
  const row: FactorRow | undefined = await transaction("account").where({ id: accountId }).forUpdate().first();
  if (!row?.totp_secret) return false;
  const step = stepOf(row.totp_secret, code, now.getTime());
  if (step !== null) {
    if (row.totp_step !== null && step <= Number(row.totp_step)) return false;
    await transaction("account").where({ id: accountId }).update({ totp_step: step });
    return true;
  }
  const used = await transaction("recovery_code")
    .where({ account_id: accountId, code_hash: recoveryHash(code) })
    .whereNull("used_at")
    .update({ used_at: now });
  return used === 1;
}

/** Turns the second factor off. */
export async function endSecondFactor(transaction: Transaction, accountId: string): Promise<void> {
  await transaction("account")
    .where({ id: accountId })
    .update({ totp_secret: null, totp_pending: null, totp_step: null, totp_since: null });
  await transaction("recovery_code").where({ account_id: accountId }).delete();
}
