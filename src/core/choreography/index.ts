export { recipeFaults, requireRecipe } from "./check";
export type { RecipeFault } from "./check";
export {
  hangsOn,
  MOST_PHASES,
  SHORTEST_PHASE_S,
  withEndAt,
  withoutPhase,
  withPhaseAdded,
  withPhaseSplit,
} from "./edit";
export { mirrorImage, otherDirection } from "./mirror";
export {
  fieldsOfThrottle,
  figureAt,
  guardFields,
  LONGEST_PHASE_S,
  stickFields,
  turningAxes,
  withFigureAt,
  withParameterSet,
  withPhase,
  withValueAt,
} from "./figures";
export type { FigureField, FigurePlace, Part } from "./figures";
export { handlesOf, withHandleAt } from "./handles";
export type { Handle, FlightContext } from "./handles";
export { phaseNotes } from "./notes";
export type { Miss, PhaseNote } from "./notes";
export { phaseSpans } from "./spans";
export type { PhaseSpan } from "./spans";
