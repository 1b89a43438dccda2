import { DomainError, requireNumber } from "../numbers";
import type { Mark } from "./mark";
import type { ObstaclePlan } from "./obstacles";
import type { TrimFigures, Value } from "./value";

export type Axis = "roll" | "pitch" | "yaw";
/** What a turn is counted about: a body axis, or the axis of the view. */
export type TurnAxis = Axis | "view";

/** What a stick of the right or left hand does through a phase. Positions −1..1; pitch positive is stick back, nose up. */
export type StickPlan =
  | { readonly kind: "hold"; readonly at: Value }
  /** The stick that commands this rate through the pilot's curve; full stick where the curve ends before it. */
  | { readonly kind: "rate"; readonly dps: Value }
  | { readonly kind: "ramp"; readonly from: Value; readonly to: Value; readonly overS: Value }
  /** Moves with the angle turned about `axis` since the mark. */
  | {
      readonly kind: "ease";
      readonly axis: TurnAxis;
      readonly fromDeg: Value;
      readonly toDeg: Value;
      readonly from: Value;
      readonly to: Value;
    }
  /** The opposite yaw that keeps the view on its axis through this phase's roll: yaw rate = −roll rate · tan tilt. */
  | { readonly kind: "view-roll" }
  /** The roll that keeps the picture level through this phase's yaw: roll rate = yaw rate · tan tilt. */
  | { readonly kind: "level-turn" }
  /** The stick that gives the body rate of the steady turn the recipe starts in. */
  | { readonly kind: "sustained" }
  /** Its part of the turn about straight down that the recipe starts in or leads into, as the aircraft stands. */
  | { readonly kind: "round" }
  /** The even rate of a loop of this radius begun at the speed of the start trim: v/R. */
  | { readonly kind: "loop"; readonly radiusM: Value }
  /**
   * Held by the pilot's eye: the rate that closes what is seen, gain · (target − seen), seen `delayS` ago (McRuer and Jex 1967); with
   * `sustained`, around the rate of the steady turn the recipe starts in. `side` is how far the right-hand side hangs below the horizon: bank that also means something nose up. `object` turns the nose to the
   * recipe's object.
   */
  | {
      readonly kind: "eye";
      readonly see: "pitch" | "bank" | "side" | "heading" | "object";
      readonly targetDeg: Value;
      readonly gainPerS: Value;
      readonly delayS: Value;
      readonly sustained?: boolean;
      /** Moved off its target by how far the object is from where it is to be, and how fast that grows; never by more than `mostDeg`. */
      readonly keeps?: {
        readonly distanceM: Value;
        readonly degPerM: number;
        readonly degPerMps: number;
        readonly mostDeg: number;
      };
      /**
       * Leant against the drift over the ground: bank against what goes sideways, pitch against what goes ahead faster than `paceMps`, standing still if
       * that is left out; never by more than `mostDeg`.
       */
      readonly stills?: { readonly degPerMps: number; readonly mostDeg: number; readonly paceMps?: Value };
    };

export type ThrottlePlan =
  | { readonly kind: "hold"; readonly at: Value }
  /** The stick that gives this static thrust over weight through the aircraft and the profile; full stick where neither reaches it. */
  | { readonly kind: "thrust"; readonly g: Value }
  /** The throttle the recipe starts with. */
  | { readonly kind: "sustained" }
  /**
   * The thrust of that loop: `share` of v²/R, whose turning with the nose makes the circle, and `weightG` times the weight as far as it
   * points up: so much less over the top than at the bottom.
   */
  | { readonly kind: "loop"; readonly radiusM: Value; readonly share: Value; readonly weightG: Value }
  /** Held by the pilot's eye on climb speed: thrust = weight·(1 + gain·(target − seen)/g). */
  | {
      readonly kind: "eye";
      readonly see: "climb";
      readonly targetMps: Value;
      readonly gainPerS: Value;
      readonly delayS: Value;
    }
  /** Held by the pilot's eye on the object: comes down so as to go straight to its foot, height over distance times the speed of closing in. */
  | { readonly kind: "eye"; readonly see: "spot"; readonly gainPerS: Value; readonly delayS: Value }
  /** Held by the pilot's eye on height above the entry: the climb speed wanted is gain · (target − seen). */
  | {
      readonly kind: "eye";
      readonly see: "height";
      readonly targetM: Value;
      readonly gainPerS: Value;
      readonly delayS: Value;
    };

