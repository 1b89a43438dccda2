import type { Attempt } from "./attempt";
import type { StepEvidence } from "./evidence";
import { leavesOf, windowOf, type JudgedRule, type PassMark, type RuleCount } from "./mark";

/** How one rule of the mark stands, of one direction where it asks for each. */
export interface DirectionCount {
  /** Null where directions count together. */
  readonly direction: string | null;
  /** Attempts in the direction that count; of them all where directions count together. */
  readonly attempts: number;
  readonly rule: RuleCount;
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
    }
  | { readonly kind: "stay"; readonly counts: readonly DirectionCount[]; readonly focus: Focus }
  /** `clean` of the last `of`: back to the step named by its id. */
  | { readonly kind: "step-back"; readonly clean: number; readonly of: number; readonly toStepId: string }
  /** Crashes among the attempts of the last flying day, most of them late. */
  | { readonly kind: "rest"; readonly crashes: number; readonly attempts: number }
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
}

/** Attempts a changed setup is given before it is judged. Common practice, no source. */
export const SETTLING_ATTEMPTS = 12;
/** Attempts in the window that can advise a step back, and the clean ones that prevent it. Common practice, no source. */
const STEP_BACK_WINDOW = 8;
const STEP_BACK_CLEAN = 1;
/** An imbalance is spoken of from this chance on. */
const SURE = 0.9;

/** What to do next about a step, with its counts. Advises; the coach decides. */
export function advise(input: AdviceInput): Advice {
  const { evidence, attempts, setupId, previousStepId } = input;
  if (crashesRise(input.latestDay))
    return { kind: "rest", crashes: countOf(input.latestDay, "crashed"), attempts: input.latestDay.length };
  if (attempts.length === 0) return { kind: "begin" };
  const counts = leavesOf(evidence.judged).map((leaf) => countedIn(leaf, evidence));
  if (evidence.passes) return { kind: "advance", counts, doubt: doubtOf(input) };
  const onSetup = attempts.filter((attempt) => attempt.setupId === setupId).length;
  if (setupId !== null && onSetup < SETTLING_ATTEMPTS && onSetup < attempts.length)
    return { kind: "settle", onSetup, before: attempts.length - onSetup, more: SETTLING_ATTEMPTS - onSetup };
  const recent = [...attempts].sort((a, b) => a.atMs - b.atMs).slice(-STEP_BACK_WINDOW);
  const clean = countOf(recent, "clean");
  if (previousStepId !== null && recent.length === STEP_BACK_WINDOW && clean <= STEP_BACK_CLEAN)
    return { kind: "step-back", clean, of: STEP_BACK_WINDOW, toStepId: previousStepId };
  return { kind: "stay", counts, focus: focusOf(evidence) };
}

function countedIn({ direction, count }: JudgedRule, { directions }: StepEvidence): DirectionCount {
  const counting = directions.filter((one) => direction === null || one.direction === direction);
  return { direction, attempts: counting.reduce((sum, { attempts }) => sum + attempts, 0), rule: count };
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
  if (evidence.imbalance && evidence.imbalance.chance >= SURE && evidence.imbalance.worse === direction)
    return { kind: "weaker-side", direction };
  return sides.length > 1
    ? { kind: "lowest-side", direction }
    : { kind: "one-side", direction, missing: missing.find((leaf) => leaf.direction === direction)!.count };
}

/** At least three crashes on the day, and at least two more in its later half than in its earlier. */
function crashesRise(day: readonly Attempt[]): boolean {
  const half = Math.floor(day.length / 2);
  const early = countOf(day.slice(0, half), "crashed");
  const late = countOf(day.slice(half), "crashed");
  return early + late >= 3 && late - early >= 2;
}

const countOf = (attempts: readonly Attempt[], outcome: Attempt["outcome"]) =>
  attempts.filter((attempt) => attempt.outcome === outcome).length;
