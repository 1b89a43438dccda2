import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import { draftBrief, solveInTurn, type Environment, type Problem } from "../recipes";
import { flyLine, type LineFlight } from "./fly-line";
import { figuresOf, namingItem, recipeOf, soughtOf, type Line } from "./line";
import { BEGINNING, environmentAt } from "./placed";

/**
 * The same line with its first trick worked out for this aircraft, as every later one is while it is flown: what begins a line as by itself is flown as it
 * stands. What was set by hand stays, and so does a first trick without an answer.
 */
export const withFirstWorkedOut = (
  line: Line,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
): Line => workedOut(line, aircraft, settings, environment).line;

/** A line as its pilot plans it: the first trick worked out as well, and flown whole. Input and errors as of `flyLine`. */
export function flyLineWorkedOut(
  line: Line,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
): { readonly line: Line; readonly flight: LineFlight } {
  const first = workedOut(line, aircraft, settings, environment);
  const flight = flyLine(first.line, aircraft, settings, environment);
  if (!first.problem) return { line: first.line, flight };
  const items = flight.items.map((item, i) => (i === 0 ? { ...item, problem: first.problem } : item));
  return { line: first.line, flight: { ...flight, items } };
}

/** The height at which the brief of a line's first trick begins it, m above the ground; the environment's for a line that begins with a join. */
export function briefHeightM(line: Line, aircraft: Airframe, settings: Settings, environment: Environment): number {
  const [first] = line.items;
  if (first?.kind !== "trick") return environment.entryHeightM;
  const there = environmentAt(environment, line.headingDeg, BEGINNING);
  return draftBrief(recipeOf(first, "items[0]"), aircraft, settings, there).entryHeightM;
}

function workedOut(
  line: Line,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
): { readonly line: Line; readonly problem: Problem | null } {
  const [first, ...rest] = line.items;
  if (first?.kind !== "trick") return { line, problem: null };
  try {
    const asked = recipeOf(first, "items[0]");
    const goals = soughtOf(asked, first);
    const entryHeightM = line.entryHeightM ?? environment.entryHeightM;
    const there = environmentAt({ ...environment, entryHeightM }, line.headingDeg, BEGINNING);
    const { recipe, problem } = solveInTurn(asked, goals, aircraft, settings, there);
    if (problem || goals.length === 0) return { line, problem };
    return { line: { ...line, items: [{ ...first, parameters: figuresOf(recipe) }, ...rest] }, problem: null };
  } catch (error) {
    throw namingItem(error, 0);
  }
}