/** Ends a phase as soon as it is true. */
export type Guard =
  | { readonly kind: "time"; readonly s: Value }
  /** Angle turned about a body axis since the mark, in either sense; with a lead, the angle it will have `leadS` from now at the present rate. */
  | { readonly kind: "turned"; readonly axis: TurnAxis; readonly deg: Value; readonly leadS?: Value }
  /** Climb speed falls to or below / rises to or above. */
  | { readonly kind: "climb"; readonly is: "below" | "above"; readonly mps: Value }
  /** Height above the entry point. */
  | { readonly kind: "height"; readonly is: "below" | "above"; readonly m: Value }
  /** Height above the ground. */
  | { readonly kind: "ground"; readonly is: "below" | "above"; readonly m: Value }
  /** Way along the line of entry since the start, and speed along it. */
  | { readonly kind: "along"; readonly is: "below" | "above"; readonly m: Value }
  | { readonly kind: "ahead"; readonly is: "below" | "above"; readonly mps: Value }
  /** Pitch, or heading turned since the entry (right positive, counted on past half a turn), falls to or below / rises to or above. */
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
  /** The hands stay where they are, whatever the plans say. */
  readonly frozen?: boolean;
}

export interface RecipeParameter {
  readonly label: string;
  readonly unit: "s" | "°" | "°/s" | "g" | "m" | "m/s" | "";
  readonly value: number;
  readonly min: number;
  readonly max: number;
}

/** How a flight begins. */
export type Start =
  | { readonly kind: "hover" }
  /** Level cruise with the horizon through the middle of the picture. */
  | { readonly kind: "cruise" }
  /** Level flight at a speed. */
  | { readonly kind: "level"; readonly speedMps: Value }
  /**
   * A steady circle facing its centre, at the camera's tilt and so many m of radius; clockwise from above turns right. With a lead-in it begins so many m
   * before the circle, level and straight along its tangent, at the speed of the circle: figures and rates are those of the circle.
   */
  | { readonly kind: "orbit"; readonly radiusM: Value; readonly clockwise: boolean; readonly leadInM?: Value }
  /** A circle with the centre behind the tail, no bank and the nose up: the camera looks back at it over the top. */
  | {
      readonly kind: "looking-back";
      readonly turnDps: Value;
      readonly noseUpDeg: Value;
      /** As of an orbit. */
      readonly leadInM?: Value;
    }
  /** A steady circle with the view raised and the picture turned about the view axis. */
  | {
      readonly kind: "steady-turn";
      readonly turnDps: Value;
      readonly viewElevationDeg: Value;
      readonly viewRollDeg: Value;
    };

/** A goal that is met by moving one parameter. */
export type Aim =
  /** The turn ends on the mark: stop error 0. */
  | { readonly kind: "stop-on-mark" }
  /** The trick ends at the height at which it began. */
  | { readonly kind: "return-to-entry-height" }
  /** It comes to rest this far along the line of entry. */
  | { readonly kind: "stop-at"; readonly alongM: Value }
  /** The recipe's gap stands where the aircraft is in the middle of a phase, so far ahead of the start and so far beside its line. */
  | { readonly kind: "gap-ahead" | "gap-beside"; readonly phase: string }
  /** Its beam stands a metre above the aircraft there, counted from the entry. */
  | { readonly kind: "gap-above"; readonly phase: string }
  /** It ends turned by this against the entry, right positive, °. */
  | { readonly kind: "heading"; readonly deg: Value }
  /** A loop twice this wide. */
  | { readonly kind: "loop-radius"; readonly radiusM: Value }
  /** The recipe's bar stands in the middle of the loop: so far ahead of the start, and so far above the entry. */
  | { readonly kind: "bar-ahead" }
  | { readonly kind: "bar-above" };

