import {
  endSignIns,
  findAccount,
  findAccountById,
  forgetFailures,
  hashPassword,
  insertAccount,
  noteFailure,
  passwordMatches,
  passwordProblem,
  signInName,
  startSignIn,
  updatePassword,
  waitBeforeSignIn,
} from "@/server/accounts";
import { action, badField, conflict, missing, openAction, Refusal } from "@/server/actions";
import { accountsExist, insertCoach, inTransaction, listCoaches } from "@/server/repositories";
import { BeginInput, ChangePasswordInput, EndSignInInput, SignInInput, SignOutInput } from "./inputs";

function requireGoodPassword(field: string, password: string, name: string): void {
  const problem = passwordProblem(password, name);
  if (problem) throw badField(field, `This password ${problem}.`);
}

export const accountActions = {
  /** The first coach of empty records. Works once; afterwards there is always somebody who can sign in. */
  begin: openAction(BeginInput, async ({ id, name, password }, { device, setToken }) => {
    requireGoodPassword("password", password, name);
    const passwordHash = await hashPassword(password);
    const now = new Date();
    const token = await inTransaction(async (transaction) => {
      if (await accountsExist(transaction)) throw conflict("Somebody has begun here already. Sign in instead.");
      // Records from before there were accounts keep their coach.
      const known = (await listCoaches()).find((coach) => signInName(coach.name) === signInName(name));
      if (!known) await insertCoach(transaction, { id, name }, now);
      const accountId = await insertAccount(transaction, { coachId: known?.id ?? id, name, passwordHash }, now);
      return startSignIn(transaction, accountId, device, now);
    });
    await setToken(token);
  }),

  /** Says the same for a wrong name as for a wrong password, and takes as long. */
  "sign-in": openAction(SignInInput, async ({ name, password }, { address, device, setToken }) => {
    const now = new Date();
    const byName = `name ${signInName(name)}`;
    const subjects = [byName, `address ${address}`];
    const waitMs = await waitBeforeSignIn(subjects, now);
    if (waitMs > 0) throw new Refusal(429, `Too many tries. Wait ${Math.ceil(waitMs / 1000)} seconds, then try again.`);
    const account = await findAccount(name);
    if (!(await passwordMatches(account?.password_hash, password)) || !account) {
      await noteFailure(subjects, now);
      throw new Refusal(422, "This name and password do not go together.");
    }
    await forgetFailures(byName);
    await setToken(await inTransaction((transaction) => startSignIn(transaction, account.id, device, now)));
  }),

  "sign-out": action(SignOutInput, async ({ everywhere }, { accountId, signInId }, { setToken }) => {
    await inTransaction(async (transaction) => {
      await endSignIns(transaction, accountId, { id: signInId });
      if (everywhere) await endSignIns(transaction, accountId, { allBut: signInId });
    });
    await setToken(null);
  }),

  /** A new password signs every other device out. */
  "change-password": action(
    ChangePasswordInput,
    async ({ password, newPassword }, { accountId, signInId, coachName }) => {
      const account = await findAccountById(accountId);
      if (!(await passwordMatches(account?.password_hash, password)))
        throw badField("password", "That is not your present password.");
      requireGoodPassword("newPassword", newPassword, coachName);
      const passwordHash = await hashPassword(newPassword);
      await inTransaction(async (transaction) => {
        await updatePassword(transaction, accountId, passwordHash);
        await endSignIns(transaction, accountId, { allBut: signInId });
      });
    },
  ),

  "end-sign-in": action(EndSignInInput, async ({ id }, { accountId }) => {
    if ((await inTransaction((transaction) => endSignIns(transaction, accountId, { id }))) === 0)
      throw missing("That device");
  }),
};
