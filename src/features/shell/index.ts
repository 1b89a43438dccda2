export { parameter, pilotAtHand } from "./at-hand";
export type { SearchParams } from "./at-hand";
export { isUuid } from "./ids";
export { loadShell } from "./load";
export { leadIn, requireCoach } from "./require-coach";