/** A trick as choreography: plain data that `fly` plays. */
export interface Recipe {
  readonly id: string;
  readonly label: string;
  readonly start: Start;
  readonly parameters: Readonly<Record<string, RecipeParameter>>;
  readonly phases: readonly Phase[];
  /** The turn that the trick is about, and the phases that bound its stop; null for tricks that turn nothing over. */
  readonly turn: {
    readonly axis: TurnAxis;
    readonly deg: number;
    readonly stopPhase: string;
    readonly catchPhase: string;
  } | null;
  /** What is solved for an aircraft, in order, and the parameter moved for it. */
  readonly solveFor: readonly {
    readonly aim: Aim;
    readonly param: string;
    /** Moved by this factor at a time where no value of the parameter meets the aim: a harder punch where no length of it will do. */
    readonly otherwise?: { readonly param: string; readonly times: number };
  }[];
  /** Flown instead of the rest when the pilot gives up. */
  readonly abort: readonly Phase[];
  /** The phase that a pilot who freezes never begins, and what the aircraft does instead: falls with the throttle closed if not said. */
  readonly freeze?: { readonly before: string; readonly instead?: Phase };
  /** Parameters scaled for the slip the height margin must cover, such as a punch that falls short. */
  readonly slip: Readonly<Record<string, number>>;
  /** Flying, or standing on the ground. */
  readonly ends?: "flying" | "landed";
  /** The phases that make a loop, for its circle. */
  readonly loop?: { readonly from: string; readonly to: string };
  /** The phase in which the sticks should rest and the circle be even. */
  readonly steadyPhase?: string;
  /** The phase that comes down on the landing. */
  readonly descentPhase?: string;
  /** The phase that begins to brake. */
  readonly brakePhase?: string;
  readonly obstacles?: readonly ObstaclePlan[];
  /**
   * What is looked at, m along and across from the start and up to `heightM` above the ground, a spot on it if that is left out; the centre of the steady
   * turn when the recipe starts in one.
   */
  readonly object?: {
    readonly alongM: Value;
    readonly acrossM: Value;
    readonly heightM?: Value;
    /** The height is counted from the entry. */
    readonly aboveEntry?: boolean;
  };
  /** The phases in which the object is to be in the picture, from the first to before the last named; the whole flight if not said. */
  readonly inPicture?: { readonly from: string; readonly to: string };
  /** What is looked at in the field besides the stop: a flight that misses one is not clean. */
  readonly marks?: readonly Mark[];
  /** A trick that belongs at this height above the ground, such as a landing; otherwise the height is worked out. */
  readonly entryHeightM?: Value;
  /** Flown across the wind and with at least so much of it, m/s, positive from the left. */
  readonly sideWindMps?: Value;
}

/** The same recipe with other parameter values. Throws a DomainError for an unknown name or a value out of its range. */
export function withParameters(recipe: Recipe, values: Readonly<Record<string, number>>): Recipe {
  const parameters: Record<string, RecipeParameter> = { ...recipe.parameters };
  for (const [name, value] of Object.entries(values)) {
    const known = parameters[name];
    if (!known)
      throw new DomainError(
        name,
        values[name],
        Object.keys(parameters).join(", "),
        `${name} is no parameter of ${recipe.id}; known: ${Object.keys(parameters).join(", ")}`,
      );
    parameters[name] = { ...known, value: requireNumber(name, value, known.min, known.max) };
  }
  return { ...recipe, parameters };
}

