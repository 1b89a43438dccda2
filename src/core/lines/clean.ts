import { missedMarks, type Measures, type Recipe } from "../recipes";
import { USUAL_STOP_DEG } from "../scatter";

/** Whether a trick or a join ended clean: as planned, stopped where it should and with nothing missed that is looked at in the field. */
export function endedClean(recipe: Recipe, measures: Measures, stopWithinDeg = USUAL_STOP_DEG): boolean {
  if (!measures.complete) return false;
  if (recipe.turn && (measures.stopErrorDeg === null || Math.abs(measures.stopErrorDeg) > stopWithinDeg)) return false;
  return missedMarks(recipe.marks ?? [], measures).length === 0;
}
