import {
  flownForReal,
  advise,
  burstOf,
  chanceGreater,
  dayIn,
  digestOf,
  distinctDays,
  markIn,
  recentOf,
  judge,
  mergedDays,
  remembering,
  reviewOf,
  weighEvidence,
  wilsonInterval,
  windowOf,
  TELLING_IMBALANCE,
  usualRules,
  type Advice,
  type Attempt,
  type Burst,
  type FlyingDay,
  type Review,
  type SquadRules,
  type StepEvidence,
  type Tallied,
  Z90,
} from "@/core";
import { bailCreditOf, type BailCredit } from "./bails";
import type { DigestedStep } from "./digested-step";
import { routeOf, sideOf, type School } from "./schools";
import { currentStep, needsOf, onRoute, pathOf, skillOf, stepBefore, type Syllabus } from "./syllabus";
import type { Route, Step } from "./types";

export type StepState = "signed-off" | "being-learnt" | "not-begun";

/** Attempts at any steps, by step, with what is kept of them. */
export function digestSteps(
  attempts: readonly (Attempt & { readonly stepId: string })[],
  timeZone = usualRules.timeZone,
): ReadonlyMap<string, DigestedStep> {
  const byStep = new Map<string, (typeof attempts)[number][]>();
  for (const attempt of attempts) byStep.set(attempt.stepId, [...(byStep.get(attempt.stepId) ?? []), attempt]);
  return new Map([...byStep].map(([id, own]) => [id, { digest: digestOf(own, timeZone), recent: recentOf(own) }]));
}

/** Where a pilot stands at one step. */
export interface StepStanding {
  readonly stepId: string;
  readonly state: StepState;
  readonly evidence: StepEvidence;
  readonly attempts: number;
  readonly lastFlownMs: number | null;
  readonly advice: Advice;
  /** Steps that want signing off before. Those before the furthest sign-off are taken as known. */
  readonly needsFirst: readonly string[];
  /** The school wants it flown in the simulator first, and the mark is not met there yet. */
  readonly simulatorFirst: boolean;
  /** Of signed-off steps: when it wants flying again. */
  readonly review: Review | null;
  readonly reviewDue: boolean;
  /** Of signed-off steps: what the last days flown say, where they lie below the mark. */
  readonly slipping: Slip | null;
  /** Of steps of bailing out: how it ended where other tricks went wrong. */
  readonly bailCredit: BailCredit | null;
}

/** The last days flown at a signed-off step lie below its mark. */
export interface Slip {
  readonly clean: number;
  readonly all: number;
  readonly days: number;
}

export interface PilotStanding {
  /** The steps of the pilot's route in order, and what was flown or signed off beside it. */
  readonly steps: readonly StepStanding[];
  /** Where the pilot is; null when nothing is open after what was signed off last. */
  readonly current: StepStanding | null;
  readonly reviewsDue: readonly StepStanding[];
  readonly lastFlownMs: number | null;
  /** Days since then by the clocks of the squad; null before any flight. */
  readonly idleDays: number | null;
}

export interface StandingInput {
  readonly syllabus: Syllabus;
  readonly school: School;
  /** By step id; steps that were never flown are left out. */
  readonly flown: ReadonlyMap<string, DigestedStep>;
  /** Ids of the steps signed off. */
  readonly signedOff: ReadonlySet<string>;
  /** The setup the pilot flies now. */
  readonly setupId: string | null;
  readonly nowMs: number;
  readonly rules: SquadRules;
}

/** Where a pilot stands, for the squad: only what a coach looks at there. */
export interface Glance {
  readonly current: StepStanding | null;
  /** Steps of the way, without what lies beside it. */
  readonly steps: number;
  readonly signedOff: number;
  /** Steps of the way by stage, from the shallowest, and how many of them are signed off. */
  readonly depths: readonly { readonly steps: number; readonly signedOff: number }[];
  readonly reviewsDue: readonly { readonly stepId: string; readonly memory: number }[];
  readonly slipping: readonly (Slip & { readonly stepId: string })[];
  /** One side is better than the other at this step, for all that was flown, with this chance. */
  readonly favours: {
    readonly stepId: string;
    readonly better: string;
    readonly worse: string;
    readonly chance: number;
  } | null;
  /** Flying days in a heap with a long time without one after it. */
  readonly burst: Burst | null;
  readonly lastFlownMs: number | null;
  /** Days since then by the clocks of the squad; null before any flight. */
  readonly idleDays: number | null;
}

