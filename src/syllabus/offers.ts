import type { Advice, Offer } from "@/core";
import { routeOf } from "./schools";
import {
  reviewsOf,
  signedOffSteps,
  simulatorLacking,
  slipsOf,
  standingAt,
  currentStepOf,
  type Slip,
  type StandingInput,
} from "./standing";
import { needsOf, pathOf, skillOf, stepBefore, type Syllabus } from "./syllabus";
import type { Step } from "./types";

/** Why something is offered. Steps are named by their id. */
export type OfferReason =
  /** What the advice about the step itself says. */
  | {
      readonly kind: "advised";
      readonly advice: Advice;
      /** Nobody has flown it: it comes next on the way. */
      readonly isNext: boolean;
      /** Steps begun before it that are not signed off. */
      readonly notSignedOff: readonly string[];
    }
  /** The mark of the step before it is met. */
  | { readonly kind: "after"; readonly stepId: string }
  /** What the pilot steps back from, for one look. */
  | { readonly kind: "left-for-now" }
  | ({ readonly kind: "slipping" } & Slip)
  /** Chance that it is still remembered. */
  | { readonly kind: "due-again"; readonly recall: number }
  /** `recall` is null where it was never flown here; `leadsIn` where it is of the skill of the main drill. */
  | { readonly kind: "warm-up"; readonly recall: number | null; readonly leadsIn: boolean }
  /** Of their own, at the end. */
  | { readonly kind: "freely" };

/** Something a pilot could fly next time, why, and with which direction to begin. */
export interface ReasonedOffer extends Offer {
  readonly reason: OfferReason;
  /** The direction to begin with, the weaker one; null where there is one only, or none. */
  readonly firstDirection: string | null;
  /** The pilot's school wants it flown in the simulator first. */
  readonly simulatorFirst: boolean;
}

/**
 * What half packs are worth, each further one of the same less: the trade's order is to work at one thing while it is fresh, to bring back what fades, and to
 * end on something easy. The numbers are ours.
 */
const WORTH = {
  main: [10, 9, 8, 6, 5, 4, 3, 2],
  next: [9, 8, 6, 5],
  confirm: [8, 4],
  back: [10, 9, 7, 4],
  leftWhileBack: [3],
  warmUp: [10],
  slipping: [9, 5],
  free: [5.5, 1],
  freeAtRest: [5, 4],
} as const;
const reviewWorth = (recall: number) => 3 + 8 * (1 - recall);
/** Reviews offered at most; the others wait for the next time. */
const MOST_REVIEWS = 3;
/** A step is sure enough to warm up with from this recall on. */
const SURE_RECALL = 0.85;
/** Signed-off steps from which on a pilot has something to fly freely. */
const FREE_FROM = 5;

/** What a pilot could fly in the next session: to warm up, the main drill, what is due again, and freely. Each with its reason. */
export function offersOf(input: StandingInput): readonly ReasonedOffer[] {
  const main = mainOffers(input);
  const taken = new Set(main.map(({ stepId }) => stepId));
  const again = reviewOffers(input).filter(({ stepId }) => !taken.has(stepId));
  const warmUp = warmUpOffer(input, new Set([...taken, ...again.map(({ stepId }) => stepId)]));
  const rests = main.length === 0;
  const free: ReasonedOffer = {
    kind: "free",
    stepId: null,
    worth: rests ? WORTH.freeAtRest : WORTH.free,
    isNew: false,
    reason: { kind: "freely" },
    firstDirection: null,
    simulatorFirst: false,
  };
  return [...(warmUp ? [warmUp] : []), ...main, ...again, ...(input.signedOff.size >= FREE_FROM ? [free] : [])];
}

function mainOffers(input: StandingInput): ReasonedOffer[] {
  const { syllabus, school, signedOff, flown } = input;
  const current = currentStepOf(input);
  if (!current) return [];
  const route = routeOf(school);
  const { advice, attempts } = standingAt(current, input);
  const offer = (step: Step, worth: readonly number[], reason: OfferReason) => ({
    ...offerOf(step, input),
    kind: "main" as const,
    worth,
    reason,
  });
  const advised: OfferReason = { kind: "advised", advice, isNext: attempts === 0, notSignedOff: [] };
  switch (advice.kind) {
    case "rest":
      return [];
    case "advance": {
      const next = nextAfter(syllabus, current, input);
      return [
        offer(current, WORTH.confirm, advised),
        ...(next ? [offer(next, WORTH.next, { kind: "after", stepId: current.id })] : []),
      ];
    }
    case "step-back": {
      const before = stepBefore(syllabus, current, route);
      if (!before) break;
      return [offer(before, WORTH.back, advised), offer(current, WORTH.leftWhileBack, { kind: "left-for-now" })];
    }
    case "stuck": {
      const before = advice.tryNext.kind === "step-back" && stepBefore(syllabus, current, route);
      if (!before) break;
      return [offer(before, WORTH.back, advised), offer(current, WORTH.leftWhileBack, { kind: "left-for-now" })];
    }
    case "begin":
    case "confirm":
    case "settle":
    case "signed-off":
    case "stay":
  }
  const lacking = needsOf(syllabus, current, route).filter(({ id }) => !signedOff.has(id) && flown.has(id));
  return [offer(current, WORTH.main, { ...advised, notSignedOff: lacking.map(({ id }) => id) })];
}

