import "server-only";
import { createHash } from "node:crypto";
import { database } from "../database";
import { inTransaction } from "../repositories/transaction";

/** Failures are forgotten after this long without another. */
const FORGET_MS = 24 * 3_600_000;

/** How failures slow down: so many cost nothing, each after that doubles the wait, up to the longest. */
interface Slowing {
  readonly free: number;
  readonly longestMs: number;
}

/** Somebody who may be made to wait: what they try, and how hard that slows. */
export interface Subject {
  readonly of: string;
  readonly slowing: Slowing;
}

const USUAL: Slowing = { free: 4, longestMs: 15 * 60_000 };
/** All who guess at one name together, wherever from: enough to make guessing hopeless, and not to lock its owner out. */
const EVERYBODY: Slowing = { free: 20, longestMs: 30_000 };

/** Guesses at a name from an address, at any name from there, and at that name from anywhere. */
export const signInSubjects = (signInName: string, address: string): readonly Subject[] => [
  { of: `name ${signInName} from ${address}`, slowing: USUAL },
  { of: `address ${address}`, slowing: { free: 12, longestMs: USUAL.longestMs } },
  { of: `name ${signInName}`, slowing: EVERYBODY },
];
/** Guesses at the password of somebody who is signed in. */
export const passwordSubjects = (accountId: string): readonly Subject[] => [
  { of: `password ${accountId}`, slowing: USUAL },
];

const subjectHash = (subject: string) => createHash("sha256").update(subject).digest("hex");

/** How long to wait after so many failures in a row. */
export function waitAfter(failures: number, { free, longestMs }: Slowing = USUAL): number {
  return failures <= free ? 0 : Math.min(longestMs, 1000 * 2 ** (failures - free));
}

/**
 * Takes the right to one try: counts it as failed before anything is compared, so that tries at the same moment do not slip through together. Returns
 * milliseconds to wait where there is none to be had; a try that turns out right is given back by `forgetFailures`.
 */
export async function takeTry(subjects: readonly Subject[], now: Date): Promise<number> {
  return inTransaction(async (transaction) => {
    const hashes = subjects.map(({ of }) => subjectHash(of));
    // In one order for everybody, so that nobody waits for somebody who waits for them.
    for (const subject of [...hashes].sort())
      await transaction.raw(
        "insert into failed_sign_in (subject, failures, last_at) values (?, 0, ?) on duplicate key update failures = failures",
        [subject, now],
      );
    const rows: { subject: string; failures: number; last_at: Date }[] = await transaction("failed_sign_in")
      .whereIn("subject", hashes)
      .orderBy("subject")
      .forUpdate();
    const waits = subjects.map(({ slowing }, i) => {
      const row = rows.find(({ subject }) => subject === hashes[i]);
      const forgotten = !row || now.getTime() - row.last_at.getTime() > FORGET_MS;
      return forgotten ? 0 : row.last_at.getTime() + waitAfter(row.failures, slowing) - now.getTime();
    });
    const waitMs = Math.max(0, ...waits);
    if (waitMs === 0)
      await transaction("failed_sign_in")
        .whereIn("subject", hashes)
        .update({ failures: transaction.raw("failures + 1"), last_at: now });
    return waitMs;
  });
}

/** Gives back a try that was taken and not used. */
export async function giveTryBack(subjects: readonly Subject[]): Promise<void> {
  await inTransaction(async (transaction) => {
    // In the order in which `takeTry` locks them.
    for (const subject of subjects.map(({ of }) => subjectHash(of)).sort())
      await transaction("failed_sign_in").where({ subject }).where("failures", ">", 0).decrement("failures", 1);
  });
}

/** Forgets failures of long ago. */
export async function dropOldFailures(now: Date): Promise<void> {
  await database()("failed_sign_in")
    .where("last_at", "<", new Date(now.getTime() - FORGET_MS))
    .delete();
}

/** What was tried was right: nobody waits for it any more. */
export async function forgetFailures(subjects: readonly Subject[]): Promise<void> {
  await database()("failed_sign_in")
    .whereIn(
      "subject",
      subjects.map(({ of }) => subjectHash(of)),
    )
    .delete();
}
