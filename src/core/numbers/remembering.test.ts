import { remembering } from "./remembering";

it("works out once what is asked for again with the same, and anew what is asked for with something else", () => {
  const worked = jest.fn((days: readonly number[], others: readonly number[], times: number) =>
    [...days, ...others].map((day) => day * times),
  );
  const remembered = remembering(worked);
  const [days, others] = [[1, 2], [3]];
  expect(remembered(days, others, 2)).toEqual([2, 4, 6]);
  expect(remembered(days, others, 2)).toBe(remembered(days, others, 2));
  expect(worked).toHaveBeenCalledTimes(1);
  // Alike is not the same: somebody may change one of two lists.
  expect(remembered(days, [3], 2)).toEqual([2, 4, 6]);
  expect(remembered(days, others, 3)).toEqual([3, 6, 9]);
  expect(remembered([1, 2], others, 3)).toEqual([3, 6, 9]);
  expect(worked).toHaveBeenCalledTimes(4);
});
