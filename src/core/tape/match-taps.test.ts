import { seededRandom } from "../numbers";
import { matchTaps, measuredOfTrick, type FoundTrick, type Tap } from ".";

const measures = { stopErrorDeg: 12.34, swingBackDeg: 4, throttleInvertedMean: 0.112 } as FoundTrick["measures"];
const trick = (kind: FoundTrick["kind"], direction: FoundTrick["direction"], toS: number): FoundTrick => ({
  ...{ kind, direction, axis: "pitch", turns: 1, fromS: toS - 1, toS, confidence: 0.9, measures },
});
const ways = [
  ["flip", "back"],
  ["flip", "front"],
  ["roll", "left"],
  ["roll", "right"],
] as const;
const BEGAN_MS = Date.UTC(2026, 10, 25, 14, 3, 12);

/** A pack of tricks at odd intervals, and the coach's taps at them. */
function pack(seed: number, count: number) {
  const random = seededRandom(seed);
  let s = 5;
  const tricks = Array.from({ length: count }, () => {
    s += 6 + 12 * random();
    const [kind, direction] = ways[Math.floor(4 * random())];
    return trick(kind, direction, s);
  });
  const taps = tricks.map(({ kind, direction, toS }, i): Tap => {
    const lateS = 1.5 + 2.5 * random();
    return { id: `tap ${i}`, atMs: BEGAN_MS + 1000 * (toS + lateS), kinds: [kind], direction };
  });
  return { tricks, taps };
}

it("lines a recording up with the taps, though some were forgotten and some belong to another pack", () => {
  for (let seed = 1; seed <= 20; seed++) {
    const { tricks, taps } = pack(seed, 14);
    const forgotten = [2, 7, 8];
    const before = { ...taps[0], id: "earlier", atMs: BEGAN_MS - 300_000 };
    const kept = [before, ...taps.filter((_, i) => !forgotten.includes(i))];
    const found = matchTaps(tricks, kept)!;
    expect(Math.abs(found.clockMs - BEGAN_MS)).toBeLessThan(1500);
    expect(found.untapped).toEqual(forgotten);
    expect(found.pairs.map(({ trick: at, tapId }) => tapId === `tap ${at}`)).toEqual(Array(11).fill(true));
    expect(found.unseen).toEqual([]);
  }
});

it("says which taps the recording shows nothing of, and leaves to an unsure trick what no other takes", () => {
  const { tricks, taps } = pack(3, 8);
  const unsure = tricks.map((one, i) => (i === 3 ? { ...one, kind: "unknown" as const, confidence: 0.2 } : one));
  const hover: Tap = { id: "hover", atMs: taps[4].atMs + 3000, kinds: [], direction: null };
  const found = matchTaps(unsure, [...taps, hover])!;
  expect(found.pairs.map(({ tapId }) => tapId)).toEqual(taps.map(({ id }) => id));
  expect(found.unseen).toEqual(["hover"]);
});

it("matches nothing where the sides or the kinds are others", () => {
  const { tricks, taps } = pack(5, 6);
  const spins = taps.map((tap) => ({ ...tap, kinds: ["spin"] as const }));
  expect(matchTaps(tricks, spins)).toBeNull();
  expect(matchTaps(tricks, [])).toBeNull();
  expect(matchTaps([], taps)).toBeNull();
});

it("hands on what was measured of what ends round, and nothing of what is unsure", () => {
  const flip = trick("flip", "back", 10);
  expect(measuredOfTrick(flip)).toEqual({ stopErrorDeg: 12.3, bounceBackDeg: 4, throttleInvertedPct: 11.2 });
  expect(measuredOfTrick({ ...flip, kind: "split" })).toEqual({ throttleInvertedPct: 11.2 });
  expect(measuredOfTrick({ ...flip, confidence: 0.3 })).toEqual({});
});
