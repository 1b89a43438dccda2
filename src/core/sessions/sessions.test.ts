import { allot, attemptsToMeet, atOnceIn, mostTurns, type Offer, type PilotOffers, type SessionFrame } from ".";
import { seededRandom } from "../numbers";
import type { Outcome } from "../progress";

const frame: SessionFrame = { minutes: 60, packMin: 4, changeMin: 2, spots: 1, observers: 1, newSteps: 1 };
const offer = (kind: Offer["kind"], stepId: string | null, worth: number[], isNew = false): Offer => ({
  kind,
  stepId,
  worth,
  isNew,
});
const pilot = (pilotId: string, packs: number, ...offers: Offer[]): PilotOffers => ({ pilotId, packs, offers });

/** Worth of the best of all ways to share the turns and choose half packs, looked at one by one. */
function bestOfAll(pilots: readonly PilotOffers[], turns: number, slots: number): number {
  if (pilots.length === 0) return 0;
  const [{ packs, offers }, ...others] = pilots;
  let best = 0;
  for (let own = 0; own <= Math.min(packs, turns, slots); own++) {
    const choose = (at: number, halves: number): number => {
      if (at === offers.length) return 0;
      let top = 0;
      for (let taken = 0; taken <= Math.min(halves, offers[at].worth.length); taken++) {
        // Nobody flies without the warm-up.
        if (offers[at].kind === "warm-up" && own > 0 && taken < offers[at].worth.length) continue;
        const worth = offers[at].worth.slice(0, taken).reduce((a, b) => a + b, 0);
        top = Math.max(top, worth + choose(at + 1, halves - taken));
      }
      return top;
    };
    best = Math.max(best, choose(0, 2 * own) + bestOfAll(others, turns - own, slots));
  }
  return best;
}

it("shares a session as well as the best of all ways, looked at one by one", () => {
  const random = seededRandom(11);
  const upTo = (most: number) => Math.floor(random() * (most + 1));
  const falling = (length: number) => Array.from({ length }, () => 1 + upTo(9)).sort((a, b) => b - a);
  for (let round = 0; round < 300; round++) {
    const pilots = Array.from({ length: 1 + upTo(2) }, (_, i) =>
      pilot(
        `p${i}`,
        1 + upTo(3),
        ...(upTo(1) ? [offer("warm-up", "hover", [upTo(9)])] : []),
        offer("main", "flip", falling(1 + upTo(3))),
        ...Array.from({ length: upTo(2) }, (_, n) => offer("review", `r${n}`, falling(1))),
        offer("free", null, falling(upTo(1))),
      ),
    );
    const one = { ...frame, minutes: 5 + upTo(25), spots: 1 + upTo(1), observers: 1 + upTo(1) };
    const atOnce = atOnceIn(one);
    const slots = mostTurns(one.minutes, pilots.length, atOnce, one);
    const worth = [...allot(pilots, one).values()].reduce((sum, given) => sum + given.worth, 0);
    expect(worth).toBe(bestOfAll(pilots, slots * atOnce, slots));
  }
});

it("flies warm-up, main, review, free in that order, within the packs there are, and says what found no room and why", () => {
  const offers = [
    offer("free", null, [3]),
    offer("review", "roll", [5]),
    offer("main", "flip", [9, 8, 6, 2, 1]),
    offer("warm-up", "hover", [1]),
    offer("review", "stop", [0.5]),
  ];
  const given = allot([pilot("odo", 3, ...offers)], frame).get("odo")!;
  expect(given.packs).toBe(3);
  expect(given.blocks).toEqual([
    { kind: "warm-up", stepId: "hover", halfPacks: 1 },
    { kind: "main", stepId: "flip", halfPacks: 3 },
    { kind: "review", stepId: "roll", halfPacks: 1 },
    { kind: "free", stepId: null, halfPacks: 1 },
  ]);
  expect(given.left).toEqual([{ offer: offers[4], because: "packs" }]);
  const late = allot([pilot("odo", 3, ...offers)], { ...frame, minutes: 10 }).get("odo")!;
  expect(late.packs).toBe(2);
  expect(late.blocks.map(({ stepId, halfPacks }) => [stepId, halfPacks])).toEqual([
    ["hover", 1],
    ["flip", 3],
  ]);
  expect(late.left.map(({ because }) => because)).toEqual(["time", "time", "time"]);
});

