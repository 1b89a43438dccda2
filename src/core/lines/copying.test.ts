import { copyEvidence, lookAgainDue, type CopyTry } from ".";

const parts = ["gap", "stop", "turn"];
/** Tries by what was held in each. */
const tries = (...held: string[]): CopyTry[] =>
  held.map((one) => ({ parts, held: one.split(" ").filter((id) => id !== "") }));

it("tells of each part whether it is lost, coming or held by the last tries, the most lost first", () => {
  const {
    parts: found,
    lost,
    whole,
  } = copyEvidence(tries("turn", "turn gap", "turn gap stop", "gap", "gap stop", "gap", "gap turn", "gap"), parts, 5);
  expect(found.map(({ id, standing, lately }) => [id, standing, lately.count, lately.of])).toEqual([
    ["gap", "held", 5, 5],
    ["stop", "lost", 1, 5],
    ["turn", "lost", 1, 5],
  ]);
  // The turn was there in all of the first three.
  expect(found.map(({ slipped }) => slipped)).toEqual([false, false, true]);
  expect(found[2].all).toMatchObject({ count: 4, of: 8 });
  expect(lost).toEqual(["stop", "turn"]);
  expect(whole).toBe(false);
  expect(copyEvidence(tries("gap", "gap stop", "gap", "gap stop", "gap stop turn"), parts, 5).lost).toEqual(["turn"]);
});

it("lets one thing be changed only when every part was held in four of five, over as many tries as asked for", () => {
  const all = "gap stop turn";
  const whole = (...held: string[]) => copyEvidence(tries(...held), parts, 5).whole;
  expect(whole(all, all, all, all)).toBe(false);
  expect(whole(all, all, "gap stop", all, all)).toBe(true);
  expect(whole(all, "gap", "gap stop", all, all)).toBe(false);
  expect(copyEvidence(tries(all), [], 5).whole).toBe(false);
});

it("a part that was named later is judged by the tries that had it; one nobody ticked is called so", () => {
  const earlier = { parts: ["gap"], held: ["gap"] };
  const { parts: found } = copyEvidence([earlier, earlier, ...tries("gap stop")], [...parts, "exit"], 5);
  expect(found.map(({ standing, all }) => [standing, all.of])).toEqual([
    ["held", 3],
    ["held", 1],
    ["lost", 1],
    ["untried", 0],
  ]);
});

it("asks for a look at the original after every so many tries, and not before the first", () => {
  expect([0, 1, 4, 5, 6, 9, 10].filter((n) => lookAgainDue(n, 5))).toEqual([5, 10]);
});
