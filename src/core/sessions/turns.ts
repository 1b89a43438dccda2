import { requireNumber } from "../numbers";

/** A pack to be flown: whose, and the how-manieth of theirs, from 0. */
export interface Turn {
  readonly pilotId: string;
  readonly pack: number;
}

/** What a turn takes. */
export interface TurnTimes {
  readonly packMin: number;
  /** What a pilot takes from landing to the take-off of their own next pack. */
  readonly changeMin: number;
}

/** From a landing to the take-off of whoever stood ready, min. Common practice, no source. */
const HANDOVER_MIN = 1;

/**
 * When each turn begins, min after the session does: as soon as those before have landed and handed over, and each of its pilots has changed the pack
 * since their own last turn. Packs are changed while others fly.
 */
export function turnBegins(slots: readonly (readonly string[])[], { packMin, changeMin }: TurnTimes): number[] {
  const readyMin = new Map<string, number>();
  let freeMin = 0;
  return slots.map((slot) => {
    const beginMin = Math.max(freeMin, ...slot.map((id) => readyMin.get(id) ?? 0));
    const landedMin = beginMin + packMin;
    for (const id of slot) readyMin.set(id, landedMin + changeMin);
    freeMin = landedMin + Math.min(HANDOVER_MIN, changeMin);
    return beginMin;
  });
}

/** How many turns, one after the other, are over within so many minutes. */
export const turnsWithin = (minutes: number, slots: readonly (readonly string[])[], times: TurnTimes): number =>
  turnBegins(slots, times).filter((beginMin) => beginMin + times.packMin <= minutes + 1e-9).length;

/** Most turns that so many minutes have room for, however they are shared among so many pilots. */
export function mostTurns(minutes: number, pilots: number, atOnce: number, { packMin, changeMin }: TurnTimes): number {
  requireNumber("minutes", minutes, 0, 24 * 60);
  requireNumber("packMin", packMin, 0.5, 60);
  requireNumber("changeMin", changeMin, 0, 60);
  const between = pilots > atOnce ? Math.min(HANDOVER_MIN, changeMin) : changeMin;
  return Math.floor((minutes + between) / (packMin + between) + 1e-9);
}

/** How an order does: when the last lands, and the longest anybody waits for a turn of theirs, min. */
export interface OrderTimes {
  readonly totalMin: number;
  readonly longestWaitMin: number;
}

/** How an order of at least one turn does. */
export function orderTimes(slots: readonly (readonly string[])[], times: TurnTimes): OrderTimes {
  const begins = turnBegins(slots, times);
  const landedMin = new Map<string, number>();
  let longestWaitMin = 0;
  slots.forEach((slot, at) =>
    slot.forEach((id) => {
      longestWaitMin = Math.max(longestWaitMin, begins[at] - (landedMin.get(id) ?? 0));
      landedMin.set(id, begins[at] + times.packMin);
    }),
  );
  return { totalMin: begins[begins.length - 1] + times.packMin, longestWaitMin };
}

/**
 * An order in which pilots fly their packs: slots one after the other, some pilots in each, nobody twice in one. Nobody flies twice before everybody has
 * flown once; among such orders a short one, and among the short ones one in which nobody waits long: a beam search over the slots, held against all
 * orders where there are few.
 */
export function orderTurns(
  packsOf: readonly (readonly [pilotId: string, packs: number])[],
  atOnce: number,
  times: TurnTimes,
): Turn[][] {
  if (packsOf.every(([, packs]) => packs === 0)) return [];
  let beam: readonly Begun[] = [
    {
      slots: [],
      left: packsOf.map(([, packs]) => packs),
      readyMin: packsOf.map(() => 0),
      landedMin: packsOf.map(() => 0),
      flown: packsOf.map(() => false),
      freeMin: 0,
      longestMin: 0,
    },
  ];
  let best: { readonly slots: Begun["slots"]; readonly rank: readonly number[] } = { slots: [], rank: [Infinity] };
  while (beam.length > 0) {
    const further = distinct(beam.flatMap((begun) => nextSlots(begun, atOnce).map((now) => flownBy(begun, now, times))))
      .map((begun) => ({ begun, rank: promise(begun, atOnce, times) }))
      .sort((a, b) => compare(a.rank, b.rank));
    const whole = further.find(({ begun }) => begun.left.every((packs) => packs === 0));
    if (whole && compare(whole.rank, best.rank) < 0) best = { slots: whole.begun.slots, rank: whole.rank };
    beam = further
      .filter(({ begun, rank }) => begun.left.some((packs) => packs > 0) && compare(rank, best.rank) < 0)
      .slice(0, beamFor(packsOf.length))
      .map(({ begun }) => begun);
  }
  return turnsOf(packsOf, best.slots);
}

/** Orders that are followed up beside one another: few where there are many pilots, so that a plan stands within a moment. */
const beamFor = (pilots: number) => (pilots <= 8 ? 20 : 4);

