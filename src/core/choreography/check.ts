import { DomainError } from "../numbers";
import { resolve, type Phase, type Recipe, type Value } from "../recipes";
import { figuresOf, LONGEST_PHASE_S, turningAxes } from "./figures";

/** Something a recipe may not have: in which phase, where it has one, and in which field. */
export interface RecipeFault {
  readonly phase: number | null;
  readonly field: string;
  readonly message: string;
}

/** Everything that keeps a recipe from being flown at all, whatever the aircraft. What refers to the start trim is known only in flight. */
export function recipeFaults(recipe: Recipe): readonly RecipeFault[] {
  const faults: RecipeFault[] = [];
  const add = (phase: number | null, field: string, message: string) => faults.push({ phase, field, message });
  for (const [name, { label, unit, value, min, max }] of Object.entries(recipe.parameters)) {
    if (!(min <= max) || !(value >= min && value <= max))
      add(
        null,
        `parameters.${name}`,
        `${label} is ${value}; allowed: ${min} to ${max}${unit === "" ? "" : ` ${unit}`}`,
      );
  }
  checkPhases(recipe, recipe.phases, "phases", add);
  checkPhases(recipe, recipe.abort, "abort", (_, field, message) => add(null, field, message));
  const { freeze } = recipe;
  if (freeze?.instead)
    checkPhases(recipe, [freeze.instead], "freeze.instead", (_, field, message) => add(null, field, message));
  for (const { field, id } of phasesNamed(recipe)) {
    if (!recipe.phases.some((phase) => phase.id === id)) add(null, field, `there is no phase "${id}"`);
  }
  recipe.solveFor.forEach(({ param }, i) => {
    if (!known(recipe, param)) add(null, `solveFor.${i}.param`, `${param} is no parameter of this trick`);
  });
  for (const name of Object.keys(recipe.slip))
    if (!known(recipe, name)) add(null, `slip.${name}`, `${name} is no parameter of this trick`);
  for (const { field, value } of valuesBeside(recipe)) {
    const why = whyUnknown(recipe, value);
    if (why) add(null, field, why);
  }
  return faults;
}

/** The recipe, when nothing is wrong with it. Throws a DomainError naming the first field that is. */
export function requireRecipe(recipe: Recipe): Recipe {
  const [first] = recipeFaults(recipe);
  if (first) throw new DomainError(first.field, undefined, "", `${first.field}: ${first.message}`);
  return recipe;
}

function checkPhases(
  recipe: Recipe,
  phases: readonly Phase[],
  list: string,
  add: (phase: number, field: string, message: string) => void,
): void {
  if (phases.length === 0) add(0, list, "a trick has at least one phase");
  phases.forEach((phase, i) => {
    const at = `${list}.${i}`;
    if (phases.findIndex(({ id }) => id === phase.id) !== i) add(i, `${at}.id`, `two phases are called "${phase.id}"`);
    if (!(phase.maxS > 0 && phase.maxS <= LONGEST_PHASE_S))
      add(i, `${at}.maxS`, `maxS is ${phase.maxS}; allowed: 0 to ${LONGEST_PHASE_S}`);
    const mayRest = list === "freeze.instead" || (recipe.ends === "landed" && i === phases.length - 1);
    if (phase.until.length === 0 && !mayRest) add(i, `${at}.until`, "nothing ends this phase");
    for (const { place, field, value } of figuresOf(phase, i)) {
      const name = [at, place.part, place.guard, place.name].filter((part) => part !== null).join(".");
      const why = whyUnknown(recipe, value);
      if (why) {
        add(i, name, why);
        continue;
      }
      if (typeof value !== "number" && ("of" in value || value.timesOf !== undefined)) continue;
      const number = resolve(recipe, value);
      if (!(number >= field.min && number <= field.max))
        add(i, name, `${place.name} is ${number}; allowed: ${field.min} to ${field.max}`);
    }
    for (const { name, value } of valuesOfEyes(phase)) {
      const why = whyUnknown(recipe, value);
      if (why) add(i, `${at}.${name}`, why);
    }
    const { throttle } = phase;
    const looks =
      (throttle.kind === "eye" && throttle.see === "spot") ||
      turningAxes.some((axis) => {
        const plan = phase[axis];
        return plan?.kind === "eye" && (plan.see === "object" || plan.keeps !== undefined);
      });
    const { kind } = recipe.start;
    if (looks && !recipe.object && kind !== "orbit" && kind !== "steady-turn")
      add(i, at, "the nose is to be held on an object, and the trick has none");
  });
}

