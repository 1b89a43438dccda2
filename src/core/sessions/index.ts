export { allot, atOnceIn, blockKinds } from "./allot";
export type { Allotment, Block, BlockKind, Offer, PilotOffers, SessionFrame } from "./allot";
export { LANDING_S, packState, tryTimeS, USUAL_TRY_S } from "./pack-clock";
export type { PackState } from "./pack-clock";
export { mostTurns, orderTimes, orderTurns, turnBegins, turnsWithin } from "./turns";
export type { Turn, TurnTimes } from "./turns";
export { attemptsToMeet } from "./outlook";
export type { AttemptsToGo } from "./outlook";
