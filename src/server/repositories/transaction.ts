import { database, type Transaction } from "../database";

/** Runs all writes of one action together: all of them stand, or none. */
export function inTransaction<T>(work: (transaction: Transaction) => Promise<T>): Promise<T> {
  return database().transaction(work);
}
