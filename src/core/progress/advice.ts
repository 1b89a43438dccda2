import type { Attempt } from "./attempt";
import type { StepEvidence } from "./evidence";
import { chanceOfSoManyLate } from "./exact-test";
import { leavesOf, windowOf, type JudgedRule, type PassMark, type RuleCount } from "./mark";
import { SETTLING_ATTEMPTS, TELLING_IMBALANCE, usualRules, type SquadRules } from "./rules";
import { stuckAt, type Stuck } from "./stuck";

/** How one rule of the mark stands, of one direction where it asks for each. */
export interface DirectionCount {
  /** Null where directions count together. */
  readonly direction: string | null;
  /** Attempts in the direction that count; of them all where directions count together. */
  readonly attempts: number;
  readonly rule: RuleCount;
  /** Chance that what is met was luck; null or left out where it is not met, or nobody can say. */
  readonly luck?: number | null;
}

/** What to look at first where a mark is not met. */
export type Focus =
  /** It takes these, and directions count together. */
  | { readonly kind: "rules"; readonly missing: readonly RuleCount[] }
  /** The weaker side for sure. */
  | { readonly kind: "weaker-side"; readonly direction: string }
  /** Several sides lack something; this one stands lowest. */
  | { readonly kind: "lowest-side"; readonly direction: string }
  | { readonly kind: "one-side"; readonly direction: string; readonly missing: RuleCount };

/** What to do next about a step, with the counts behind it. */
export type Advice =
  | { readonly kind: "begin" }
  | {
      readonly kind: "advance";
      readonly counts: readonly DirectionCount[];
      /** The longer record of a direction lies wholly below the mark; its 90 % interval. */
      readonly doubt: { readonly direction: string; readonly low: number; readonly high: number } | null;
      /** Without what the pilot flew and logged alone the mark would not be met. */
      readonly aloneDecides?: boolean;
    }
  /** Met, but luck more likely than the coach wants it: seen once more first. */
  | { readonly kind: "confirm"; readonly counts: readonly DirectionCount[]; readonly mostLuck: number }
  /** Nothing to do but to keep it fresh. */
  | { readonly kind: "signed-off"; readonly counts: readonly DirectionCount[] }
  | { readonly kind: "stay"; readonly counts: readonly DirectionCount[]; readonly focus: Focus }
  /** `clean` of the last `of`: back to the step named by its id. */
  | { readonly kind: "step-back"; readonly clean: number; readonly of: number; readonly toStepId: string }
  /** Crashes among the attempts of the last flying day, so many of them in its later half, and the chance of that by chance alone. */
  | {
      readonly kind: "rest";
      readonly crashes: number;
      readonly attempts: number;
      readonly late?: number;
      readonly chance?: number;
    }
  /** Many tries over weeks, and no better. */
  | ({ readonly kind: "stuck" } & Stuck)
  /** Attempts on the new setup and on those before it, and how many more the new one is given. */
  | { readonly kind: "settle"; readonly onSetup: number; readonly before: number; readonly more: number };

export type AdviceKind = Advice["kind"];

export interface AdviceInput {
  readonly evidence: StepEvidence;
  readonly mark: PassMark;
  /** Attempts at the step, any order. */
  readonly attempts: readonly Attempt[];
  /** Attempts at any step on the latest flying day, in order. */
  readonly latestDay: readonly Attempt[];
  /** The setup flown now, to notice that it has just changed. */
  readonly setupId: string | null;
  /** The step before, when there is one to step back to. */
  readonly previousStepId: string | null;
  /** Also on paper, before there was this record. */
  readonly signedOff: boolean;
  readonly rules?: SquadRules;
}

/** Attempts in the window that can advise a step back, and the clean ones that prevent it. Common practice, no source. */
const STEP_BACK_WINDOW = 8;
const STEP_BACK_CLEAN = 1;
/** Crashes pile up late by chance alone at most so often. Ours. */
const REST_CHANCE = 0.05;
/** Fewer crashes than this are no reason to rest. Ours. */
const REST_CRASHES = 3;

