export { LONGEST_MS as LONGEST_SIGN_IN_MS } from "./sign-ins";
export { currentAccount, setToken } from "./current";
export { deviceKind } from "./device";
export { addressOf, newSecret } from "./one-time-codes";
export {
  confirmPending,
  endSecondFactor,
  keepPending,
  replaceRecoveryCodes,
  secondFactorOf,
  takeCode,
} from "./second-factor";
export type { SecondFactor } from "./second-factor";
export { hashPassword, passwordMatches, passwordProblem, requireGoodPassword } from "./passwords";
export {
  accountsOfPilots,
  deletePilotAccount,
  dropOldSignIns,
  endSignIns,
  findAccount,
  findAccountById,
  insertAccount,
  isCoach,
  listSignIns,
  signedInBy,
  requireShortName,
  signInName,
  startSignIn,
  updatePassword,
} from "./sign-ins";
export type { SignedIn, SignedInCoach, SignIn } from "./sign-ins";
export {
  dropOldFailures,
  forgetFailures,
  giveTryBack,
  passwordSubjects,
  signInSubjects,
  takeTry,
  waitAfter,
  type Subject,
} from "./slow-down";
