import { DAY_MS } from "@/core";
import { database } from "../database";

/** So many days of the time that passed must have been seen. Ours. */
const LEAST_SEEN = 3;

const dayOf = (at: Date) => at.toISOString().slice(0, 10);

/** Notes that the program is in use on this day. */
export async function noteDay(now: Date): Promise<void> {
  await database()("day_seen")
    .insert({ day: dayOf(now) })
    .onConflict("day")
    .ignore();
}

/**
 * Whether a time up to now was lived through, by the days somebody signed in on. A clock that jumped ahead has seen none of them, and nothing is destroyed
 * on its word alone.
 */
export async function livedThrough(ms: number, now: Date): Promise<boolean> {
  const since = dayOf(new Date(now.getTime() - ms + DAY_MS));
  const row = await database()("day_seen")
    .where("day", ">=", since)
    .where("day", "<=", dayOf(now))
    .count<{ n: number | string }[]>({ n: "*" });
  return Number(row[0].n) >= LEAST_SEEN;
}
