import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import { solveInTurn, type Environment } from "../recipes";
import { recipeOf, soughtOf, type Line } from "./line";

/**
 * The same line with its first trick worked out for this aircraft, as every later one is while it is flown: what begins a line as by itself is flown as it
 * stands. What was set by hand stays, and so does a first trick without an answer.
 */
export function withFirstWorkedOut(line: Line, aircraft: Airframe, settings: Settings, environment: Environment): Line {
  const [first, ...rest] = line.items;
  if (first?.kind !== "trick") return line;
  const asked = recipeOf(first, "items[0]");
  const goals = soughtOf(asked, first);
  const { recipe, problem } = solveInTurn(asked, goals, aircraft, settings, environment);
  if (problem || goals.length === 0) return line;
  const parameters = Object.fromEntries(Object.entries(recipe.parameters).map(([name, { value }]) => [name, value]));
  return { ...line, items: [{ ...first, parameters }, ...rest] };
}
