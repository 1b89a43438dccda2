import type { Coach } from "@/contract";
import { database, type Transaction } from "../database";
import { insertOnce } from "./rows";

export async function listCoaches(): Promise<Coach[]> {
  return database()("coach").select("id", "name").orderBy("created_at");
}

/** Returns whether the same coach was there already. */
export async function insertCoach(transaction: Transaction, coach: Coach, now: Date): Promise<boolean> {
  return (await insertOnce(transaction, "coach", { ...coach, created_at: now })) !== null;
}

/** Whether anybody can sign in yet. */
export async function anyAccount(): Promise<boolean> {
  return (await database()("account").first("id")) !== undefined;
}

/** The same within a transaction; whoever asks so at the same time collides, and only one of them becomes the first. */
export async function accountsExist(transaction: Transaction): Promise<boolean> {
  return (await transaction("account").forUpdate().first("id")) !== undefined;
}
