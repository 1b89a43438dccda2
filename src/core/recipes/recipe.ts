/** A number of a recipe: fixed, or a parameter times a factor plus an offset. */
export type Value = number | { readonly param: string; readonly times?: number; readonly plus?: number };

export type Axis = "roll" | "pitch" | "yaw";

/** What a stick of the right or left hand does through a phase. Positions −1..1; pitch positive is stick back, nose up. */
export type StickPlan =
  | { readonly kind: "hold"; readonly at: Value }
  /** The stick that commands this rate through the pilot's curve; full stick where the curve ends before it. */
  | { readonly kind: "rate"; readonly dps: Value }
  | { readonly kind: "ramp"; readonly from: Value; readonly to: Value; readonly overS: Value }
  /** Moves with the angle turned about `axis` since the mark. */
  | {
      readonly kind: "ease";
      readonly axis: Axis;
      readonly fromDeg: Value;
      readonly toDeg: Value;
      readonly from: Value;
      readonly to: Value;
    }
  /** The opposite yaw that keeps the view on its axis through this phase's roll: yaw rate = −roll rate · tan tilt. */
  | { readonly kind: "view-roll" }
  /** Held by the pilot's eye: the rate that closes what is seen, gain · (target − seen), seen `delayS` ago (McRuer and Jex 1967). */
  | {
      readonly kind: "eye";
      readonly see: "pitch" | "bank" | "heading";
      readonly targetDeg: Value;
      readonly gainPerS: Value;
      readonly delayS: Value;
    };

export type ThrottlePlan =
  | { readonly kind: "hold"; readonly at: Value }
  /** The stick that gives this thrust over weight through the aircraft and the profile; full stick where neither reaches it. */
  | { readonly kind: "thrust"; readonly g: Value }
  /** Held by the pilot's eye on climb speed: thrust = weight·(1 + gain·(target − seen)/g). */
  | {
      readonly kind: "eye";
      readonly see: "climb";
      readonly targetMps: Value;
      readonly gainPerS: Value;
      readonly delayS: Value;
    };

/** Ends a phase as soon as it is true. */
export type Guard =
  | { readonly kind: "time"; readonly s: Value }
  /** Angle turned about a body axis since the mark, in either sense; with a lead, the angle it will have `leadS` from now at the present rate. */
  | { readonly kind: "turned"; readonly axis: Axis; readonly deg: Value; readonly leadS?: Value }
  /** Climb speed falls to or below / rises to or above. */
  | { readonly kind: "climb"; readonly is: "below" | "above"; readonly mps: Value }
  /** Height above the entry point. */
  | { readonly kind: "height"; readonly is: "below" | "above"; readonly m: Value }
  /** Pitch, or heading against that of the entry, falls to or below / rises to or above. */
  | { readonly kind: "pitch"; readonly is: "below" | "above"; readonly deg: Value }
  | { readonly kind: "heading"; readonly is: "below" | "above"; readonly deg: Value }
  /** Thrust axis within this angle of straight up. */
  | { readonly kind: "upright"; readonly withinDeg: Value };

export interface Phase {
  readonly id: string;
  /** What the pilot does, as a short command. */
  readonly label: string;
  readonly roll?: StickPlan;
  readonly pitch?: StickPlan;
  readonly yaw?: StickPlan;
  readonly throttle: ThrottlePlan;
  readonly until: readonly Guard[];
  /** The phase ends after this long whatever its guards say, and the flight is then not complete. */
  readonly maxS: number;
  /** Starts counting the angle turned afresh. */
  readonly mark?: boolean;
}

export interface RecipeParameter {
  readonly label: string;
  readonly unit: "s" | "°" | "°/s" | "g" | "m" | "";
  readonly value: number;
  readonly min: number;
  readonly max: number;
}

/** A trick as choreography: plain data that `fly` plays. */
export interface Recipe {
  readonly id: string;
  readonly label: string;
  readonly start: { readonly kind: "hover" } | { readonly kind: "cruise" };
  readonly parameters: Readonly<Record<string, RecipeParameter>>;
  readonly phases: readonly Phase[];
  /** The turn that the trick is about, and the phases that bound its stop; null for tricks that turn nothing over. */
  readonly turn: {
    readonly axis: Axis;
    readonly deg: number;
    readonly stopPhase: string;
    readonly catchPhase: string;
  } | null;
  /** Which parameter `solve` moves for which goal. */
  readonly solveFor: { readonly stop?: string; readonly punch?: string };
  /** Flown instead of the rest when the pilot gives up. */
  readonly abort: readonly Phase[];
  /** Parameters scaled for the slip the height margin must cover, such as a punch that falls short. */
  readonly slip: Readonly<Record<string, number>>;
}

/** The same recipe with other parameter values. Throws a RangeError for an unknown name or a value out of its range. */
export function withParameters(recipe: Recipe, values: Readonly<Record<string, number>>): Recipe {
  const parameters: Record<string, RecipeParameter> = { ...recipe.parameters };
  for (const [name, value] of Object.entries(values)) {
    const known = parameters[name];
    if (!known)
      throw new RangeError(`${name} is no parameter of ${recipe.id}; known: ${Object.keys(parameters).join(", ")}`);
    if (!Number.isFinite(value) || value < known.min || value > known.max) {
      throw new RangeError(`${name} is ${value}; allowed: ${known.min} to ${known.max}`);
    }
    parameters[name] = { ...known, value };
  }
  return { ...recipe, parameters };
}

/** The number behind a value of a recipe. */
export function resolve(recipe: Recipe, value: Value): number {
  if (typeof value === "number") return value;
  const parameter = recipe.parameters[value.param];
  if (!parameter) throw new RangeError(`${value.param} is no parameter of ${recipe.id}`);
  return parameter.value * (value.times ?? 1) + (value.plus ?? 0);
}

/** The recipe with the sense of one or more axes reversed: a front flip from a back flip, a left roll from a right one. */
export function mirrored(recipe: Recipe, axes: readonly Axis[], id: string, label: string): Recipe {
  const turnPhase = (phase: Phase): Phase => ({
    ...phase,
    ...Object.fromEntries(axes.flatMap((axis) => (phase[axis] ? [[axis, negated(phase[axis])]] : []))),
  });
  return {
    ...recipe,
    id,
    label,
    phases: recipe.phases.map(turnPhase),
    abort: recipe.abort.map(turnPhase),
  };
}

function negated(plan: StickPlan): StickPlan {
  switch (plan.kind) {
    case "hold":
      return { ...plan, at: minus(plan.at) };
    case "rate":
      return { ...plan, dps: minus(plan.dps) };
    case "ramp":
    case "ease":
      return { ...plan, from: minus(plan.from), to: minus(plan.to) };
    case "eye":
      return { ...plan, targetDeg: minus(plan.targetDeg) };
    case "view-roll":
      return plan;
  }
}

function minus(value: Value): Value {
  if (typeof value === "number") return value === 0 ? 0 : -value;
  return { param: value.param, times: -(value.times ?? 1), plus: -(value.plus ?? 0) };
}
