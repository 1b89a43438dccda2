import { v7 as newId } from "uuid";
import {
  endSignIns,
  findAccount,
  findAccountById,
  forgetFailures,
  hashPassword,
  insertAccount,
  noteFailure,
  passwordMatches,
  requireGoodPassword,
  signInName,
  startSignIn,
  updatePassword,
  waitBeforeSignIn,
} from "@/server/accounts";
import { badField, conflict, memberAction, missing, openAction, Refusal } from "@/server/actions";
import { causeForLog, log } from "@/server/log";
import {
  accountsExist,
  emptyBin,
  insertCoach,
  insertSquad,
  inTransaction,
  listCoaches,
  listSquads,
} from "@/server/repositories";
import { BeginInput, ChangePasswordInput, EndSignInInput, SignInInput, SignOutInput } from "./inputs";

/** Touches nobody's records: only the account of whoever asks. */
const ownBusiness = () => [];

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
      const coachId = known?.id ?? id;
      if (!known) await insertCoach(transaction, { id, name }, now);
      if ((await listSquads(coachId)).length === 0)
        await insertSquad(transaction, { id: newId(), name: "The squad", ownerId: coachId }, now);
      const accountId = await insertAccount(transaction, { coachId, name, passwordHash }, now);
      return startSignIn(transaction, accountId, device, now);
    });
    await setToken(token);
  }),

  /** Says the same for a wrong name as for a wrong password, and takes as long. */
  "sign-in": openAction(SignInInput, async ({ name, password }, { address, device, requestId, setToken }) => {
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
    // The bin has no clock of its own; somebody coming in is often enough.
    await emptyBin(now).catch((error: unknown) =>
      log("error", { requestId, doing: "empty the bin", cause: causeForLog(error) }),
    );
  }),

  "sign-out": memberAction(SignOutInput, ownBusiness, async ({ everywhere }, { accountId, signInId }, { setToken }) => {
    await inTransaction(async (transaction) => {
      await endSignIns(transaction, accountId, { id: signInId });
      if (everywhere) await endSignIns(transaction, accountId, { allBut: signInId });
    });
    await setToken(null);
  }),

  /** A new password signs every other device out. */
  "change-password": memberAction(
    ChangePasswordInput,
    ownBusiness,
    async ({ password, newPassword }, { accountId, signInId, name }) => {
      const account = await findAccountById(accountId);
      if (!(await passwordMatches(account?.password_hash, password)))
        throw badField("password", "That is not your present password.");
      requireGoodPassword("newPassword", newPassword, name);
      const passwordHash = await hashPassword(newPassword);
      await inTransaction(async (transaction) => {
        await updatePassword(transaction, accountId, passwordHash);
        await endSignIns(transaction, accountId, { allBut: signInId });
      });
    },
  ),

  "end-sign-in": memberAction(EndSignInInput, ownBusiness, async ({ id }, { accountId }) => {
    if ((await inTransaction((transaction) => endSignIns(transaction, accountId, { id }))) === 0)
      throw missing("That device");
  }),
};
