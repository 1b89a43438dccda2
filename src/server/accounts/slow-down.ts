import "server-only";
import { createHash } from "node:crypto";
import { database } from "../database";

/** Failures that cost nothing; from then on each doubles the wait. */
const FREE_FAILURES = 4;
const LONGEST_WAIT_MS = 15 * 60_000;
/** Failures are forgotten after this long without another. */
const FORGET_MS = 24 * 3_600_000;

const subjectHash = (subject: string) => createHash("sha256").update(subject).digest("hex");

/** Milliseconds until any of these subjects (an account's name, an address) may try again; 0 for now. */
export async function waitBeforeSignIn(subjects: readonly string[], now: Date): Promise<number> {
  const rows: { failures: number; last_at: Date }[] = await database()("failed_sign_in").whereIn(
    "subject",
    subjects.map(subjectHash),
  );
  return Math.max(0, ...rows.map(({ failures, last_at }) => last_at.getTime() + waitAfter(failures) - now.getTime()));
}

/** How long to wait after so many failures in a row. */
export function waitAfter(failures: number): number {
  return failures <= FREE_FAILURES ? 0 : Math.min(LONGEST_WAIT_MS, 1000 * 2 ** (failures - FREE_FAILURES));
}

export async function noteFailure(subjects: readonly string[], now: Date): Promise<void> {
  await database()("failed_sign_in")
    .where("last_at", "<", new Date(now.getTime() - FORGET_MS))
    .delete();
  for (const subject of subjects) {
    await database().raw(
      "insert into failed_sign_in (subject, failures, last_at) values (?, 1, ?) on duplicate key update failures = failures + 1, last_at = values(last_at)",
      [subjectHash(subject), now],
    );
  }
}

export async function forgetFailures(subject: string): Promise<void> {
  await database()("failed_sign_in")
    .where({ subject: subjectHash(subject) })
    .delete();
}
