export { briefTrick, USUAL_MARGINS } from "./brief-trick";
export type { SafetyMargins } from "./brief-trick";
export { crashesAtOwnHeight, groundHits, heightLosses } from "./scattered-heights";
export type { StartHeightTask } from "./scattered-heights";
export {
  requireStartHeight,
  START_HEIGHT_RUNS,
  START_HEIGHT_SEED,
  startHeightOf,
  worseStartHeight,
} from "./start-height";
export { startHeightKey } from "./key";
export type { StartHeightInputs } from "./key";