/** What to do next about a step, with its counts. Advises; the coach decides. */
export function advise(input: AdviceInput): Advice {
  const { evidence, attempts, setupId, previousStepId, rules = usualRules } = input;
  const rest = crashesLate(input.latestDay);
  if (rest) return rest;
  const counts = leavesOf(evidence.judged).map((leaf, i) => countedIn(leaf, evidence, evidence.lucks[i]));
  if (input.signedOff) return { kind: "signed-off", counts };
  if (attempts.length === 0) return { kind: "begin" };
  if (evidence.passes) {
    const lucky = counts.some(({ luck }) => luck != null && luck > rules.mostLuck);
    return lucky
      ? { kind: "confirm", counts, mostLuck: rules.mostLuck }
      : { kind: "advance", counts, doubt: doubtOf(input), aloneDecides: evidence.aloneDecides };
  }
  const byTime = [...attempts].sort((a, b) => a.atMs - b.atMs);
  const stuck = stuckAt(byTime, lackingIn(evidence), previousStepId);
  const onSetup = attempts.filter((attempt) => attempt.setupId === setupId).length;
  const unsettled = setupId !== null && onSetup < SETTLING_ATTEMPTS && onSetup < attempts.length;
  // One new setup may be what mends it; many are what keeps it from being mended.
  if (stuck && (!unsettled || stuck.tryNext.kind === "one-setup")) return { kind: "stuck", ...stuck };
  if (unsettled)
    return { kind: "settle", onSetup, before: attempts.length - onSetup, more: SETTLING_ATTEMPTS - onSetup };
  const recent = byTime.slice(-STEP_BACK_WINDOW);
  const clean = countOf(recent, "clean");
  if (previousStepId !== null && recent.length === STEP_BACK_WINDOW && clean <= STEP_BACK_CLEAN)
    return { kind: "step-back", clean, of: STEP_BACK_WINDOW, toStepId: previousStepId };
  return { kind: "stay", counts, focus: focusOf(evidence) };
}

function countedIn(
  { direction, count }: JudgedRule,
  { directions }: StepEvidence,
  luck: number | null,
): DirectionCount {
  const counting = directions.filter((one) => direction === null || one.direction === direction);
  return {
    direction,
    attempts: counting.reduce((sum, { attempts }) => sum + attempts, 0),
    rule: count,
    luck,
  };
}

/** The directions that lack something; all of them where they count together. */
function lackingIn({ judged, directions }: StepEvidence): readonly string[] {
  const missing = leavesOf(judged).filter(({ met }) => !met);
  return directions
    .map(({ direction }) => direction)
    .filter((one) => missing.some(({ direction }) => (direction ?? one) === one));
}

/** The last few met the mark while the longer record lies wholly below it: said, for the coach to weigh. */
function doubtOf({ evidence, mark }: AdviceInput) {
  const doubtful = evidence.directions.find((one) => one.posterior.high < windowOf(mark).share);
  if (!doubtful) return null;
  const { low, high } = doubtful.posterior;
  return { direction: doubtful.direction, low, high };
}

function focusOf(evidence: StepEvidence): Focus {
  const missing = leavesOf(evidence.judged).filter(({ met }) => !met);
  const sides = [...new Set(missing.flatMap(({ direction }) => (direction === null ? [] : [direction])))];
  if (sides.length === 0) return { kind: "rules", missing: missing.map(({ count }) => count) };
  const meanOf = (side: string) => evidence.directions.find(({ direction }) => direction === side)!.posterior.mean;
  const [direction] = sides.sort((a, b) => meanOf(a) - meanOf(b));
  if (evidence.imbalance && evidence.imbalance.chance >= TELLING_IMBALANCE && evidence.imbalance.worse === direction)
    return { kind: "weaker-side", direction };
  return sides.length > 1
    ? { kind: "lowest-side", direction }
    : { kind: "one-side", direction, missing: missing.find((leaf) => leaf.direction === direction)!.count };
}

/** Crashes that pile up in the later half of the day more than chance alone would have them, by Fisher's exact test. */
function crashesLate(day: readonly Attempt[]): Advice | null {
  const crashes = countOf(day, "crashed");
  if (crashes < REST_CRASHES) return null;
  const half = Math.floor(day.length / 2);
  const late = countOf(day.slice(half), "crashed");
  const chance = chanceOfSoManyLate(late, day.length - half, crashes, day.length);
  return chance > REST_CHANCE ? null : { kind: "rest", crashes, attempts: day.length, late, chance };
}

const countOf = (attempts: readonly Attempt[], outcome: Attempt["outcome"]) =>
  attempts.filter((attempt) => attempt.outcome === outcome).length;
