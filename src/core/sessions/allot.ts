import { mostTurns } from "./turns";

/** What part of a session a block is. In `show` the coach flies, and the pilot watches. */
export const blockKinds = ["warm-up", "show", "main", "review", "free"] as const;
export type BlockKind = (typeof blockKinds)[number];

/** Something a pilot could fly in a session, and how much half a pack of it is worth. */
export interface Offer {
  readonly kind: BlockKind;
  /** Null for flying freely. */
  readonly stepId: string | null;
  /** Worth of each further half pack; never rising, so that the first ones come first. */
  readonly worth: readonly number[];
  /** Never flown before: counts towards the limit of new steps. */
  readonly isNew: boolean;
}

export interface PilotOffers {
  readonly pilotId: string;
  /** Charged packs. */
  readonly packs: number;
  readonly offers: readonly Offer[];
}

/** What a session gives. */
export interface SessionFrame {
  /** Flying time there is: the shorter of the meeting and the light. */
  readonly minutes: number;
  readonly packMin: number;
  /** What a pilot takes from landing to the take-off of their own next pack. */
  readonly changeMin: number;
  /** Spots at which somebody can fly at the same time. */
  readonly spots: number;
  /** People who watch the sky beside a pilot in goggles. */
  readonly observers: number;
  /** New steps a pilot takes on in one session at most. */
  readonly newSteps: number;
}

/** A block of a pilot's session, in half packs. */
export interface Block {
  readonly kind: BlockKind;
  readonly stepId: string | null;
  readonly halfPacks: number;
}

export interface Allotment {
  /** In the order flown: warm-up, main, review, free. */
  readonly blocks: readonly Block[];
  /** Packs flown. */
  readonly packs: number;
  readonly worth: number;
  /** Offers that found no room. */
  readonly left: readonly { readonly offer: Offer; readonly because: "time" | "packs" | "new-steps" }[];
}

/** How many fly at once. */
export const atOnceIn = ({ spots, observers }: SessionFrame): number => Math.max(1, Math.min(spots, observers));

/**
 * Shares the turns of a session among pilots so that their worth together is the greatest (exact: dynamic programming over the pilots and the turns
 * left) in so many slots. A pilot flies at most once in a slot. Of two ways worth the same, the one with fewer turns for those named first.
 */
export function allot(
  pilots: readonly PilotOffers[],
  frame: SessionFrame,
  slots = mostTurns(frame.minutes, pilots.length, atOnceIn(frame), frame),
): ReadonlyMap<string, Allotment> {
  const atOnce = atOnceIn(frame);
  const chosen = pilots.map((pilot) => rankedHalves(pilot, frame.newSteps));
  const worthOf = (i: number, packs: number) => sumWorth(chosen[i].slice(0, 2 * packs));
  const most = pilots.map((pilot, i) => Math.min(pilot.packs, slots, Math.ceil(chosen[i].length / 2)));
  const turns = Math.min(
    slots * atOnce,
    most.reduce((sum, packs) => sum + packs, 0),
  );
  // best[t]: worth of the pilots looked at so far with t turns; share[i][t]: packs of pilot i in that.
  let best: number[] = new Array<number>(turns + 1).fill(0);
  const share = pilots.map((_, i) => {
    const before = best;
    const own = new Array<number>(turns + 1).fill(0);
    best = before.map((_, t) => {
      let top = before[t];
      for (let packs = 1; packs <= Math.min(most[i], t); packs++) {
        const worth = before[t - packs] + worthOf(i, packs);
        if (worth <= top) continue;
        top = worth;
        own[t] = packs;
      }
      return top;
    });
    return own;
  });
  const packs = pilots.map(() => 0);
  for (let i = pilots.length - 1, t = turns; i >= 0; t -= packs[i], i--) packs[i] = share[i][t];
  return new Map(
    pilots.map((pilot, i) => {
      const taken = chosen[i].slice(0, 2 * packs[i]);
      const flown = new Set(taken.map(({ offer }) => offer));
      const allowed = new Set(chosen[i].map(({ offer }) => offer));
      return [
        pilot.pilotId,
        {
          blocks: blocksOf(pilot.offers, taken),
          packs: packs[i],
          worth: sumWorth(taken),
          left: pilot.offers
            .filter((offer) => !flown.has(offer))
            .map((offer) => ({
              offer,
              because: !allowed.has(offer) ? "new-steps" : packs[i] < pilot.packs ? "time" : "packs",
            })),
        },
      ];
    }),
  );
}

interface Half {
  readonly offer: Offer;
  readonly worth: number;
}

/** A pilot's half packs in the order in which they are given: the warm-up first, whatever it is worth, then the worthiest. */
function rankedHalves({ offers }: PilotOffers, newSteps: number): Half[] {
  const fresh = offers.filter(({ isNew }) => isNew).sort((a, b) => b.worth[0] - a.worth[0]);
  const halves = offers
    .filter((offer) => !offer.isNew || fresh.indexOf(offer) < newSteps)
    .flatMap((offer) => offer.worth.map((worth) => ({ offer, worth })));
  const isFirst = ({ offer }: Half) => offer.kind === "warm-up";
  return [...halves.filter(isFirst), ...halves.filter((half) => !isFirst(half)).sort((a, b) => b.worth - a.worth)];
}

const sumWorth = (halves: readonly Half[]) => halves.reduce((sum, { worth }) => sum + worth, 0);

function blocksOf(offers: readonly Offer[], halves: readonly Half[]): Block[] {
  return [...offers]
    .sort((a, b) => blockKinds.indexOf(a.kind) - blockKinds.indexOf(b.kind))
    .flatMap((offer) => {
      const halfPacks = halves.filter((half) => half.offer === offer).length;
      return halfPacks > 0 ? [{ kind: offer.kind, stepId: offer.stepId, halfPacks }] : [];
    });
}
