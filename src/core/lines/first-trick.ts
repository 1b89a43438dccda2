import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import { solveInTurn, type Environment } from "../recipes";
import { recipeOf, type Line } from "./line";

/**
 * The same line with its first trick worked out for this aircraft, as every later one is while it is flown: what begins a line as by itself is flown as it
 * stands. A first trick that was set by hand, or has no answer, stays as it is.
 */
export function withFirstWorkedOut(line: Line, aircraft: Airframe, settings: Settings, environment: Environment): Line {
  const [first, ...rest] = line.items;
  if (first?.kind !== "trick" || first.parameters) return line;
  const asked = recipeOf(first, "items[0]");
  const goals = asked.solveFor.map(({ aim }) => aim);
  const { recipe, problem } = solveInTurn(asked, goals, aircraft, settings, environment);
  if (problem || goals.length === 0) return line;
  const parameters = Object.fromEntries(Object.entries(recipe.parameters).map(([name, { value }]) => [name, value]));
  return { ...line, items: [{ ...first, parameters }, ...rest] };
}