/** The number behind a value of a recipe. Throws a DomainError for an unknown name, or for a trim figure without a trim. */
export function resolve(recipe: Recipe, value: Value, trim?: TrimFigures): number {
  if (typeof value === "number") return value;
  const { times = 1, plus = 0 } = value;
  if ("of" in value) {
    if (!trim) throw new DomainError(value.of, value, "", `${value.of} is known only in flight`);
    return trim[value.of] * times + plus;
  }
  const parameter = recipe.parameters[value.param];
  if (!parameter)
    throw new DomainError(
      value.param,
      value,
      Object.keys(recipe.parameters).join(", "),
      `${value.param} is no parameter of ${recipe.id}`,
    );
  if (value.timesOf === undefined) return parameter.value * times + plus;
  if (!trim) throw new DomainError(value.timesOf, value, "", `${value.timesOf} is known only in flight`);
  return parameter.value * trim[value.timesOf] * times + plus;
}

/**
 * The recipe with the sense of one or more axes reversed: a front flip from a back flip. With roll and yaw together it is the mirror image, so
 * the start, the guards on heading and what stands about are mirrored too.
 */
export function mirrored(recipe: Recipe, axes: readonly Axis[], id: string, label: string): Recipe {
  const sideways = axes.includes("roll") && axes.includes("yaw");
  const turnGuard = (guard: Guard): Guard =>
    sideways && guard.kind === "heading"
      ? { ...guard, is: guard.is === "below" ? "above" : "below", deg: minus(guard.deg) }
      : guard;
  const turnPhase = (phase: Phase): Phase => ({
    ...phase,
    ...Object.fromEntries(axes.flatMap((axis) => (phase[axis] ? [[axis, negated(phase[axis])]] : []))),
    until: phase.until.map(turnGuard),
  });
  const { freeze, obstacles, object, sideWindMps, solveFor } = recipe;
  return {
    ...recipe,
    id,
    label,
    ...(sideways && {
      solveFor: solveFor.map((one) =>
        one.aim.kind === "heading" ? { ...one, aim: { ...one.aim, deg: minus(one.aim.deg) } } : one,
      ),
    }),
    start: sideways ? mirroredStart(recipe.start) : recipe.start,
    phases: recipe.phases.map(turnPhase),
    abort: recipe.abort.map(turnPhase),
    ...(freeze?.instead && { freeze: { ...freeze, instead: turnPhase(freeze.instead) } }),
    ...(sideways && obstacles && { obstacles: obstacles.map((one) => ({ ...one, acrossM: minus(one.acrossM) })) }),
    ...(sideways && sideWindMps !== undefined && { sideWindMps: minus(sideWindMps) }),
    ...(sideways && object && { object: { ...object, acrossM: minus(object.acrossM) } }),
  };
}

function mirroredStart(start: Start): Start {
  if (start.kind === "orbit") return { ...start, clockwise: !start.clockwise };
  if (start.kind === "looking-back") return { ...start, turnDps: minus(start.turnDps) };
  if (start.kind !== "steady-turn") return start;
  return { ...start, turnDps: minus(start.turnDps), viewRollDeg: minus(start.viewRollDeg) };
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
    case "eye": {
      const { keeps } = plan;
      return {
        ...plan,
        targetDeg: minus(plan.targetDeg),
        ...(keeps && { keeps: { ...keeps, degPerM: -keeps.degPerM, degPerMps: -keeps.degPerMps } }),
      };
    }
    case "loop":
      return { ...plan, radiusM: minus(plan.radiusM) };
    case "view-roll":
    case "level-turn":
    case "sustained":
    case "round":
      return plan;
  }
}

function minus(value: Value): Value {
  if (typeof value === "number") return value === 0 ? 0 : -value;
  // The bank of a mirrored start is mirrored already.
  const sign = "of" in value && value.of === "trimBankDeg" ? 1 : -1;
  const times = sign * (value.times ?? 1);
  const plus = -(value.plus ?? 0);
  const { times: _, plus: __, ...what } = value;
  return { ...what, ...(times !== 1 && { times }), ...(plus !== 0 && { plus }) };
}
