import { wilsonInterval } from "../progress";

/** A try at a line in the field. */
export interface FlownTry {
  /** Flown from the first trick to the last, clean or not. */
  readonly through: boolean;
  /** Clean from end to end. */
  readonly clean: boolean;
  /** Place among its tricks of the one at which it broke; null where it did not, or nobody said. */
  readonly brokeAt: number | null;
}

/** A share that was counted, with its Wilson interval of 95 %. */
export interface CountedShare {
  readonly count: number;
  readonly of: number;
  readonly low: number;
  readonly high: number;
}

/** What tries at a line say of it. */
export interface LineEvidence {
  readonly clean: CountedShare;
  readonly through: CountedShare;
  /** By trick, with the joint that leads into it: how many of the tries that came to it broke there. */
  readonly broke: readonly CountedShare[];
  /** Place of the trick whose joint breaks most, after at least two breaks; null while none stands out. */
  readonly weakest: number | null;
}

const Z95 = 1.959964;
const LEAST_BREAKS = 2;

export const countedShare = (count: number, of: number): CountedShare => ({
  count,
  of,
  ...(of === 0 ? { low: 0, high: 1 } : wilsonInterval(count, of, Z95)),
});

/** Where a line of so many tricks breaks in the field. A try of which nobody said where it broke counts in the whole, and at no trick. */
export function lineEvidence(tries: readonly FlownTry[], tricks: number): LineEvidence {
  const placed = tries.filter(({ through, brokeAt }) => through || brokeAt !== null);
  const broke = Array.from({ length: tricks }, (_, place) => {
    const came = placed.filter(({ through, brokeAt }) => through || brokeAt! >= place);
    return countedShare(came.filter(({ through, brokeAt }) => !through && brokeAt === place).length, came.length);
  });
  const most = broke.reduce((at, { low }, place) => (low > broke[at].low ? place : at), 0);
  return {
    clean: countedShare(tries.filter(({ clean }) => clean).length, tries.length),
    through: countedShare(tries.filter(({ through }) => through).length, tries.length),
    broke,
    weakest: (broke[most]?.count ?? 0) >= LEAST_BREAKS ? most : null,
  };
}
