export { answerDownload } from "./answer-download";
export { chosenUnits, unitsIn } from "./chosen-units";
export { parameter, remembered } from "./asked";
export type { SearchParams } from "./asked";
export { namedAtHand, pilotAtHand } from "./at-hand";
export { enter, enterAsCoach, homeOf, leadIn, requirePageAccess } from "./enter";
export { isUuid } from "./ids";
export { loadShell } from "./load";
