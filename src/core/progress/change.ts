import { requireNumber, Z90 } from "../numbers";
import { chanceGreater } from "./evidence";
import { SETTLING_ATTEMPTS } from "./rules";
import { wilsonInterval, type Interval } from "./wilson";

/** Attempts at one step, counted. */
export interface Counted {
  readonly attempts: number;
  readonly clean: number;
}

/** What a change of setup did to the clean rate, as far as the counts tell. */
export interface RateChange {
  readonly before: Counted & { readonly interval: Interval };
  readonly after: Counted & { readonly interval: Interval };
  /** Chance that the clean rate is higher after than before. */
  readonly chanceBetter: number;
  /** Whether there were enough attempts since for a judgement; hands need time. */
  readonly settled: boolean;
}

/**
 * Compares raw counts before and after: 90 % Wilson intervals, and the chance from uniform priors. It does not know what else changed between;
 * practice alone makes "after" better. Throws a DomainError for counts that cannot be.
 */
export function rateChange(before: Counted, after: Counted): RateChange {
  return {
    before: { ...before, interval: intervalOf("before", before) },
    after: { ...after, interval: intervalOf("after", after) },
    chanceBetter: chanceGreater(posterior(after), posterior(before)),
    settled: after.attempts >= SETTLING_ATTEMPTS,
  };
}

function intervalOf(name: string, { attempts, clean }: Counted): Interval {
  requireNumber(`${name}.attempts`, attempts, 0, 1e7);
  requireNumber(`${name}.clean`, clean, 0, attempts);
  return attempts === 0 ? { low: 0, high: 1 } : wilsonInterval(clean, attempts, Z90);
}

const posterior = ({ attempts, clean }: Counted) => ({ a: 1 + clean, b: 1 + attempts - clean });
