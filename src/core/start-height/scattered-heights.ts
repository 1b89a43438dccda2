import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import { DomainError } from "../numbers";
import {
  flyOutcome,
  highUp,
  onPacks,
  resolve,
  type Environment,
  type Phase,
  type Recipe,
  type SolvedTrick,
  type StartHeight,
} from "../recipes";
import { drawRun, type PilotErrors } from "../scatter";
import { START_HEIGHT_RUNS, startHeightOf, worseStartHeight } from "./start-height";

/** A trick whose start height is sought: solved, with an aircraft, settings, air and hands. */
export interface StartHeightTask {
  readonly solved: SolvedTrick;
  readonly airframe: Airframe;
  readonly settings: Settings;
  readonly environment: Environment;
  readonly hands: PilotErrors;
  readonly seed: number;
}

/** Flown on after the trick until it no longer sinks, so that what a flight loses is all there. */
const SETTLE: Phase = {
  id: "settle-after",
  label: "Level until it no longer sinks",
  roll: { kind: "eye", see: "bank", targetDeg: 0, gainPerS: 3, delayS: 0.2 },
  pitch: { kind: "eye", see: "pitch", targetDeg: 0, gainPerS: 3, delayS: 0.2 },
  throttle: { kind: "eye", see: "climb", targetMps: 0.8, gainPerS: 4, delayS: 0.2 },
  until: [{ kind: "climb", is: "above", mps: 0.2 }],
  maxS: 6,
};

/** The trick of a task as it is flown on one of its packs, with nothing about. */
function flownOn({ solved }: Pick<StartHeightTask, "solved">, packUsed: number): Recipe {
  const found = onPacks(solved).find((pack) => pack.packUsed === packUsed);
  if (!found)
    throw new DomainError(
      "packUsed",
      packUsed,
      "a pack the trick is flown on",
      `packUsed is ${packUsed}; this trick is not flown on such a pack`,
    );
  return { ...found.recipe, obstacles: [] };
}

/** Height lost, m, by each scattered flight from `from` up to but without `to`, high above the ground, on a pack of which so much is used. */
export function heightLosses(task: StartHeightTask, packUsed: number, from: number, to: number): number[] {
  const trick = flownOn(task, packUsed);
  const recipe: Recipe = { ...trick, phases: [...trick.phases, SETTLE] };
  const environment = { ...highUp(task.environment), packUsed };
  const { airframe, settings, hands: errors, seed } = task;
  const plan = { recipe, airframe, settings, environment, errors, stopWithinDeg: null, seed };
  return Array.from({ length: to - from }, (_, i) => {
    const run = drawRun(plan, from + i);
    const outcome = flyOutcome(recipe, airframe, settings, run.environment, run.slips);
    return outcome.heightLostM;
  });
}

/** The start height that scattered flights ask for, on the worse of the packs. */
export function startHeightByScatter(task: StartHeightTask, runs = START_HEIGHT_RUNS): StartHeight | null {
  return onPacks(task.solved).reduce<StartHeight | null>(
    (worst, { packUsed }) =>
      worseStartHeight(worst, startHeightOf(heightLosses(task, packUsed, 0, runs), packUsed, task.airframe)),
    null,
  );
}

/** How many of so many scattered flights, begun at the environment's height with nothing about, meet the ground. */
export function groundHits(task: StartHeightTask, packUsed: number, runs: number): number {
  const environment = { ...task.environment, obstacles: [] };
  return crashes({ ...task, environment }, flownOn(task, packUsed), packUsed, 0, runs);
}

/** How many of the scattered flights from `from` up to but without `to` crash where the trick belongs: into the ground or what it brings to fly at. */
export function crashesAtOwnHeight(
  task: Omit<StartHeightTask, "solved">,
  recipe: Recipe,
  packUsed: number,
  from: number,
  to: number,
): number {
  const entryHeightM = resolve(recipe, recipe.entryHeightM ?? task.environment.entryHeightM);
  return crashes({ ...task, environment: { ...task.environment, entryHeightM } }, recipe, packUsed, from, to);
}

function crashes(
  { airframe, settings, hands: errors, seed, environment: { ...about } }: Omit<StartHeightTask, "solved">,
  recipe: Recipe,
  packUsed: number,
  from: number,
  to: number,
): number {
  const environment = { ...about, packUsed };
  const plan = { recipe, airframe, settings, environment, errors, stopWithinDeg: null, seed };
  const landed = recipe.ends === "landed";
  return Array.from({ length: to - from }, (_, i) => {
    const run = drawRun(plan, from + i);
    const { events } = flyOutcome(recipe, airframe, settings, run.environment, run.slips);
    return events.some(({ kind }) => kind === "crash" || (kind === "touchdown" && !landed));
  }).filter(Boolean).length;
}
