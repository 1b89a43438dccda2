import { firstSettings } from "../flight";
import { firstMend, packOf, readTape, tapeWindow, type FoundTrick, type TurnMeasures } from ".";
import { madeUpPack } from "./testing/made-up-pack";

const measures: Partial<TurnMeasures> = { throttleInvertedMean: 0, stopErrorDeg: 2, swingBackDeg: 3, leanOffDeg: 4 };
const found = (change: Partial<TurnMeasures> = {}, part: Partial<FoundTrick> = {}) =>
  ({ kind: "flip", confidence: 0.9, ...part, measures: { ...measures, ...change } }) as FoundTrick;

describe("what to mend first", () => {
  it("is what hides the rest: throttle, then stops, then swings, then lean; with the trick that shows it best", () => {
    const bad = { throttleInvertedMean: 0.12, stopErrorDeg: 20, swingBackDeg: 12, leanOffDeg: 40 };
    const inOrder = [
      ["throttle-open", { throttleInvertedMean: 0 }],
      ["stops-past", { stopErrorDeg: 0 }],
      ["swings-back", { swingBackDeg: 0 }],
      ["leans-off", { leanOffDeg: 0 }],
    ] as const;
    let now: Partial<TurnMeasures> = bad;
    for (const [kind, mended] of inOrder) {
      expect(firstMend([found(), found(now), found()])).toMatchObject({ kind, count: 1, of: 3, trick: 1 });
      now = { ...now, ...mended };
    }
    expect(firstMend([found(), found(now)])).toEqual({ kind: "nothing", of: 2 });
  });

  it("counts what is off often enough, both ways by the side that is more, and nothing that is unsure", () => {
    const one = found({ stopErrorDeg: -25 });
    expect(firstMend([one, found(), found(), found()]).kind).toBe("nothing");
    expect(firstMend([one, one, found({ stopErrorDeg: 40 })])).toMatchObject({
      kind: "stops-short",
      deg: 25,
      count: 2,
    });
    expect(firstMend([found({ stopErrorDeg: 90 }, { confidence: 0.3 })])).toEqual({ kind: "nothing", of: 0 });
    // A roll is flown with the throttle a little up.
    expect(firstMend([found({ throttleInvertedMean: 0.12 }, { kind: "roll" })]).kind).toBe("nothing");
  });

  it("is the weaker side where the other is sound, and before all a machine that shakes by itself", () => {
    const way = (direction: FoundTrick["direction"], ...stops: number[]) =>
      stops.map((stopErrorDeg) => found({ stopErrorDeg }, { direction }));
    const oneSided = [...way("back", 2, -4), ...way("front", 12, 28)];
    expect(firstMend(oneSided)).toEqual({
      ...{ kind: "one-sided", direction: "front", deg: 20, otherDeg: -1, count: 2, trick: 3 },
    });
    expect(firstMend([...way("back", 14, 18), ...way("front", 22, 28)]).kind).toBe("stops-past");
    expect(firstMend([...way("back", 2), ...way("front", 12, 28)]).kind).toBe("stops-past");
    const shake = { axis: "pitch", cause: "machine", hz: 41, fromS: 3, toS: 10 } as const;
    const again = { ...shake, hz: 42, fromS: 20, toS: 27 };
    expect(firstMend(oneSided, [shake, again])).toEqual({ kind: "machine-wobble", axis: "pitch", hz: 41.5, forS: 14 });
    expect(firstMend(oneSided, [shake]).kind).toBe("one-sided");
    expect(firstMend(oneSided, [{ ...shake, cause: "hand", toS: 60 }]).kind).toBe("one-sided");
  });
});

it("a pack is all that is shown of a recording: each trick with its picture, the view through it all", () => {
  const { text, truth } = madeUpPack(
    [
      { kind: "flip", side: -1, turns: 1 },
      { kind: "roll", side: 1, turns: 1 },
    ],
    { hz: 500, seed: 9 },
  );
  const pack = packOf(readTape(text), { ...firstSettings, tiltDeg: 20 });
  expect(pack.tricks.map(({ kind }) => kind)).toEqual(["flip", "roll"]);
  for (const [i, picture] of pack.pictures.entries()) {
    // It comes as far as was measured, and what follows are corrections.
    const { turnedDeg } = pack.tricks[i].measures;
    expect(Math.min(...picture.turnedDeg.map((deg) => Math.abs(deg - turnedDeg)))).toBeLessThan(1.5);
    expect(picture.startS).toBeLessThan(truth[i].fromS);
    expect(Math.min(...picture.down)).toBeLessThan(-0.95);
    expect(new Set(Object.values(picture).flatMap((one) => (Array.isArray(one) ? [one.length] : []))).size).toBe(1);
  }
  // On the ground it looks up by the tilt of its camera.
  expect(pack.whole.view.low[2]).toBeCloseTo(20, 0);
  expect(Math.max(...pack.whole.view.high)).toBeGreaterThan(60);
  // Nearer by, nothing that is short is lost.
  const tape = readTape(text);
  const [{ fromS, toS, measures: of }] = pack.tricks;
  const near = tapeWindow(tape, { fromS, toS, columns: 10, tiltDeg: 20 });
  expect(near.toS - near.fromS).toBeCloseTo(toS - fromS, 1);
  expect(Math.max(...near.rateDps.pitch.low.map(Math.abs))).toBeCloseTo(of.peakDps, -1);
  expect(near.stick.pitch.low).toHaveLength(10);
  expect(() => tapeWindow(tape, { fromS, toS, columns: 0, tiltDeg: 20 })).toThrow("columns");
  expect(pack).toMatchObject({
    fromS: expect.closeTo(0, 1),
    sampleHz: expect.closeTo(500, 3),
    warnings: expect.any(Array),
  });
});