/** An order as far as it goes; lists by pilot. */
interface Begun {
  readonly slots: readonly (readonly number[])[];
  readonly left: readonly number[];
  /** When the next pack is in. */
  readonly readyMin: readonly number[];
  readonly landedMin: readonly number[];
  readonly flown: readonly boolean[];
  /** When the next can take off. */
  readonly freeMin: number;
  readonly longestMin: number;
}

/**
 * Who may fly in the next slot: nobody again while somebody has not flown. Of those who have, the few who wait longest are looked at. A spot may stay empty,
 * where all fly together again after a change of packs.
 */
function nextSlots(begun: Begun, atOnce: number): number[][] {
  const { left, flown, landedMin } = begun;
  const window = atOnce + (atOnce <= 3 ? 2 : 1);
  const open = [...left.keys()].filter((i) => left[i] > 0);
  const most = (of: readonly number[], rank: (i: number) => readonly number[]) =>
    [...of].sort((a, b) => compare(rank(a), rank(b))).slice(0, window);
  const fresh = open.filter((i) => !flown[i]);
  if (fresh.length > atOnce)
    return choices(
      begun,
      most(fresh, (i) => [-left[i]]),
      atOnce,
    );
  const again = most(
    open.filter((i) => flown[i]),
    (i) => [landedMin[i], -left[i]],
  );
  const room = Math.min(atOnce - fresh.length, again.length);
  return [...new Set([room, Math.max(0, room - 1)])]
    .filter((count) => fresh.length + count > 0)
    .flatMap((count) => choices(begun, again, count).map((more) => [...fresh, ...more]));
}

/** Every choice of so many of some; of pilots who stand alike one is as good as another. */
function choices(begun: Begun, of: readonly number[], count: number): number[][] {
  if (count === 0) return [[]];
  const seen = new Set<string>();
  return of.flatMap((one, i) => {
    const stands = standsOf(begun, one);
    if (seen.has(stands)) return [];
    seen.add(stands);
    return choices(begun, of.slice(i + 1), count - 1).map((rest) => [one, ...rest]);
  });
}

const standsOf = ({ left, readyMin, landedMin }: Begun, i: number) => `${left[i]} ${readyMin[i]} ${landedMin[i]}`;

/** One of each kind: orders after which the same is left to as many who stand alike come to the same. */
function distinct(orders: readonly Begun[]): Begun[] {
  const keyOf = (begun: Begun) =>
    [begun.freeMin, begun.longestMin, ...[...begun.left.keys()].map((i) => standsOf(begun, i)).sort()].join();
  return [...new Map(orders.map((begun) => [keyOf(begun), begun])).values()];
}

function flownBy(begun: Begun, now: readonly number[], { packMin, changeMin }: TurnTimes): Begun {
  const beginMin = Math.max(begun.freeMin, ...now.map((i) => begun.readyMin[i]));
  const landedMin = beginMin + packMin;
  const flies = (i: number) => now.includes(i);
  return {
    slots: [...begun.slots, now],
    left: begun.left.map((packs, i) => packs - (flies(i) ? 1 : 0)),
    readyMin: begun.readyMin.map((min, i) => (flies(i) ? landedMin + changeMin : min)),
    landedMin: begun.landedMin.map((min, i) => (flies(i) ? landedMin : min)),
    flown: begun.flown.map((before, i) => before || flies(i)),
    freeMin: landedMin + Math.min(HANDOVER_MIN, changeMin),
    longestMin: Math.max(begun.longestMin, ...now.map((i) => beginMin - begun.landedMin[i])),
  };
}

/** The least an order that goes on from here can come to: when the last lands, the longest wait; and how much is left to whom. */
function promise(begun: Begun, atOnce: number, { packMin, changeMin }: TurnTimes): number[] {
  const { left, readyMin, landedMin, freeMin, longestMin } = begun;
  const open = [...left.keys()].filter((i) => left[i] > 0);
  const slots = Math.ceil(left.reduce((sum, packs) => sum + packs, 0) / atOnce);
  const handoverMin = Math.min(HANDOVER_MIN, changeMin);
  const endMin = Math.max(
    slots === 0 ? freeMin - handoverMin : freeMin + slots * (packMin + handoverMin) - handoverMin,
    ...open.map((i) => Math.max(freeMin, readyMin[i]) + left[i] * (packMin + changeMin) - changeMin),
  );
  const waitMin = Math.max(longestMin, ...open.map((i) => freeMin - landedMin[i]));
  return [endMin, waitMin, Math.max(0, ...left)];
}

function turnsOf(
  packsOf: readonly (readonly [pilotId: string, packs: number])[],
  slots: readonly (readonly number[])[],
): Turn[][] {
  const flown = packsOf.map(() => 0);
  return slots.map((slot) =>
    [...slot].sort((a, b) => a - b).map((i) => ({ pilotId: packsOf[i][0], pack: flown[i]++ })),
  );
}

function compare(a: readonly number[], b: readonly number[]): number {
  const at = a.findIndex((value, i) => value !== b[i]);
  return at < 0 ? 0 : a[at] - (b[at] ?? 0);
}
