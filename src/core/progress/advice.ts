import type { Attempt } from "./attempt";
import type { StepEvidence } from "./evidence";
import { leavesOf, windowOf, type Judged, type PassMark } from "./mark";

export type AdviceKind = "begin" | "advance" | "stay" | "step-back" | "rest" | "settle";

export interface Advice {
  readonly kind: AdviceKind;
  /** One sentence with the counts behind it. */
  readonly sentence: string;
}

export interface AdviceInput {
  readonly evidence: StepEvidence;
  readonly mark: PassMark;
  /** Attempts at the step, any order. */
  readonly attempts: readonly Attempt[];
  /** Attempts at any step on the latest flying day, in order. */
  readonly latestDay: readonly Attempt[];
  /** The setup flown now, to notice that it has just changed. */
  readonly setupId: string | null;
  /** Name of the step before, when there is one to step back to. */
  readonly previousStep: string | null;
  readonly directionNames: Readonly<Record<string, string>>;
}

/** Attempts a changed setup is given before it is judged. Common practice, no source. */
export const SETTLING_ATTEMPTS = 12;
/** Attempts in the window that can advise a step back, and the clean ones that prevent it. Common practice, no source. */
const STEP_BACK_WINDOW = 8;
const STEP_BACK_CLEAN = 1;
/** An imbalance is spoken of from this chance on. */
const SURE = 0.9;

/** What to do next about a step, in one sentence with its counts. Advises; the coach decides. */
export function advise(input: AdviceInput): Advice {
  const { evidence, attempts, setupId, previousStep } = input;
  const counts = leavesOf(evidence.judged)
    .map((leaf) => countsOf(leaf, input))
    .join(", ");
  if (crashesRise(input.latestDay)) {
    const crashed = input.latestDay.filter((attempt) => attempt.outcome === "crashed").length;
    return {
      kind: "rest",
      sentence: `${crashed} crashes in ${input.latestDay.length} attempts on the last flying day, most of them late: rest before more of this.`,
    };
  }
  if (attempts.length === 0)
    return { kind: "begin", sentence: "Not flown yet: read the brief, then begin with height to spare." };
  if (evidence.passes)
    return { kind: "advance", sentence: `${capital(counts)}: the mark is met, ${doubtOf(input) ?? "sign it off"}.` };
  const onSetup = attempts.filter((attempt) => attempt.setupId === setupId).length;
  if (setupId !== null && onSetup < SETTLING_ATTEMPTS && onSetup < attempts.length) {
    return {
      kind: "settle",
      sentence: `${onSetup === 0 ? "No attempt" : plural(onSetup, "attempt")} on the new setup and ${attempts.length - onSetup} before it: fly it ${SETTLING_ATTEMPTS - onSetup} more times before judging or changing again.`,
    };
  }
  const recent = [...attempts].sort((a, b) => a.atMs - b.atMs).slice(-STEP_BACK_WINDOW);
  const clean = recent.filter((attempt) => attempt.outcome === "clean").length;
  if (previousStep && recent.length === STEP_BACK_WINDOW && clean <= STEP_BACK_CLEAN) {
    return {
      kind: "step-back",
      sentence: `${clean} clean of the last ${STEP_BACK_WINDOW}: go back to ${previousStep} and build it again.`,
    };
  }
  return { kind: "stay", sentence: `${capital(counts)}: stay, ${focusOf(input)}.` };
}

function countsOf({ direction, have }: Judged, { evidence, directionNames }: AdviceInput): string {
  if (direction === null) return have;
  const name = directionNames[direction] ?? direction;
  const flown = evidence.directions.find((one) => one.direction === direction)?.attempts ?? 0;
  return flown === 0 ? `${name} not flown` : `${name} ${have}`;
}

/** The last few met the mark while the longer record lies wholly below it: said, for the coach to weigh. */
function doubtOf({ evidence, mark, directionNames }: AdviceInput): string | null {
  const doubtful = evidence.directions.find((one) => one.posterior.high < windowOf(mark).share);
  if (!doubtful) return null;
  const { low, high } = doubtful.posterior;
  const name = directionNames[doubtful.direction] ?? doubtful.direction;
  return `but the longer record of ${name} is ${Math.round(100 * low)}–${Math.round(100 * high)} % clean: sign off, or see it hold once more`;
}

function focusOf({ evidence, directionNames }: AdviceInput): string {
  const missing = leavesOf(evidence.judged).filter(({ met }) => !met);
  const sides = [...new Set(missing.flatMap(({ direction }) => (direction === null ? [] : [direction])))];
  if (sides.length === 0) return missing.map(({ lacks }) => lacks).join(", ");
  const meanOf = (side: string) => evidence.directions.find(({ direction }) => direction === side)!.posterior.mean;
  const [weakest] = sides.sort((a, b) => meanOf(a) - meanOf(b));
  const name = directionNames[weakest] ?? weakest;
  if (evidence.imbalance && evidence.imbalance.chance >= SURE && evidence.imbalance.worse === weakest) {
    return `${name} first, the weaker side`;
  }
  const lacks = missing.find(({ direction }) => direction === weakest)!.lacks;
  return sides.length === 1 ? `${name} needs ${lacks}` : `${name} first`;
}

/** At least three crashes on the day, and at least two more in its later half than in its earlier. */
function crashesRise(day: readonly Attempt[]): boolean {
  const half = Math.floor(day.length / 2);
  const crashes = (part: readonly Attempt[]) => part.filter((attempt) => attempt.outcome === "crashed").length;
  const late = crashes(day.slice(half));
  const early = crashes(day.slice(0, half));
  return early + late >= 3 && late - early >= 2;
}

function plural(count: number, noun: string): string {
  return `${count} ${noun}${count === 1 ? "" : "s"}`;
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
