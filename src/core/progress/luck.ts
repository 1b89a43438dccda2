import { requireWhole, seededRandom } from "../numbers";
import type { Attempt } from "./attempt";
import type { PassMark } from "./mark";

/** Attempts looked back over for how clean a stretch is. Ours. */
const STRETCH = 12;
/** Longer stretches have too many orders to go through all of them; they are flown at random. */
const MOST_EXACT = 14;
const RUNS = 4_000;
const MOST_ATTEMPTS = 400;

/**
 * Chance that it was luck: that somebody who flies half of them clean comes, within as many attempts and looked at after each, to a stretch as clean as the
 * last 12 (or as all, where there are fewer; or as the mark looks at, where those are more) that meets `k` clean of the last `n` as well. `clean` are the
 * attempts of which that is known, oldest first; `attempts` how many there were altogether. Null where the mark is not met. Exact up to a stretch of 14, by
 * going through all orders (a scan statistic: Glaz, Naus and Wallenstein, Scan Statistics, 2001); else from 4,000 seeded runs.
 */
export function luckOf(clean: readonly boolean[], k: number, n: number, attempts = clean.length): number | null {
  requireWhole("k", k, 1, 1000);
  requireWhole("n", n, k, 1000);
  const all = Math.min(MOST_ATTEMPTS, Math.max(clean.length, attempts));
  if (countIn(clean, n) < k) return null;
  const stretch = Math.min(clean.length, Math.max(n, STRETCH));
  const wanted = countIn(clean, stretch);
  const key = `${k} ${n} ${stretch} ${wanted}`;
  let within = known.get(key);
  if (!within) {
    within = stretch <= MOST_EXACT ? exact(k, n, stretch, wanted) : sampled(k, n, stretch, wanted);
    if (known.size >= MOST_KNOWN) known.clear();
    known.set(key, within);
  }
  return within[all];
}

/** The same of a simple rule that asks for some clean or measured well of the attempts it looks at; `older` ones are not among them. Null for any other. */
export function luckOfRule(rule: PassMark, attempts: readonly Attempt[], older: number): number | null {
  const clean = attempts.map(({ outcome }) => outcome === "clean");
  const all = clean.length + older;
  switch (rule.kind) {
    case "k-of-last":
      return luckOf(clean, rule.k, rule.n, all);
    case "run":
      return luckOf(clean, rule.k, rule.k, all);
    case "measured": {
      const values = attempts.flatMap(({ measured }) => measured?.[rule.measure] ?? []);
      return luckOf(
        values.map((value) => Math.abs(value) <= rule.within),
        rule.k,
        rule.n,
      );
    }
    default:
      return null;
  }
}

/** Chances within so many attempts, by their number. */
const known = new Map<string, Float64Array>();
const MOST_KNOWN = 500;

const countIn = (clean: readonly boolean[], last: number) => clean.slice(-last).filter(Boolean).length;

/** Chance by order of the last attempts, one bit each; what has come to such a stretch goes no further. */
function exact(k: number, n: number, stretch: number, wanted: number): Float64Array {
  const orders = 1 << stretch;
  const short = (1 << Math.min(n, stretch)) - 1;
  const meets = Uint8Array.from({ length: orders }, (_, order) =>
    bitsIn(order) >= wanted && bitsIn(order & short) >= k ? 1 : 0,
  );
  const within = new Float64Array(MOST_ATTEMPTS + 1);
  let chances = new Float64Array(orders);
  let next = new Float64Array(orders);
  chances[0] = 1;
  for (let t = 1; t <= MOST_ATTEMPTS; t++) {
    next.fill(0);
    for (let order = 0; order < orders; order++) {
      const half = chances[order] / 2;
      if (half === 0) continue;
      const shifted = (order << 1) & (orders - 1);
      next[shifted] += half;
      next[shifted | 1] += half;
    }
    within[t] = within[t - 1];
    if (t >= stretch)
      for (let order = 0; order < orders; order++)
        if (meets[order] === 1) {
          within[t] += next[order];
          next[order] = 0;
        }
    [chances, next] = [next, chances];
  }
  return within;
}

function bitsIn(order: number): number {
  let bits = 0;
  for (let rest = order; rest > 0; rest &= rest - 1) bits++;
  return bits;
}

function sampled(k: number, n: number, stretch: number, wanted: number): Float64Array {
  const uniform = seededRandom(1);
  const within = new Float64Array(MOST_ATTEMPTS + 1);
  for (let run = 0; run < RUNS; run++) {
    const clean: boolean[] = [];
    let inStretch = 0;
    let inLast = 0;
    for (let t = 0; t < MOST_ATTEMPTS; t++) {
      clean.push(uniform() < 0.5);
      inStretch += Number(clean[t]) - Number(clean[t - stretch] ?? false);
      inLast += Number(clean[t]) - Number(clean[t - n] ?? false);
      if (t + 1 < stretch || inStretch < wanted || inLast < k) continue;
      within[t + 1] += 1 / RUNS;
      break;
    }
  }
  for (let t = 1; t <= MOST_ATTEMPTS; t++) within[t] += within[t - 1];
  return within;
}
