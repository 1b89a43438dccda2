import type { Laid, Line, PlannedFlight } from "@/core";
import { directionName, findStep, recipeOf, skillOf, stepName, type Manner, type Syllabus } from "@/syllabus";

/** Lines that may be laid on a plan. */
export interface FlyableLine {
  readonly id: string;
  readonly name: string;
  readonly line: Omit<Line, "id" | "label">;
}

/** What the flights of a plan are looked up in. */
export interface Flyable {
  readonly syllabus: Syllabus;
  readonly manner: Manner;
  readonly lines: readonly FlyableLine[];
}

/** A flight of a plan with what it is called and how it is flown. */
export interface NamedFlight {
  readonly flight: PlannedFlight;
  readonly name: string;
  readonly laid: Laid;
  /** The stage whose usual hands fly it; null for a line. */
  readonly stage: number | null;
}

/** A flight as it is called and flown; null for a step or a line that is no longer there, or not for who looks. */
export function namedFlight(flight: PlannedFlight, { syllabus, manner, lines }: Flyable): NamedFlight | null {
  const { of, at, headingDeg } = flight;
  if (of.kind === "line") {
    const found = lines.find(({ id }) => id === of.lineId);
    if (!found) return null;
    return {
      ...{ flight, name: found.name, stage: null },
      laid: { line: { ...found.line, id: found.id, label: found.name }, at, headingDeg },
    };
  }
  const step = findStep(syllabus, of.stepId);
  const recipe = step && recipeOf(step, of.direction, manner);
  if (!step || !recipe) return null;
  const direction = step.directions.length > 1 ? `, ${directionName(syllabus, step.id, of.direction)}` : "";
  const name = `${stepName(syllabus, step.id)}${direction}`;
  const items = [{ kind: "trick" as const, recipe }];
  return {
    ...{ flight, name, stage: skillOf(syllabus, step).stage },
    laid: {
      line: { id: step.id, label: name, start: recipe.start, headingDeg: 0, items, anchors: [] },
      at,
      headingDeg,
    },
  };
}
