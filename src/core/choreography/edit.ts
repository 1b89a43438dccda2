import { DomainError } from "../numbers";
import {
  boundOf,
  senseOf,
  resolve,
  type Flight,
  type Guard,
  type Phase,
  type Recipe,
  type StickPlan,
  type TrimFigures,
  type Value,
} from "../recipes";
import { phasesNamed } from "./check";
import { guardFields, LONGEST_PHASE_S, rounded, turningAxes, withFigureAt, withPhase } from "./figures";
import { phaseSpans, readAt, watchedBy } from "./spans";

/** A phase lasts no shorter than this when it is dragged or split, s. */
export const SHORTEST_PHASE_S = 0.02;
/** Room a phase has beyond the end it was dragged to before it is given up, s. */
const SPARE_S = 1;

/** A phase put in after another lasts so long, s, until it is set. */
const NEW_PHASE_S = 0.3;
export const MOST_PHASES = 40;

/** The recipe with a phase put in after one: sticks at rest, the throttle where it was flown there. */
export function withPhaseAdded(recipe: Recipe, after: number, flight: Flight | null): Recipe {
  requireRoom(recipe);
  const span = flight && phaseSpans(recipe, flight)[after];
  // One sample before the end: the stick is on its way to what comes next already.
  const throttle = span ? readAt(flight.trace, flight.trace.stickThrottle, span.endS - flight.trace.sampleS).value : 0;
  const added: Phase = {
    id: newPhaseId(recipe),
    label: "New phase",
    throttle: { kind: "hold", at: rounded(Math.max(0, Math.min(1, throttle)), 0.01) },
    until: [{ kind: "time", s: NEW_PHASE_S }],
    maxS: NEW_PHASE_S + SPARE_S,
  };
  return { ...recipe, phases: spliced(recipe.phases, after + 1, 0, added) };
}

/** What in the recipe hangs on a phase, as the fields that name it: such a phase stays. */
export function hangsOn(recipe: Recipe, at: number): readonly string[] {
  const { id } = recipe.phases[at];
  return phasesNamed(recipe).flatMap((one) => (one.id === id ? [one.field] : []));
}

/** The recipe without a phase. Where the turn was counted from it, it is counted from the next. Throws a DomainError for one that has to stay. */
export function withoutPhase(recipe: Recipe, at: number): Recipe {
  if (recipe.phases.length === 1) throw new DomainError("phases", 0, "1 or more", "a trick has at least one phase");
  const names = hangsOn(recipe, at);
  if (names.length > 0)
    throw new DomainError(
      "phases",
      at,
      "a phase that nothing names",
      `phase ${at + 1} is named by ${names.join(", ")}`,
    );
  const { mark } = recipe.phases[at];
  const phases = spliced(recipe.phases, at, 1);
  return { ...recipe, phases: mark ? phases.map((one, i) => (i === at ? { ...one, mark } : one)) : phases };
}

/**
 * The recipe with a phase cut in two at a time of its flight. It is flown exactly as before. Throws a DomainError where the phase is not flown
 * then, or one part would be too short.
 */
export function withPhaseSplit(recipe: Recipe, at: number, flight: Flight, atS: number, figures: TrimFigures): Recipe {
  requireRoom(recipe);
  const span = phaseSpans(recipe, flight)[at];
  const firstS = span ? rounded(atS - span.startS, 0.002) : 0;
  if (!span || firstS < SHORTEST_PHASE_S || span.endS - atS < SHORTEST_PHASE_S)
    throw new DomainError(
      "atS",
      atS,
      "well inside the phase",
      `phase ${at + 1} is not flown long enough on both sides of ${atS.toFixed(2)} s`,
    );
  const phase = recipe.phases[at];
  const parts = turningAxes.map((axis) => [axis, splitPlan(recipe, phase[axis], firstS, figures)] as const);
  const sticks = (which: 0 | 1) =>
    Object.fromEntries(parts.flatMap(([axis, two]) => (two ? [[axis, two[which]]] : [])));
  const { mark: _, ...rest } = phase;
  const first: Phase = {
    ...phase,
    ...sticks(0),
    until: [{ kind: "time", s: firstS }],
    maxS: Math.min(LONGEST_PHASE_S, firstS + SPARE_S),
  };
  const second: Phase = {
    ...rest,
    ...sticks(1),
    id: newPhaseId(recipe),
    label: `${phase.label}, on`.slice(0, 80),
    until: phase.until.map((guard) => (guard.kind === "time" ? { ...guard, s: less(guard.s, firstS) } : guard)),
    maxS: rounded(Math.max(SHORTEST_PHASE_S, phase.maxS - firstS), 0.002),
  };
  return { ...recipe, phases: spliced(recipe.phases, at, 1, first, second) };
}

