export { cruise } from "./cruise";
export type { Cruise } from "./cruise";
export { levelTurnRates, viewRollRates } from "./rates";
export type { BodyRates } from "./rates";
