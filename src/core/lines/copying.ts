import { countedShare, type CountedShare } from "./line-evidence";

/** What was seen of a copied line at one try, by ids of its parts. */
export interface CopyTry {
  /** The parts it had then. */
  readonly parts: readonly string[];
  readonly held: readonly string[];
}

/** How one part of a copied line comes along. */
export interface CopiedPart {
  readonly id: string;
  readonly all: CountedShare;
  /** In the last tries, as many as it is looked at again after. */
  readonly lately: CountedShare;
  readonly standing: "untried" | "lost" | "coming" | "held";
  /** Lost lately, and held in most of the tries before. */
  readonly slipped: boolean;
}

export interface CopyEvidence {
  /** In the order of flight. */
  readonly parts: readonly CopiedPart[];
  /** Ids of what is lost, the most lost first. */
  readonly lost: readonly string[];
  /** Every part is held: one thing may be changed. */
  readonly whole: boolean;
}

/** Held in at least this share of the last tries; lost in less than the other. Estimates of ours. */
const HELD = 0.8;
const LOST = 0.5;

/** What is held and what is lost of a line that is copied, from tries in the order flown at which somebody ticked what was held. */
export function copyEvidence(tries: readonly CopyTry[], partIds: readonly string[], lookAfter: number): CopyEvidence {
  const parts = partIds.map((id): CopiedPart => {
    const held = tries.filter((one) => one.parts.includes(id)).map((one) => one.held.includes(id));
    const last = held.slice(-lookAfter);
    const [all, lately, before] = [held, last, held.slice(0, -lookAfter)].map(shareHeld);
    const share = lately.count / lately.of;
    const standing = lately.of === 0 ? "untried" : share < LOST ? "lost" : share < HELD ? "coming" : "held";
    return { id, all, lately, standing, slipped: standing === "lost" && before.count / before.of > LOST };
  });
  const lost = parts
    .filter(({ standing }) => standing === "lost")
    .sort((a, b) => a.lately.count / a.lately.of - b.lately.count / b.lately.of)
    .map(({ id }) => id);
  const whole =
    parts.length > 0 && parts.every(({ standing, lately }) => standing === "held" && lately.of >= lookAfter);
  return { parts, lost, whole };
}

const shareHeld = (held: readonly boolean[]) => countedShare(held.filter(Boolean).length, held.length);

/** Whether it is time to look at the original again: after every so many tries, until the next one is flown. */
export const lookAgainDue = (tries: number, lookAfter: number): boolean => tries > 0 && tries % lookAfter === 0;