/** Which guard ended a phase: the one nearest to its bound at the end. Null for a phase that was given up or that has none. */
function endedBy(recipe: Recipe, at: number, flight: Flight, figures: TrimFigures): number | null {
  const span = phaseSpans(recipe, flight)[at];
  const { until } = recipe.phases[at];
  if (!span || span.timedOut || until.length === 0) return null;
  const secondsToGo = until.map((guard) => {
    const watched = watchedBy(recipe, guard, flight.trace, span.startS, figures);
    const { value, perS } = readAt(flight.trace, watched, span.endS);
    const miss = senseOf(guard) * (boundOf(recipe, guard, figures) - value);
    return miss <= 0 ? 0 : miss / Math.max(1e-6, Math.abs(perS));
  });
  return secondsToGo.indexOf(Math.min(...secondsToGo));
}

/**
 * The recipe whose phase ends at another time: the guard that ended it waits for what it watched then, or, later than it was flown, for what it
 * would watch if it went on as at its end. A phase that nothing ended is given a time.
 */
export function withEndAt(recipe: Recipe, at: number, flight: Flight, atS: number, figures: TrimFigures): Recipe {
  const span = phaseSpans(recipe, flight)[at];
  if (!span)
    throw new DomainError(
      "phases",
      at,
      "a phase that is flown",
      `phase ${at + 1} is never begun, so its end cannot be moved`,
    );
  const endS = Math.max(span.startS + SHORTEST_PHASE_S, atS);
  const lastsS = endS - span.startS;
  const roomy = withPhase(recipe, at, (phase) => ({
    ...phase,
    maxS: Math.max(phase.maxS, Math.min(LONGEST_PHASE_S, rounded(lastsS + SPARE_S, 0.1))),
  }));
  const guard = endedBy(recipe, at, flight, figures);
  if (guard === null) {
    const timed: Guard = { kind: "time", s: rounded(Math.min(LONGEST_PHASE_S, lastsS), 0.01) };
    return withPhase(roomy, at, (phase) => ({
      ...phase,
      until: [...phase.until.filter(({ kind }) => kind !== "time"), timed],
    }));
  }
  const ended = recipe.phases[at].until[guard];
  const watched = watchedBy(recipe, ended, flight.trace, span.startS, figures);
  const inside = readAt(flight.trace, watched, Math.min(endS, span.endS));
  const wanted = inside.value + inside.perS * Math.max(0, endS - span.endS);
  const place = { phase: at, part: "until", guard, name: guardFields[ended.kind][0].name } as const;
  return withFigureAt(roomy, place, wanted, figures);
}

/** A list in which `gone` items from a place on gave way to others. */
const spliced = <T>(list: readonly T[], at: number, gone: number, ...put: readonly T[]): readonly T[] => [
  ...list.slice(0, at),
  ...put,
  ...list.slice(at + gone),
];

function requireRoom(recipe: Recipe): void {
  if (recipe.phases.length >= MOST_PHASES) throw new DomainError("phases", recipe.phases.length, `1 to ${MOST_PHASES}`);
}

function newPhaseId(recipe: Recipe): string {
  const taken = new Set(recipe.phases.map(({ id }) => id));
  for (let n = 1; ; n++) if (!taken.has(`phase-${n}`)) return `phase-${n}`;
}

/** A plan before and after a moment of its phase. Only a ramp knows the time; everything else goes on as it was. */
function splitPlan(
  recipe: Recipe,
  plan: StickPlan | undefined,
  firstS: number,
  figures: TrimFigures,
): readonly [StickPlan, StickPlan] | null {
  if (!plan) return null;
  if (plan.kind !== "ramp") return [plan, plan];
  const overS = resolve(recipe, plan.overS, figures);
  if (firstS >= overS) return [plan, { kind: "hold", at: plan.to }];
  const from = resolve(recipe, plan.from, figures);
  const middle = from + (firstS / overS) * (resolve(recipe, plan.to, figures) - from);
  return [
    { ...plan, to: middle, overS: firstS },
    { ...plan, from: middle, overS: less(plan.overS, firstS) },
  ];
}

function less(value: Value, by: number): Value {
  return typeof value === "number"
    ? rounded(value - by, 1e-6)
    : { ...value, plus: rounded((value.plus ?? 0) - by, 1e-6) };
}
