import fc from "fast-check";
import { FROM_THE_START, nextTurn, takeTurn, turnBefore, turnNow, turnsAhead, type TurnOrder } from "./turn-order";

/** The turns flown when the order is simply followed for a while. */
const follow = (order: TurnOrder, count: number, times: number) => {
  const flown = [turnNow(order, count)];
  for (let i = 0; i < times; i++) flown.push(turnNow((order = nextTurn(order, count)), count));
  return flown;
};

it("goes round and round", () => {
  expect(follow(FROM_THE_START, 3, 5)).toEqual([0, 1, 2, 0, 1, 2]);
  expect(follow(FROM_THE_START, 1, 2)).toEqual([0, 0, 0]);
  expect(turnsAhead({ ...FROM_THE_START, turn: 1 }, 4)).toEqual([2, 3, 0, 1]);
});

it("somebody out of turn flies now, nobody in between loses theirs, and nobody has two", () => {
  // While 0 flies, 2 is taken: then come 1 and 3, and 2 is passed over once.
  expect(follow(takeTurn(FROM_THE_START, 2), 4, 5)).toEqual([2, 1, 3, 0, 1, 2]);
  // Two of them, one after the other.
  const two = takeTurn(takeTurn(FROM_THE_START, 3), 2);
  expect(follow(two, 4, 3)).toEqual([2, 1, 0, 1]);
});

it("goes back to where the order was left, and the turn that was taken is to come again", () => {
  const taken = takeTurn({ ...FROM_THE_START, turn: 1 }, 3);
  const back = turnBefore(taken, 4);
  expect(back).toEqual({ turn: 1, guest: null, early: [] });
  expect(turnBefore(back, 4).turn).toBe(0);
  expect(turnBefore(FROM_THE_START, 4).turn).toBe(3);
});

it("passes over who has left, and has them back when they come back", () => {
  const gone = new Set([1, 2]);
  const flown = [turnNow(FROM_THE_START, 4, gone)];
  let order = FROM_THE_START;
  for (let i = 0; i < 3; i++) flown.push(turnNow((order = nextTurn(order, 4, gone)), 4, gone));
  expect(flown).toEqual([0, 3, 0, 3]);
  expect(turnNow({ ...FROM_THE_START, turn: 1 }, 4, gone)).toBe(3);
  expect(turnBefore({ ...FROM_THE_START, turn: 3 }, 4, gone).turn).toBe(0);
  expect(turnNow(nextTurn(FROM_THE_START, 4), 4)).toBe(1);
});

it("whose turn it is anyway is no guest", () => {
  expect(takeTurn(takeTurn(FROM_THE_START, 2), 0).guest).toBeNull();
});

it("whatever is taken when, everybody flies once before anybody flies twice in a round that is followed to its end", () => {
  const scenario = fc.integer({ min: 2, max: 8 }).chain((count) =>
    fc.record({
      count: fc.constant(count),
      taken: fc.array(fc.integer({ min: 0, max: count - 1 }), { maxLength: 4 }),
    }),
  );
  fc.assert(
    fc.property(scenario, ({ count, taken }) => {
      let order = FROM_THE_START;
      const flown = new Set([0]);
      for (const at of taken.filter((one, i) => one !== 0 && taken.indexOf(one) === i)) {
        order = takeTurn(order, at);
        flown.add(turnNow(order, count));
      }
      while (flown.size < count) {
        order = nextTurn(order, count);
        const now = turnNow(order, count);
        expect(flown.has(now)).toBe(false);
        flown.add(now);
      }
      expect(turnNow(nextTurn(order, count), count)).toBe(0);
    }),
  );
});
