import {
  findAccountById,
  forgetFailures,
  giveTryBack,
  passwordMatches,
  passwordSubjects,
  takeTry,
  type Subject,
} from "@/server/accounts";
import { badField, Refusal } from "@/server/actions";

export const tooManyTries = (waitMs: number) =>
  new Refusal(429, `Too many tries. Wait ${Math.ceil(waitMs / 1000)} seconds, then try again.`);

export const wrongCode = () => badField("code", "That code is not right, or was used already. Wait for the next one.");

/** Whether the password is right. A try that was not compared, because too many wait for theirs, is not held against anybody. */
export async function comparedOrGivenBack(
  subjects: readonly Subject[],
  passwordHash: string | undefined,
  password: string,
): Promise<boolean> {
  try {
    return await passwordMatches(passwordHash, password);
  } catch (error) {
    await giveTryBack(subjects);
    throw error;
  }
}

/** Takes the right to one try at what guards an account that is signed in; returns what is to be forgotten when it was right. */
export async function requireTry(accountId: string): Promise<readonly Subject[]> {
  const subjects = passwordSubjects(accountId);
  const waitMs = await takeTry(subjects, new Date());
  if (waitMs > 0) throw tooManyTries(waitMs);
  return subjects;
}

/** Throws a Refusal at the field for anything but the present password. */
export async function requirePassword(accountId: string, password: string): Promise<void> {
  const subjects = await requireTry(accountId);
  const account = await findAccountById(accountId);
  if (!(await comparedOrGivenBack(subjects, account?.password_hash, password)))
    throw badField("password", "That is not your current password.");
  await forgetFailures(subjects);
}
