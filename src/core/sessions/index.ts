export { allot, blockKinds, turnsIn } from "./allot";
export type { Allotment, Block, BlockKind, Offer, PilotOffers, SessionFrame } from "./allot";
export { orderTurns } from "./turns";
export type { Turn } from "./turns";
export { attemptsToMeet } from "./outlook";
export type { AttemptsToGo } from "./outlook";