const REST_MEMORY_MS = 12 * 3_600_000;
/** A signed-off step slips when its last three days, six attempts at least, lie below the mark with 90 % chance. Ours. */
const SLIP = { days: 3, attempts: 6, z: Z90 } as const;

/** Evidence, advice and state of every step for one pilot. */
export function standingOf(input: StandingInput): PilotStanding {
  const { syllabus, flown, signedOff } = input;
  const context = contextOf(input);
  const reviews = reviewsOf(input);
  const all = syllabus.steps
    .filter((step) => onRoute(step, context.route) || flown.has(step.id) || signedOff.has(step.id))
    .map((step) => stepStanding(step, input, context, reviews));
  return {
    steps: all,
    current: all.find(({ stepId }) => stepId === context.current?.id) ?? null,
    reviewsDue: all.filter((one) => one.reviewDue),
    lastFlownMs: context.lastFlownMs,
    idleDays: idleDaysOf(input, context),
  };
}

/** One step for one pilot, whether or not it is on their route. */
export function standingAt(step: Step, input: StandingInput): StepStanding {
  return stepStanding(step, input, contextOf(input), input.signedOff.has(step.id) ? reviewsOf(input) : NO_REVIEWS);
}

/** The squad's look at a pilot. Needs the recent attempts of the current step and of what was flown within the last hours only. */
export function glanceOf(input: StandingInput): Glance {
  const { syllabus, signedOff, nowMs } = input;
  const context = contextOf(input);
  const reviews = reviewsOf(input);
  return {
    current: context.current && stepStanding(context.current, input, context, reviews),
    ...depthsOf(signedOff, syllabus, context.route),
    reviewsDue: signedOffSteps(input).flatMap(({ id }) => {
      const review = reviews.get(id);
      return review && review.dueMs <= nowMs ? [{ stepId: id, memory: review.memory }] : [];
    }),
    slipping: [...slipsOf(input)].map(([stepId, slip]) => ({ stepId, ...slip })),
    favours: favouredSide(input, context),
    burst: lastBurst(input),
    lastFlownMs: context.lastFlownMs,
    idleDays: idleDaysOf(input, context),
  };
}

const depthsOf = remembering(
  (
    signedOff: StandingInput["signedOff"],
    syllabus: Syllabus,
    route: Route,
  ): Pick<Glance, "steps" | "signedOff" | "depths"> => {
    const path = pathOf(syllabus, route).filter(({ optional }) => !optional);
    const count = (steps: readonly Step[]) => ({
      steps: steps.length,
      signedOff: steps.filter(({ id }) => signedOff.has(id)).length,
    });
    return {
      ...count(path),
      depths: syllabus.stages.map((_, stage) => count(path.filter((step) => skillOf(syllabus, step).stage === stage))),
    };
  },
);

/** How far signed-off steps slipped, by id, in the order of the syllabus; only those that did. */
export const slipsOf = ({ flown, syllabus, signedOff }: StandingInput) => slipsIn(flown, syllabus, signedOff);

const slipsIn = remembering(
  (
    flown: StandingInput["flown"],
    syllabus: Syllabus,
    signedOff: StandingInput["signedOff"],
  ): ReadonlyMap<string, Slip> =>
    new Map(
      signedOffIn(signedOff, syllabus).flatMap((step) => {
        const slip = slipOf(step, flown.get(step.id)?.digest.days ?? []);
        return slip ? [[step.id, slip] as const] : [];
      }),
    ),
);

/** The step a pilot is at, told from what was flown and signed off. */
export const currentStepOf = ({
  syllabus,
  school,
  flown,
  signedOff,
}: Pick<StandingInput, "syllabus" | "school" | "flown" | "signedOff">): Step | null =>
  currentStepIn(flown, syllabus, routeOf(school), signedOff);

const currentStepIn = remembering(
  (
    flown: StandingInput["flown"],
    syllabus: Syllabus,
    route: Route,
    signedOff: StandingInput["signedOff"],
  ): Step | null => {
    const lastFlown = new Map<string, number>();
    for (const [id, { digest }] of flown) if (digest.lastMs !== null) lastFlown.set(id, digest.lastMs);
    return currentStep(syllabus, route, signedOff, lastFlown);
  },
);

/** The setup with which a pilot flew the step they are at last; null before any flight. */
export const setupFlownLast = (progress: Parameters<typeof currentStepOf>[0]): string | null =>
  progress.flown.get(currentStepOf(progress)?.id ?? "")?.recent.at(-1)?.setupId ?? null;

interface Context {
  readonly route: Route;
  readonly current: Step | null;
  readonly latestDay: readonly Attempt[];
  readonly lastFlownMs: number | null;
  /** Ids of steps that are signed off or lie before the furthest sign-off. */
  readonly known: ReadonlySet<string>;
}

