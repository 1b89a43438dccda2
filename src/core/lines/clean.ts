import { missedMarks, type Measures, type Recipe } from "../recipes";
import { USUAL_STOP_DEG, type Failure } from "../scatter";

/** What keeps a trick or a join that ended as planned from counting as clean: its stop, and what is looked at in the field. */
export function missedIn(recipe: Recipe, measures: Measures, stopWithinDeg = USUAL_STOP_DEG): readonly Failure[] {
  const { stopErrorDeg } = measures;
  const stopped = !recipe.turn || (stopErrorDeg !== null && Math.abs(stopErrorDeg) <= stopWithinDeg);
  return [
    ...(stopped ? [] : [{ kind: (stopErrorDeg ?? -1) < 0 ? "short" : "past" } as const]),
    ...missedMarks(recipe.marks ?? [], measures, recipe.parameters).map((kind) => ({ kind })),
  ];
}

/** Whether a trick or a join ended clean: as planned, stopped where it should and with nothing missed that is looked at in the field. */
export const endedClean = (recipe: Recipe, measures: Measures, stopWithinDeg = USUAL_STOP_DEG): boolean =>
  measures.complete && missedIn(recipe, measures, stopWithinDeg).length === 0;
