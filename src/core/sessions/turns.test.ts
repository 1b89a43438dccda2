import { orderTimes, orderTurns, turnBegins, type TurnTimes } from ".";

const times: TurnTimes = { packMin: 4, changeMin: 3 };
type Order = readonly (readonly string[])[];

/** Every order in which nobody flies twice before everybody has flown once. */
function everyOrder(left: ReadonlyMap<string, number>, atOnce: number, flown: ReadonlySet<string>): Order[] {
  const open = [...left].flatMap(([id, packs]) => (packs > 0 ? [id] : []));
  if (open.length === 0) return [[]];
  const orders: Order[] = [];
  for (let set = 1; set < 1 << open.length; set++) {
    const now = open.filter((_, bit) => set & (1 << bit));
    const waiting = open.filter((id) => !flown.has(id) && !now.includes(id));
    // Nobody for the second time while somebody still waits for the first.
    if (now.length > atOnce || (waiting.length > 0 && now.some((id) => flown.has(id)))) continue;
    const rest = new Map([...left].map(([id, packs]) => [id, packs - (now.includes(id) ? 1 : 0)]));
    for (const order of everyOrder(rest, atOnce, new Set([...flown, ...now]))) orders.push([now, ...order]);
  }
  return orders;
}

it.each([
  [[3, 3], 1],
  [[4, 1, 1], 1],
  [[2, 2, 2], 1],
  [[3, 2, 1], 1],
  [[4, 2, 2], 1],
  [[1, 2, 4], 1],
  [[3, 1, 1, 1], 1],
  [[2, 2, 2], 2],
  [[3, 1, 1], 2],
  [[2, 2, 1, 1], 2],
  [[3, 3, 2], 2],
  [[4, 2], 2],
  [[2, 2, 2, 2], 3],
  [[3, 2, 2], 2],
  [[1, 1, 1, 1], 2],
])(
  "an order of %j packs, %d at once, is as short as any, and of the short ones has the shortest longest wait",
  (packs, atOnce) => {
    const packsOf = packs.map((count, i) => [`p${i}`, count] as const);
    const ours = orderTurns(packsOf, atOnce, times);
    for (const [i, count] of packs.entries())
      expect(
        ours
          .flat()
          .filter(({ pilotId }) => pilotId === `p${i}`)
          .map(({ pack }) => pack),
      ).toEqual(Array.from({ length: count }, (_, n) => n));
    for (const slot of ours) expect(new Set(slot.map(({ pilotId }) => pilotId)).size).toBe(slot.length);
    const best = everyOrder(new Map(packsOf), atOnce, new Set())
      .map((order) => orderTimes(order, times))
      .sort((a, b) => a.totalMin - b.totalMin || a.longestWaitMin - b.longestWaitMin)[0];
    expect(
      orderTimes(
        ours.map((slot) => slot.map(({ pilotId }) => pilotId)),
        times,
      ),
    ).toEqual(best);
  },
);

it("lets eight pilots of four packs each change them while others fly", () => {
  const packsOf = Array.from({ length: 8 }, (_, i) => [`p${i}`, 4] as const);
  const slots = orderTurns(packsOf, 2, times);
  expect(slots.flat()).toHaveLength(32);
  // Sixteen turns with a minute between: while two fly, six change their packs.
  expect(
    orderTimes(
      slots.map((slot) => slot.map(({ pilotId }) => pilotId)),
      times,
    ),
  ).toEqual({
    totalMin: 79,
    longestWaitMin: 16,
  });
});

it("of a whole squad is as short as turns can be, everybody once before anybody twice", () => {
  for (const [pilots, atOnce] of [
    [30, 1],
    [30, 2],
    [17, 3],
  ] as const) {
    const packsOf = Array.from({ length: pilots }, (_, i) => [`p${i}`, 3] as const);
    const slots = orderTurns(packsOf, atOnce, times).map((slot) => slot.map(({ pilotId }) => pilotId));
    const turns = Math.ceil((3 * pilots) / atOnce);
    expect(orderTimes(slots, times).totalMin).toBe(turns * 5 - 1);
    expect(new Set(slots.slice(0, Math.ceil(pilots / atOnce)).flat()).size).toBe(pilots);
  }
});

it("begins a turn once those before have landed and handed over, and its pilots have changed their packs", () => {
  expect(turnBegins([["ida"], ["odo"], ["odo"], ["ida"]], times)).toEqual([0, 5, 12, 17]);
  expect(turnBegins([], times)).toEqual([]);
});