function contextOf({ syllabus, school, flown, signedOff, nowMs }: StandingInput): Context {
  const route = routeOf(school);
  const lastFlownMs = lastFlownIn(flown);
  // A hard day matters while it is fresh; after a night the pilot has rested.
  const rested = lastFlownMs === null || nowMs - lastFlownMs >= REST_MEMORY_MS;
  return {
    route,
    current: currentStepOf({ syllabus, school, flown, signedOff }),
    latestDay: rested
      ? NOTHING_FLOWN
      : [...flown.values()]
          .flatMap(({ recent }) => recent.filter((one) => flownForReal(one) && nowMs - one.atMs < REST_MEMORY_MS))
          .sort((a, b) => a.atMs - b.atMs),
    lastFlownMs,
    known: knownOf(signedOff, syllabus, route),
  };
}

const NOTHING_FLOWN: readonly Attempt[] = [];

const lastFlownIn = remembering((flown: StandingInput["flown"]): number | null => {
  const times = [...flown.values()].flatMap(({ digest }) => (digest.lastMs === null ? [] : [digest.lastMs]));
  return times.length > 0 ? Math.max(...times) : null;
});

const knownOf = remembering(
  (signedOff: StandingInput["signedOff"], syllabus: Syllabus, route: Route): ReadonlySet<string> => {
    const path = pathOf(syllabus, route);
    const furthest = path.reduce((last, { id }, i) => (signedOff.has(id) ? i : last), -1);
    return new Set([...signedOff, ...path.slice(0, Math.max(0, furthest)).map(({ id }) => id)]);
  },
);

/** The steps signed off, in the order of the syllabus. */
export const signedOffSteps = ({ syllabus, signedOff }: StandingInput) => signedOffIn(signedOff, syllabus);

const signedOffIn = remembering((signedOff: StandingInput["signedOff"], { steps }: Syllabus): readonly Step[] =>
  steps.filter(({ id }) => signedOff.has(id)),
);

function stepStanding(
  step: Step,
  input: StandingInput,
  context: Context,
  reviews: ReadonlyMap<string, Review>,
): StepStanding {
  const { syllabus, school, flown, signedOff, setupId, nowMs, rules } = input;
  const own = flown.get(step.id);
  const recent = own?.recent ?? [];
  const attempts = own?.digest.attempts ?? 0;
  const evidence = evidenceAt(recent, step, own?.digest.tallies ?? noTallies, rules.attendedOnly);
  const signed = signedOff.has(step.id);
  const review = (signed && reviews.get(step.id)) || null;
  return {
    stepId: step.id,
    state: signed ? "signed-off" : attempts > 0 || step === context.current ? "being-learnt" : "not-begun",
    evidence,
    attempts,
    lastFlownMs: own?.digest.lastMs ?? null,
    advice: adviceOn(
      evidence,
      recent,
      step.mark,
      context.latestDay,
      setupId,
      stepBefore(syllabus, step, context.route)?.id ?? null,
      signed,
      rules,
    ),
    needsFirst: signed
      ? []
      : needsOf(syllabus, step, context.route)
          .filter(({ id }) => !context.known.has(id))
          .map(({ id }) => id),
    simulatorFirst: !signed && simulatorLacking(step, school, recent),
    review,
    reviewDue: review !== null && review.dueMs <= nowMs,
    slipping: signed ? slipOf(step, own?.digest.days ?? []) : null,
    bailCredit: bailCreditOf(syllabus, step, flown),
  };
}

const noTallies: readonly Tallied[] = [];
const evidenceAt = remembering(
  (recent: readonly Attempt[], step: Step, tallies: readonly Tallied[], attendedOnly: boolean): StepEvidence =>
    weighEvidence(
      recent,
      step.mark,
      step.directions.map(({ id }) => id),
      tallies,
      { attendedOnly },
    ),
);

const adviceOn = remembering(
  (
    evidence: StepEvidence,
    recent: readonly Attempt[],
    mark: Step["mark"],
    latestDay: readonly Attempt[],
    setupId: string | null,
    previousStepId: string | null,
    signedOff: boolean,
    rules: SquadRules,
  ): Advice => {
    // Nobody tires, crashes or settles into a setup in a simulator.
    const attempts = recent.filter(flownForReal);
    return advise({ evidence, mark, attempts, latestDay, setupId, previousStepId, signedOff, rules });
  },
);

