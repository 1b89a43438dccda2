export { blockNames } from "./block-names";
export { capital } from "./capital";
export { chancePercent, percent } from "./numbers";
