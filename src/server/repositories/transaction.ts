import { database, type Transaction } from "../database";

const TRIES = 7;
/** Longest pause before the first repetition; it doubles, and is drawn by lot so that those who collided do not meet again. */
const PAUSE_MS = 15;

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
      const pauseMs = Math.random() * PAUSE_MS * 2 ** attempt;
      await new Promise((done) => setTimeout(done, pauseMs));
    }
  }
}
