export { badField, conflict, missing, Refusal } from "./errors";
export { IsId, IsName, IsOneOf, IsText } from "./fields";
export { action, databaseIsAway, openAction, runAction } from "./run-action";
export type { Action, ActionResult, Asker } from "./run-action";
