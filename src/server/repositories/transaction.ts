import { transact, type Transaction } from "../database";
import { Refusal } from "../actions/errors";

const TRIES = 10;
/** Longest pause before the first repetition; it doubles, and is drawn by lot so that those who collided do not meet again. */
const PAUSE_MS = 15;

/**
 * Runs all writes of one action together: all of them stand, or none. One that collides with another's (MariaDB calls it
 * a deadlock and undoes it) is run again from the start, so `work` must do nothing outside the transaction.
 */
export async function inTransaction<T>(work: (transaction: Transaction) => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await transact(work);
    } catch (error) {
      if ((error as { code?: string }).code !== "ER_LOCK_DEADLOCK") throw error;
      if (attempt === TRIES) throw new Refusal(409, "Others change the same at this moment. Try again.");
      const pauseMs = Math.random() * PAUSE_MS * 2 ** attempt;
      await new Promise((done) => setTimeout(done, pauseMs));
    }
  }
}
