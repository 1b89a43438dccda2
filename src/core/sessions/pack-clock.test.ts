import { LANDING_S, packState, tryTimeS, USUAL_TRY_S } from "..";

describe("the pack clock", () => {
  it("counts down the planned minutes: no further try once it would not be over before the landing, then land", () => {
    const kinds = [0, 100, 149, 151, 209, 211, 400].map((elapsedS) => packState(elapsedS, 240, 60).kind);
    expect(kinds).toEqual(["flying", "flying", "flying", "no-further-try", "no-further-try", "land", "land"]);
    expect(packState(100, 240, 60)).toEqual({ kind: "flying", leftS: 140 });
    // Over time it goes on below nothing: by how much is worth knowing.
    expect(packState(300, 240, 60)).toEqual({ kind: "land", leftS: -60 });
  });

  it("says land before no further try where a try is shorter than nothing is left", () => {
    expect(packState(240 - LANDING_S, 240, 1).kind).toBe("land");
  });

  it("counts up where nothing was planned", () => {
    expect(packState(75, null, 30)).toEqual({ kind: "counting-up", elapsedS: 75 });
  });

  it.each([
    [-1, 240, 30, /elapsedS/],
    [0, 0, 30, /plannedS/],
    [0, 240, Number.NaN, /tryS/],
  ])("refuses %d of %d s with tries of %d s", (elapsedS, plannedS, tryS, field) => {
    expect(() => packState(elapsedS, plannedS, tryS)).toThrow(field);
  });
});

describe("what a try takes", () => {
  const at = (...tapsS: [atS: number, pack: number | null][]) =>
    tapsS.map(([atS, pack]) => ({ atMs: 1000 * atS, pack }));

  it("is the median between taps on one pack; changes of packs and double taps count for nothing", () => {
    expect(tryTimeS(at([0, 1], [20, 1], [60, 1], [90, 1], [500, 2], [500.5, 2]))).toBe(30);
  });

  it("is what is usual before three were timed", () => {
    expect(tryTimeS(at([0, 1], [20, 1], [60, 1]))).toBe(USUAL_TRY_S);
    expect(tryTimeS(at([0, null], [20, null], [40, null], [60, null], [80, null]))).toBe(USUAL_TRY_S);
    expect(tryTimeS([])).toBe(USUAL_TRY_S);
  });
});
