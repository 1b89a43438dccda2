export { badField, conflict, missing, Refusal, there } from "./errors";
export {
  ByIdInput,
  faultOfName,
  IsId,
  IsMeasured,
  IsMoment,
  IsName,
  IsOneOf,
  IsPart,
  IsStepId,
  IsText,
  numberOf,
} from "./fields";
export { LineTryInput, requireLineTry } from "./line-try";
export { coachAction, databaseIsAway, memberAction, openAction, runAction } from "./run-action";
export type { Action, Asker, Audience, Call } from "./run-action";
