import { rateAtStick } from "../rates";
import {
  boundOf,
  senseOf,
  thrustAtStick,
  LONGEST_FLIGHT_S,
  resolve,
  STEP_S,
  type Axis,
  type Flight,
  type FlightEvent,
  type Guard,
  type Recipe,
} from "../recipes";
import { turningAxes } from "./figures";
import type { FlightContext } from "./handles";
import { phaseSpans, watchedBy, type PhaseSpan } from "./spans";

/** What a guard waited for and how near it came, in the unit of its bound. */
export interface Miss {
  readonly guard: Guard;
  readonly wanted: number;
  readonly nearest: number;
  /** What it watched when the phase was given up. */
  readonly last: number;
}

/** Something to know about a phase as it was flown. */
export type PhaseNote = { readonly phase: number } & (
  | { readonly kind: "never-ends"; readonly afterS: number; readonly misses: readonly Miss[] }
  | { readonly kind: "ends-at-once"; readonly guard: Guard }
  /** The flight met the ground or something that stands about. */
  | { readonly kind: "met"; readonly met: Extract<FlightEvent, { readonly kind: "crash" | "touchdown" }> }
  | { readonly kind: "not-reached" }
  | { readonly kind: "too-long"; readonly mostS: number }
  | { readonly kind: "rate-beyond"; readonly axis: Axis; readonly askedDps: number; readonly mostDps: number }
  | { readonly kind: "thrust-beyond"; readonly askedG: number; readonly mostG: number }
);

/** What is to be said of each phase of a flown recipe: those without an end first of all. */
export function phaseNotes(recipe: Recipe, flight: Flight, context: FlightContext): readonly PhaseNote[] {
  const spans = phaseSpans(recipe, flight);
  return recipe.phases.flatMap((_, at): PhaseNote[] => {
    const span = spans[at];
    if (!span) return [{ phase: at, kind: "not-reached" }];
    return [...flownNotes(recipe, at, span, flight, context), ...beyond(recipe, at, context)];
  });
}

function flownNotes(
  recipe: Recipe,
  at: number,
  span: PhaseSpan,
  { trace, events }: Flight,
  { figures }: FlightContext,
): PhaseNote[] {
  const { until } = recipe.phases[at];
  if (span.timedOut) {
    const within = trace.timeS
      .map((_, i) => i)
      .filter((i) => trace.timeS[i] >= span.startS && trace.timeS[i] <= span.endS);
    const misses = until.map((guard): Miss => {
      const watched = watchedBy(recipe, guard, trace, span.startS, figures);
      const wanted = boundOf(recipe, guard, figures);
      const togo = (i: number) => senseOf(guard) * (wanted - watched[i]);
      const nearest = within.reduce((best, i) => (togo(i) < togo(best) ? i : best), within[0]);
      return { guard, wanted, nearest: watched[nearest], last: watched[within[within.length - 1]] };
    });
    return [{ phase: at, kind: "never-ends", afterS: span.endS - span.startS, misses }];
  }
  if (span.brokeOff) {
    const met = events.find((event) => event.kind === "crash" || event.kind === "touchdown")!;
    // Coming down is how a landing ends.
    const wanted = recipe.ends === "landed" && met.kind === "touchdown" && at === recipe.phases.length - 1;
    return wanted ? [] : [{ phase: at, kind: "met", met }];
  }
  if (at === recipe.phases.length - 1 && span.endS >= LONGEST_FLIGHT_S - STEP_S)
    return [{ phase: at, kind: "too-long", mostS: LONGEST_FLIGHT_S }];
  if (span.endS - span.startS < STEP_S && until.length > 0) {
    const held = until.find((guard) => {
      const now = watchedBy(recipe, guard, trace, span.startS, figures)[
        trace.timeS.findIndex((t) => t >= span.startS - 1e-9)
      ];
      return senseOf(guard) * (now - boundOf(recipe, guard, figures)) >= 0;
    });
    return [{ phase: at, kind: "ends-at-once", guard: held ?? until[0] }];
  }
  return [];
}

/** What is asked of the sticks that the curves or the motors do not give. */
function beyond(recipe: Recipe, at: number, context: FlightContext): PhaseNote[] {
  const phase = recipe.phases[at];
  const { settings, figures } = context;
  const notes: PhaseNote[] = turningAxes.flatMap((axis) => {
    const plan = phase[axis];
    if (plan?.kind !== "rate") return [];
    const askedDps = resolve(recipe, plan.dps, figures);
    const mostDps = rateAtStick(settings.rates[axis], 1);
    return Math.abs(askedDps) > mostDps + 0.5 ? [{ phase: at, kind: "rate-beyond", axis, askedDps, mostDps }] : [];
  });
  if (phase.throttle.kind === "thrust") {
    const askedG = resolve(recipe, phase.throttle.g, figures);
    const mostG = thrustAtStick(context.aircraft, settings.throttle, 1);
    if (askedG > mostG + 0.005) notes.push({ phase: at, kind: "thrust-beyond", askedG, mostG });
  }
  return notes;
}
