import { DomainError, requireNumber, requireOneOf } from "../numbers";
import type { Recipe } from "../recipes";
import type { FoundTrick } from "../tape";
import type { PlanPoint } from "../yard";

/** What a drill asks for. Places are m east and north of where it begins, heights m above the ground. */
export type Task =
  /** A trick: the turn as it is found in a recording of it, stopped within so many degrees. */
  | {
      readonly kind: "trick";
      readonly trick: Pick<FoundTrick, "kind" | "direction" | "turns">;
      readonly withinDeg: number | null;
    }
  /** Staying within a circle for so long, without a break. */
  | {
      readonly kind: "hold";
      readonly at: PlanPoint;
      readonly radiusM: number;
      readonly lowestM: number;
      readonly highestM: number;
      readonly seconds: number;
    }
  /** Touching down on a spot. */
  | { readonly kind: "land"; readonly at: PlanPoint; readonly withinM: number }
  /** Past, or to a halt over, places in this order. */
  | {
      readonly kind: "course";
      readonly at: readonly PlanPoint[];
      readonly withinM: number;
      /** A halt is slower than this, m/s; null for passing. */
      readonly haltMps: number | null;
    }
  | { readonly kind: "free" };

/** One thing to practise: how it begins, what it asks for, and the way the model flies it. */
export interface Drill {
  readonly id: string;
  /** Its start, what stands there, and the model's own way. */
  readonly recipe: Recipe;
  readonly task: Task;
}

/** Throws a DomainError naming what of a task can't be asked for. */
export function requireTask(task: Task): Task {
  requireOneOf("task.kind", task?.kind, ["trick", "hold", "land", "course", "free"]);
  switch (task.kind) {
    case "trick":
      if (task.withinDeg !== null) requireNumber("task.withinDeg", task.withinDeg, 0.5, 180);
      break;
    case "hold":
      requireNumber("task.radiusM", task.radiusM, 0.2, 100);
      requireNumber("task.seconds", task.seconds, 0.5, 600);
      break;
    case "land":
      requireNumber("task.withinM", task.withinM, 0.1, 100);
      break;
    case "course":
      requireNumber("task.withinM", task.withinM, 0.1, 100);
      if (task.at.length === 0) throw new DomainError("task.at", 0, "one place and more");
      break;
    case "free":
      break;
  }
  return task;
}

/** Whether it is a recipe alone, flown without a task. */
export const isRecipe = (drill: Drill | Recipe): drill is Recipe => "phases" in drill;
