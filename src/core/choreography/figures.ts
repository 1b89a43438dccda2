import { DomainError } from "../numbers";
import {
  resolve,
  type Axis,
  type Guard,
  type Phase,
  type Recipe,
  type RecipeParameter,
  type StickPlan,
  type ThrottlePlan,
  type TrimFigures,
  type Value,
} from "../recipes";

/** A number of a plan or a guard: its unit, how far it may go, and the step in which people set it. */
export interface FigureField {
  readonly name: string;
  readonly unit: RecipeParameter["unit"];
  readonly min: number;
  readonly max: number;
  readonly step: number;
}

/** Longest that a phase may be let go on, s. */
export const LONGEST_PHASE_S = 30;

const field = (name: string, unit: FigureField["unit"], min: number, max: number, step: number): FigureField => ({
  name,
  unit,
  min,
  max,
  step,
});
const stick = (name: string) => field(name, "", -1, 1, 0.01);
const eye = [field("gainPerS", "", 0.1, 20, 0.1), field("delayS", "s", 0, 0.5, 0.01)];
const radius = field("radiusM", "m", -100, 100, 0.1);

/** The numbers of every kind of plan for a turning stick. */
export const stickFields: Readonly<Record<StickPlan["kind"], readonly FigureField[]>> = {
  hold: [stick("at")],
  rate: [field("dps", "°/s", -2000, 2000, 5)],
  ramp: [stick("from"), stick("to"), field("overS", "s", 0.01, 10, 0.01)],
  ease: [field("fromDeg", "°", 0, 3600, 1), field("toDeg", "°", 0, 3600, 1), stick("from"), stick("to")],
  "view-roll": [],
  "level-turn": [],
  sustained: [],
  round: [],
  loop: [radius],
  eye: [field("targetDeg", "°", -360, 360, 1), ...eye],
};

const throttleFields: Readonly<Record<Exclude<ThrottlePlan["kind"], "eye">, readonly FigureField[]>> = {
  hold: [field("at", "", 0, 1, 0.01)],
  thrust: [field("g", "g", 0, 20, 0.05)],
  sustained: [],
  loop: [radius, field("share", "", 0, 3, 0.05), field("weightG", "g", 0, 3, 0.05)],
};

/** The numbers of a plan for the throttle. */
export function fieldsOfThrottle(plan: ThrottlePlan): readonly FigureField[] {
  if (plan.kind !== "eye") return throttleFields[plan.kind];
  switch (plan.see) {
    case "climb":
      return [field("targetMps", "m/s", -20, 20, 0.1), ...eye];
    case "height":
      return [field("targetM", "m", -100, 200, 0.1), ...eye];
    case "spot":
      return eye;
  }
}

/** The numbers of every kind of guard; the first is the bound. */
export const guardFields: Readonly<Record<Guard["kind"], readonly FigureField[]>> = {
  time: [field("s", "s", 0.02, LONGEST_PHASE_S, 0.01)],
  turned: [field("deg", "°", 0, 3600, 1), field("leadS", "s", 0, 0.5, 0.01)],
  climb: [field("mps", "m/s", -40, 40, 0.1)],
  height: [field("m", "m", -200, 200, 0.1)],
  ground: [field("m", "m", 0, 400, 0.1)],
  along: [field("m", "m", -200, 500, 0.1)],
  ahead: [field("mps", "m/s", -60, 60, 0.1)],
  pitch: [field("deg", "°", -90, 90, 1)],
  heading: [field("deg", "°", -3600, 3600, 1)],
  upright: [field("withinDeg", "°", 0, 180, 1)],
};

export type Part = Axis | "throttle" | "until";
export const turningAxes: readonly Axis[] = ["roll", "pitch", "yaw"];

/** Where a number stands within a recipe's phases. */
export interface FigurePlace {
  readonly phase: number;
  readonly part: Part;
  /** Which of the guards; null for a plan. */
  readonly guard: number | null;
  readonly name: string;
}

