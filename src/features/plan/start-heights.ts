import { startHeightKey, type DayAir, type StartHeight, type StartHeightInputs } from "@/core";
import type { Site } from "@/contract";
import { directionNames, findStep, startHeightInputsOf } from "@/syllabus";
import { quantityText, type UnitSystem } from "@/words";
import type { PlanFrame } from "./planning";
import type { Flying } from "./site-checks";

/** The air a plan is made for. */
export const dayOfPlan = (
  site: Pick<Site, "elevationM"> | null,
  frame: Pick<PlanFrame, "windMps" | "temperatureC"> | null,
): DayAir => ({
  elevationM: site?.elevationM ?? 0,
  temperatureC: frame?.temperatureC ?? null,
  windMps: frame?.windMps ?? 0,
});

/** The key is worked out when it is asked for: on the server nobody does. */
export type Asked = readonly (readonly [direction: string, inputs: StartHeightInputs, key: () => string])[];
/** What was asked before, by pilot as read: a plan is drawn anew at every key that is typed. */
const askedBefore = new WeakMap<Flying["one"], Map<string, Asked>>();

/** What the minimum start heights of a planned step depend on, by direction; none for what belongs at its own height or is not flown in the model. */
export function startHeightsAsked(flying: Flying, day: DayAir): Asked {
  const { one, stepId, setupId } = flying;
  const known = askedBefore.get(one) ?? new Map<string, Asked>();
  askedBefore.set(one, known);
  const name = JSON.stringify([stepId, setupId, day]);
  const found = known.get(name) ?? workedOut(flying, day);
  known.set(name, found);
  return found;
}

function workedOut({ one, stepId, setupId, syllabus }: Flying, day: DayAir): Asked {
  const step = findStep(syllabus, stepId);
  const setup = one.setups.find(({ id }) => id === setupId);
  if (!step || !setup) return [];
  const { airframe, settings } = setup;
  return step.directions.flatMap(({ id }) => {
    const inputs = startHeightInputsOf(syllabus, step, id, {
      airframe,
      settings,
      manner: one,
      day,
      reactionS: one.reactionS,
    });
    if (!inputs) return [];
    let key: string | null = null;
    return [[id, inputs, () => (key ??= startHeightKey(inputs))] as const];
  });
}

/** The minimum start height of a planned step in words, or that it is not worked out yet; null where there is none. */
export function startHeightText(
  flying: Flying,
  day: DayAir,
  known: ReadonlyMap<string, StartHeight | null>,
  units: UnitSystem,
): string | null {
  const asked = startHeightsAsked(flying, day);
  if (asked.length === 0) return null;
  const names = directionNames(findStep(flying.syllabus, flying.stepId)!);
  const found = asked.map(
    ([direction, , key]) => [names[direction], known.size > 0 ? known.get(key()) : null] as const,
  );
  const heights = found.flatMap(([name, height]) => (height ? [[name, height.heightM] as const] : []));
  if (heights.length < found.length) return "Minimum start height not worked out yet";
  const same = heights.every(([, heightM]) => heightM === heights[0][1]);
  const text = (heightM: number) => quantityText(heightM, "length", units);
  return `Minimum start height ${
    same ? text(heights[0][1]) : heights.map(([name, heightM]) => `${text(heightM)} ${name}`).join(", ")
  }`;
}
