import { gapsBetween } from "./gaps";

const DAY_MS = 86_400_000;
const day = (n: number, planned = false) => ({ atMs: n * DAY_MS, planned });

it("finds stretches longer than ten days, up to the first plan or up to now", () => {
  const days = (list: ReturnType<typeof day>[], now: number) =>
    gapsBetween(list, now * DAY_MS, "UTC").map(({ days: long, ahead }) => [long, ahead]);
  expect(days([day(0), day(7), day(30)], 32)).toEqual([[23, false]]);
  expect(days([day(0), day(7)], 12)).toEqual([]);
  expect(days([day(0), day(7)], 25)).toEqual([[18, true]]);
  expect(days([day(20), day(40, true)], 22)).toEqual([[20, true]]);
  expect(days([day(20), day(25, true), day(60, true)], 22)).toEqual([[35, true]]);
  expect(days([], 5)).toEqual([]);
});