/** The first open step after one on the pilot's way. */
function nextAfter(syllabus: Syllabus, step: Step, { school, signedOff }: StandingInput): Step | null {
  const path = pathOf(syllabus, routeOf(school)).filter(({ optional }) => !optional);
  return path.slice(path.indexOf(step) + 1).find(({ id }) => !signedOff.has(id)) ?? null;
}

/** Signed-off steps that slip or are due again, the most pressing first. */
function reviewOffers(input: StandingInput): ReasonedOffer[] {
  const signed = signedOffSteps(input);
  const reviews = reviewsOf(input);
  const slips = slipsOf(input);
  return signed
    .flatMap((step): (Pick<ReasonedOffer, "worth" | "reason"> & { step: Step })[] => {
      const slip = slips.get(step.id);
      if (slip) return [{ step, worth: WORTH.slipping, reason: { kind: "slipping", ...slip } }];
      const review = reviews.get(step.id);
      if (!review || review.dueMs > input.nowMs) return [];
      return [{ step, worth: [reviewWorth(review.memory)], reason: { kind: "due-again", recall: review.memory } }];
    })
    .sort((a, b) => b.worth[0] - a.worth[0])
    .slice(0, MOST_REVIEWS)
    .map(({ step, ...why }) => ({ ...offerOf(step, input), ...why, kind: "review" }));
}

/** A step that is sure: of the skill the pilot works at where there is one, else the one signed off furthest on. */
function warmUpOffer(input: StandingInput, taken: ReadonlySet<string | null>): ReasonedOffer | null {
  const { syllabus } = input;
  const current = currentStepOf(input);
  const signed = signedOffSteps(input).filter(({ id, flownAs }) => !taken.has(id) && flownAs !== null);
  const reviews = reviewsOf(input);
  const sure = signed.filter(({ id }) => (reviews.get(id)?.memory ?? 0) >= SURE_RECALL);
  const near = current
    ? sure.filter((step) => skillOf(syllabus, step) === skillOf(syllabus, current)).at(-1)
    : undefined;
  const step = near ?? sure.at(-1) ?? signed.at(-1);
  if (!step) return null;
  return {
    ...offerOf(step, input),
    kind: "warm-up",
    worth: WORTH.warmUp,
    reason: { kind: "warm-up", recall: reviews.get(step.id)?.memory ?? null, leadsIn: near !== undefined },
  };
}

function offerOf(
  step: Step,
  { flown, signedOff, school }: StandingInput,
): Pick<ReasonedOffer, "stepId" | "isNew" | "firstDirection" | "simulatorFirst"> {
  const own = flown.get(step.id);
  return {
    stepId: step.id,
    isNew: !signedOff.has(step.id) && (own?.digest.attempts ?? 0) === 0,
    firstDirection: step.directions.length > 1 ? weakerDirection(step, own?.digest.tallies ?? []) : null,
    simulatorFirst: !signedOff.has(step.id) && simulatorLacking(step, school, own?.recent ?? []),
  };
}

/** The direction with the lower clean rate, one attempt of each kind imagined for those hardly flown. */
function weakerDirection(
  step: Step,
  tallies: readonly { readonly direction: string; readonly counts: Readonly<Record<string, number>> }[],
): string {
  const rate = (direction: string) => {
    const own = tallies.filter((one) => one.direction === direction);
    const all = own.reduce((sum, { counts }) => sum + Object.values(counts).reduce((a, b) => a + b, 0), 0);
    return (1 + own.reduce((sum, { counts }) => sum + counts.clean, 0)) / (2 + all);
  };
  return step.directions.map(({ id }) => id).reduce((weakest, id) => (rate(id) < rate(weakest) ? id : weakest));
}