/** Whether the school wants the step flown in the simulator first and its mark is not met there. */
export function simulatorLacking(step: Step, school: School, recent: readonly Attempt[]): boolean {
  if (!step.simulatorFirst || sideOf(school, "simulator").id !== "first") return false;
  return !judge(
    markIn(step.mark, "simulator"),
    [...recent].sort((a, b) => a.atMs - b.atMs),
    step.directions.map(({ id }) => id),
  ).met;
}

/**
 * Reviews of the steps signed off by id, of those that were flown. A later step of the same skill flown clean keeps the earlier ones fresh: they are
 * contained in it.
 */
export const reviewsOf = ({ syllabus, flown, signedOff, nowMs, rules }: StandingInput): ReadonlyMap<string, Review> =>
  reviewsIn(flown, syllabus, signedOff, nowMs, rules);

const NO_REVIEWS: ReadonlyMap<string, Review> = new Map();

const reviewsIn = remembering(
  (
    flown: StandingInput["flown"],
    syllabus: Syllabus,
    signedOff: StandingInput["signedOff"],
    nowMs: number,
    rules: SquadRules,
  ) => {
    const reviews = new Map<string, Review>();
    for (const [stepId, days] of repeatedOn(flown, syllabus, signedOff)) {
      const review = reviewOf(days, nowMs, rules.timeZone);
      if (review) reviews.set(stepId, review);
    }
    return reviews;
  },
);

/** The days on which each step signed off was repeated, by itself or in a later one. */
const repeatedOn = remembering(
  (flown: StandingInput["flown"], syllabus: Syllabus, signedOff: StandingInput["signedOff"]) => {
    const repeated: (readonly [stepId: string, days: readonly FlyingDay[]])[] = [];
    for (const skill of new Set(signedOffIn(signedOff, syllabus).map((step) => skillOf(syllabus, step)))) {
      let contained: readonly FlyingDay[] = [];
      for (const step of [...skill.steps].reverse()) {
        const own = flown.get(step.id)?.digest.days ?? [];
        if (signedOff.has(step.id)) repeated.push([step.id, mergedDays(own, contained)]);
        contained = mergedDays(cleanDays(own), contained);
      }
    }
    return repeated;
  },
);

/** The clean tries alone, day by day. */
const cleanDays = remembering((days: readonly FlyingDay[]): readonly FlyingDay[] =>
  days.filter(([, count]) => count > 0).map(([day, count]): FlyingDay => [day, count, count]),
);

/** How far a signed-off step has slipped below its mark, if it has. */
function slipOf(step: Step, days: readonly FlyingDay[]): Slip | null {
  const last = days.slice(-SLIP.days);
  const clean = last.reduce((sum, [, own]) => sum + own, 0);
  const all = last.reduce((sum, [, , own]) => sum + own, 0);
  if (all < SLIP.attempts || wilsonInterval(clean, all, SLIP.z).high >= windowOf(step.mark).share) return null;
  return { clean, all, days: last.length };
}

const idleDaysOf = ({ nowMs, rules }: StandingInput, { lastFlownMs }: Context) =>
  lastFlownMs === null ? null : dayIn(rules.timeZone, nowMs) - dayIn(rules.timeZone, lastFlownMs);

function lastBurst({ flown, nowMs, rules }: StandingInput): Burst | null {
  return burstOf(daysFlown(flown), dayIn(rules.timeZone, nowMs));
}

const daysFlown = remembering((flown: StandingInput["flown"]) =>
  distinctDays([...flown.values()].map(({ digest }) => digest.days)),
);

/** The clearest difference between two directions of the current step, from raw counts. */
const favouredSide = ({ flown }: StandingInput, { current }: Context): Glance["favours"] =>
  current && favouredAt(flown.get(current.id)?.digest.tallies ?? noTallies, current);

const favouredAt = remembering((tallies: readonly Tallied[], current: Step): Glance["favours"] => {
  const sides = current.directions
    .map(({ id }) => {
      const own = tallies.filter(({ direction }) => direction === id);
      const clean = own.reduce((sum, { counts }) => sum + counts.clean, 0);
      const all = own.reduce((sum, { counts }) => sum + Object.values(counts).reduce((a, b) => a + b), 0);
      return { id, a: 1 + clean, b: 1 + all - clean, all };
    })
    .filter(({ all }) => all > 0)
    .sort((x, y) => y.a / (y.a + y.b) - x.a / (x.a + x.b));
  if (sides.length < 2) return null;
  const better = sides[0];
  const worse = sides[sides.length - 1];
  const chance = chanceGreater(better, worse);
  return chance < TELLING_IMBALANCE ? null : { stepId: current.id, better: better.id, worse: worse.id, chance };
});
