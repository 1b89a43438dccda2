import { database, type Transaction } from "../database";

const TRIES = 4;

/**
 * Runs all writes of one action together: all of them stand, or none. One that collides with another's (MariaDB calls it
 * a deadlock and undoes it) is run again from the start, so `work` must do nothing outside the transaction.
 */
export async function inTransaction<T>(work: (transaction: Transaction) => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await database().transaction(work);
    } catch (error) {
      if ((error as { code?: string }).code !== "ER_LOCK_DEADLOCK" || attempt === TRIES) throw error;
    }
  }
}
