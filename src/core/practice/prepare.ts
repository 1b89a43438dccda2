import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import { draftBrief, type Environment, type Recipe } from "../recipes";
import type { Drill, Task } from "./drill";
import { createPractice } from "./practice";
import { madeUpRadio } from "./radio";
import type { PracticeRecord } from "./record";
import { replay, type Replayed } from "./replay";
import { scoreTry, type Score } from "./score";

/** What is asked for to be practised. */
export interface PracticeRequest {
  readonly id: string;
  readonly recipe: Recipe;
  readonly airframe: Airframe;
  readonly settings: Settings;
  readonly environment: Environment;
  /** Furthest the stop may miss, °; null where nothing is stopped. */
  readonly withinDeg: number | null;
}

/** A drill ready to be flown: worked out for the aircraft, where it begins, and the model's own way, which a ghost flies. */
export interface PreparedDrill {
  readonly drill: Drill;
  readonly environment: Environment;
  readonly ghost: Replayed;
}

const FEED_S = 0.05;

/**
 * A trick as a drill: its figures worked out, begun at the height of its brief, and flown by the model's own hands through the practice loop. What is found in
 * that flight as in a recording is what a try is asked for. Throws a DomainError naming what can't be flown.
 */
export function prepareDrill({
  id,
  recipe,
  airframe,
  settings,
  environment,
  withinDeg,
}: PracticeRequest): PreparedDrill {
  const { recipe: solved, entryHeightM } = draftBrief(recipe, airframe, settings, environment);
  const there = { ...environment, entryHeightM };
  const readings = madeUpRadio(solved, airframe, settings, there);
  const free: Drill = { id, recipe: solved, task: { kind: "free" } };
  const practice = createPractice(free, airframe, settings, there);
  let at = 0;
  for (let fedS = FEED_S; at < readings.length; fedS += FEED_S) {
    const until = readings.findIndex(({ timeS }) => timeS > fedS);
    const end = until < 0 ? readings.length : until;
    practice.advance(FEED_S, readings.slice(at, end));
    at = end;
  }
  const ghost = replay(practice.record(), airframe, settings, there);
  return { drill: { ...free, task: taskOf(ghost, solved.turn ? withinDeg : null) }, environment: there, ghost };
}

/** The first turn that is surely found in the model's own way; free where none is. */
function taskOf({ measures: { tricks } }: Replayed, withinDeg: number | null): Task {
  const found = tricks.find(({ kind }) => kind !== "unknown");
  if (!found) return { kind: "free" };
  const { kind, direction, turns } = found;
  return { kind: "trick", trick: { kind, direction, turns }, withinDeg };
}

/** A try flown again, and held against its drill. */
export function judgeTry(
  record: PracticeRecord,
  { drill, environment }: Pick<PreparedDrill, "drill" | "environment">,
  airframe: Airframe,
  settings: Settings,
): { readonly flown: Replayed; readonly score: Score } {
  const flown = replay(record, airframe, settings, environment);
  return { flown, score: scoreTry(drill, flown) };
}
