import type { Airframe } from "../airframe";
import type { Settings } from "../flight";
import { rateAtStick, stickForRateClamped } from "../rates";
import {
  resolve,
  stickForThrust,
  thrustAtStick,
  type Axis,
  type Recipe,
  type StickPlan,
  type TrimFigures,
  type Value,
} from "../recipes";
import { rounded, turningAxes, withFigureAt, withPhase, type FigurePlace } from "./figures";

/** With what a recipe is flown: what a stick position means. */
export interface FlightContext {
  readonly aircraft: Airframe;
  readonly settings: Settings;
  readonly figures: TrimFigures;
}

/** A stick target that can be taken hold of: a position −1..1, of the throttle 0..1, and where in its phase it counts. */
export interface Handle {
  readonly place: FigurePlace;
  readonly at: number;
  readonly where: "start" | "middle" | "end";
  /** The stick rests: moved, it is held there. */
  readonly rests: boolean;
}

/** The stick targets of a phase, those of sticks at rest too. What the eye holds, and what follows from another stick, has none. */
export function handlesOf(recipe: Recipe, at: number, context: FlightContext): readonly Handle[] {
  const phase = recipe.phases[at];
  const value = (of: Value) => resolve(recipe, of, context.figures);
  const handle = (
    part: Axis | "throttle",
    name: string,
    stick: number,
    where: Handle["where"],
    rests = false,
  ): Handle => ({
    place: { phase: at, part, guard: null, name },
    at: Math.max(part === "throttle" ? 0 : -1, Math.min(1, stick)),
    where,
    rests,
  });
  const { throttle } = phase;
  return [
    ...(throttle.kind === "hold" ? [handle("throttle", "at", value(throttle.at), "middle")] : []),
    ...(throttle.kind === "thrust"
      ? [
          handle(
            "throttle",
            "g",
            stickForThrust(context.aircraft, context.settings.throttle, value(throttle.g)),
            "middle",
          ),
        ]
      : []),
    ...turningAxes.flatMap((axis): Handle[] => {
      const plan = phase[axis];
      switch (plan?.kind) {
        case undefined:
          return [handle(axis, "at", 0, "middle", true)];
        case "hold":
          return [handle(axis, "at", value(plan.at), "middle")];
        case "rate":
          return [handle(axis, "dps", stickForRateClamped(context.settings.rates[axis], value(plan.dps)), "middle")];
        case "ramp":
        case "ease":
          return [handle(axis, "from", value(plan.from), "start"), handle(axis, "to", value(plan.to), "end")];
        default:
          return [];
      }
    }),
  ];
}

/** The recipe with a stick target moved to a stick position: a rate or a thrust to what that position gives with this aircraft and these settings. */
export function withHandleAt(recipe: Recipe, place: FigurePlace, stick: number, context: FlightContext): Recipe {
  const { settings, figures } = context;
  const { part } = place;
  if (part !== "throttle" && part !== "until" && recipe.phases[place.phase][part] === undefined) {
    const held: StickPlan = { kind: "hold", at: rounded(Math.max(-1, Math.min(1, stick)), 0.01) };
    return withPhase(recipe, place.phase, (phase) => ({ ...phase, [part]: held }));
  }
  const wanted =
    place.name === "dps"
      ? rateAtStick(settings.rates[place.part as Axis], Math.max(-1, Math.min(1, stick)))
      : place.name === "g"
        ? thrustAtStick(context.aircraft, settings.throttle, stick)
        : stick;
  return withFigureAt(recipe, place, wanted, figures);
}