/** Every number of a phase with its place. */
export function figuresOf(
  phase: Phase,
  at: number,
): readonly { readonly place: FigurePlace; readonly field: FigureField; readonly value: Value }[] {
  const listed = (part: Part, guard: number | null, holder: object, fields: readonly FigureField[]) =>
    fields.flatMap((one) => {
      const value = (holder as Readonly<Record<string, Value | undefined>>)[one.name];
      return value === undefined ? [] : [{ place: { phase: at, part, guard, name: one.name }, field: one, value }];
    });
  return [
    ...listed("throttle", null, phase.throttle, fieldsOfThrottle(phase.throttle)),
    ...turningAxes.flatMap((axis) => {
      const plan = phase[axis];
      return plan ? listed(axis, null, plan, stickFields[plan.kind]) : [];
    }),
    ...phase.until.flatMap((guard, i) => listed("until", i, guard, guardFields[guard.kind])),
  ];
}

/** What stands at a place. Throws a DomainError where nothing does. */
export function figureAt(recipe: Recipe, place: FigurePlace): { readonly field: FigureField; readonly value: Value } {
  const phase: Phase | undefined = recipe.phases[place.phase];
  const found = (phase ? figuresOf(phase, place.phase) : []).find(
    ({ place: one }) => one.part === place.part && one.guard === place.guard && one.name === place.name,
  );
  if (!found)
    throw new DomainError(
      place.name,
      undefined,
      "figures of the phase",
      `phase ${place.phase + 1} has no figure ${place.name} of its ${place.part}`,
    );
  return found;
}

/** The recipe with another phase in the place of one. */
export function withPhase(recipe: Recipe, at: number, change: (phase: Phase) => Phase): Recipe {
  return { ...recipe, phases: recipe.phases.map((phase, i) => (i === at ? change(phase) : phase)) };
}

/** The recipe with something else at a place. */
export function withValueAt(recipe: Recipe, { phase, part, guard, name }: FigurePlace, value: Value): Recipe {
  return withPhase(recipe, phase, (one) =>
    part === "until"
      ? { ...one, until: one.until.map((each, i) => (i === guard ? { ...each, [name]: value } : each)) }
      : { ...one, [part]: { ...one[part], [name]: value } },
  );
}

/**
 * The recipe with this number at a place, no further than may be. Where a parameter stands there, the parameter moves, and is worked out no
 * more; where a figure of the start trim does, what is added to it. `figures` of the trim the number is meant for.
 */
export function withFigureAt(recipe: Recipe, place: FigurePlace, wanted: number, figures: TrimFigures): Recipe {
  const { field: range, value } = figureAt(recipe, place);
  const next = rounded(Math.max(range.min, Math.min(range.max, wanted)), range.step);
  if (typeof value === "number") return withValueAt(recipe, place, next);
  const { times = 1, plus = 0 } = value;
  if ("of" in value)
    return withValueAt(recipe, place, { ...value, plus: rounded(plus + next - resolve(recipe, value, figures), 1e-6) });
  if (times === 0) return withValueAt(recipe, place, next);
  const trim = value.timesOf === undefined ? 1 : figures[value.timesOf];
  if (trim === 0) return withValueAt(recipe, place, next);
  return withParameterSet(recipe, value.param, (next - plus) / (times * trim));
}

/** The recipe with a parameter set by hand, no further than its range, and worked out no more. */
export function withParameterSet(recipe: Recipe, name: string, wanted: number): Recipe {
  const known = recipe.parameters[name];
  const value = rounded(Math.max(known.min, Math.min(known.max, wanted)), 1e-4);
  return {
    ...recipe,
    parameters: { ...recipe.parameters, [name]: { ...known, value } },
    solveFor: recipe.solveFor.filter(({ param }) => param !== name),
  };
}

/** To a whole number of steps, without the noise of floating point. */
export function rounded(value: number, step: number): number {
  return Number((Math.round(value / step) * step).toFixed(6)) + 0;
}
