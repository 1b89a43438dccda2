export { answerDownload } from "./answer-download";
export { chosenUnits, unitsIn } from "./chosen-units";
export { parameter, pilotAtHand, remembered } from "./at-hand";
export type { SearchParams } from "./at-hand";
export { enter, enterAsCoach, homeOf, leadIn, requirePageAccess } from "./enter";
export { isUuid } from "./ids";
export { loadShell } from "./load";
