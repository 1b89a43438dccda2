import {
  addressOf,
  confirmPending,
  endSecondFactor,
  endSignIns,
  forgetFailures,
  keepPending,
  newSecret,
  replaceRecoveryCodes,
  secondFactorOf,
  takeCode,
} from "@/server/accounts";
import { coachAction, conflict } from "@/server/actions";
import { inTransaction } from "@/server/repositories";
import { CodeInput, PasswordAndCodeInput, PasswordInput } from "./inputs";
import { requirePassword, requireTry, wrongCode } from "./tries";

/** Touches nobody's records: only the account of whoever asks. */
const ownBusiness = () => [];

/** A second factor for coaches, by choice: one-time codes of an authenticator (RFC 6238) and recovery codes. */
export const secondFactorActions = {
  /** A secret for the authenticator; nothing asks for it before a code was typed once. */
  "begin-second-factor": coachAction(PasswordInput, ownBusiness, async ({ password }, { accountId, name }) => {
    await requirePassword(accountId, password);
    if (await secondFactorOf(accountId)) throw conflict("The second factor is on already.");
    const secret = newSecret();
    await inTransaction((transaction) => keepPending(transaction, accountId, secret));
    return { secret, address: addressOf(secret, name) };
  }),

  /** Other devices came in by the password alone and are signed out. */
  "confirm-second-factor": coachAction(CodeInput, ownBusiness, async ({ code }, { accountId, signInId }) => {
    const subjects = await requireTry(accountId);
    const recoveryCodes = await inTransaction(async (transaction) => {
      const codes = await confirmPending(transaction, accountId, code, new Date());
      if (codes) await endSignIns(transaction, accountId, { allBut: signInId });
      return codes;
    });
    if (!recoveryCodes) throw wrongCode();
    await forgetFailures(subjects);
    return { recoveryCodes };
  }),

  "renew-recovery-codes": coachAction(CodeInput, ownBusiness, async ({ code }, { accountId }) => {
    const subjects = await requireTry(accountId);
    const recoveryCodes = await inTransaction(async (transaction) =>
      (await takeCode(transaction, accountId, code, new Date())) ? replaceRecoveryCodes(transaction, accountId) : null,
    );
    if (!recoveryCodes) throw wrongCode();
    await forgetFailures(subjects);
    return { recoveryCodes };
  }),

  "end-second-factor": coachAction(PasswordAndCodeInput, ownBusiness, async ({ password, code }, { accountId }) => {
    await requirePassword(accountId, password);
    const subjects = await requireTry(accountId);
    const ended = await inTransaction(async (transaction) => {
      if (!(await takeCode(transaction, accountId, code, new Date()))) return false;
      await endSecondFactor(transaction, accountId);
      return true;
    });
    if (!ended) throw wrongCode();
    await forgetFailures(subjects);
  }),
};
