import { DAY_MS } from "../numbers";
import type { Attempt } from "./attempt";
import { rateChange, type Counted } from "./change";

/** What to try where somebody is stuck, the likeliest reason first. */
export type WayOn =
  /** The setup kept changing: one for a while. */
  | { readonly kind: "one-setup"; readonly changes: number }
  /** Hardly anything goes clean: back to what comes before. */
  | { readonly kind: "step-back"; readonly toStepId: string }
  /** One fault is in most of what went wrong. */
  | { readonly kind: "mend"; readonly faultId: string; readonly direction: string; readonly share: number }
  /** Nothing of that: another drill, place or way of flying it. */
  | { readonly kind: "other-way" };

/** Many tries over weeks, and the later ones no better than the earlier ones. */
export interface Stuck {
  readonly direction: string;
  readonly attempts: number;
  readonly flyingDays: number;
  readonly weeks: number;
  readonly early: Counted;
  readonly late: Counted;
  readonly tryNext: WayOn;
}

/** Fewer tries or weeks are no plateau. Ours. */
const LEAST = { attempts: 24, weeks: 3, flyingDays: 5 } as const;
/** From this chance on that the later half is better, a rate counts as rising. Ours. */
const RISING = 0.8;
/** So many changes of setup are one reason by themselves. Ours. */
const MANY_CHANGES = 3;
const HARDLY_CLEAN = 0.2;
/** One fault in so many of the later tries that were not clean. Ours. */
const MOST_SEEN = 0.4;

/**
 * The direction in which somebody is stuck at a step, the one with the most tries where there are several; null where they learn, or have not tried enough.
 * Attempts in the order flown.
 */
export function stuckAt(
  attempts: readonly Attempt[],
  directions: readonly string[],
  previousStepId: string | null,
): Stuck | null {
  const found = directions.flatMap((direction) => {
    const own = attempts.filter((one) => one.direction === direction);
    const stuck = stuckIn(direction, own, previousStepId);
    return stuck ? [stuck] : [];
  });
  return found.sort((a, b) => b.attempts - a.attempts)[0] ?? null;
}

function stuckIn(direction: string, own: readonly Attempt[], previousStepId: string | null): Stuck | null {
  if (own.length < LEAST.attempts) return null;
  const weeks = (own[own.length - 1].atMs - own[0].atMs) / (7 * DAY_MS);
  const flyingDays = new Set(own.map(({ atMs, sessionId }) => sessionId ?? Math.floor(atMs / DAY_MS))).size;
  if (weeks < LEAST.weeks || flyingDays < LEAST.flyingDays) return null;
  const half = Math.floor(own.length / 2);
  const late = own.slice(half);
  const { before, after, chanceBetter } = rateChange(counted(own.slice(0, half)), counted(late));
  if (chanceBetter >= RISING) return null;
  return {
    direction,
    attempts: own.length,
    flyingDays,
    weeks: Math.round(weeks),
    early: { attempts: before.attempts, clean: before.clean },
    late: { attempts: after.attempts, clean: after.clean },
    tryNext: wayOn(direction, own, late, previousStepId),
  };
}

function wayOn(
  direction: string,
  own: readonly Attempt[],
  late: readonly Attempt[],
  previousStepId: string | null,
): WayOn {
  const changes = own.filter(({ setupId }, i) => i > 0 && setupId !== own[i - 1].setupId).length;
  if (changes >= MANY_CHANGES) return { kind: "one-setup", changes };
  const { attempts, clean } = counted(late);
  if (previousStepId !== null && clean < HARDLY_CLEAN * attempts)
    return { kind: "step-back", toStepId: previousStepId };
  const poor = late.filter(({ outcome }) => outcome !== "clean");
  const ids = [...new Set(poor.flatMap(({ faults = [] }) => faults))];
  const [most] = ids
    .map((faultId) => ({
      faultId,
      share: poor.filter(({ faults = [] }) => faults.includes(faultId)).length / poor.length,
    }))
    .sort((a, b) => b.share - a.share);
  return most && most.share >= MOST_SEEN ? { kind: "mend", direction, ...most } : { kind: "other-way" };
}

const counted = (attempts: readonly Attempt[]): Counted => ({
  attempts: attempts.length,
  clean: attempts.filter(({ outcome }) => outcome === "clean").length,
});
