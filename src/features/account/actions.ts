import { v7 as newId } from "uuid";
import {
  dropOldFailures,
  dropOldSignIns,
  endSignIns,
  findAccount,
  forgetFailures,
  giveTryBack,
  hashPassword,
  insertAccount,
  LONGEST_SIGN_IN_MS,
  requireGoodPassword,
  requireShortName,
  secondFactorOf,
  signInName,
  signInSubjects,
  startSignIn,
  takeCode,
  takeTry,
  type Subject,
  updatePassword,
} from "@/server/accounts";
import { ByIdInput, badField, conflict, memberAction, missing, openAction, Refusal } from "@/server/actions";
import { causeForLog, log } from "@/server/log";
import {
  accountsExist,
  anyAccount,
  emptyBin,
  insertCoach,
  insertSquad,
  inTransaction,
  listCoaches,
  listSquads,
  livedThrough,
  noteDay,
} from "@/server/repositories";
import { comparedOrGivenBack, requirePassword, tooManyTries, wrongCode } from "./tries";
import { secondFactorActions } from "./second-factor-actions";
import { BeginInput, ChangePasswordInput, SignInInput, SignOutInput } from "./inputs";

/** Touches nobody's records: only the account of whoever asks. */
const ownBusiness = () => [];

/** Lets go of what is past its time, where that time was lived through. */
async function tidyUp(now: Date): Promise<void> {
  await noteDay(now);
  await dropOldFailures(now);
  await emptyBin(now);
  if (await livedThrough(LONGEST_SIGN_IN_MS, now)) await dropOldSignIns(now);
}

/** Asks for the code of a second factor, where the account has one. Being asked is no failure; a wrong code is. */
async function requireSecondFactor(accountId: string, code: string, subjects: readonly Subject[], now: Date) {
  if (!(await secondFactorOf(accountId))) return;
  if (code.trim() === "") {
    await giveTryBack(subjects);
    throw badField("code", "Now the code of your authenticator, or a recovery code.");
  }
  if (!(await inTransaction((transaction) => takeCode(transaction, accountId, code, now)))) throw wrongCode();
}

const begunAlready = () => conflict("Someone has set this up already. Sign in instead.");

export const accountActions = {
  ...secondFactorActions,

  /** The first coach of empty records. Works once; afterwards there is always somebody who can sign in. */
  begin: openAction(BeginInput, async ({ id, name, password }, { device, setToken }) => {
    // Looked at before the costly part too: strangers make nobody's machine work.
    if (await anyAccount()) throw begunAlready();
    requireGoodPassword("password", password, name);
    requireShortName(name);
    const passwordHash = await hashPassword(password);
    const now = new Date();
    const token = await inTransaction(async (transaction) => {
      if (await accountsExist(transaction)) throw begunAlready();
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
  "sign-in": openAction(
    SignInInput,
    async ({ name, password, code = "" }, { address, device, identify, requestId, setToken }) => {
      const now = new Date();
      const subjects = signInSubjects(signInName(name), address);
      const waitMs = await takeTry(subjects, now);
      if (waitMs > 0) throw tooManyTries(waitMs);
      const account = await findAccount(name);
      if (!(await comparedOrGivenBack(subjects, account?.password_hash, password)) || !account)
        throw new Refusal(422, "Wrong name or password.");
      await requireSecondFactor(account.id, code, subjects, now);
      await forgetFailures(subjects);
      const before = await identify();
      const token = await inTransaction(async (transaction) => {
        // The sign-in this browser had ends with the new one.
        if (before) await endSignIns(transaction, before.accountId, { id: before.signInId });
        return startSignIn(transaction, account.id, device, now);
      });
      await setToken(token);
      // The bin has no clock of its own; somebody coming in is often enough.
      await tidyUp(now).catch((error: unknown) =>
        log("error", { requestId, doing: "tidy up", cause: causeForLog(error) }),
      );
    },
  ),

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
      await requirePassword(accountId, password);
      requireGoodPassword("newPassword", newPassword, name);
      const passwordHash = await hashPassword(newPassword);
      await inTransaction(async (transaction) => {
        await updatePassword(transaction, accountId, passwordHash);
        await endSignIns(transaction, accountId, { allBut: signInId });
      });
    },
  ),

  "end-sign-in": memberAction(ByIdInput, ownBusiness, async ({ id }, { accountId }) => {
    if ((await inTransaction((transaction) => endSignIns(transaction, accountId, { id }))) === 0)
      throw missing("That device");
  }),
};
