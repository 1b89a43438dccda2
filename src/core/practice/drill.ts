import { DomainError, requireNumber, requireOneOf } from "../numbers";
import type { Recipe, SeenObject } from "../recipes";
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
      /** The nose stays so near to where it pointed at the start; null for any way. */
      readonly noseWithinDeg: number | null;
    }
  /** Touching down on a spot. */
  | { readonly kind: "land"; readonly at: PlanPoint; readonly withinM: number }
  /** Past, or to a halt over, places in this order. */
  | {
      readonly kind: "course";
      /** A place may be nearer or farther to pass than the others. */
      readonly at: readonly (PlanPoint & { readonly withinM?: number })[];
      readonly withinM: number;
      /** A halt is slower than this, m/s; null for passing. */
      readonly haltMps: number | null;
      /** Height in which a place counts. */
      readonly lowestM: number;
      readonly highestM: number;
      /** Flown nose or tail first; any way if not said. */
      readonly nose?: "ahead" | "backward";
      /** Turned by yaw on the way by so much at the least, to either side. */
      readonly turnedDeg?: number;
      /** Turning gathers no faster than this, °/s²; as fast as one likes if not said. */
      readonly mostJerkDegPerS2?: number;
    }
  /** Tricks one after the other, as they are found in a recording. */
  | { readonly kind: "tricks"; readonly tricks: readonly Pick<FoundTrick, "kind" | "direction" | "turns">[] }
  /**
   * A bail at a call. The call comes once between two times, drawn anew for each try. Stop: come to rest or backward before what is flown at; level: out of
   * the dive.
   */
  | {
      readonly kind: "call";
      /** Switch: the switch that levels it thrown there and back, the height kept meanwhile. */
      readonly answer: "stop" | "level" | "switch";
      readonly fromS: number;
      readonly toS: number;
      /** When it comes in this try; null before it is drawn. */
      readonly callS: number | null;
    }
  | { readonly kind: "free" };

/** One thing to practise: how it begins, what it asks for, and the way the model flies it. */
export interface Drill {
  readonly id: string;
  /** Its start, what stands there, and the model's own way. */
  readonly recipe: Recipe;
  readonly task: Task;
  /** What the recipe is flown at, m ahead and to the right of the start; left out where there is nothing. */
  readonly object?: SeenObject;
  /** In the model's own way: so long from its start to its trick, and from there to its end, s. Left out where no trick is found in it. */
  readonly round?: { readonly beforeS: number; readonly afterS: number };
  /** There: since its trick, or its start where there is none, the object is to be in the picture, s. The whole of it if left out. */
  readonly inPictureS?: readonly [fromS: number, toS: number];
  /** There: the circle is even so long after the trick begins, until so long before it ends, s. The whole of it if left out. */
  readonly steady?: { readonly afterS: number; readonly beforeS: number };
}

/** Throws a DomainError naming what of a task can't be asked for. */
export function requireTask(task: Task): Task {
  requireOneOf("task.kind", task?.kind, ["trick", "tricks", "hold", "land", "course", "call", "free"]);
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
      task.at.forEach(({ withinM = task.withinM }, i) => requireNumber(`task.at[${i}].withinM`, withinM, 0.05, 100));
      if (task.at.length === 0) throw new DomainError("task.at", 0, "one place and more");
      break;
    case "call":
      requireNumber("task.fromS", task.fromS, 0, 60);
      requireNumber("task.toS", task.toS, task.fromS, 60);
      if (task.callS !== null) requireNumber("task.callS", task.callS, task.fromS, task.toS);
      break;
    case "tricks":
      if (task.tricks.length === 0) throw new DomainError("task.tricks", 0, "one trick and more");
      break;
    case "free":
      break;
  }
  return task;
}

/** A drill with its call drawn: `chance` from 0 to 1. Anything else stays as it is. */
export function drawCall(drill: Drill, chance: number): Drill {
  const { task } = drill;
  if (task.kind !== "call") return drill;
  return { ...drill, task: { ...task, callS: task.fromS + chance * (task.toS - task.fromS) } };
}

/** Whether it is a recipe alone, flown without a task. */
export const isRecipe = (drill: Drill | Recipe): drill is Recipe => "phases" in drill;
