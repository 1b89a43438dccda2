import { requireNumber } from "../numbers";

/** Tricks flown one after the other without a landing or a long hover between them. */
export interface FlownRun {
  /** Ids of the tricks, in order. */
  readonly tricks: readonly string[];
  /** The pack on which it was flown. */
  readonly packId: string;
  /** Planned or called for by the coach; false for what the pilot flew unasked. */
  readonly asked: boolean;
}

export interface PairCount {
  readonly from: string;
  readonly to: string;
  readonly count: number;
}

/** What somebody flies by habit. */
export interface LineHabits {
  /** Each pair that was flown, the most frequent first. */
  readonly pairs: readonly PairCount[];
  /** Pairs of tricks that are known and were never flown one out of the other, in the order of `known`. */
  readonly neverTried: readonly Omit<PairCount, "count">[];
  /** Different tricks and different pairs in a pack, as means; null without a pack. */
  readonly tricksAPack: number | null;
  readonly pairsAPack: number | null;
  /** Of all that is flown unasked, the share that the few most flown tricks make up; null where nothing was flown unasked. */
  readonly favourites: { readonly tricks: readonly string[]; readonly share: number } | null;
}

/**
 * Habits from what was flown. `known` are the tricks that the pilot has; `few` is how many favourites are named. Counts are plain counts: a run of n tricks has
 * n − 1 pairs, and a pair is counted in the order in which it was flown.
 */
export function lineHabits(runs: readonly FlownRun[], known: readonly string[], few = 3): LineHabits {
  requireNumber("few", few, 1, 20);
  const counts = new Map<string, PairCount>();
  const packs = new Map<string, { readonly tricks: Set<string>; readonly pairs: Set<string> }>();
  const unasked = new Map<string, number>();
  for (const { tricks, packId, asked } of runs) {
    const pack = packs.get(packId) ?? { tricks: new Set<string>(), pairs: new Set<string>() };
    packs.set(packId, pack);
    tricks.forEach((to, i) => {
      pack.tricks.add(to);
      if (!asked) unasked.set(to, (unasked.get(to) ?? 0) + 1);
      if (i === 0) return;
      const from = tricks[i - 1];
      const key = JSON.stringify([from, to]);
      pack.pairs.add(key);
      counts.set(key, { from, to, count: (counts.get(key)?.count ?? 0) + 1 });
    });
  }
  const mean = (of: (pack: { readonly tricks: Set<string>; readonly pairs: Set<string> }) => number) =>
    packs.size === 0 ? null : [...packs.values()].reduce((sum, pack) => sum + of(pack), 0) / packs.size;
  return {
    pairs: [...counts.values()].sort((a, b) => b.count - a.count || compare(a.from, b.from) || compare(a.to, b.to)),
    neverTried: known.flatMap((from) =>
      known.flatMap((to) => (counts.has(JSON.stringify([from, to])) ? [] : [{ from, to }])),
    ),
    tricksAPack: mean(({ tricks }) => tricks.size),
    pairsAPack: mean(({ pairs }) => pairs.size),
    favourites: favouritesOf(unasked, few),
  };
}

const compare = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0);

function favouritesOf(counts: ReadonlyMap<string, number>, few: number): LineHabits["favourites"] {
  const all = [...counts.values()].reduce((sum, count) => sum + count, 0);
  if (all === 0) return null;
  const most = [...counts].sort(([a, m], [b, n]) => n - m || compare(a, b)).slice(0, few);
  return { tricks: most.map(([id]) => id), share: most.reduce((sum, [, count]) => sum + count, 0) / all };
}
