import { draftBrief, type Recipe } from "../recipes";
import { turnKnobs, type KnobId } from "./knobs";
import { scatterRuns, type ScatterPlan } from "./run";

/** A step flown with knobs turned: the plan with its recipe as the library has it, not yet solved. */
export interface TurnedTask {
  readonly plan: Omit<ScatterPlan, "recipe"> & { readonly recipe: Recipe };
  readonly values: Readonly<Partial<Record<KnobId, number>>>;
  readonly runs: number;
}

/**
 * Which runs go clean once knobs are turned. The trick is solved afresh, as a pilot learns it afresh: punch, stop and height belong to the settings. Null
 * where it cannot be flown like this.
 */
export function tryTurned({ plan, values, runs }: TurnedTask): boolean[] | null {
  const turned = turnKnobs({ settings: plan.settings, recipe: plan.recipe }, values);
  try {
    const brief = draftBrief(turned.recipe, plan.airframe, turned.settings, plan.environment);
    if (brief.problem !== null) return null;
    const environment = { ...plan.environment, entryHeightM: brief.entryHeightM };
    return scatterRuns({ ...plan, ...turned, recipe: brief.recipe, environment }, 0, runs).map(
      ({ failure }) => failure === null,
    );
  } catch (error) {
    // An aircraft that has not the thrust for it, or a figure out of its range: not to be flown like this.
    if (error instanceof RangeError) return null;
    throw error;
  }
}