it("never plans more new steps than the limit", () => {
  const offers = [offer("main", "a", [5], true), offer("main", "b", [7], true), offer("main", "c", [1, 1, 1])];
  const steps = (newSteps: number) => {
    const given = allot([pilot("odo", 3, ...offers)], { ...frame, newSteps }).get("odo")!;
    return [
      given.blocks.map(({ stepId }) => stepId),
      given.left.map(({ offer: { stepId }, because }) => [stepId, because]),
    ];
  };
  expect(steps(0)).toEqual([
    ["c"],
    [
      ["a", "new-steps"],
      ["b", "new-steps"],
    ],
  ]);
  expect(steps(1)).toEqual([["b", "c"], [["a", "new-steps"]]]);
  expect(steps(2)).toEqual([["a", "b", "c"], []]);
});

it("has room for as many turns as fit, more where packs are changed while others fly", () => {
  const turns = (minutes: number, pilots: number, atOnce = 1) => mostTurns(minutes, pilots, atOnce, frame);
  expect(turns(60, 1)).toBe(10);
  expect(turns(60, 2)).toBe(12);
  expect(turns(60, 2, 2)).toBe(10);
  expect(turns(3, 1)).toBe(0);
  expect(atOnceIn({ ...frame, spots: 3, observers: 2 })).toBe(2);
  expect(() => turns(Number.NaN, 1)).toThrow("minutes");
});

describe("attempts until a mark is met", () => {
  /** As good as known: a rate of `p` without doubt. */
  const sure = (p: number, direction = "left") => ({ direction, a: 1e6 * p, b: 1e6 * (1 - p) });
  const mean = (mark: Parameters<typeof attemptsToMeet>[0], p: number) => {
    const random = seededRandom(3);
    const runs = Array.from({ length: 12 }, () => attemptsToMeet(mark, [], [sure(p)], random).median);
    return runs.reduce((a, b) => a + b, 0) / runs.length;
  };

  it("of the first clean one is geometric, its median ln 2 / -ln(1-p) rounded up", () => {
    for (const p of [0.1, 0.25, 0.5])
      expect(
        Math.abs(mean({ kind: "k-of-last", k: 1, n: 1 }, p) - Math.ceil(Math.log(0.5) / Math.log(1 - p))),
      ).toBeLessThan(1);
  });

  it("of a run takes as long as the recurrence of runs says", () => {
    // Feller, An Introduction to Probability Theory and Its Applications I, XIII.7 (from memory): first run of k successes.
    const p = 0.7;
    const k = 4;
    const done: number[] = [];
    for (let n = 0; n <= 100; n++) {
      const first =
        n < k ? 0 : n === k ? p ** k : (1 - done.slice(0, n - k).reduce((a, b) => a + b, 0)) * (1 - p) * p ** k;
      done.push(first);
    }
    let sum = 0;
    const median = done.findIndex((share) => (sum += share) >= 0.5);
    expect(Math.abs(mean({ kind: "run", k }, p) - median)).toBeLessThanOrEqual(1.5);
  });

  it("looks no further back than the mark does", () => {
    const flown = Array.from({ length: 600 }, (_, i) => ({
      direction: ["left", "right"][i % 2],
      outcome: (i % 7 < 3 ? "clean" : "rough") as Outcome,
      place: "field" as const,
      setupId: null,
      atMs: i,
    }));
    const rates = [sure(0.3, "left"), sure(0.3, "right")];
    for (const rule of [
      { kind: "k-of-last", k: 5, n: 6 },
      { kind: "run", k: 4 },
    ] as const) {
      const mark = { kind: "each-direction", rule } as const;
      const all = attemptsToMeet(mark, flown, rates, seededRandom(9));
      expect(all.median).toBeGreaterThan(4);
      expect(attemptsToMeet(mark, flown.slice(-12), rates, seededRandom(9))).toEqual(all);
    }
  });

  it("is none once it is met, fewer with some clean ones behind, and more where less is known", () => {
    const mark = { kind: "each-direction", rule: { kind: "k-of-last", k: 3, n: 4 } } as const;
    const clean = (direction: string, count: number) =>
      Array.from({ length: count }, (_, i) => ({
        direction,
        outcome: "clean" as const,
        place: "field" as const,
        setupId: null,
        atMs: i,
      }));
    const both = (p: number, weight: number) =>
      ["left", "right"].map((direction) => ({ direction, a: weight * p, b: weight * (1 - p) }));
    const to = (behind: Parameters<typeof attemptsToMeet>[1], weight = 1e6) =>
      attemptsToMeet(mark, behind, both(0.5, weight), seededRandom(5));
    expect(to([...clean("left", 3), ...clean("right", 3)])).toEqual({ median: 0, high: 0 });
    expect(to(clean("left", 3)).median).toBeLessThan(to([]).median);
    expect(to([], 2).high).toBeGreaterThan(to([]).high);
    expect(() => attemptsToMeet(mark, [], [{ direction: "left", a: 0, b: 1 }], Math.random)).toThrow("a");
  });
});
