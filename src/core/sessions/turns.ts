/** A pack to be flown: whose, and the how-manieth of theirs, from 0. */
export interface Turn {
  readonly pilotId: string;
  readonly pack: number;
}

/**
 * An order in which pilots fly their packs: slots one after the other, some pilots in each. Nobody is in a slot twice; the whole takes as few slots
 * as there can be. Whoever has just flown waits where somebody else can fly, so that packs are changed and heads rest: as seldom back to back as can
 * be where one flies at a time, nearly so where several do.
 */
export function orderTurns(packsOf: readonly (readonly [pilotId: string, packs: number])[], atOnce: number): Turn[][] {
  const left = packsOf.map(([, packs]) => packs);
  const flown = packsOf.map(() => 0);
  const slots: Turn[][] = [];
  let before: readonly number[] = [];
  let remaining = left.reduce((sum, packs) => sum + packs, 0);
  while (remaining > 0) {
    // As few slots as are still needed: the longest row of one pilot, or all packs side by side.
    const needed = Math.max(...left, Math.ceil(remaining / atOnce));
    const rank = (i: number) => [
      left[i] === needed ? 0 : 1, // must fly now, or the whole gets longer
      before.includes(i) ? 1 : 0,
      -left[i],
      i,
    ];
    const now = packsOf
      .flatMap((_, i) => (left[i] > 0 ? [i] : []))
      .sort((a, b) => compare(rank(a), rank(b)))
      .slice(0, atOnce);
    slots.push(now.map((i) => ({ pilotId: packsOf[i][0], pack: flown[i] })));
    for (const i of now) {
      left[i]--;
      flown[i]++;
    }
    remaining -= now.length;
    before = now;
  }
  return slots;
}

function compare(a: readonly number[], b: readonly number[]): number {
  const at = a.findIndex((value, i) => value !== b[i]);
  return at < 0 ? 0 : a[at] - b[at];
}
