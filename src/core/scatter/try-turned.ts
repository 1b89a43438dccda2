import { DomainError } from "../numbers";
import { draftBrief, type Recipe } from "../recipes";
import { turnKnobs, type KnobId, type Turned } from "./knobs";
import { scatterRuns, type ScatterPlan } from "./run";

/** A step flown with knobs turned: the plan with its recipe as the library has it, not yet solved. */
export interface TurnedTask {
  readonly plan: Omit<ScatterPlan, "recipe"> & { readonly recipe: Recipe };
  readonly values: Readonly<Partial<Record<KnobId, number>>>;
  /** Runs from `from` up to but without `to`. */
  readonly from: number;
  readonly to: number;
}

/** What a trick takes with its knobs turned like this. */
export interface TurnedCost {
  /** From the first stick to the end, s. */
  readonly durationS: number;
  /** By its freezes alone, m; null for a trick that belongs at its own height. */
  readonly startHeightM: number | null;
}

/** What a step takes once knobs are turned; null where it cannot be flown like this. */
export function costOfTurned({ plan, values }: Pick<TurnedTask, "plan" | "values">): TurnedCost | null {
  const turned = turnKnobs({ settings: plan.settings, recipe: plan.recipe }, values);
  try {
    const brief = learntAfresh(plan, turned);
    return brief.problem === null
      ? { durationS: brief.flight.measures.durationS, startHeightM: brief.minimumStartHeightM }
      : null;
  } catch (error) {
    if (error instanceof DomainError) return null;
    throw error;
  }
}

const learntAfresh = ({ airframe, environment }: TurnedTask["plan"], { recipe, settings }: Turned) =>
  draftBrief(recipe, airframe, settings, environment);

/**
 * Which runs go clean once knobs are turned. The trick is solved afresh, as a pilot learns it afresh: punch, stop and height belong to the settings. Null
 * where it cannot be flown like this.
 */
export function tryTurned({ plan, values, from, to }: TurnedTask): boolean[] | null {
  const turned = turnKnobs({ settings: plan.settings, recipe: plan.recipe }, values);
  try {
    const brief = learntAfresh(plan, turned);
    if (brief.problem !== null) return null;
    const environment = { ...plan.environment, entryHeightM: brief.entryHeightM };
    return scatterRuns({ ...plan, ...turned, recipe: brief.recipe, environment }, from, to).map(
      ({ failure }) => failure === null,
    );
  } catch (error) {
    // An aircraft that has not the thrust for it, or a figure out of its range: not to be flown like this.
    if (error instanceof DomainError) return null;
    throw error;
  }
}
