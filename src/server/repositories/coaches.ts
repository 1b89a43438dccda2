import { database, type Transaction } from "../database";
import { insertOnce } from "./rows";

export interface Coach {
  readonly id: string;
  readonly name: string;
}

export async function listCoaches(): Promise<Coach[]> {
  return database()("coach").select("id", "name").orderBy("created_at");
}

export async function insertCoach(transaction: Transaction, coach: Coach, now: Date): Promise<void> {
  await insertOnce(transaction, "coach", { ...coach, created_at: now });
}

/** Whether anybody can sign in yet. */
export async function anyAccount(): Promise<boolean> {
  return (await database()("account").first("id")) !== undefined;
}

/** The same within a transaction, keeping others from becoming the first meanwhile. */
export async function accountsExist(transaction: Transaction): Promise<boolean> {
  await transaction.raw("select get_lock('bathygon-begin', 10)");
  try {
    return (await transaction("account").forUpdate().first("id")) !== undefined;
  } finally {
    await transaction.raw("select release_lock('bathygon-begin')");
  }
}