/** Values that an eye goes by besides the numbers of its plan: the distance it keeps, the pace it holds. */
function valuesOfEyes(phase: Phase): readonly { readonly name: string; readonly value: Value }[] {
  return turningAxes.flatMap((axis) => {
    const plan = phase[axis];
    if (plan?.kind !== "eye") return [];
    return [
      ...(plan.keeps ? [{ name: `${axis}.keeps.distanceM`, value: plan.keeps.distanceM }] : []),
      ...(plan.stills?.paceMps === undefined ? [] : [{ name: `${axis}.stills.paceMps`, value: plan.stills.paceMps }]),
    ];
  });
}

/** Whether a recipe has a parameter of its own by this name; words that every object knows are none. */
const known = (recipe: Recipe, name: string) => Object.hasOwn(recipe.parameters, name);

/** Why a value stands for no number; null when it does. */
function whyUnknown(recipe: Recipe, value: Value): string | null {
  if (typeof value === "number") return Number.isFinite(value) ? null : `${value} is no number`;
  const { times = 1, plus = 0 } = value;
  if (!Number.isFinite(times) || !Number.isFinite(plus)) return "times and plus are numbers";
  if ("of" in value || known(recipe, value.param)) return null;
  return `${value.param} is no parameter of this trick`;
}

/** Phases that something else in the recipe names. */
export function phasesNamed(recipe: Recipe): readonly { readonly field: string; readonly id: string }[] {
  const { turn, freeze, loop, steadyPhase, descentPhase, brakePhase, inPicture } = recipe;
  return [
    { field: "turn.stopPhase", id: turn?.stopPhase },
    { field: "turn.catchPhase", id: turn?.catchPhase },
    { field: "freeze.before", id: freeze?.before },
    { field: "loop.from", id: loop?.from },
    { field: "loop.to", id: loop?.to },
    { field: "steadyPhase", id: steadyPhase },
    { field: "descentPhase", id: descentPhase },
    { field: "brakePhase", id: brakePhase },
    { field: "inPicture.from", id: inPicture?.from },
    { field: "inPicture.to", id: inPicture?.to },
    ...recipe.solveFor.map(({ aim }, i) => ({
      field: `solveFor.${i}.aim.phase`,
      id: "phase" in aim ? aim.phase : undefined,
    })),
  ].flatMap(({ field, id }) => (id === undefined ? [] : [{ field, id }]));
}

/** Values that stand beside the phases: of the start, of what stands about, of aims. */
function valuesBeside(recipe: Recipe): readonly { readonly field: string; readonly value: Value }[] {
  const within = (field: string, holder: object | undefined) =>
    Object.entries(holder ?? {}).flatMap(([name, value]: [string, unknown]) =>
      typeof value === "number" || (typeof value === "object" && value !== null)
        ? [{ field: `${field}.${name}`, value: value as Value }]
        : [],
    );
  return [
    ...within("start", recipe.start),
    ...(recipe.obstacles ?? []).flatMap((one, i) => within(`obstacles.${i}`, one)),
    ...within("object", recipe.object),
    ...recipe.solveFor.flatMap(({ aim }, i) => within(`solveFor.${i}.aim`, aim)),
    ...(["entryHeightM", "sideWindMps"] as const).flatMap((field) => {
      const value = recipe[field];
      return value === undefined ? [] : [{ field, value }];
    }),
  ];
}
