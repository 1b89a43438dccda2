export { briefTrick, START_HEIGHT_SEED, USUAL_MARGINS } from "./brief-trick";
export type { SafetyMargins } from "./brief-trick";
export {
  crashesAtOwnHeight,
  groundHits,
  heightLosses,
  requireStartHeight,
  START_HEIGHT_RUNS,
  startHeightOf,
  worseStartHeight,
} from "./start-height";
export type { StartHeightTask } from "./start-height";
export { startHeightKey } from "./key";
export type { StartHeightInputs } from "./key";
