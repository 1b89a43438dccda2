import { database, type Transaction } from "../database";
import { insertOnce } from "./rows";

export interface Coach {
  readonly id: string;
  readonly name: string;
}

export async function listCoaches(): Promise<Coach[]> {
  return database()("coach").select("id", "name").orderBy("created_at");
}

export async function findCoach(id: string): Promise<Coach | undefined> {
  return database()("coach").select("id", "name").where({ id }).first();
}

export async function insertCoach(transaction: Transaction, coach: Coach, now: Date): Promise<void> {
  await insertOnce(transaction, "coach", { ...coach, created_at: now });
}
